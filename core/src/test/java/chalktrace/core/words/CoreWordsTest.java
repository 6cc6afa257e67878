package chalktrace.core.words;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import chalktrace.core.testing.AskedWords;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.MissingResourceException;
import java.util.Properties;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** The bundles hold what is asked for, and nothing else; no edit has a name of its own. */
class CoreWordsTest {

    private static final Path SOURCES = Path.of("src/main/java/chalktrace/core");
    private static final Path BUNDLES = Path.of("src/main/resources/chalktrace/core/words");
    private static final Pattern OWN_NAME = Pattern.compile("new Edit\\(\\s*\"[^\"]");

    private static Path bundle(CoreWords words) {
        return BUNDLES.resolve(words.name().toLowerCase(Locale.ROOT) + ".properties");
    }

    @ParameterizedTest
    @EnumSource(CoreWords.class)
    void whatIsAskedForIsThereAndNothingIsLeftOver(CoreWords words) throws IOException {
        assertThat(AskedWords.of(AskedWords.sources(SOURCES), "CoreWords." + words, bundle(words), Set.of()))
                .isEqualTo(new AskedWords(Set.of(), Set.of()));
    }

    @ParameterizedTest
    @EnumSource(CoreWords.class)
    void noTextIsAFragment(CoreWords words) throws IOException {
        Properties texts = AskedWords.properties(bundle(words));
        assertThat(texts.values())
                .allSatisfy(text -> assertThat((String) text).isNotBlank().isEqualTo(((String) text).strip()));
    }

    @Test
    void noEditHasANameThatStandsInTheSource() throws IOException {
        List<String> found = new ArrayList<>();
        for (Path source : AskedWords.sources(SOURCES)) {
            Matcher own = OWN_NAME.matcher(Files.readString(source));
            while (own.find()) {
                found.add(source.getFileName() + ": " + own.group());
            }
        }
        assertThat(found).isEmpty();
    }

    @Test
    void partsArePutInWholeWhateverTheyHold() {
        assertThat(CoreWords.EDIT.of("add-the-word", "$1 {0} \\ cup")).isEqualTo("add the word \"$1 {0} \\ cup\"");
        assertThat(CoreWords.EDIT.count("insert-frames", 1)).isEqualTo("insert a frame");
        assertThat(CoreWords.EDIT.count("insert-frames", 1000)).isEqualTo("insert 1000 frames");
        assertThatThrownBy(() -> CoreWords.EDIT.of("no such key")).isInstanceOf(MissingResourceException.class);
    }
}
