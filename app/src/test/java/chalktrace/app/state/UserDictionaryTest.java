package chalktrace.app.state;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import chalktrace.core.shot.Speech.Saying;
import chalktrace.core.speech.Pronunciations;
import chalktrace.media.UnreadableException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class UserDictionaryTest {

    @TempDir
    Path folder;

    @Test
    void aWordIsKeptForTheNextStartAndGoesBeforeTheShippedDictionary() throws Exception {
        new UserDictionary(folder).keep(new Saying("Kettle,", List.of("K", "AH", "T", "L")));
        new UserDictionary(folder).keep(new Saying("kettle", List.of("K", "EH", "T", "L")));
        List<Saying> kept = new UserDictionary(folder).sayings();
        assertThat(kept).hasSize(1);
        Pronunciations.Said said = new Pronunciations(kept).of("KETTLE!");
        assertThat(said.origin()).isEqualTo(Pronunciations.Origin.TYPED);
        assertThat(said.ways()).containsExactly(List.of("K", "EH", "T", "L"));
    }

    @Test
    void aDictionaryThatWasSpoiltByHandIsNotWrittenOver() throws Exception {
        Path file = folder.resolve("words.dict");
        // Laid out as the CMU Pronouncing Dictionary 0.7b: remarks, capitals, digits of stress.
        String text = ";;; mine\nKETTLE  K EH1 T AH0 L\ngloop  G L QQ P\n";
        Files.writeString(file, text);
        UserDictionary dictionary = new UserDictionary(folder);
        assertThatThrownBy(dictionary::sayings)
                .isInstanceOf(UnreadableException.class)
                .hasMessageContaining("line 3");
        assertThatThrownBy(() -> dictionary.keep(new Saying("pier", List.of("P", "IH", "R"))))
                .isInstanceOf(UnreadableException.class)
                .hasMessageContaining("line 3")
                .hasMessageContaining("QQ");
        assertThat(file).hasContent(text);
        Files.writeString(file, text.replace("QQ", "UW1"));
        assertThat(dictionary.sayings())
                .containsExactly(
                        new Saying("KETTLE", List.of("K", "EH", "T", "AH", "L")),
                        new Saying("gloop", List.of("G", "L", "UW", "P")));
    }
}
