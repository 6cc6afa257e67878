package chalktrace.app.kernel;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.app.testing.BareSession;
import chalktrace.app.testing.ChalkLine;
import chalktrace.core.shot.Shot;
import chalktrace.core.testing.Shots;
import chalktrace.core.time.FrameRate;
import chalktrace.media.file.ShotFile;
import chalktrace.media.footage.Gathered;
import chalktrace.media.testing.Clips;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.framework.junit5.ApplicationExtension;

/** A shot, as somebody else may have sent it, that names a clip elsewhere on this machine. */
@ExtendWith(ApplicationExtension.class)
class OutsideMediaTest {

    @TempDir
    Path folder;

    private Path clip;
    private Path shot;

    @BeforeEach
    void sent() throws Exception {
        clip = Clips.numbered(
                Files.createDirectory(folder.resolve("private")).resolve("clip.mp4"), 12, FrameRate.FILM, 3);
        shot = Files.createDirectory(folder.resolve("sent")).resolve("shot.chalk");
        Shot empty = Shots.empty();
        ShotFile.fresh().save(Gathered.from(clip, 0).edit(empty).change().apply(empty), shot);
    }

    private BareSession opened() {
        BareSession bare = new BareSession(folder.resolve("state"), Shots.empty());
        bare.run(() -> bare.session.shelf().open(shot, found -> {}));
        bare.await(() -> shot.equals(bare.session.document().pathProperty().get()));
        return bare;
    }

    @Test
    void nothingOfItIsReadUntilThatIsAllowedAndThenOnceForAllSessions() {
        try (BareSession bare = opened()) {
            assertThat(bare.get(() -> bare.session.outsideMedia().folders())).containsExactly(clip.getParent());
            assertThat(bare.get(() -> bare.session.footages().problems().get(clip.toString())))
                    .contains("outside");
            assertThat(bare.get(() -> bare.session.sounds().problems())).containsKey(clip.toString());
            assertThat(bare.get(() -> bare.session.notices().latestProperty().get())
                            .text())
                    .contains(clip.getParent().toString());
            bare.run(() -> bare.session
                    .notices()
                    .latestProperty()
                    .get()
                    .offers()
                    .get(0)
                    .does()
                    .run());
            bare.await(() -> bare.session.footages().opened().containsKey(clip.toString())
                    && bare.session.sounds().peaks().containsKey(clip.toString()));
            bare.await(() -> bare.session.jobs().running().isEmpty());
        }
        try (BareSession again = opened()) {
            again.await(() -> again.session.footages().opened().containsKey(clip.toString()));
            assertThat(again.get(() -> again.session.notices().latestProperty().get()))
                    .isNull();
        }
    }

    @Test
    void aSaveWritesNoMarkOfItBeforeThat() throws Exception {
        ShotFile.Opened opened = ShotFile.open(shot);
        long asSent = Files.size(clip);
        Files.write(clip, "another content".getBytes());
        opened.file().save(opened.shot().withName("a"), shot);
        assertThat(ShotFile.open(shot).file().marks().get(clip).bytes()).isEqualTo(asSent);
        opened.file().mayRead(opened.shot().mediaFiles());
        opened.file().save(opened.shot().withName("b"), shot);
        assertThat(ShotFile.open(shot).file().marks().get(clip).bytes()).isEqualTo(Files.size(clip));
    }

    @Test
    void aFileThatAPersonChoseIsReadAtOnce() {
        try (BareSession bare = opened()) {
            bare.run(() -> bare.session.gathering().lookAt(List.of(clip), 0));
            bare.await(() -> bare.session.footages().opened().containsKey(clip.toString()));
        }
    }

    @Test
    void theCommandLineReadsItOnlyWhenTold() {
        ChalkLine line = new ChalkLine();
        Path movie = folder.resolve("out.mp4");
        assertThat(line.run("export", shot, movie, "--with-footage")).isEqualTo(1);
        assertThat(line.err()).contains("shot.chalk", clip.getParent().toString(), "--media-anywhere");
        assertThat(movie).doesNotExist();
        assertThat(line.run("export", shot, movie, "--with-footage", "--media-anywhere"))
                .isZero();
        Path own = folder.resolve("sent/own.chalk");
        assertThat(line.run("new", own, "--footage", clip)).isZero();
        assertThat(line.run("export", own, folder.resolve("own.mp4"), "--with-footage"))
                .isZero();
    }
}
