package chalktrace.core.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import org.junit.jupiter.api.Test;

class FeetFramesTest {

    @Test
    void sixteenFramesAFootAndNinetyFeetAMinute() {
        // Common practice: 35 mm film with four perforations a frame.
        assertThat(FeetFrames.of(11)).hasToString("0+11");
        assertThat(FeetFrames.of(16)).hasToString("1+00");
        assertThat(FeetFrames.of(24 * 60)).isEqualTo(new FeetFrames(90, 0));
        assertThat(FeetFrames.parse("6+08").toFrame()).isEqualTo(104);
    }

    @Test
    void sixteenFramesAreAlreadyTheNextFoot() {
        assertThatIllegalArgumentException().isThrownBy(() -> FeetFrames.parse("1+16"));
        assertThatIllegalArgumentException().isThrownBy(() -> FeetFrames.parse("four"));
    }
}
