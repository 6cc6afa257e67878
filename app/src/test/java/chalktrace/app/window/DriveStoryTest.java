package chalktrace.app.window;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import chalktrace.app.testing.Endings;
import chalktrace.app.testing.OpenWindow;
import chalktrace.core.shot.Shot;
import chalktrace.core.testing.Patience;
import chalktrace.core.testing.Shots;
import chalktrace.media.file.Leftover;
import chalktrace.media.file.ShotFile;
import java.io.IOException;
import java.io.OutputStream;
import java.io.RandomAccessFile;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import javafx.stage.Stage;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** A shot on drives of the system's own that fill up and hang while one draws; only where a test may mount one. */
@ExtendWith(ApplicationExtension.class)
class DriveStoryTest {

    private Path folder;
    private Path drive;
    private OpenWindow window;
    private boolean mounted;

    @Start
    void start(Stage stage) throws Exception {
        folder = Files.createTempDirectory("drives");
        drive = Files.createDirectory(folder.resolve("drive"));
        window = new OpenWindow(stage, folder.resolve("state"));
    }

    private static boolean run(String... command) throws Exception {
        try {
            Process process = new ProcessBuilder(command)
                    .redirectErrorStream(true)
                    .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                    .start();
            return process.waitFor(Patience.seconds(), TimeUnit.SECONDS) && process.exitValue() == 0;
        } catch (IOException e) {
            return false;
        }
    }

    @AfterEach
    void unmount() throws Exception {
        if (mounted) {
            window.onFx(() -> {
                window.session.close();
                return null;
            });
            Endings.await();
            run("umount", "-l", drive.toString());
        }
    }

    private Path shot() throws Exception {
        Path file = drive.resolve("shot.chalk");
        ShotFile.fresh().save(Shots.empty(), file);
        window.open(file);
        return file;
    }

    private void draw(FxRobot robot) {
        int y = 20
                + 7
                        * window.session.shot().levels().get(0).drawings().stream()
                                .mapToInt(drawing -> drawing.strokes().size())
                                .sum();
        window.pen(robot, 20, y, 120, y + 30, 220, y);
    }

    private boolean isElsewhere() {
        return window.session.keeping().elsewhereProperty().get() != null;
    }

    /** Whether another program would find the shot as it is, had this one been killed: in a copy of what lies there. */
    private boolean isKeptElsewhere(Shot shot) throws Exception {
        Path copy = Files.createTempDirectory(folder, "killed");
        List<Path> sessions;
        try (Stream<Path> all = Files.walk(folder.resolve("state/unsaved"))) {
            sessions = all.filter(path -> Files.exists(path.resolve("session.json")))
                    .toList();
        }
        for (Path session : sessions) {
            Path to = Files.createDirectory(copy.resolve(session.getFileName()));
            try (Stream<Path> files = Files.list(session)) {
                for (Path file : files.toList()) {
                    Files.copy(file, to.resolve(file.getFileName()));
                }
            } catch (NoSuchFileException e) {
                // It folds just now.
                return false;
            }
            Optional<Leftover> left = Leftover.read(to);
            if (left.isPresent() && left.get().recover().shot().equals(shot)) {
                return true;
            }
        }
        return false;
    }

    private void fill(Path filler) throws IOException {
        try (OutputStream out = Files.newOutputStream(filler, StandardOpenOption.CREATE, StandardOpenOption.APPEND)) {
            while (true) {
                out.write(new byte[1024]);
            }
        } catch (IOException e) {
            assertThat(e).hasMessageContaining("space");
        }
    }

    @Test
    void aFullDriveLosesNothingAndIsReturnedToOnceThereIsRoom(FxRobot robot) throws Exception {
        mounted = run("mount", "-t", "tmpfs", "-o", "size=256k", "tmpfs", drive.toString());
        assumeTrue(mounted, "needs the right to mount");
        Path file = shot();
        draw(robot);
        Path filler = drive.resolve("filler");
        fill(filler);
        window.await(() -> {
            draw(robot);
            return isElsewhere();
        });
        // What lay in the journal has made room.
        fill(filler);
        window.onFx(() -> {
            window.session.shelf().save(file, () -> {});
            return null;
        });
        window.await(() -> window.session.jobs().running().isEmpty());
        assertThat(ShotFile.open(file).shot()).isEqualTo(Shots.empty());
        draw(robot);
        Shot drawn = window.onFx(() -> window.session.shot());
        window.await(() -> isKeptElsewhere(drawn));
        Files.delete(filler);
        window.await(() -> !isElsewhere());
        window.onFx(() -> {
            window.session.shelf().save(file, () -> {});
            return null;
        });
        window.await(() -> !window.session.document().unsavedProperty().get());
        assertThat(ShotFile.open(file).shot()).isEqualTo(drawn);
    }

    @Test
    void aDriveThatHangsHoldsNothingUp(FxRobot robot) throws Exception {
        Path image = folder.resolve("image");
        try (RandomAccessFile file = new RandomAccessFile(image.toFile(), "rw")) {
            file.setLength(16 << 20);
        }
        mounted = run("mkfs.ext4", "-q", image.toString())
                && run("mount", "-o", "loop", image.toString(), drive.toString());
        assumeTrue(mounted, "needs the right to mount");
        shot();
        draw(robot);
        assumeTrue(run("fsfreeze", "-f", drive.toString()), "needs fsfreeze");
        try {
            draw(robot);
            window.await(this::isElsewhere);
            draw(robot);
            Shot drawn = window.onFx(() -> window.session.shot());
            window.await(() -> isKeptElsewhere(drawn));
        } finally {
            assertThat(run("fsfreeze", "-u", drive.toString())).isTrue();
        }
        window.await(() -> !isElsewhere());
    }
}
