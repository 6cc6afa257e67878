package chalktrace.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.app.kernel.Selection;
import chalktrace.app.keys.Action;
import chalktrace.app.session.View;
import chalktrace.app.session.View.Step;
import chalktrace.app.testing.HandDevice;
import chalktrace.app.testing.OpenWindow;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.timing.MarkEdits;
import chalktrace.core.shot.Cue;
import chalktrace.core.shot.Shot;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.zip.CRC32;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.MouseButton;
import javafx.stage.Stage;
import javafx.stage.Window;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

/** Every action of the key sheet, by its key, in a shot that has something for each: it is seen, or heard. */
@ExtendWith(ApplicationExtension.class)
class EveryActionTest {

    private static final int FRAME = 60;
    private static final int SPOKEN_FRAME = 160;
    private static final String LEVEL = "level-1";

    private static final Set<Action> TOGGLES = EnumSet.of(
            Action.ONION_SKIN,
            Action.FOOTAGE_OFF,
            Action.CHALK_OR_DUSTER,
            Action.SNAP,
            Action.GUIDES,
            Action.MIRROR_VIEW,
            Action.SHEET,
            Action.LEVEL_ALONE,
            Action.NARROW_TRAY,
            Action.TRAY_SIDE,
            Action.WHOLE_WINDOW);

    private final HandDevice device = new HandDevice();
    private Path folder;
    private OpenWindow window;

    @Start
    void start(Stage stage) throws Exception {
        folder = Files.createTempDirectory("actions");
        window = new OpenWindow(stage, folder.resolve("state"), device);
    }

    @Test
    void eachActionHasAnEffect(FxRobot robot) throws Exception {
        Path file = DemoShot.copyTo(folder.resolve("demo"), true);
        window.open(file);
        Shot start = window.session.shot();
        List<Action> without = new ArrayList<>();
        for (Action action : Action.values()) {
            // After QUIT there is no window to look at.
            if (action != Action.QUIT) {
                prepare(robot, start);
                if (!hasEffect(robot, action, file)) {
                    without.add(action);
                }
                putBack(robot, action);
            }
        }
        assertThat(without).isEmpty();
    }

    /** Something to do for each: a pick, a copy, something to undo and to do again, a kept frame, a cue to both sides. */
    private void prepare(FxRobot robot, Shot start) {
        robot.interact(() -> {
            window.session.transport().stop();
            window.session.view().stepProperty().set(Step.TRACE);
            window.session.document().apply(new Edit("as at first", shot -> start));
            window.session.document().apply(MarkEdits.addCue(new Cue("cue-a", "before", 1)));
            window.session.document().apply(MarkEdits.addCue(new Cue("cue-b", "after", 4)));
            window.session.document().apply(new Edit("name", shot -> shot.withName("undone")));
            window.session.document().undo();
            window.session.selection().levelProperty().set(LEVEL);
            window.session.transport().go(FRAME);
            window.trace().picking().all();
            window.trace().picking().copy();
        });
    }

