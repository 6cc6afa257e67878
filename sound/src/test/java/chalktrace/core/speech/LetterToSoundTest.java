package chalktrace.core.speech;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.speech.freetts.en.us.CMULexicon;
import com.sun.speech.freetts.lexicon.LetterToSoundImpl;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class LetterToSoundTest {

    /** FreeTTS itself, from which the rules are, is the referee. */
    @Test
    void eachWordIsGuessedAsFreeTtsGuessesIt() throws Exception {
        LetterToSoundImpl referee = new LetterToSoundImpl(CMULexicon.class.getResource("cmulex_lts.bin"), true);
        LetterToSound rules = LetterToSound.read(Pronunciations.class.getResourceAsStream("letter-to-sound.txt.gz"));
        long seed = System.nanoTime();
        System.out.println("words of seed " + seed);
        Random random = new Random(seed);
        for (String word : List.of("kettle", "zzyzx", "o'clock", "a", "thoroughly", "qwerty", "'tis")) {
            assertThat(rules.phonesOf(word)).as(word).containsExactly(referee.getPhones(word, null));
        }
        for (int i = 0; i < 20_000; i++) {
            StringBuilder word = new StringBuilder();
            for (int letters = 1 + random.nextInt(14); letters > 0; letters--) {
                word.append((char) ('a' + random.nextInt(26)));
            }
            assertThat(rules.phonesOf(word.toString()))
                    .as(word.toString())
                    .containsExactly(referee.getPhones(word.toString(), null));
        }
    }
}
