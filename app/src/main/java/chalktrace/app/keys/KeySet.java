package chalktrace.app.keys;

import chalktrace.app.controls.Sentence;
import chalktrace.app.words.Words;
import java.io.IOException;
import java.io.Reader;
import java.io.Writer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Properties;
import java.util.Set;
import java.util.logging.Level;
import java.util.logging.Logger;
import javafx.beans.binding.Bindings;
import javafx.beans.binding.StringBinding;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;

/**
 * Which key does what: as the program has it, or as a person has changed it; kept in a file of the state folder. No two actions
 * share a key. The system's own conventions stay. Lives on the FX thread.
 */
public final class KeySet {

    private static final Logger LOG = Logger.getLogger(KeySet.class.getName());

    /** Keys that lie over against each other on the keyboard, for a hand on its right half. */
    private static final List<List<KeyCode>> OPPOSITE = List.of(
            List.of(KeyCode.Q, KeyCode.P),
            List.of(KeyCode.W, KeyCode.O),
            List.of(KeyCode.E, KeyCode.I),
            List.of(KeyCode.R, KeyCode.U),
            List.of(KeyCode.T, KeyCode.Y),
            List.of(KeyCode.A, KeyCode.SEMICOLON),
            List.of(KeyCode.S, KeyCode.L),
            List.of(KeyCode.D, KeyCode.K),
            List.of(KeyCode.F, KeyCode.J),
            List.of(KeyCode.G, KeyCode.H),
            List.of(KeyCode.Z, KeyCode.SLASH),
            List.of(KeyCode.X, KeyCode.PERIOD),
            List.of(KeyCode.C, KeyCode.COMMA),
            List.of(KeyCode.V, KeyCode.M),
            List.of(KeyCode.B, KeyCode.N),
            List.of(KeyCode.DIGIT1, KeyCode.DIGIT0),
            List.of(KeyCode.DIGIT2, KeyCode.DIGIT9),
            List.of(KeyCode.DIGIT3, KeyCode.DIGIT8),
            List.of(KeyCode.DIGIT4, KeyCode.DIGIT7),
            List.of(KeyCode.DIGIT5, KeyCode.DIGIT6),
            List.of(KeyCode.BACK_QUOTE, KeyCode.EQUALS),
            List.of(KeyCode.TAB, KeyCode.BACK_SLASH));

    private static final List<KeyCombination.Modifier> MODIFIERS =
            List.of(KeyCombination.SHIFT_DOWN, KeyCombination.ALT_DOWN, KeyCombination.SHORTCUT_DOWN);

    private final Path stateFolder;
    private final ObjectProperty<Map<Action, KeyCodeCombination>> keys;

    public KeySet(Path stateFolder) {
        this.stateFolder = stateFolder;
        keys = new SimpleObjectProperty<>(atFirst());
        if (Files.exists(file())) {
            read();
        }
    }

    private static Map<Action, KeyCodeCombination> atFirst() {
        Map<Action, KeyCodeCombination> out = new EnumMap<>(Action.class);
        for (Action action : Action.values()) {
            out.put(action, action.keys());
        }
        return out;
    }

    public KeyCodeCombination of(Action action) {
        return keys.get().get(action);
    }

    /** What an action's key is called, such as "Shift+D". */
    public String text(Action action) {
        return of(action).getDisplayText();
    }

    /** Words with the name of an action's key in the place of {@code %s}, whatever it comes to be. */
    public StringBinding words(String pattern, Action action) {
        return Bindings.createStringBinding(() -> Sentence.of(String.format(pattern, text(action))), keys);
    }

    /** Lets a button say what it is for, with the key that does the same in the place of {@code %s}. */
    public <B extends ButtonBase> B named(B button, String pattern, Action action) {
        Tooltip tip = button.getTooltip() == null ? new Tooltip() : button.getTooltip();
        tip.textProperty().bind(words(pattern, action));
        button.setTooltip(tip);
        button.accessibleTextProperty().bind(tip.textProperty());
        return button;
    }

    Optional<Action> find(KeyEvent event) {
        return Arrays.stream(Action.values())
                .filter(action -> of(action).match(event))
                .findFirst();
    }

    /**
     * Gives an action another key; the one that had it gets the first one's in exchange.
     *
     * @return the one that had it; none when the key was free
     * @throws IllegalArgumentException when the action or the key can't be changed; it says why, and nothing is
     */
    public Optional<Action> set(Action action, KeyCodeCombination wanted) {
        if (action.isFixed()) {
            throw new IllegalArgumentException(Words.DESK.of("the-key-of-is-the", action.use()));
        }
        if (wanted.getCode().isModifierKey()) {
            throw new IllegalArgumentException(Words.DESK.of("a-modifier-alone-is-no"));
        }
        Map<Action, KeyCodeCombination> next = new EnumMap<>(keys.get());
        Optional<Action> had = Arrays.stream(Action.values())
                .filter(other -> other != action && of(other).equals(wanted))
                .findFirst();
        if (had.filter(Action::isFixed).isPresent()) {
            throw new IllegalArgumentException(Words.DESK.of(
                    "is-the-systems-own-key", wanted.getDisplayText(), had.get().use()));
        }
        next.put(action, wanted);
        had.ifPresent(other -> next.put(other, of(action)));
        requireNoModifierWhereHeld(next);
        keys.set(next);
        write();
        return had;
    }

