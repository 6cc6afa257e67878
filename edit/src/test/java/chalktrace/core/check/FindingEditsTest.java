package chalktrace.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.edit.drawing.DrawingEdits;
import chalktrace.core.edit.timing.ShotTimingEdits;
import chalktrace.core.shot.Cycle;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Shot;
import chalktrace.core.testing.AfterEdits;
import chalktrace.core.testing.Shots;
import chalktrace.core.time.FrameRange;
import java.util.List;
import org.junit.jupiter.api.Test;

class FindingEditsTest {

    private static final ShotTimingEdits.Along ALL = new ShotTimingEdits.Along(true, true);

    /** A frame without a drawing between two that have one. */
    private final Shot gap = Shots.showing(Exposure.of(0, 4, 1), Exposure.of(5, 4, 2));

    private final Finding finding = Checks.of(gap).get(0);
    private final Shot meant = AfterEdits.after(gap, FindingEdits.setAside(finding));

    @Test
    void whatIsMeantIsNotListedUntilAllIsListedAgain() {
        assertThat(Checks.of(gap)).containsExactly(finding);
        assertThat(Checks.of(meant)).isEmpty();
        assertThat(Checks.of(AfterEdits.after(meant, FindingEdits.listAll()))).isEqualTo(List.of(finding));
    }

    @Test
    void itStaysAsideWhenFramesComeBeforeItAndIsLookedAtAnewElsewhere() {
        Shot later = AfterEdits.after(meant, ShotTimingEdits.insertFrames(0, 6, ALL));
        assertThat(Checks.of(later)).isEmpty();
        Shot moved = AfterEdits.after(meant, DrawingEdits.trim(Shots.LEVEL, 0, 3));
        moved = AfterEdits.after(moved, DrawingEdits.moveShowing(Shots.LEVEL, 5, 4));
        assertThat(Checks.of(moved)).extracting(Finding::frame).containsExactly(3);
    }

    /** The mend takes its finding away, and nothing else that is found comes. */
    private static Shot mended(Shot shot, String check) {
        Finding found = Checks.of(shot).stream()
                .filter(finding -> finding.check().equals(check))
                .findFirst()
                .orElseThrow();
        Shot mended = AfterEdits.after(shot, Checks.mend(found).orElseThrow());
        assertThat(Checks.of(mended)).isSubsetOf(Checks.of(shot)).doesNotContain(found);
        return mended;
    }

    @Test
    void aGapIsHeldOver() {
        assertThat(Shots.level(mended(gap, "one-frame-gap")).exposures())
                .isEqualTo(Exposures.of(Exposure.of(0, 5, 1), Exposure.of(5, 4, 2)));
    }

    @Test
    void aDrawingThatShowsNowhereGoes() {
        Shot shot = Shots.showing(Exposure.of(0, 4, 1)).withLevel(Shots.LEVEL, level -> level.with(Drawing.empty(7)));
        assertThat(Shots.level(mended(shot, "never-shown")).drawing(7)).isEmpty();
        assertThat(Shots.level(mended(shot, "never-shown")).drawing(1)).isPresent();
    }

    @Test
    void aCycleEndsBeforeItsFirstPoseComesAgain() {
        Shot shot = Shots.showing(Exposure.of(0, 2, 1), Exposure.of(2, 2, 2), Exposure.of(4, 3, 1))
                .withCycles(List.of(new Cycle(Shots.LEVEL, FrameRange.of(0, 7))));
        assertThat(mended(shot, "cycle-shows-twice").cycles())
                .containsExactly(new Cycle(Shots.LEVEL, FrameRange.of(0, 4)));
    }

    @Test
    void onlyWhatNearlyEverybodyWouldDoIsOffered() {
        Shot outside = Shots.showing(Exposure.of(0, 4, 1), Exposure.of(900, 4, 2));
        assertThat(Checks.of(outside)).isNotEmpty().allSatisfy(found -> assertThat(Checks.mend(found))
                .isEmpty());
    }
}
