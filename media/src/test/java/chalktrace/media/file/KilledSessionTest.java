package chalktrace.media.file;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.shot.Shot;
import chalktrace.core.testing.Shots;
import chalktrace.media.testing.ChildProcess;
import chalktrace.media.testing.DrawingProcess;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import java.util.concurrent.Callable;
import java.util.concurrent.locks.LockSupport;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A process that draws is killed at random moments; what it said was kept is there. */
class KilledSessionTest {

    /** By hand, {@code -Dchalktrace.kills=1000}. */
    private static final int KILLS = Integer.getInteger("chalktrace.kills", 50);

    /** Then a new one is begun. */
    private static final int KILLS_A_SHOT = 10;

    private static final int AT_A_TIME = 2;

    /** A kill comes so long after a stroke was said to be kept, at most: a keep or a save is half done by then. */
    private static final int MOST_NANOS = 4_000_000;

    @TempDir
    Path folder;

    @Test
    void whatWasKeptSurvivesAnyKill() throws Exception {
        long seed = System.nanoTime();
        System.out.println("kills of seed " + seed);
        ChildProcess.some(
                AT_A_TIME,
                IntStream.range(0, KILLS / KILLS_A_SHOT)
                        .<Callable<Void>>mapToObj(shot -> () -> {
                            killAgainAndAgain(folder.resolve(shot + ".chalk"), new Random(seed + shot));
                            return null;
                        })
                        .toList());
    }

    private void killAgainAndAgain(Path file, Random random) throws Exception {
        ShotFile.fresh().save(Shots.empty().withName("0"), file);
        int reached = 0;
        for (int kill = 0; kill < KILLS_A_SHOT; kill++) {
            int kept = drawUntilKilled(file, reached + 1, 1 + random.nextInt(24), random.nextInt(MOST_NANOS));
            Shot found = recovered(file);
            reached = Integer.parseInt(found.name());
            assertThat(reached).as("stroke after kill " + kill).isGreaterThanOrEqualTo(kept);
            assertThat(Shots.level(found).drawings().stream()
                            .mapToInt(drawing -> drawing.strokes().size())
                            .sum())
                    .isEqualTo(reached);
            ShotFile.fresh().save(found, file);
            work().of(file).forEach(work()::forget);
        }
    }

    private UnsavedWork work() {
        return new UnsavedWork(folder.resolve("state"));
    }

    /** What is left of a session, or else the file, which then is as new. */
    private Shot recovered(Path file) throws Exception {
        List<Leftover> left = work().of(file);
        assertThat(left).hasSizeLessThanOrEqualTo(1);
        if (left.isEmpty()) {
            return ShotFile.open(file).shot();
        }
        Leftover.Recovered recovered = left.get(0).recover();
        assertThat(recovered.missing()).isEmpty();
        return recovered.shot();
    }

    /** @return the last stroke that was said to be kept */
    private static int drawUntilKilled(Path file, int first, int strokes, int nanos) throws Exception {
        int kept = first - 1;
        try (ChildProcess drawing = new ChildProcess(DrawingProcess.class, List.of(), file, first)) {
            for (String line = drawing.next().orElse(null);
                    line != null;
                    line = drawing.next().orElse(null)) {
                assertThat(line).startsWith("kept ");
                kept = Integer.parseInt(line.substring("kept ".length()));
                if (kept == first + strokes) {
                    LockSupport.parkNanos(nanos);
                    drawing.kill();
                }
            }
            drawing.awaitEnd();
        }
        return kept;
    }
}
