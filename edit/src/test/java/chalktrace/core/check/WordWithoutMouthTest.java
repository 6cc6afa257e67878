package chalktrace.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.edit.mouth.MouthLevels;
import chalktrace.core.edit.speech.SpeechEdits;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.MouthPlace;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.Speaker;
import chalktrace.core.shot.Word;
import chalktrace.core.testing.AfterEdits;
import chalktrace.core.testing.Shots;
import java.util.List;
import org.junit.jupiter.api.Test;

class WordWithoutMouthTest {

    /** "map" on frames 12 to 23, "pam" on 30 to 35, with mouths on a level. */
    private static Shot speaking() {
        Shot shot = AfterEdits.after(
                AfterEdits.after(Shots.empty(), SpeechEdits.addWord(new Word("word-1", "map", 0.5, 1))),
                SpeechEdits.addWord(new Word("word-2", "pam", 1.25, 1.5)));
        return AfterEdits.after(shot, MouthLevels.make(new MouthPlace(100, 100, 40, true)));
    }

    private static Shot showing(Shot shot, Exposure... runs) {
        Level mouths = MouthLevels.find(shot).orElseThrow();
        return shot.withLevel(mouths.id(), level -> level.with(Exposures.of(runs)));
    }

    private static List<Integer> frames(Shot shot) {
        return new WordWithoutMouth().of(shot).stream().map(Finding::frame).toList();
    }

    @Test
    void wordsWithMouthsAreRight() {
        assertThat(frames(speaking())).isEmpty();
    }

    @Test
    void aWordThatNoMouthSaysIsFoundAtItsFirstFrame() {
        assertThat(frames(showing(speaking(), Exposure.of(12, 12, 1)))).containsExactly(30);
        assertThat(frames(showing(speaking(), Exposure.of(24, 6, 1)))).containsExactly(12, 30);
    }

    @Test
    void oneFrameWithAMouthIsEnough() {
        assertThat(frames(showing(speaking(), Exposure.of(23, 8, 1)))).isEmpty();
    }

    @Test
    void whatAnotherSaysIsNotMissed() {
        Shot shot = speaking();
        Shot named = shot.withSpeech(shot.speech()
                .turnedTo(Speaker.EVERYBODY.withName("Ada"), shot.speech().speaker())
                .withWords(List.of(new Word("word-1", "map", 0.5, 1).withSpeaker("Bo"))));
        Shot own = AfterEdits.after(named, MouthLevels.make(new MouthPlace(100, 100, 40, true)));
        assertThat(frames(showing(own))).isEmpty();
    }

    @Test
    void withoutAMouthLevelNothingIsAsked() {
        assertThat(frames(AfterEdits.after(Shots.empty(), SpeechEdits.addWord(new Word("word-1", "map", 0.5, 1)))))
                .isEmpty();
    }

    @Test
    void aMouthOfTheChartThatNobodySaysIsNoMistakeButADrawingOfOnesOwnIs() {
        Shot shot = speaking();
        Level mouths = MouthLevels.find(shot).orElseThrow();
        assertThat(new NeverShown().of(shot)).isEmpty();
        Shot more = shot.withLevel(
                mouths.id(), level -> level.with(level.drawing(1).orElseThrow().withNumber(999)));
        assertThat(new NeverShown().of(more)).extracting(Finding::drawing).containsExactly(999);
    }
}
