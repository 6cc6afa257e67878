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
import org.junit.jupiter.params.provider.ValueSource;

/** Shots that earlier versions wrote: the first one, the first with speech, the first of format 2. */
class OldShotsTest {

    private static final Path OLD = Path.of("src/test/resources/old-shots");

    @TempDir
    Path folder;

    @ParameterizedTest
    @ValueSource(strings = {"drawn.chalk", "spoken.chalk", "with-model.chalk"})
    void allThatAnEarlierVersionWroteIsReadAndWrittenAgain(String name) throws Exception {
        Path old = Files.copy(OLD.resolve(name), folder.resolve("old.chalk"));
        Shot shot = ShotFile.open(old).shot();
        Path written = folder.resolve("new.chalk");
        // A fresh file carries nothing over that was not understood.
        ShotFile.fresh().save(shot, written);
        assertThat(ShotFile.open(written).shot()).isEqualTo(shot);
        List<String> lost = new ArrayList<>();
        compare("", document(old), document(written), lost);
        assertThat(lost).isEmpty();
        assertThat(drawings(written)).isEqualTo(drawings(old));
    }

    private static void compare(String place, JsonNode before, JsonNode after, List<String> lost) {
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
            lost.add(place + ": " + before + " became " + after);
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
                Stream<Path> files = Files.walk(zip.getPath("/drawings"))) {
            return files.filter(Files::isRegularFile).count();
        }
    }
}
