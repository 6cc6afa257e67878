package chalktrace.app.keys;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SynonymsTest {

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
