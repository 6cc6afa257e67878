package chalktrace.core.speech;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.shot.MouthSpan;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.shot.Word;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class LetterMouthsTest {

    private static final ShotSetup SETUP = ShotSetup.standard();

    private static List<MouthSpan> mouths(Word... words) {
        return LetterMouths.of(List.of(words), SETUP);
    }

    @ParameterizedTest
    @ValueSource(strings = {"map", "bob", "apple", "mumble", "stamp"})
    void closedLipsShowForTwoFramesAtTwentyFour(String text) {
        // Common practice: M, B and P show for a full frame at 12 frames a second, two at 24.
        List<MouthSpan> spans = mouths(new Word("word-1", text, 1, 1.6));
        assertThat(spans)
                .filteredOn(span -> span.shape().equals(MouthChart.CLOSED))
                .isNotEmpty()
                .allMatch(span -> span.range().frames() >= 2);
    }

    @Test
    void everyFrameOfAWordHasAMouthAndNoFrameHasTwo() {
        List<MouthSpan> spans = mouths(new Word("word-1", "careful", 1, 1.5), new Word("word-2", "now", 1.5, 2));
        for (int frame = 24; frame < 48; frame++) {
            int f = frame;
            assertThat(spans.stream().filter(span -> span.range().contains(f))).hasSize(1);
        }
    }

    @Test
    void theMouthRestsInAPauseAndAfterTheLastWord() {
        List<MouthSpan> spans = mouths(new Word("word-1", "now", 0, 0.5), new Word("word-2", "it", 1, 1.25));
        assertThat(shapeAt(spans, 18)).isEqualTo(MouthChart.REST);
        assertThat(shapeAt(spans, 31)).isEqualTo(MouthChart.REST);
    }

    @Test
    void aWordMadeOfNoLettersStillMovesTheMouth() {
        assertThat(mouths(new Word("word-1", "\u2026!", 0, 0.5))).isNotEmpty();
        assertThat(mouths()).isEmpty();
    }

    private static String shapeAt(List<MouthSpan> spans, int frame) {
        return spans.stream()
                .filter(span -> span.range().contains(frame))
                .findFirst()
                .orElseThrow()
                .shape();
    }
}
