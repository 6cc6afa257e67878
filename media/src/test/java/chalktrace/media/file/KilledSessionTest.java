package chalktrace.media.file;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.shot.Shot;
import chalktrace.core.testing.Shots;
import chalktrace.media.testing.DrawingProcess;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A process that draws is killed at random moments; what it said was kept is there. */
class KilledSessionTest {

    /** By hand, {@code -Dchalktrace.kills=1000}. */
    private static final int KILLS = Integer.getInteger("chalktrace.kills", 8);

    @TempDir
    Path folder;

    @Test
    void whatWasKeptSurvivesAnyKill() throws Exception {
        long seed = System.nanoTime();
        System.out.println("kills of seed " + seed);
        Random random = new Random(seed);
        Path file = folder.resolve("shot.chalk");
        ShotFile.fresh().save(Shots.empty().withName("0"), file);
        int reached = 0;
        for (int kill = 0; kill < KILLS; kill++) {
            int kept = drawUntilKilled(file, reached + 1, 1 + random.nextInt(120));
            Shot found = recovered(file);
            reached = Integer.parseInt(found.name());
            assertThat(reached).as("stroke after kill " + kill).isGreaterThanOrEqualTo(kept);
            assertThat(Shots.level(found).drawings().stream()
                            .mapToInt(drawing -> drawing.strokes().size())
                            .sum())
                    .isEqualTo(reached);
            ShotFile.fresh().save(found, file);
            Leftover.of(file, folder.resolve("state")).forEach(Leftover::discard);
        }
    }

    /** What is left of a session, or else the file, which then is as new. */
    private Shot recovered(Path file) throws Exception {
        List<Leftover> left = Leftover.of(file, folder.resolve("state"));
        assertThat(left).hasSizeLessThanOrEqualTo(1);
        if (left.isEmpty()) {
            return ShotFile.open(file).shot();
        }
        Leftover.Recovered recovered = left.get(0).recover();
        assertThat(recovered.missing()).isEmpty();
        return recovered.shot();
    }

    /** @return the last stroke that was said to be kept */
    private static int drawUntilKilled(Path file, int first, int strokes) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-Xshare:auto",
                        "-XX:TieredStopAtLevel=1",
                        "-cp",
                        System.getProperty("java.class.path"),
                        DrawingProcess.class.getName(),
                        file.toString(),
                        "" + first)
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
        int kept = first - 1;
        try (BufferedReader said =
                new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8))) {
            for (String line = said.readLine(); line != null; line = said.readLine()) {
                assertThat(line).startsWith("kept ");
                kept = Integer.parseInt(line.substring("kept ".length()));
                if (kept == first + strokes) {
                    process.toHandle().destroyForcibly();
                }
            }
        }
        process.waitFor(30, TimeUnit.SECONDS);
        return kept;
    }
}