    /** A key with a modifier does all that it does when it goes down: it can't be held. */
    private static void requireNoModifierWhereHeld(Map<Action, KeyCodeCombination> keys) {
        keys.forEach((action, combination) -> {
            if (action.isHeld() && !combination.equals(new KeyCodeCombination(combination.getCode()))) {
                throw new IllegalArgumentException(Words.DESK.of("works-while-its-key-is", action.use()));
            }
        });
    }

    /** Lays all keys over to the other half of the keyboard, or back. */
    public void mirror() {
        Map<KeyCode, KeyCode> other = new HashMap<>();
        for (List<KeyCode> pair : OPPOSITE) {
            other.put(pair.get(0), pair.get(1));
            other.put(pair.get(1), pair.get(0));
        }
        Map<Action, KeyCodeCombination> next = new EnumMap<>(keys.get());
        next.replaceAll((action, now) -> action.isFixed()
                        || now.getShortcut() == KeyCombination.ModifierValue.DOWN
                        || !other.containsKey(now.getCode())
                ? now
                : new KeyCodeCombination(
                        other.get(now.getCode()),
                        now.getShift(),
                        now.getControl(),
                        now.getAlt(),
                        now.getMeta(),
                        now.getShortcut()));
        keys.set(next);
        write();
    }

    public void asAtFirst() {
        keys.set(atFirst());
        write();
    }

    private void read() {
        Properties written = new Properties();
        try (Reader reader = Files.newBufferedReader(file())) {
            written.load(reader);
            Map<Action, KeyCodeCombination> next = atFirst();
            for (String name : written.stringPropertyNames()) {
                Action action = Action.valueOf(name);
                if (!action.isFixed()) {
                    next.put(action, parsed(written.getProperty(name)));
                }
            }
            Set<KeyCombination> all = new HashSet<>(next.values());
            if (all.size() < next.size()) {
                throw new IllegalArgumentException(Words.DESK.of("two-actions-share-a-key"));
            }
            requireNoModifierWhereHeld(next);
            keys.set(next);
        } catch (IOException | IllegalArgumentException e) {
            LOG.log(Level.WARNING, "the keys that were set can't be read, those of a new program hold", e);
        }
    }

    private void write() {
        Properties out = new Properties();
        keys.get().forEach((action, combination) -> {
            if (!combination.equals(action.keys())) {
                out.setProperty(action.name(), written(combination));
            }
        });
        try {
            Files.createDirectories(stateFolder);
            try (Writer writer = Files.newBufferedWriter(file())) {
                out.store(writer, null);
            }
        } catch (IOException e) {
            LOG.log(Level.WARNING, "keys can't be kept", e);
        }
    }

    private static String written(KeyCodeCombination combination) {
        StringBuilder out = new StringBuilder();
        for (KeyCombination.Modifier modifier : modifiers(combination)) {
            out.append(modifier.getKey()).append('+');
        }
        return out.append(combination.getCode().name()).toString();
    }

    private static KeyCodeCombination parsed(String text) {
        List<String> parts = List.of(text.split("\\+"));
        List<KeyCombination.Modifier> modifiers = new ArrayList<>();
        for (String part : parts.subList(0, parts.size() - 1)) {
            modifiers.add(modifier(part));
        }
        return new KeyCodeCombination(
                KeyCode.valueOf(parts.get(parts.size() - 1)), modifiers.toArray(KeyCombination.Modifier[]::new));
    }

    private static KeyCombination.Modifier modifier(String name) {
        return MODIFIERS.stream()
                .filter(modifier -> modifier.getKey().toString().equals(name))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException(Words.DESK.of("is-no-modifier", name)));
    }

    private static List<KeyCombination.Modifier> modifiers(KeyCodeCombination combination) {
        List<KeyCombination.Modifier> out = new ArrayList<>();
        if (combination.getShift() == KeyCombination.ModifierValue.DOWN) {
            out.add(KeyCombination.SHIFT_DOWN);
        }
        if (combination.getAlt() == KeyCombination.ModifierValue.DOWN) {
            out.add(KeyCombination.ALT_DOWN);
        }
        if (combination.getShortcut() == KeyCombination.ModifierValue.DOWN) {
            out.add(KeyCombination.SHORTCUT_DOWN);
        }
        return out;
    }

    private Path file() {
        return stateFolder.resolve("keys.properties");
    }
}
