package chalktrace.core.edit.timing;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.edit.Edit;
import chalktrace.core.edit.mouth.MouthLevels;
import chalktrace.core.edit.speech.SpeechEdits;
import chalktrace.core.shot.Cue;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.MouthChart;
import chalktrace.core.shot.MouthPlace;
import chalktrace.core.shot.MouthSpan;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.Word;
import chalktrace.core.testing.Shots;
import chalktrace.core.time.FrameRange;
import chalktrace.core.time.FrameRate;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

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
    void whatAnotherRateWouldDoIsSaidBeforeInFigures() {
        // 48 frames of 1/24 s; of four showings the two of one frame each lie at 2 and 3: 1 and 1.5 of 1/12 s.
        assertThat(RateEdits.words(SHOT, TWELVE))
                .contains("4.00 s instead of 2.00 s", "its 48 frames become 24", "of 4 showings", " push the next on");
        assertThat(RateEdits.words(SHOT, FrameRate.parse("48")))
                .contains("1.00 s", "become 96", "none loses its frame");
        assertThat(RateEdits.words(SHOT, FrameRate.FILM)).isEmpty();
    }

    @Test
    void fasterAndBackAgainIsAsBefore() {
        Shot there = RateEdits.keepSeconds(FrameRate.parse("48")).change().apply(SHOT);
        Shot back = RateEdits.keepSeconds(FrameRate.FILM).change().apply(there);
        assertThat(back.levels()).isEqualTo(SHOT.levels());
        assertThat(back.marks()).isEqualTo(SHOT.marks());
        assertThat(back.setup()).isEqualTo(SHOT.setup());
    }

    @ParameterizedTest
    @ValueSource(booleans = {true, false})
    void mouthsFollowTheirWordsAtTheNewRateAndThoseSetByHandStayWithTheirTime(boolean keepsSeconds) {
        Shot shot = Shots.empty();
        for (Edit edit : List.of(
                SpeechEdits.addWord(new Word("word-1", "map", 0.5, 1)),
                MouthLevels.make(new MouthPlace(100, 100, 40, true)),
                SpeechEdits.setMouth(FrameRange.of(36, 6), MouthChart.ROUND))) {
            shot = edit.change().apply(shot);
        }
        Edit change = keepsSeconds ? RateEdits.keepSeconds(FrameRate.of(12)) : RateEdits.keepFrames(FrameRate.of(12));
        Shot slow = change.change().apply(shot);
        // At 12 frames a second "map" lies on frames 6 to 12, and frame 36 of 24 is frame 18.
        assertThat(slow.mouths().stream()
                        .filter(MouthSpan::byHand)
                        .map(MouthSpan::range)
                        .toList())
                .containsExactly(keepsSeconds ? FrameRange.of(18, 3) : FrameRange.of(36, 6));
        assertThat(slow.mouths().stream()
                        .filter(span -> span.shape().equals(MouthChart.CLOSED))
                        .map(span -> span.range().start()))
                .containsExactly(5, 10);
        assertThat(MouthLevels.seen(slow)).isEqualTo(slow.mouths());
    }
}
