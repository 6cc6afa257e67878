package chalktrace.core.shot;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.edit.speech.SpeechEdits;
import chalktrace.core.edit.timing.MarkEdits;
import chalktrace.core.testing.AfterEdits;
import chalktrace.core.testing.Shots;
import chalktrace.core.time.FrameRange;
import java.util.List;
import org.junit.jupiter.api.Test;

/** How an exposure sheet is filled in is common practice: a number where a drawing starts, a line where it is held, a cross for nothing on purpose. */
class ExposureSheetTest {

    private static Shot shot() {
        Shot drawn = Shots.showing(
                        new Exposure(2, 3, 1, Placement.AS_IS),
                        new Exposure(5, 2, Exposure.BLANK, Placement.AS_IS),
                        new Exposure(9, 1, 2, Placement.AS_IS))
                .withMarks(List.of(
                        new Mark(2, Mark.Kind.KEY), new Mark(5, Mark.Kind.BREAKDOWN), new Mark(9, Mark.Kind.INBETWEEN)))
                .withCues(List.of(new Cue("cue-1", "clink", 0.25), new Cue("cue-2", "steam", 0.25)));
        return AfterEdits.after(
                drawn,
                SpeechEdits.addWord(new Word("word-1", "tea", 0.21, 0.4)),
                SpeechEdits.setMouth(FrameRange.of(6, 3), "A"),
                MarkEdits.note(2, "smaller"));
    }

    @Test
    void eachFrameSaysWhatEachLevelShows() {
        ExposureSheet sheet = new ExposureSheet(shot());
        assertThat(sheet.rows()).isEqualTo(48);
        assertThat(sheet.levels()).containsExactly("rough");
        assertThat(List.of(0, 2, 3, 4, 5, 6, 7, 9, 10))
                .extracting(frame -> sheet.row(frame).cells().get(0))
                .containsExactly("", "1", "|", "|", "\u00d7", "|", "", "2", "");
    }

    @Test
    void whatIsSpokenHeardAndWrittenStandsOnTheFrameOnWhichItStarts() {
        ExposureSheet sheet = new ExposureSheet(shot());
        // 0.21 s is frame 5 and 0.25 s frame 6 at 24 frames a second.
        assertThat(sheet.row(5).words()).isEqualTo("tea");
        assertThat(sheet.row(6).words()).isEmpty();
        assertThat(sheet.row(6).cues()).isEqualTo("clink, steam");
        assertThat(sheet.row(5).cues()).isEmpty();
        assertThat(sheet.row(6).mouth()).isEqualTo("A");
        assertThat(sheet.row(7).mouth()).isEmpty();
        assertThat(sheet.row(2).note()).isEqualTo("smaller");
        assertThat(sheet.row(3).note()).isEmpty();
        assertThat(sheet.row(2).camera()).isEmpty();
        assertThat(sheet.row(2).frame()).isEqualTo(2);
        assertThat(sheet.row(2).number()).isEqualTo(3);
        assertThat(List.of(2, 3, 5, 9))
                .extracting(frame -> sheet.row(frame).mark())
                .containsExactly("key", "", "breakdown", "in-between");
    }
}
