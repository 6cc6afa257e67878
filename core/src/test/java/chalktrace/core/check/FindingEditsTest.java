package chalktrace.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.edit.drawing.DrawingEdits;
import chalktrace.core.edit.timing.ShotTimingEdits;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Shot;
import chalktrace.core.testing.Shots;
import java.util.List;
import org.junit.jupiter.api.Test;

class FindingEditsTest {

    private static final ShotTimingEdits.Along ALL = new ShotTimingEdits.Along(true, true);

    /** A frame without a drawing between two that have one. */
    private final Shot gap = Shots.showing(Exposure.of(0, 4, 1), Exposure.of(5, 4, 2));

    private final Finding finding = Checks.of(gap).get(0);
    private final Shot meant = Shots.after(gap, FindingEdits.setAside(finding));

    @Test
    void whatIsMeantIsNotListedUntilAllIsListedAgain() {
        assertThat(Checks.of(gap)).containsExactly(finding);
        assertThat(Checks.of(meant)).isEmpty();
        assertThat(Checks.of(Shots.after(meant, FindingEdits.listAll()))).isEqualTo(List.of(finding));
    }

    @Test
    void itStaysAsideWhenFramesComeBeforeItAndIsLookedAtAnewElsewhere() {
        Shot later = Shots.after(meant, ShotTimingEdits.insertFrames(0, 6, ALL));
        assertThat(Checks.of(later)).isEmpty();
        Shot moved = Shots.after(meant, DrawingEdits.trim(Shots.LEVEL, 0, 3));
        moved = Shots.after(moved, DrawingEdits.moveShowing(Shots.LEVEL, 5, 4));
        assertThat(Checks.of(moved)).extracting(Finding::frame).containsExactly(3);
    }
}
