package chalktrace.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.app.session.View.Step;
import chalktrace.app.testing.HandDevice;
import chalktrace.app.testing.OpenWindow;
import java.nio.file.Files;
import java.nio.file.Path;
import javafx.scene.Node;
import javafx.scene.SnapshotParameters;
import javafx.scene.image.Image;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

/** In play the lanes of the bench are moved and not painted: they show what would be painted. */
@ExtendWith(ApplicationExtension.class)
class PlayedLanesTest {

    private static final double FRAMES_A_SECOND = 24;
    private static final int FIRST = 60;

    private final HandDevice device = new HandDevice();
    private OpenWindow window;
    private Path demo;

    @Start
    void start(Stage stage) throws Exception {
        Path folder = Files.createTempDirectory("play");
        demo = DemoShot.copyTo(folder, true);
        window = new OpenWindow(stage, folder.resolve("state"), device);
    }

    private Image lanes(FxRobot robot) {
        WaitForAsyncUtils.waitForFxEvents();
        Node bench = robot.lookup(".bench").query();
        return window.onFx(() -> bench.snapshot(new SnapshotParameters(), null));
    }

    /** The share of pixels that are another colour, of those that are not the same all over. */
    private static double apart(Image a, Image b) {
        int other = 0;
        int drawn = 0;
        int ground = a.getPixelReader().getArgb(1, 1);
        for (int y = 0; y < a.getHeight(); y++) {
            for (int x = 0; x < a.getWidth(); x++) {
                int left = a.getPixelReader().getArgb(x, y);
                int right = b.getPixelReader().getArgb(x, y);
                drawn += left != ground || right != ground ? 1 : 0;
                other += left != right ? 1 : 0;
            }
        }
        return (double) other / drawn;
    }

    /** Play begins with what is painted for its first frame. */
    private void playFrom(FxRobot robot, int frame) {
        int before = device.starts();
        robot.interact(() -> {
            window.session.transport().go(frame);
            window.session.transport().play(1);
        });
        window.await(() -> device.starts() > before);
    }

    @Test
    void whatIsMovedInPlayIsWhatWouldBePainted(FxRobot robot) {
        window.open(demo);
        robot.interact(() -> {
            window.session.view().stepProperty().set(Step.TRACE);
            window.session.transport().go(FIRST);
        });
        window.awaitSettled();
        window.await(() -> window.session.jobs().running().isEmpty());
        for (int frame : new int[] {FIRST + 3, FIRST + 17, FIRST + 100}) {
            playFrom(robot, FIRST);
            device.hear((frame - FIRST + 0.3) / FRAMES_A_SECOND);
            window.await(() -> window.session.transport().frame() == frame);
            Image moved = lanes(robot);
            playFrom(robot, frame);
            Image painted = lanes(robot);
            assertThat(apart(moved, painted)).as("frame %d", frame).isLessThan(0.01);
        }
        robot.interact(() -> window.session.transport().stop());
    }
}
