package chalktrace.benchmarks;

import chalktrace.app.bench.Bench;
import chalktrace.app.session.Session;
import chalktrace.media.sound.SilentOut;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.image.WritableImage;
import javafx.scene.layout.StackPane;
import javafx.stage.Stage;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.TearDown;

/**
 * The bench of a shot of 3,000 frames, 40 levels and 10,000 drawings pulled through the gate by a frame: lanes laid out, painted and
 * rendered by the software renderer, without a display. 60 a second are 16.7 ms.
 */
public class BenchBenchmark extends WithoutDisplay {

    private static final int WIDTH = 1016;
    private static final int HEIGHT = 266;

    private Session session;
    private Bench bench;
    private WritableImage image;
    private int frame = 1000;

    @Setup
    public void open() throws Exception {
        CountDownLatch ready = new CountDownLatch(1);
        Path state = Files.createTempDirectory("bench");
        Platform.startup(() -> {
            session = new Session(SilentOut::new, state);
            session.shelf().startNew(TimingBenchmark.crowded());
            bench = new Bench(session, List.of());
            Stage stage = new Stage();
            stage.setScene(new Scene(new StackPane(bench), WIDTH, HEIGHT));
            stage.show();
            image = new WritableImage(WIDTH, HEIGHT);
            ready.countDown();
        });
        ready.await();
    }

    @Benchmark
    public void scroll() throws Exception {
        CountDownLatch done = new CountDownLatch(1);
        Platform.runLater(() -> {
            frame = frame > 2000 ? 1000 : frame + 1;
            session.transport().go(frame);
            bench.getScene().getRoot().layout();
            bench.snapshot(null, image);
            done.countDown();
        });
        done.await();
    }

    @TearDown
    public void close() {
        session.close();
        Platform.exit();
    }
}
