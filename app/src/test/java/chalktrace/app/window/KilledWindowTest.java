package chalktrace.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.app.testing.WindowProcess;
import chalktrace.core.shot.Shot;
import chalktrace.core.testing.Shots;
import chalktrace.media.file.Leftover;
import chalktrace.media.file.ShotFile;
import chalktrace.media.file.UnsavedWork;
import chalktrace.media.testing.ChildProcess;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.Callable;
import java.util.concurrent.locks.LockSupport;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The real window in processes of its own: killed while it draws and saves, and two of them on one shot. */
class KilledWindowTest {

    /** By hand, {@code -Dchalktrace.window.kills=100}. */
    private static final int KILLS = Integer.getInteger("chalktrace.window.kills", 6);

    private static final int AT_A_TIME = 2;

    /** Of so many windows one also saves while it draws. */
    private static final int SAVES_ONE_OF = 3;

    /** What is older than this when the kill comes is kept; a tenth of it is promised of a machine that has nothing else to do. */
    private static final long OLD_NANOS = 1_000_000_000;

    private static final List<String> HEADLESS = List.of(
            "-Xmx700m",
            "-Djava.awt.headless=true",
            "-Dprism.order=sw",
            "-Dtestfx.robot=glass",
            "-Dtestfx.headless=true",
            "-Dglass.platform=Monocle",
            "-Dmonocle.platform=Headless",
            "-Dorg.bytedeco.javacpp.maxPhysicalBytes=0");

    private record Said(int strokes, long nanos) {}

    @TempDir
    Path folder;

    @Test
    void whatWasDrawnASecondBeforeAnyKillIsThere() throws Exception {
        long seed = System.nanoTime();
        System.out.println("kills of the window, seed " + seed);
        ChildProcess.some(
                AT_A_TIME,
                IntStream.range(0, KILLS)
                        .<Callable<Void>>mapToObj(number -> () -> {
                            kill(number, new Random(seed + number));
                            return null;
                        })
                        .toList());
    }

    private Path shot(String name) throws Exception {
        Path file = folder.resolve(name).resolve("shot.chalk");
        Files.createDirectories(file.getParent());
        ShotFile.fresh().save(Shots.empty(), file);
        return file;
    }

    private ChildProcess window(Path file) throws Exception {
        return new ChildProcess(WindowProcess.class, HEADLESS, file, file.resolveSibling("state"));
    }

    private void kill(int number, Random random) throws Exception {
        Path file = shot("kill-" + number);
        List<Said> said = new ArrayList<>();
        long killed = 0;
        try (ChildProcess window = window(file)) {
            assertThat(window.next()).contains("open");
            window.tell(number % SAVES_ONE_OF == 0 ? "save" : "draw");
            int last = 5 + random.nextInt(40);
            for (String line = window.next().orElse(null);
                    line != null;
                    line = window.next().orElse(null)) {
                said.add(new Said(Integer.parseInt(line), System.nanoTime()));
                if (said.size() == last) {
                    LockSupport.parkNanos(random.nextInt(20_000_000));
                    killed = System.nanoTime();
                    window.kill();
                }
            }
            window.awaitEnd();
        }
        int kept = recovered(file);
        long at = killed;
        said.stream()
                .filter(one -> one.strokes > kept)
                .findFirst()
                .ifPresent(lost -> System.out.println(
                        "kill " + number + " lost what was drawn " + (at - lost.nanos) / 1_000_000 + " ms before"));
        assertThat(said.stream().filter(one -> at - one.nanos > OLD_NANOS))
                .as("kill " + number + ", of which " + kept + " strokes are left")
                .allMatch(one -> one.strokes <= kept);
    }

    /** How many strokes are left. */
    private static int recovered(Path file) throws Exception {
        List<Leftover> left = new UnsavedWork(file.resolveSibling("state/unsaved")).of(file);
        Shot shot = left.isEmpty()
                ? ShotFile.open(file).shot()
                : left.get(0).recover().shot();
        return shot.levels().stream()
                .flatMap(level -> level.drawings().stream())
                .mapToInt(drawing -> drawing.strokes().size())
                .sum();
    }

    @Test
    void aWindowThatOnlyLooksHarmsNothingOfTheOneThatDraws() throws Exception {
        Path file = shot("two");
        try (ChildProcess first = window(file)) {
            assertThat(first.next()).contains("open");
            first.tell("draw");
            for (int i = 0; i < 20; i++) {
                first.next();
            }
            try (ChildProcess second = window(file)) {
                assertThat(second.next()).contains("looking");
                second.tell("draw");
                assertThat(second.next()).isPresent();
                second.tell("quit");
                second.awaitEnd();
            }
            int drawn = Integer.parseInt(first.next().orElseThrow());
            long said = System.nanoTime();
            while (System.nanoTime() - said < OLD_NANOS) {
                // It draws on meanwhile.
                assertThat(first.next()).isPresent();
            }
            first.kill();
            first.awaitEnd();
            assertThat(recovered(file)).isGreaterThanOrEqualTo(drawn);
        }
    }
}
