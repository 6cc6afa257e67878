package chalktrace.benchmarks;

import chalktrace.app.session.Session;
import chalktrace.app.session.View;
import chalktrace.app.theme.Theme;
import chalktrace.app.window.DemoShot;
import chalktrace.app.window.Workbench;
import chalktrace.media.sound.SilentOut;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.FutureTask;
import javafx.application.Platform;
import javafx.event.Event;
import javafx.event.EventType;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.PickResult;
import javafx.stage.Stage;

/**
 * Which of our classes run on the window's thread for a pen event (wanted: 25 at most) and for a step (50): in the window with all features, the
 * demo shot open in Trace. Each is done many times; a class counts that ran in more than half of them, from the event until what it asked for has come on screen.
 */
public final class ClassesRun {

    private static final int TIMES = 20;
    private static final int MOST_FOR_PEN = 25;
    private static final int MOST_FOR_STEP = 50;
    private static final int LOADING_MILLIS = 12_000;
    private static final int SHOWING_MILLIS = 120;

    private Session session;
    private Node board;
    private double x = 380;

    private ClassesRun() {}

    /** Prints both lists; ends with 1 when either is longer than wanted. */
    public static void main(String[] arguments) throws Exception {
        ClassesRun run = new ClassesRun();
        run.open();
        // What is done once, on the first event of its kind, is no part of the way.
        run.classes(run::drag);
        boolean pen = print("a pen event", run.classes(run::drag), MOST_FOR_PEN);
        OnFx.get(() -> run.mouse(MouseEvent.MOUSE_RELEASED));
        run.classes(run::step);
        boolean step = print("a step", run.classes(run::step), MOST_FOR_STEP);
        System.exit(pen && step ? 0 : 1);
    }

    private void open() throws Exception {
        Path folder = Files.createTempDirectory("classes");
        Path shot = DemoShot.copyTo(folder.resolve("demo"), true);
        FutureTask<Void> opened = new FutureTask<>(() -> {
            Theme.load();
            Stage stage = new Stage();
            session = new Session(SilentOut::new, folder.resolve("state"));
            Workbench workbench = new Workbench(stage, session, null);
            workbench.show();
            stage.setWidth(1280);
            stage.setHeight(800);
            workbench.open(shot);
            session.view().stepProperty().set(View.Step.TRACE);
            board = workbench.board();
            return null;
        });
        Platform.startup(opened);
        opened.get();
        // Its pictures, waveforms and thumbnails come in the background.
        Thread.sleep(LOADING_MILLIS);
        OnFx.get(() -> mouse(MouseEvent.MOUSE_MOVED));
        OnFx.get(() -> mouse(MouseEvent.MOUSE_PRESSED));
    }

    private Map<String, String> classes(Runnable event) throws Exception {
        Map<String, Integer> times = new TreeMap<>();
        Map<String, String> ways = new TreeMap<>();
        for (int i = 0; i < TIMES; i++) {
            OnFx.get(() -> {
                ClassCounter.begin();
                event.run();
                return null;
            });
            Thread.sleep(SHOWING_MILLIS);
            Map<String, String> seen = OnFx.get(ClassCounter::end);
            ways.putAll(seen);
            seen.keySet().forEach(name -> times.merge(name, 1, Integer::sum));
        }
        ways.keySet().removeIf(name -> times.get(name) <= TIMES / 2);
        return ways;
    }

    private void drag() {
        x += 3;
        mouse(MouseEvent.MOUSE_DRAGGED);
    }

    private void step() {
        Node root = board.getScene().getRoot();
        for (EventType<KeyEvent> type : List.of(KeyEvent.KEY_PRESSED, KeyEvent.KEY_RELEASED)) {
            Event.fireEvent(root, new KeyEvent(type, "", "", KeyCode.F, false, false, false, false));
        }
    }

    private Void mouse(EventType<MouseEvent> type) {
        boolean down = type != MouseEvent.MOUSE_MOVED && type != MouseEvent.MOUSE_RELEASED;
        double y = 150;
        var inScene = board.localToScene(x, y);
        Event.fireEvent(
                board,
                new MouseEvent(
                        type,
                        inScene.getX(),
                        inScene.getY(),
                        inScene.getX(),
                        inScene.getY(),
                        MouseButton.PRIMARY,
                        1,
                        false,
                        false,
                        false,
                        false,
                        down,
                        false,
                        false,
                        true,
                        false,
                        true,
                        new PickResult(board, inScene.getX(), inScene.getY())));
        return null;
    }

    private static boolean print(String what, Map<String, String> classes, int most) {
        System.out.println(what + ": " + classes.size() + " classes on the window's thread (" + most + " at most)");
        classes.forEach((name, way) -> System.out.printf("    %-60s %s%n", name, way));
        return classes.size() <= most;
    }
}