    private boolean hasEffect(FxRobot robot, Action action, Path file) {
        if (action == Action.REMOVE) {
            robot.interact(() -> window.session
                    .selection()
                    .itemProperty()
                    .set(new Selection.Item(Selection.Item.Kind.CUE, "cue-a")));
        } else if (action == Action.GO_TRACE) {
            robot.interact(() -> window.session.view().stepProperty().set(Step.VOICE));
        } else if (action == Action.LEVEL_BEHIND) {
            type(robot, Action.LEVEL_BEFORE);
        } else if (action == Action.FOOTAGE_STRONGER) {
            type(robot, Action.FOOTAGE_FAINTER);
        } else if (action == Action.CHALK_1) {
            type(robot, Action.CHALK_2);
        } else if (action == Action.PICK || action == Action.PICK_ALL) {
            robot.interact(() -> {
                window.trace().picking().putAway();
                window.session.view().toolProperty().set(View.Tool.CHALK);
            });
        } else if (action == Action.PLAY_ALL) {
            type(robot, Action.PLAY_FROM);
            robot.interact(window.session.transport()::stop);
        } else if (action == Action.HEAR || action == Action.HEAR_BACKWARDS) {
            robot.interact(() -> window.session.transport().go(SPOKEN_FRAME));
        } else if (action == Action.FIT) {
            long fitted = window.onFx(this::state);
            robot.interact(() -> window.workbench.board().view().pan(30, 0));
            isSeenSoon(fitted);
        } else if (action == Action.FLIP) {
            robot.interact(() -> window.session.transport().go(FRAME + 40));
        } else if (action == Action.OPEN) {
            window.files.shot = file;
        } else if (action == Action.SAVE_AS) {
            window.files.saveAs = folder.resolve("another.chalk");
        }
        if (action == Action.LEVEL_HERE || action == Action.MOVE_VIEW) {
            robot.moveTo(window.onScreen(640, 360));
        }
        window.awaitSettled();
        long before = window.onFx(this::state);
        hold(robot, action);
        if (action == Action.MOVE_VIEW) {
            robot.press(MouseButton.PRIMARY).moveBy(40, 0).release(MouseButton.PRIMARY);
        }
        boolean seen = isSeenSoon(before);
        letGo(robot, action);
        return seen;
    }

    private boolean isSeenSoon(long before) {
        try {
            WaitForAsyncUtils.waitFor(3, TimeUnit.SECONDS, () -> window.onFx(this::state) != before);
            return true;
        } catch (TimeoutException e) {
            return false;
        }
    }

    /** All that a person can see of the window, what comes out of the loudspeaker, what was copied, and where the shot is kept. */
    private long state() {
        CRC32 all = new CRC32();
        for (Window shown : Window.getWindows()) {
            WritableImage picture = shown.getScene().snapshot(null);
            int wide = (int) picture.getWidth();
            int high = (int) picture.getHeight();
            int[] words = new int[wide * high];
            picture.getPixelReader().getPixels(0, 0, wide, high, PixelFormat.getIntArgbInstance(), words, 0, wide);
            ByteBuffer bytes = ByteBuffer.allocate(4 * words.length);
            bytes.asIntBuffer().put(words);
            all.update(bytes.array());
        }
        List<Object> others = Arrays.asList(
                device.sounds(),
                System.identityHashCode(
                        window.trace().picking().copiedProperty().get()),
                window.session.document().pathProperty().get());
        all.update(others.toString().getBytes(StandardCharsets.UTF_8));
        return all.getValue();
    }

    /** What stays on is turned off. */
    private void putBack(FxRobot robot, Action action) {
        if (TOGGLES.contains(action)) {
            type(robot, action);
        }
        if (action == Action.NEW_SHOT || action == Action.OPEN || action == Action.WORD || action == Action.CUE) {
            robot.type(KeyCode.ESCAPE);
        }
        robot.interact(() -> {
            window.session.transport().stop();
            window.session.transport().withinProperty().set(null);
        });
    }

    private static List<KeyCode> keys(Action action) {
        List<KeyCode> keys = new ArrayList<>();
        if (action.keys().getShortcut() == KeyCombination.ModifierValue.DOWN) {
            keys.add(KeyCode.CONTROL);
        }
        if (action.keys().getShift() == KeyCombination.ModifierValue.DOWN) {
            keys.add(KeyCode.SHIFT);
        }
        if (action.keys().getAlt() == KeyCombination.ModifierValue.DOWN) {
            keys.add(KeyCode.ALT);
        }
        keys.add(action.keys().getCode());
        return keys;
    }

    private static void hold(FxRobot robot, Action action) {
        keys(action).forEach(robot::press);
    }

    private static void letGo(FxRobot robot, Action action) {
        List<KeyCode> keys = new ArrayList<>(keys(action));
        Collections.reverse(keys);
        keys.forEach(robot::release);
    }

    private static void type(FxRobot robot, Action action) {
        hold(robot, action);
        letGo(robot, action);
    }
}
