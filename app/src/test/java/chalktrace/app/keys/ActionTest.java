package chalktrace.app.keys;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import javafx.scene.input.KeyCombination;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

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

    @ParameterizedTest
    @CsvSource({
        "eraser, CHALK_OR_DUSTER",
        "light table, ONION_SKIN",
        "bucket, FILL",
        "lasso, PICK",
        "zoom reset, FIT",
        "keyframe, MARK",
        "onion, ONION_SKIN",
        "take back, UNDO",
        "flip horizontal, MIRROR_VIEW"
    })
    void everydayWordsFindWhatTheyMean(String asked, Action action) {
        assertThat(action.isFoundBy(asked)).isTrue();
    }

    @Test
    void whatHasNothingToDoWithItIsNotFound() {
        assertThat(Action.SAVE.isFoundBy("bucket")).isFalse();
        assertThat(Action.SAVE.isFoundBy("save bucket")).isFalse();
        assertThat(Action.SAVE.isFoundBy("")).isTrue();
    }
}
