package chalktrace.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.app.controls.Fold;
import chalktrace.app.session.View.Step;
import chalktrace.app.testing.OpenWindow;
import java.lang.reflect.Field;
import java.lang.reflect.Modifier;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** What a part of the window has made stands in it: nothing is filled and never shown. */
@ExtendWith(ApplicationExtension.class)
class EveryNodeStandsTest {

    /** What comes into the window only while a still, a model, a followed point or the points of a stroke are worked on. */
    private static final Set<String> AT_TIMES = Set.of(
            "FootageCard.still",
            "HoldMenu.frames",
            "JointRows.rows",
            "PointRows.turning",
            "PointsFrame.line",
            "PointsFrame.reach");

    private OpenWindow window;
    private Path folder;

    @Start
    void start(Stage stage) throws Exception {
        folder = Files.createTempDirectory("nodes");
        window = new OpenWindow(stage, folder.resolve("state"));
    }

    @Test
    void everyNodeThatATrayHoldsIsInItsScene() throws Exception {
        window.open(DemoShot.copyTo(folder.resolve("demo"), true));
        Set<String> nowhere = new TreeSet<>();
        for (Step step : Step.values()) {
            window.onFx(() -> {
                window.session.view().stepProperty().set(step);
                return null;
            });
            window.awaitSettled();
            window.onFx(() -> {
                Node root = window.workbench.board().getScene().getRoot();
                open(root);
                look(root, nowhere);
                return null;
            });
        }
        // A window with all that is open in it keeps the next test's waiting.
        window.onFx(() -> {
            window.workbench.board().getScene().getWindow().hide();
            return null;
        });
        nowhere.removeAll(AT_TIMES);
        assertThat(nowhere).isEmpty();
    }

    private static void look(Node node, Set<String> nowhere) {
        for (Class<?> type = node.getClass();
                type != null && type.getName().startsWith("chalktrace");
                type = type.getSuperclass()) {
            for (Field field : type.getDeclaredFields()) {
                if (!Modifier.isStatic(field.getModifiers()) && Node.class.isAssignableFrom(field.getType())) {
                    Node held = held(node, field);
                    if (held != null && held.getScene() == null) {
                        nowhere.add(type.getSimpleName() + "." + field.getName());
                    }
                }
            }
        }
        if (node instanceof Parent parent) {
            List.copyOf(parent.getChildrenUnmodifiable()).forEach(child -> look(child, nowhere));
        }
    }

    /** What is folded away comes into the window when it is opened. */
    private static void open(Node node) {
        if (node instanceof Fold fold) {
            fold.openProperty().set(true);
        }
        if (node instanceof Parent parent) {
            List.copyOf(parent.getChildrenUnmodifiable()).forEach(EveryNodeStandsTest::open);
        }
    }

    private static Node held(Node node, Field field) {
        try {
            field.setAccessible(true);
            return (Node) field.get(node);
        } catch (IllegalAccessException e) {
            throw new AssertionError(e);
        }
    }
}
