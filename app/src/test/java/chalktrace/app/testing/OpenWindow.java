package chalktrace.app.testing;

import chalktrace.app.board.pen.PenEvent;
import chalktrace.app.controls.Colors;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Theme;
import chalktrace.app.trace.TraceFeature;
import chalktrace.app.trace.work.TraceWork;
import chalktrace.app.window.Workbench;
import chalktrace.core.picture.Rgb;
import chalktrace.core.stroke.PenSample;
import chalktrace.core.testing.Patience;
import chalktrace.media.sound.SilentOut;
import chalktrace.media.sound.SoundOut;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.logging.LogManager;
import javafx.application.Platform;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.ButtonBase;
import javafx.stage.Stage;
import javafx.stage.Window;
import org.testfx.api.FxRobot;
import org.testfx.util.WaitForAsyncUtils;

/** The program's window, opened for a test. */
public final class OpenWindow {

    public final AnsweredFiles files = new AnsweredFiles();
    public final Session session;
    public final Workbench workbench;

    /** The window of the test before: its session lives, with its pictures, until it is closed. */
    private static OpenWindow before;

    /** On the FX thread. */
    public OpenWindow(Stage stage, Path stateFolder) {
        this(stage, stateFolder, new SilentOut());
    }

    /** On the FX thread, with a loudspeaker of the test's own. */
    public OpenWindow(Stage stage, Path stateFolder, SoundOut device) {
        if (before != null) {
            before.workbench.board().view().close();
            before.session.close();
            Endings.await();
        }
        before = this;
        // What the codecs say of bad files is expected here.
        LogManager.getLogManager().reset();
        Theme.load();
        session = new Session(() -> device, stateFolder);
        workbench = new Workbench(stage, session, files);
        workbench.show();
    }

    public TraceWork trace() {
        return workbench.features().of(TraceFeature.class).work();
    }

    /** Opens a shot and waits until it is there with its footage. */
    public void open(Path shot) {
        onFx(() -> {
            workbench.open(shot);
            return null;
        });
        await(() -> shot.toAbsolutePath()
                .normalize()
                .equals(session.document().pathProperty().get()));
        awaitSettled();
    }

    /** Waits until no work runs and the board shows what it should. */
    public void awaitSettled() {
        WaitForAsyncUtils.waitForFxEvents();
        await(() -> session.jobs().running().stream().allMatch(job -> job.isBehind())
                && !session.footages().settlingProperty().get());
        WaitForAsyncUtils.waitForFxEvents();
    }

    /** Waits until something is so, as seen on the FX thread. */
    public void await(Callable<Boolean> condition) {
        try {
            WaitForAsyncUtils.waitFor(Patience.seconds(), TimeUnit.SECONDS, () -> onFx(condition));
        } catch (TimeoutException e) {
            throw new AssertionError("waited " + Patience.seconds() + " s in vain; " + onFx(this::state), e);
        }
    }

    public <T> T onFx(Callable<T> call) {
        try {
            return WaitForAsyncUtils.asyncFx(call).get();
        } catch (InterruptedException | ExecutionException e) {
            throw new AssertionError(e);
        }
    }

    /** The screen place of a shot pixel on the board. */
    public Point2D onScreen(double shotX, double shotY) {
        return onFx(() -> {
            var place = workbench.board().view().toBoard(shotX, shotY);
            return workbench.board().localToScreen(place.getX(), place.getY());
        });
    }

    /** What the window shows at a shot pixel. */
    public Rgb colorAt(double shotX, double shotY) {
        return onFx(() -> {
            var at = workbench.board().view().toBoard(shotX, shotY);
            var place = workbench.board().localToScene(at.getX(), at.getY());
            return Colors.rgb(
                    workbench.board().getScene().snapshot(null).getPixelReader().getColor((int) place.getX(), (int)
                            place.getY()));
        });
    }

    /** What helps to see why a wait was in vain. */
    private String state() {
        return "notice: " + session.notices().latestProperty().get() + ", jobs: "
                + session.jobs().running().stream().map(job -> job.name()).toList() + ", windows: "
                + Window.getWindows().size() + ", unsaved: "
                + session.document().unsavedProperty().get() + ", path: "
                + session.document().pathProperty().get();
    }

    /** Clicks what carries a text, once it is there. */
    public void clickText(FxRobot robot, String text) {
        await(() -> robot.lookup(text).tryQuery().isPresent());
        WaitForAsyncUtils.waitForFxEvents();
        robot.clickOn(text);
    }

    /** Gives an answer in a dialog; not by pointer, as a dialog that is just opening is not yet in its place. */
    public void answer(FxRobot robot, String text) {
        await(() -> robot.lookup(text).tryQuery().isPresent());
        Platform.runLater(() -> button(robot.lookup(text).query()).fire());
        WaitForAsyncUtils.waitForFxEvents();
    }

    private static ButtonBase button(Node node) {
        Node at = node;
        while (!(at instanceof ButtonBase)) {
            at = at.getParent();
        }
        return (ButtonBase) at;
    }

    /** Clicks a button, toggle or other node by its id. */
    public void click(FxRobot robot, String id) {
        Node node = robot.lookup("#" + id).query();
        robot.clickOn(node);
    }

    /** Lets the simulated pen go straight from place to place. */
    public void pen(FxRobot robot, double... places) {
        robot.interact(() -> {
            double seconds = 0;
            for (int i = 0; i + 3 < places.length; i += 2) {
                for (int step = 0; step <= 10; step++) {
                    double share = step / 10.0;
                    PenSample sample = new PenSample(
                            places[i] + share * (places[i + 2] - places[i]),
                            places[i + 1] + share * (places[i + 3] - places[i + 1]),
                            0.8,
                            seconds);
                    seconds += 0.03;
                    boolean first = i == 0 && step == 0;
                    boolean last = i + 5 > places.length && step == 10;
                    workbench
                            .board()
                            .hand()
                            .take(new PenEvent(
                                    first ? PenEvent.Kind.DOWN : last ? PenEvent.Kind.UP : PenEvent.Kind.MOVE, sample));
                }
            }
        });
    }
}
