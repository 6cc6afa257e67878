package chalktrace.media.file;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Shot;
import chalktrace.core.testing.Shots;
import chalktrace.media.UnreadableException;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Whatever is done to a shot file: it opens, or it is refused with a sentence that names it; nothing else comes out. */
class DamagedShotsTest {

    @TempDir
    Path folder;

    private Path shot() throws Exception {
        Path file = folder.resolve("walk.chalk");
        Shot shot = Shots.showing(Exposure.of(0, 2, 1), Exposure.of(2, 2, 2), Exposure.of(4, 2, 3));
        ShotFile.fresh().save(shot, file);
        return file;
    }

    private static void openOrRefuse(Path file) {
        try {
            assertThat(ShotFile.open(file).shot().levels()).isNotEmpty();
        } catch (UnreadableException e) {
            assertThat(e.getMessage()).contains("walk.chalk");
        }
    }

    @Test
    void flippedBytes() throws Exception {
        Path file = shot();
        byte[] whole = Files.readAllBytes(file);
        SplittableRandom random = new SplittableRandom(1);
        for (int i = 0; i < 400; i++) {
            byte[] bad = whole.clone();
            for (int flips = 0; flips <= i % 12; flips++) {
                bad[random.nextInt(bad.length)] ^= (byte) (1 << random.nextInt(8));
            }
            Files.write(file, bad);
            openOrRefuse(file);
        }
    }

    @Test
    void aDocumentWithAnyFieldTakenOutOrTurnedIntoNonsense() throws Exception {
        Path file = shot();
        byte[] whole = Files.readAllBytes(file);
        String text;
        try (FileSystem zip = FileSystems.newFileSystem(file, Map.of())) {
            text = Files.readString(zip.getPath(ShotFile.DOCUMENT));
        }
        String[] lines = text.split("\n");
        SplittableRandom random = new SplittableRandom(2);
        String[] nonsense = {"null", "-1", "1e300", "\"\u2026\"", "[]", "{}", "true", "99999999999999999999", "NaN"};
        for (int i = 0; i < 250; i++) {
            int line = random.nextInt(lines.length);
            String value = nonsense[random.nextInt(nonsense.length)];
            String[] changed = lines.clone();
            changed[line] = i % 2 == 0 ? "" : lines[line].replaceFirst(":\\s*[^,\\[{]+", ": " + value);
            Files.write(file, whole);
            try (FileSystem zip = FileSystems.newFileSystem(file, Map.of())) {
                Files.write(
                        zip.getPath(ShotFile.DOCUMENT),
                        String.join("\n", changed).getBytes(StandardCharsets.UTF_8));
            }
            openOrRefuse(file);
        }
    }

    @Test
    void drawingsThatAreNone() throws Exception {
        String curve = "<path xmlns:c='urn:chalk-trace:drawing:1' c:chalk='x' c:curve='";
        String[] bad = {
            "",
            "no xml",
            "<html/>",
            "<svg xmlns='http://www.w3.org/2000/svg'>" + curve + "1 2'/></svg>",
            "<svg xmlns='http://www.w3.org/2000/svg'>" + curve + "1 2 NaN'/></svg>",
            "<svg xmlns='http://www.w3.org/2000/svg'>" + curve + "1 2 1 3'/></svg>",
            "<svg xmlns='http://www.w3.org/2000/svg'>" + curve + "one two three'/></svg>",
            "<svg xmlns='http://www.w3.org/2000/svg'>".repeat(30_000)
        };
        for (String svg : bad) {
            Path file = shot();
            try (FileSystem zip = FileSystems.newFileSystem(file, Map.of())) {
                Files.writeString(zip.getPath("drawings/level-1/2.svg"), svg);
            }
            try {
                ShotFile.open(file);
                assertThat(svg).as("must be refused").isNull();
            } catch (UnreadableException e) {
                assertThat(e.getMessage()).contains("walk.chalk").contains("2.svg");
            }
        }
    }
}
