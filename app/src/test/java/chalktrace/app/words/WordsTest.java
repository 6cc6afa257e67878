package chalktrace.app.words;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.app.keys.Action;
import chalktrace.core.check.Checks;
import chalktrace.core.testing.AskedWords;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Properties;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** The bundles hold what the program asks for, and nothing else. */
class WordsTest {

    private static final Path SOURCES = Path.of("src/main/java/chalktrace/app");
    private static final Path BUNDLES = Path.of("src/main/resources/chalktrace/app/words");

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
            Words.FINISH,
            List.of(
                    "chalktrace.app.finish.ExportCard$Ground",
                    "chalktrace.app.finish.ExportCard$Span",
                    "chalktrace.app.session.Comparing$Where"),
            Words.STUDY,
            List.of("chalktrace.core.motion.MotionProposal$Kind", "chalktrace.core.render.DrawnPath$Anchor"),
            Words.MODELS,
            List.of("chalktrace.core.space.ModelLook", "chalktrace.core.space.CameraKey$Move"));

    private static List<Path> sources() throws IOException {
        return AskedWords.sources(SOURCES).stream()
                .filter(path -> !path.startsWith(SOURCES.resolve("cli")))
                .toList();
    }

    private static Path bundle(Words words) {
        return BUNDLES.resolve(words.name().toLowerCase(Locale.ROOT) + ".properties");
    }

    @ParameterizedTest
    @EnumSource(Words.class)
    void whatIsAskedForIsThereAndNothingIsLeftOver(Words words) throws Exception {
        Set<String> choices = new TreeSet<>();
        for (String kind : CHOICES.getOrDefault(words, List.of())) {
            for (Object choice : Class.forName(kind).getEnumConstants()) {
                choices.add(Words.key((Enum<?>) choice));
            }
        }
        assertThat(AskedWords.of(sources(), "Words." + words, bundle(words), choices))
                .isEqualTo(new AskedWords(Set.of(), Set.of()));
    }

    /** Sentences that are put together from parts can't be translated. */
    @ParameterizedTest
    @EnumSource(Words.class)
    void noTextIsAFragment(Words words) throws IOException {
        Properties bundle = AskedWords.properties(bundle(words));
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
}
