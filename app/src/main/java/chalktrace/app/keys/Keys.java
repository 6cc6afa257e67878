package chalktrace.app.keys;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BooleanSupplier;
import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.beans.property.BooleanProperty;
import javafx.beans.value.ChangeListener;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.util.Duration;

/**
 * Turns keys into actions. A key pressed with a modifier does nothing more until it is released; held keys are followed by
 * press and release, with a timer of our own for rolling, and end when the window loses focus; in a field letters are
 * letters.
 */
public final class Keys {

    private static final Duration ROLL_STARTS_AFTER = Duration.millis(260);
    private static final double ROLLS_A_SECOND = 24;

    /** A node's property with the keys, as a set of codes, that it wants for itself while it has the focus. */
    public static final Object TAKES_KEYS = new Object();

    private final KeySet set;
    private final Map<Action, List<Deed>> deeds = new EnumMap<>(Action.class);
    private final Map<Action, BooleanProperty> held = new EnumMap<>(Action.class);
    private final Map<KeyCode, Action> down = new HashMap<>();

    /** Keys that are down but have done all that they do. */
    private final Set<KeyCode> spent = new HashSet<>();

    /** What an action does while it is wanted. */
    private record Deed(BooleanSupplier wanted, Runnable does) {}

    private boolean lastPressWasOurs;
    private final Timeline roll = new Timeline();

    public Keys(KeySet set) {
        this.set = set;
    }

    /** Does something when the action's key goes down. */
    public Keys on(Action action, Runnable does) {
        return onWhile(action, () -> true, does);
    }

    /**
     * As {@link #on}, but only while it is wanted; else the key is left to whoever else wants it. Of several that an action
     * does, the first that is wanted is done.
     */
    public Keys onWhile(Action action, BooleanSupplier wanted, Runnable does) {
        deeds.computeIfAbsent(action, any -> new ArrayList<>()).add(new Deed(wanted, does));
        return this;
    }

    /** Does what an action's key does when it goes down; nothing where it is not wanted, or only lasts while a key is held. */
    public void run(Action action) {
        wanted(action).ifPresent(Runnable::run);
    }

    private Optional<Runnable> wanted(Action action) {
        return deeds.getOrDefault(action, List.of()).stream()
                .filter(deed -> deed.wanted().getAsBoolean())
                .map(Deed::does)
                .findFirst();
    }

    /** As if the action's key went down, such as a button on the pen; to be followed by {@link #end}. */
    public void begin(Action action) {
        if (isWanted(action)) {
            start(action);
        }
    }

    /** As if the action's key was let go. */
    public void end(Action action) {
        Optional.ofNullable(held.get(action)).ifPresent(property -> property.set(false));
        if (action.rolls()) {
            roll.stop();
        }
    }

    /** Whether {@link #run} does something. */
    public boolean runs(Action action) {
        return deeds.containsKey(action);
    }

    /** Whether an action does something now; one that only lasts while its key is held always does. */
    private boolean isWanted(Action action) {
        return !deeds.containsKey(action) || wanted(action).isPresent();
    }

    /** Keeps a property true for as long as the action's key is held. */
    public Keys whileHeld(Action action, BooleanProperty property) {
        held.put(action, property);
        return this;
    }

    public void attach(Scene scene) {
        scene.addEventFilter(KeyEvent.KEY_PRESSED, event -> {
            lastPressWasOurs = press(event, scene);
            if (lastPressWasOurs) {
                event.consume();
            }
        });
        // The letter of a key that opened a field is not meant for that field.
        scene.addEventFilter(KeyEvent.KEY_TYPED, event -> {
            if (lastPressWasOurs) {
                event.consume();
            }
        });
        scene.addEventFilter(KeyEvent.KEY_RELEASED, event -> release(event.getCode()));
        ChangeListener<Boolean> letsGo = (property, before, focused) -> {
            if (!focused) {
                releaseAll();
            }
        };
        scene.windowProperty().addListener((property, before, window) -> {
            if (before != null) {
                before.focusedProperty().removeListener(letsGo);
            }
            if (window != null) {
                window.focusedProperty().addListener(letsGo);
            }
        });
    }

    private boolean press(KeyEvent event, Scene scene) {
        KeyCode code = event.getCode();
        if (code.isModifierKey()) {
            // A dialog that a key opened has had its release: with a new modifier a new stroke begins.
            spent.clear();
            return false;
        }
        if (down.containsKey(code) || spent.contains(code)) {
            return true;
        }
        boolean typing = scene.getFocusOwner() instanceof TextInputControl field && field.isEditable();
        if (!event.isShortcutDown() && takes(scene.getFocusOwner(), code)) {
            return false;
        }
        Optional<Action> action =
                set.find(event).filter(a -> !typing || a.worksInFields()).filter(this::isWanted);
        if (action.isEmpty()) {
            return false;
        }
        if (event.isShortcutDown() || event.isShiftDown() || event.isAltDown()) {
            spent.add(code);
        } else {
            down.put(code, action.get());
        }
        start(action.get());
        return true;
    }

    private static boolean takes(Node node, KeyCode code) {
        return node != null && node.getProperties().get(TAKES_KEYS) instanceof Set<?> codes && codes.contains(code);
    }

    private void start(Action action) {
        run(action);
        Optional.ofNullable(held.get(action)).ifPresent(property -> property.set(true));
        if (action.rolls()) {
            roll.stop();
            roll.getKeyFrames().setAll(new KeyFrame(Duration.seconds(1 / ROLLS_A_SECOND), tick -> run(action)));
            roll.setCycleCount(Animation.INDEFINITE);
            roll.setDelay(ROLL_STARTS_AFTER);
            roll.playFromStart();
        }
    }

    private void release(KeyCode code) {
        spent.remove(code);
        Action action = down.remove(code);
        if (action != null) {
            end(action);
        }
    }

    private void releaseAll() {
        Set.copyOf(down.keySet()).forEach(this::release);
        spent.clear();
    }
}
