package chalktrace.media.file;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.shot.Shot;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Shots that earlier versions wrote: the first one, the first with speech, the first of format 2, and twenty of commit 77a9e6d that hold each kind of
 * part, after edits and with single fields changed.
 */
class OldShotsTest {

    private static final Path OLD = Path.of("src/test/resources/old-shots");

    @TempDir
    Path folder;

    private record Loss(String place, JsonNode before, JsonNode after) {}

    private static List<String> all() throws IOException {
        try (Stream<Path> files = Files.list(OLD)) {
            return files.map(file -> file.getFileName().toString()).sorted().toList();
        }
    }

    @ParameterizedTest
    @MethodSource("all")
    void allThatAnEarlierVersionWroteIsReadAndWrittenAgain(String name) throws Exception {
        Path old = Files.copy(OLD.resolve(name), folder.resolve("old.chalk"));
        ShotFile.Opened opened = ShotFile.open(old);
        assertThat(opened.whyReadOnly()).isEmpty();
        Shot shot = opened.shot();
        Path written = folder.resolve("new.chalk");
        // A fresh file carries nothing over that was not understood.
        ShotFile.fresh().save(shot, written);
        assertThat(ShotFile.open(written).shot()).isEqualTo(shot);
        List<Loss> lost = new ArrayList<>();
        JsonNode before = document(old);
        compare("", before, document(written), lost);
        // What names something that had gone is let go, as ids are given again.
        lost.removeIf(loss -> loss.after().isNull()
                && !before.findValuesAsText("id").contains(loss.before().asText()));
        assertThat(lost).isEmpty();
        assertThat(drawings(written)).isEqualTo(drawings(old));
    }

    private static void compare(String place, JsonNode before, JsonNode after, List<Loss> lost) {
        if (before.isObject()) {
            before.fields().forEachRemaining(field -> {
                if (isOfTheShot(field.getKey())) {
                    compare(place + "/" + field.getKey(), field.getValue(), after.path(field.getKey()), lost);
                }
            });
        } else if (before.isArray()) {
            for (int i = 0; i < before.size(); i++) {
                compare(place + "/" + i, before.get(i), after.path(i), lost);
            }
        } else if (!isSame(before, after)) {
            lost.add(new Loss(place, before, after));
        }
    }

    /** The version is another one, and marks are of media that are not here. */
    private static boolean isOfTheShot(String field) {
        return !field.equals("formatVersion") && !field.equals("media");
    }

    private static boolean isSame(JsonNode before, JsonNode after) {
        return before.isNumber() ? before.asDouble() == after.asDouble(Double.NaN) : before.equals(after);
    }

    private static JsonNode document(Path shot) throws IOException {
        try (FileSystem zip = FileSystems.newFileSystem(shot, Map.of())) {
            return new ObjectMapper().readTree(Files.readAllBytes(zip.getPath(ShotFile.DOCUMENT)));
        }
    }

    private static long drawings(Path shot) throws IOException {
        try (FileSystem zip = FileSystems.newFileSystem(shot, Map.of());
                Stream<Path> files = Files.walk(zip.getPath("/"))) {
            return files.filter(file -> file.startsWith("/drawings/"))
                    .filter(Files::isRegularFile)
                    .count();
        }
    }
}
