package chalktrace.app.keys;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import javafx.scene.input.KeyCombination;
import org.junit.jupiter.api.Test;

class ActionTest {

    @Test
    void noTwoActionsShareAKey() {
        List<KeyCombination> keys = Arrays.stream(Action.values())
                .map(action -> (KeyCombination) action.keys())
                .toList();
        assertThat(keys).doesNotHaveDuplicates();
    }

    @Test
    void eachSaysWhatItDoes() {
        assertThat(Action.values())
                .extracting(Action::use)
                .doesNotHaveDuplicates()
                .noneMatch(String::isBlank);
    }
}
