package chalktrace.core.edit;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.shot.Cue;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.Shot;
import chalktrace.core.testing.Shots;
import chalktrace.core.time.FrameRate;
import java.util.List;
import org.junit.jupiter.api.Test;

class RateEditsTest {

    private static final FrameRate TWELVE = FrameRate.parse("12");

    private static final Shot SHOT = Shots.showing(
                    Exposure.of(0, 2, 1), Exposure.of(2, 1, 2), Exposure.of(3, 1, 3), Exposure.of(4, 20, 4))
            .withMarks(List.of(new Mark(0, Mark.Kind.KEY), new Mark(24, Mark.Kind.KEY)))
            .withCues(List.of(new Cue("cue-1", "clink", 1)));

    @Test
    void keepingFramesLeavesDrawingsWhereTheyAre() {
        Shot slow = RateEdits.keepFrames(TWELVE).change().apply(SHOT);
        assertThat(slow.setup().length()).isEqualTo(48);
        assertThat(slow.levels()).isEqualTo(SHOT.levels());
        assertThat(slow.cues()).isEqualTo(SHOT.cues());
    }

    @Test
    void keepingSecondsHalvesFramesAndLosesNoDrawing() {
        Shot slow = RateEdits.keepSeconds(TWELVE).change().apply(SHOT);
        assertThat(slow.setup().length()).isEqualTo(24);
        assertThat(slow.setup().seconds()).isEqualTo(SHOT.setup().seconds());
        assertThat(slow.marks()).extracting(Mark::frame).containsExactly(0, 12);
        assertThat(Shots.level(slow).exposures().runs())
                .extracting(Exposure::drawing)
                .containsExactly(1, 2, 3, 4);
        assertThat(Shots.level(slow).exposures().end()).isEqualTo(12);
        assertThat(slow.cues()).isEqualTo(SHOT.cues());
    }

    @Test
    void fasterAndBackAgainIsAsBefore() {
        Shot there = RateEdits.keepSeconds(FrameRate.parse("48")).change().apply(SHOT);
        Shot back = RateEdits.keepSeconds(FrameRate.FILM).change().apply(there);
        assertThat(back.levels()).isEqualTo(SHOT.levels());
        assertThat(back.marks()).isEqualTo(SHOT.marks());
        assertThat(back.setup()).isEqualTo(SHOT.setup());
    }
}
