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
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** The bundles hold what is asked for, and nothing else; no edit has a name of its own. */
class CoreWordsTest {

    private static final Pattern OWN_NAME = Pattern.compile("new Edit\\(\\s*\"[^\"]");

    /** A folder of each module that has it. */
    private static List<Path> inModules(String folder) throws IOException {
        try (Stream<Path> modules = Files.list(Path.of(".."))) {
            return modules.map(module -> module.resolve(folder))
                    .filter(Files::isDirectory)
                    .toList();
        }
    }

    private static List<Path> sources() throws IOException {
        List<Path> all = new ArrayList<>();
        for (Path folder : inModules("src/main/java/chalktrace/core")) {
            all.addAll(AskedWords.sources(folder));
        }
        return all;
    }

    /** {@code edit.properties} belongs to {@code EditWords}, beside it in the module that says them. */
    private static List<Path> bundles() throws IOException {
        List<Path> all = new ArrayList<>();
        for (Path folder : inModules("src/main/resources/chalktrace/core/words")) {
            try (Stream<Path> files = Files.list(folder)) {
                all.addAll(files.toList());
            }
        }
        return all;
    }

    private static String asked(Path bundle) {
        String name = bundle.getFileName().toString().replace(".properties", "");
        return name.substring(0, 1).toUpperCase(Locale.ROOT) + name.substring(1) + "Words.TEXTS";
    }

    @ParameterizedTest
    @MethodSource("bundles")
    void whatIsAskedForIsThereAndNothingIsLeftOver(Path bundle) throws IOException {
        assertThat(AskedWords.of(sources(), asked(bundle), bundle, Set.of()))
                .isEqualTo(new AskedWords(Set.of(), Set.of()));
    }

    @ParameterizedTest
    @MethodSource("bundles")
    void noTextIsAFragment(Path bundle) throws IOException {
        Properties texts = AskedWords.properties(bundle);
        assertThat(texts.values())
                .allSatisfy(text -> assertThat((String) text).isNotBlank().isEqualTo(((String) text).strip()));
    }

    @Test
    void noEditHasANameThatStandsInTheSource() throws IOException {
        List<String> found = new ArrayList<>();
        for (Path source : sources()) {
            Matcher own = OWN_NAME.matcher(Files.readString(source));
            while (own.find()) {
                found.add(source.getFileName() + ": " + own.group());
            }
        }
        assertThat(found).isEmpty();
    }

    @Test
    void partsArePutInWholeWhateverTheyHold() {
        assertThat(EditWords.TEXTS.of("add-the-word", "$1 {0} \\ cup")).isEqualTo("add the word \"$1 {0} \\ cup\"");
        assertThat(EditWords.TEXTS.count("insert-frames", 1)).isEqualTo("insert a frame");
        assertThat(EditWords.TEXTS.count("insert-frames", 1000)).isEqualTo("insert 1000 frames");
        assertThatThrownBy(() -> EditWords.TEXTS.of("no such key")).isInstanceOf(MissingResourceException.class);
    }
}
