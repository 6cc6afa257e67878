package chalktrace.app.words;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import chalktrace.app.keys.Action;
import chalktrace.core.check.Checks;
import java.io.IOException;
import java.io.Reader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.MissingResourceException;
import java.util.Properties;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** The bundles hold what the program asks for, and nothing else. */
class WordsTest {

    private static final Path SOURCES = Path.of("src/main/java/chalktrace/app");
    private static final Path BUNDLES = Path.of("src/main/resources/chalktrace/app/words");

    /** A key as it stands in the sources: whole, or the beginning of one that is put together. */
    private static final Pattern ASKED =
            Pattern.compile("Words\\.([A-Z]+)\\s*\\.(of|count|ifAny)\\(\\s*\"([^\"]+)\"\\s*(\\+?)");

    /** Controls are not made with a text that stands in the source. */
    private static final Pattern OWN_TEXT = Pattern.compile("(new (Label|CheckBox|Button|MenuItem|Menu|Fold|Tooltip)"
            + "|Rows\\.(section|hint|quiet)|Buttons\\.(words|edged|main|menu)|\\.setText|notices\\(?\\)?\\.(say|problem))"
            + "\\(\\s*\"[A-Za-z]");

    /** What is chosen from by name. */
    private static final Map<Words, List<String>> CHOICES = Map.of(
            Words.TRACE,
            List.of(
                    "chalktrace.app.session.View$Only",
                    "chalktrace.app.session.View$Handling",
                    "chalktrace.app.trace.rows.ChalkRows$Scope",
                    "chalktrace.core.between.SquashAndStretch$Stays",
                    "chalktrace.core.render.OnionSkin$Step",
                    "chalktrace.core.shot.Chalk$Role",
                    "chalktrace.core.shot.LevelStyle$Role",
                    "chalktrace.core.stroke.LineShape$Tip"),
            Words.VOICE,
            List.of("chalktrace.core.shot.Cue$Kind"),
            Words.STUDY,
            List.of("chalktrace.core.motion.MotionProposal$Kind", "chalktrace.core.render.DrawnPath$Anchor"),
            Words.MODELS,
            List.of("chalktrace.core.space.ModelLook", "chalktrace.core.space.CameraKey$Move"));

    private record Asked(String kind, String key, boolean open) {}

    private static List<Path> sources() throws IOException {
        try (Stream<Path> all = Files.walk(SOURCES)) {
            return all.filter(path -> path.toString().endsWith(".java"))
                    .filter(path -> !path.startsWith(SOURCES.resolve("cli")))
                    .toList();
        }
    }

    private static List<Asked> asked(Words words) throws IOException {
        List<Asked> out = new ArrayList<>();
        for (Path source : sources()) {
            Matcher found = ASKED.matcher(Files.readString(source));
            while (found.find()) {
                if (found.group(1).equals(words.name())) {
                    out.add(new Asked(
                            found.group(2), found.group(3), !found.group(4).isEmpty()));
                }
            }
        }
        return out;
    }

    private static Properties bundle(Words words) throws IOException {
        Properties out = new Properties();
        try (Reader reader =
                Files.newBufferedReader(BUNDLES.resolve(words.name().toLowerCase(Locale.ROOT) + ".properties"))) {
            out.load(reader);
        }
        return out;
    }

    @ParameterizedTest
    @EnumSource(Words.class)
    void whatIsAskedForIsThereAndNothingIsLeftOver(Words words) throws Exception {
        Set<String> left = new TreeSet<>(bundle(words).stringPropertyNames());
        Set<String> missing = new TreeSet<>();
        for (Asked asked : asked(words)) {
            Stream<String> wanted = asked.kind().equals("count")
                    ? Stream.of(asked.key() + ".one", asked.key() + ".other")
                    : Stream.of(asked.key());
            if (asked.open()) {
                left.removeIf(key -> key.startsWith(asked.key()));
                continue;
            }
            wanted.forEach(key -> {
                left.remove(key);
                if (!words.has(key)) {
                    missing.add(key);
                }
            });
        }
        for (String kind : CHOICES.getOrDefault(words, List.of())) {
            for (Object choice : Class.forName(kind).getEnumConstants()) {
                String key = Words.key((Enum<?>) choice);
                left.remove(key);
                if (!words.has(key)) {
                    missing.add(key);
                }
            }
        }
        assertThat(missing).isEmpty();
        assertThat(left).isEmpty();
    }

    /** Sentences that are put together from parts can't be translated. */
    @ParameterizedTest
    @EnumSource(Words.class)
    void noTextIsAFragment(Words words) throws IOException {
        Properties bundle = bundle(words);
        assertThat(bundle.stringPropertyNames()).allSatisfy(key -> assertThat(bundle.getProperty(key))
                .isNotBlank()
                .isEqualTo(bundle.getProperty(key).strip()));
    }

    @Test
    void everyActionHasItsWords() {
        assertThat(Action.values())
                .allSatisfy(action -> assertThat(action.use()).isNotBlank());
    }

    @Test
    void everyCheckHasItsWords() {
        assertThat(Checks.ids())
                .allSatisfy(id -> assertThat(Words.TRACE.has("check." + id)).isTrue());
    }

    @Test
    void noControlHasATextOfItsOwn() throws IOException {
        List<String> found = new ArrayList<>();
        for (Path source : sources()) {
            Matcher own = OWN_TEXT.matcher(Files.readString(source));
            while (own.find()) {
                found.add(source.getFileName() + ": " + own.group());
            }
        }
        assertThat(found).isEmpty();
    }

    @Test
    void partsArePutInWholeWhateverTheyHold() {
        assertThat(Words.STUDY.of("hide", "$1 {0} \\ cup")).isEqualTo("hide $1 {0} \\ cup");
        assertThat(Words.STUDY.count("pictures", 1)).isEqualTo("1 picture");
        assertThat(Words.STUDY.count("pictures", 1000)).isEqualTo("1000 pictures");
        assertThatThrownBy(() -> Words.STUDY.of("no such key")).isInstanceOf(MissingResourceException.class);
    }
}
