package chalktrace.core.speech;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import chalktrace.core.shot.Speech;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PronunciationsTest {

    private final Pronunciations dictionary = new Pronunciations(List.of());

    /** Carnegie Mellon University, CMUdict 0.7b, without stress. */
    @ParameterizedTest
    @CsvSource({
        "careful, K EH R F AH L",
        "hotter, HH AA T ER",
        "Looks, L UH K S",
        "it\u2019s, IH T S",
        "\"kettle!\", K EH T AH L",
        "caf\u00e9, K AH F EY"
    })
    void wordsAreSaidAsTheDictionaryHasThem(String word, String phones) {
        Pronunciations.Said said = dictionary.of(word);
        assertThat(said.origin()).isEqualTo(Pronunciations.Origin.DICTIONARY);
        assertThat(said.ways()).contains(List.of(phones.split(" ")));
    }

    /** English numerals; the phones are those of the words in CMUdict 0.7b. */
    @ParameterizedTest
    @CsvSource({
        "42, F AO R T IY T UW",
        "3rd, TH ER D",
        "1984, N AY N T IY N EY T IY F AO R",
        "20%, T W EH N T IY P ER S EH N T",
        "0.5, Z IH R OW P OY N T F AY V"
    })
    void digitsAreSaidAsWords(String digits, String phones) {
        assertThat(dictionary.of(digits).ways()).contains(List.of(phones.split(" ")));
    }

    @Test
    void aWordThatNoDictionaryHasIsGuessedAndCanBeTyped() {
        assertThat(dictionary.of("zorblax").origin()).isEqualTo(Pronunciations.Origin.GUESSED);
        Pronunciations typed =
                new Pronunciations(List.of(new Speech.Saying("Zorblax", Pronunciations.parse("z ao1 r b l ae0 k s"))));
        assertThat(typed.of("zorblax,").ways()).containsExactly(List.of("Z", "AO", "R", "B", "L", "AE", "K", "S"));
    }

    @Test
    void whatCanNotBeSaidOrIsNoPhoneIsRefusedByName() {
        assertThatThrownBy(() -> dictionary.of("\u0447\u0430\u0439")).hasMessageContaining("\u0447\u0430\u0439");
        assertThatThrownBy(() -> Pronunciations.parse("K QX T")).hasMessageContaining("QX");
        assertThatThrownBy(() -> Pronunciations.parse(" ")).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void aScriptIsTakenApartIntoWhatIsSpokenByWhom() {
        ScriptText script = ScriptText.parse("Ada: Careful now! \u2615 (softly) It's hot \u2014 really.\nBo: 42?");
        assertThat(script.words())
                .extracting(ScriptText.Spoken::text)
                .containsExactly("Careful", "now", "It's", "hot", "really", "42");
        assertThat(script.words()).extracting(ScriptText.Spoken::speaker).containsOnly("Ada", "Bo");
        assertThatThrownBy(() -> ScriptText.parse(" \u2615 \n ...")).hasMessageContaining("no words");
    }
}
