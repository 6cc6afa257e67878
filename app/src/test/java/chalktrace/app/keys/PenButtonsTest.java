package chalktrace.app.keys;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.app.state.Preferences;
import chalktrace.app.testing.Endings;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.SimpleBooleanProperty;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.framework.junit5.ApplicationExtension;

@ExtendWith(ApplicationExtension.class)
class PenButtonsTest {

    @TempDir
    Path folder;

    @Test
    void aButtonDoesOnceWhatItIsGivenAndHoldsWhatIsHeld() {
        List<String> done = new ArrayList<>();
        BooleanProperty hidden = new SimpleBooleanProperty();
        Keys keys = new Keys(new KeySet(folder.resolve("keys")))
                .on(Action.UNDO, () -> done.add("undo"))
                .whileHeld(Action.HIDE_FOOTAGE, hidden);
        try (Preferences preferences = new Preferences(folder)) {
            PenButtons buttons = new PenButtons(keys, preferences);
            buttons.take(true, false);
            buttons.take(true, false);
            buttons.take(false, false);
            buttons.take(true, true);
            assertThat(done)
                    .as("at first the lower one undoes, the upper one does nothing")
                    .containsExactly("undo", "undo");
            assertThat(hidden.get()).isFalse();
            buttons.take(false, false);
            preferences.setPenButton(0, "");
            preferences.setPenButton(1, Action.HIDE_FOOTAGE.name());
            buttons.take(true, true);
            assertThat(done).hasSize(2);
            assertThat(hidden.get()).isTrue();
            buttons.take(true, false);
            assertThat(hidden.get()).isFalse();
        }
        Endings.await();
        try (Preferences again = new Preferences(folder)) {
            assertThat(PenButtons.action(again, 1)).contains(Action.HIDE_FOOTAGE);
        }
    }
}
