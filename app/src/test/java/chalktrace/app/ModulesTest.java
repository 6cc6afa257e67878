package chalktrace.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The picture of the modules in the document is that of the poms. */
class ModulesTest {

    private static final Path ROOT = Path.of("..");
    private static final Pattern MODULE = Pattern.compile("<module>(\\w+)</module>");
    /** What it is compiled against: what only its tests use has a scope. */
    private static final Pattern STANDS_ON =
            Pattern.compile("<groupId>chalktrace</groupId><artifactId>(\\w+)</artifactId></dependency>");

    private static List<String> found(Pattern pattern, Path pom) throws IOException {
        return pattern.matcher(Files.readString(pom))
                .results()
                .map(found -> found.group(1))
                .toList();
    }

    @Test
    void theDocumentShowsTheModulesOfThePoms() throws IOException {
        List<String> lines = new ArrayList<>();
        for (String module : found(MODULE, ROOT.resolve("pom.xml"))) {
            String below =
                    String.join(", ", found(STANDS_ON, ROOT.resolve(module).resolve("pom.xml")));
            lines.add(String.format(Locale.ROOT, "%-12s%s", module, below).strip());
        }
        assertThat(Files.readString(ROOT.resolve("docs/architecture.md")))
                .contains("\n```\n" + String.join("\n", lines) + "\n```\n");
    }
}
