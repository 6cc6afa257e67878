package chalktrace.core.edit.speech;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.shot.Phone;
import chalktrace.core.shot.Word;
import chalktrace.core.sound.PcmBuffer;
import chalktrace.core.speech.Pronunciations;
import chalktrace.core.speech.ScriptText;
import chalktrace.core.testing.SpokenLines;
import java.util.List;
import org.junit.jupiter.api.Test;

/** A recording that lies somewhere in a shot, and its script: synthetic speech whose times its synthesiser told. */
class AlignedScriptTest {

    private static final String LINE = "line3-slt";
    private static final double START = 2;
    private static final double FRAME = 1 / 24.0;

    /** Without any word on the ruler. */
    private static final AlignedScript PLAIN = aligned(script());

    private static AlignedScript aligned(String script, Word... there) {
        PcmBuffer sound = SpokenLines.sound(LINE);
        return AlignedScript.of(
                new AlignedScript.Recording(sound, START, 0, sound.seconds()),
                ScriptText.parse(script),
                List.of(there),
                new Pronunciations(List.of()),
                done -> true);
    }

    private static String script() {
        return "Ada: " + String.join(" ", SpokenLines.script(LINE));
    }

    private static SpokenLines.Said said(int n) {
        return SpokenLines.words(LINE).get(n);
    }

    private static Word there(int n, boolean pinned) {
        Word word = new Word(
                "own",
                said(n).text().toUpperCase(),
                START + said(n).startSeconds() + 0.02,
                START + said(n).endSeconds());
        return word.withPinned(pinned);
    }

    @Test
    void wordsLieOnTheShotsRulerWithTheirSpeakerAndTheirPhonesWithin() {
        List<Word> words = PLAIN.words();
        assertThat(words).hasSize(SpokenLines.words(LINE).size());
        for (int i = 0; i < words.size(); i++) {
            Word word = words.get(i);
            assertThat(word.startSeconds()).isCloseTo(START + said(i).startSeconds(), within(3 * FRAME));
            assertThat(word.speaker()).isEqualTo("Ada");
            assertThat(word.pinned()).isFalse();
            assertThat(word.id()).isEqualTo("word-" + (i + 1));
            assertThat(word.phones()).isNotEmpty().allSatisfy(phone -> {
                assertThat(phone.startSeconds()).isGreaterThanOrEqualTo(word.startSeconds() - 1e-6);
                assertThat(phone.decibels()).isNegative().isNotEqualTo(Phone.NOT_KNOWN);
            });
            if (i > 0) {
                assertThat(word.startSeconds())
                        .isGreaterThanOrEqualTo(words.get(i - 1).endSeconds());
            }
        }
    }

    @Test
    void aPinnedWordStaysWhereItWasPutAndOneThatIsNotPinnedIsFoundAnew() {
        Word pinned = there(2, true);
        Word found = aligned(script(), pinned).words().get(2);
        assertThat(found.startSeconds()).isEqualTo(pinned.startSeconds());
        assertThat(found.endSeconds()).isEqualTo(pinned.endSeconds());
        assertThat(found.pinned()).isTrue();
        assertThat(found.speaker()).isEqualTo("Ada");
        Word anew = aligned(script(), there(2, false)).words().get(2);
        assertThat(anew.pinned()).isFalse();
        assertThat(anew).isEqualTo(PLAIN.words().get(2));
    }

    @Test
    void aPinnedWordOutsideTheRecordingIsNoneOfIt() {
        Word near = there(2, true);
        Word away = near.withTimes(near.startSeconds() + 60, near.endSeconds() + 60);
        assertThat(aligned(script(), away).words()).isEqualTo(PLAIN.words());
    }

    @Test
    void wordsThatNoDictionaryHasAreNamedOnce() {
        assertThat(aligned(script() + " zzyxb zzyxb").guessed()).containsExactly("zzyxb");
        assertThat(PLAIN.guessed()).isEmpty();
        assertThat(AlignedScript.Recording.whole(SpokenLines.sound(LINE)).to())
                .isEqualTo(SpokenLines.sound(LINE).seconds());
    }
}
