package chalktrace.core.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import org.junit.jupiter.api.Test;

class SavitzkyGolayTest {

    /** The table of Savitzky and Golay, Analytical Chemistry 36, 1964, quadratic over 5 points. */
    @Test
    void theWeightsAreThePublishedOnes() {
        double[] published = {-3 / 35.0, 12 / 35.0, 17 / 35.0, 12 / 35.0, -3 / 35.0};
        assertThat(SavitzkyGolay.weights(2, 2, 0)).containsExactly(published, within(1e-12));
    }

    /** The same table over 7 points: (-2, 3, 6, 7, 6, 3, -2) / 21. */
    @Test
    void soAreThoseOfSevenPoints() {
        double[] published = {-2 / 21.0, 3 / 21.0, 6 / 21.0, 7 / 21.0, 6 / 21.0, 3 / 21.0, -2 / 21.0};
        assertThat(SavitzkyGolay.weights(3, 2, 0)).containsExactly(published, within(1e-12));
    }

    @Test
    void aParabolaStaysAsItIsUpToBothEnds() {
        double[] parabola = new double[12];
        Arrays.setAll(parabola, i -> 3 + 2 * i - 0.7 * i * i);
        assertThat(SavitzkyGolay.smoothed(parabola, 3, 2)).containsExactly(parabola, within(1e-9));
    }

    @Test
    void whatIsTooShortStaysAsItIs() {
        assertThat(SavitzkyGolay.smoothed(new double[] {1, 5}, 2, 2)).containsExactly(1, 5);
    }
}
