package chalktrace.core.edit.timing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowable;

import chalktrace.core.edit.reference.ReferenceEdits;
import chalktrace.core.edit.speech.SpeechEdits;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Cue;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.MouthChart;
import chalktrace.core.shot.MouthSpan;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.shot.Word;
import chalktrace.core.testing.AfterEdits;
import chalktrace.core.testing.Shots;
import chalktrace.core.time.Conform;
import chalktrace.core.time.FrameRange;
import chalktrace.core.time.FrameRate;
import chalktrace.core.time.PictureTimes;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class SetupEditsTest {

    private static ShotSetup at(FrameRate rate) {
        ShotSetup setup = Shots.empty().setup();
        return new ShotSetup(rate, setup.size(), setup.length(), setup.firstNumber(), setup.paper());
    }

    @Test
    void anotherRateKeepsTheSecondsOfWordsAndCuesAndTheFramesOfDrawings() {
        Shot shot = AfterEdits.after(
                Shots.showing(Exposure.of(6, 2, 1)),
                SpeechEdits.addWord(new Word("word-1", "now", 0.5, 1.0)),
                MarkEdits.addCue(new Cue("cue-1", "clink", 1.5)));
        Shot slower = AfterEdits.after(shot, SetupEdits.change(at(FrameRate.of(12))));
        assertThat(slower.words()).isEqualTo(shot.words());
        assertThat(slower.cues()).isEqualTo(shot.cues());
        assertThat(Shots.level(slower).exposures()).isEqualTo(Shots.level(shot).exposures());
        assertThat(slower.mouthAt(6))
                .map(MouthSpan::shape)
                .as("half a second at 12")
                .hasValue(MouthChart.ROUND);
        assertThat(slower.mouthAt(4)).map(MouthSpan::shape).hasValue(MouthChart.REST);
    }

    @Test
    void mouthsThatWereSetByHandStay() {
        Shot shot = AfterEdits.after(
                Shots.empty(),
                SpeechEdits.addWord(new Word("word-1", "now", 0.5, 1.0)),
                SpeechEdits.setMouth(FrameRange.of(2, 2), "round"));
        Shot slower = AfterEdits.after(shot, SetupEdits.change(at(FrameRate.of(12))));
        assertThat(slower.mouthAt(2)).map(MouthSpan::shape).hasValue("round");
        assertThat(slower.mouths().stream().filter(MouthSpan::byHand)).hasSize(1);
    }

    @Test
    void theSameSetUpIsNoChange() {
        Shot shot = Shots.empty();
        assertThat(AfterEdits.after(shot, SetupEdits.change(shot.setup()))).isSameAs(shot);
    }

    @Test
    void footageIsTakenInInFrontRelinkedAndTakenOut() {
        Conform conform = Conform.whole(0, PictureTimes.even(FrameRate.FILM, 10));
        Footage first = Footage.of("footage-1", "first", "/a/first.mp4", conform);
        Footage second = Footage.of("footage-2", "second", "/a/second.mp4", conform);
        SoundClip sound = SoundClip.of("sound-1", "first", "/a/first.mp4", 0);
        Shot shot = AfterEdits.after(
                Shots.empty(), ReferenceEdits.takeIn(first, List.of(sound)), ReferenceEdits.takeIn(second, List.of()));
        assertThat(shot.footage()).extracting(Footage::id).containsExactly("footage-2", "footage-1");
        Shot relinked = AfterEdits.after(shot, ReferenceEdits.relink(Map.of("/a/first.mp4", "/b/first.mp4")));
        assertThat(relinked.footage("footage-1")).map(Footage::file).hasValue("/b/first.mp4");
        assertThat(relinked.sounds().get(0).file()).as("its sound comes along").isEqualTo("/b/first.mp4");
        assertThat(relinked.footage("footage-2")).hasValue(second);
        assertThat(AfterEdits.after(relinked, ReferenceEdits.remove("footage-1"))
                        .footage())
                .containsExactly(second);
    }

    @Test
    void sizesAndLengthsOutOfBoundsAreRefusedWithASentence() {
        for (Runnable bad : List.<Runnable>of(
                () -> new PictureSize(0, 10),
                () -> new PictureSize(10, 20_000),
                () -> PictureSize.parse("wide"),
                () -> Shots.empty().setup().withLength(0),
                () -> Shots.empty().setup().withLength(ShotSetup.LONGEST + 1))) {
            assertThat(catchThrowable(bad::run))
                    .isInstanceOf(IllegalArgumentException.class)
                    .message()
                    .endsWith(".");
        }
        assertThat(PictureSize.parse("1920\u00d71080")).isEqualTo(new PictureSize(1920, 1080));
    }
}
