package chalktrace.app.keys;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class KeySetTest {

    @TempDir
    Path folder;

    private static KeyCodeCombination key(KeyCode code, KeyCombination.Modifier... modifiers) {
        return new KeyCodeCombination(code, modifiers);
    }

    private static List<KeyCodeCombination> all(KeySet keys) {
        return Arrays.stream(Action.values()).map(keys::of).toList();
    }

    private List<KeyCodeCombination> afterRestart() {
        return all(new KeySet(folder));
    }

    @Test
    void aFreeKeyIsTakenAndKeptForTheNextStart() {
        KeySet keys = new KeySet(folder);
        assertThat(keys.set(Action.MARK, key(KeyCode.K, KeyCombination.SHIFT_DOWN)))
                .isEmpty();
        assertThat(keys.text(Action.MARK)).isEqualTo("Shift+K");
        assertThat(keys.words("mark (%s)", Action.MARK).get()).isEqualTo("Mark (Shift+K)");
        assertThat(afterRestart()).isEqualTo(all(keys));
    }

    @Test
    void aTakenKeyIsExchanged() {
        KeySet keys = new KeySet(folder);
        assertThat(keys.set(Action.MARK, key(KeyCode.E))).isEqualTo(Optional.of(Action.NEW_DRAWING));
        assertThat(keys.of(Action.NEW_DRAWING)).isEqualTo(key(KeyCode.B));
        assertThat(all(keys)).doesNotHaveDuplicates();
        keys.asAtFirst();
        assertThat(all(keys))
                .isEqualTo(Arrays.stream(Action.values()).map(Action::keys).toList());
        assertThat(afterRestart()).isEqualTo(all(keys));
    }

    @Test
    void theSystemsOwnKeysStay() {
        KeySet keys = new KeySet(folder);
        List<KeyCodeCombination> before = all(keys);
        assertThatThrownBy(() -> keys.set(Action.UNDO, key(KeyCode.K))).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> keys.set(Action.MARK, key(KeyCode.Z, KeyCombination.SHORTCUT_DOWN)))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(Action.UNDO.use());
        assertThatThrownBy(() -> keys.set(Action.MARK, key(KeyCode.ESCAPE)))
                .isInstanceOf(IllegalArgumentException.class);
        assertThat(all(keys)).isEqualTo(before);
    }

    @Test
    void whatIsHeldHasNoModifierNotEvenByExchange() {
        KeySet keys = new KeySet(folder);
        List<KeyCodeCombination> before = all(keys);
        assertThatThrownBy(() -> keys.set(Action.HIDE_FOOTAGE, key(KeyCode.K, KeyCombination.SHIFT_DOWN)))
                .isInstanceOf(IllegalArgumentException.class);
        // Rolling backwards would get Shift+D in exchange.
        assertThatThrownBy(() -> keys.set(Action.HOLD_SHORTER, key(KeyCode.D)))
                .isInstanceOf(IllegalArgumentException.class);
        assertThat(all(keys)).isEqualTo(before);
    }

    @Test
    void mirroredTwiceIsAsBeforeAndNoTwoShareAKey() {
        KeySet keys = new KeySet(folder);
        List<KeyCodeCombination> before = all(keys);
        keys.mirror();
        assertThat(keys.of(Action.FRAME_BACK)).isEqualTo(key(KeyCode.K));
        assertThat(keys.of(Action.FRAME_ON)).isEqualTo(key(KeyCode.J));
        assertThat(keys.of(Action.UNDO)).isEqualTo(Action.UNDO.keys());
        assertThat(all(keys)).doesNotHaveDuplicates();
        assertThat(afterRestart()).isEqualTo(all(keys));
        keys.mirror();
        assertThat(all(keys)).isEqualTo(before);
    }

    @ParameterizedTest
    @ValueSource(strings = {"MARK=Q", "MARK=Ctrl", "NOTHING=K", "HIDE_FOOTAGE=Shift+K", "MARK=", "\\u00zz"})
    void aFileThatMakesNoSenseChangesNothing(String text) throws Exception {
        Files.writeString(folder.resolve("keys.properties"), text);
        assertThat(afterRestart())
                .isEqualTo(Arrays.stream(Action.values()).map(Action::keys).toList());
    }
}
