package chalktrace.app.window;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.shot.Shot;
import chalktrace.core.shot.Word;
import chalktrace.media.file.ShotFile;
import chalktrace.media.footage.MediaFacts;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class DemoShotTest {

    @TempDir
    Path folder;

    @Test
    void theShippedDemoHasSomethingRealForEveryStep() throws Exception {
        Path file = DemoShot.copyTo(folder, false);
        Shot shot = ShotFile.open(file).shot();
        assertThat(shot.levels())
                .filteredOn(level -> level.drawings().size() > 1)
                .hasSizeGreaterThanOrEqualTo(2);
        assertThat(shot.levels()).anyMatch(level -> level.exposures().showing(1).size() > 5);
        assertThat(shot.mouths()).isNotEmpty();
        assertThat(shot.cues()).isNotEmpty();
        assertThat(shot.marks()).isNotEmpty();
        MediaFacts clip = MediaFacts.of(Path.of(shot.footage().get(0).file()));
        assertThat(clip.pictures().orElseThrow().count()).isEqualTo(shot.setup().length());
        assertThat(clip.sound()).isPresent();
        long bytes = 0;
        try (var files = Files.list(folder)) {
            for (Path one : files.toList()) {
                bytes += Files.size(one);
            }
        }
        assertThat(bytes).isLessThan(15L << 20);
    }

    @Test
    void itsAlignedWordsLieWithinAFrameOfWhereTheSynthesiserSpokeThem() throws Exception {
        Shot shot = ShotFile.open(DemoShot.copyTo(folder, false)).shot();
        double start = shot.sounds().get(1).startSeconds();
        List<String> table = Files.readAllLines(folder.resolve("kettle-line-words.csv"));
        for (int i = 0; i < shot.words().size(); i++) {
            Word word = shot.words().get(i);
            String[] cells = table.get(i + 1).split(",");
            assertThat(word.text()).isEqualTo(cells[0]);
            assertThat(word.startSeconds() - start).isCloseTo(Double.parseDouble(cells[1]), within(1 / 24.0));
        }
        assertThat(shot.words()).hasSize(table.size() - 1);
    }

    @Test
    void aChangedCopyIsKeptUnlessAskedOtherwise() throws Exception {
        Path file = DemoShot.copyTo(folder, false);
        ShotFile.Opened opened = ShotFile.open(file);
        opened.file().save(opened.shot().withName("mine"), file);
        assertThat(ShotFile.open(DemoShot.copyTo(folder, false)).shot().name()).isEqualTo("mine");
        assertThat(ShotFile.open(DemoShot.copyTo(folder, true)).shot().name()).isNotEqualTo("mine");
    }
}
