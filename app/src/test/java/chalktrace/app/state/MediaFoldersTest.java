package chalktrace.app.state;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class MediaFoldersTest {

    @TempDir
    Path folder;

    private Path shot;
    private Path outside;
    private MediaFolders folders;

    @BeforeEach
    void make() throws Exception {
        shot = Files.createDirectory(folder.resolve("shot")).resolve("shot.chalk");
        outside = Files.createDirectory(folder.resolve("outside")).toRealPath();
        Files.createFile(outside.resolve("clip.mp4"));
        folders = new MediaFolders(folder.resolve("state"));
    }

    @Test
    void whatLiesBesideTheShotMayBeReadAlsoWhereItIsMissing() throws Exception {
        Path clip = Files.createFile(shot.resolveSibling("clip.mp4"));
        assertThat(folders.heldBack(shot, clip.toString())).isEmpty();
        assertThat(folders.heldBack(
                        shot, shot.resolveSibling("missing/clip.mp4").toString()))
                .isEmpty();
        assertThat(folders.heldBack(
                        shot, shot.resolveSibling("../outside/clip.mp4").toString()))
                .contains(outside);
    }

    @Test
    void aLinkBesideTheShotIsWhereItLeadsTo() throws Exception {
        Path file = Files.createSymbolicLink(shot.resolveSibling("clip.mp4"), outside.resolve("clip.mp4"));
        Path through = Files.createSymbolicLink(shot.resolveSibling("material"), outside);
        for (Path media : List.of(file, through.resolve("clip.mp4"), through.resolve("missing.mp4"))) {
            assertThat(folders.heldBack(shot, media.toString())).as("%s", media).contains(outside);
        }
        folders.allow(List.of(through));
        assertThat(folders.heldBack(shot, file.toString()))
                .as("the same folder, allowed")
                .isEmpty();
    }
}
