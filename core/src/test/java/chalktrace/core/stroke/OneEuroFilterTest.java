package chalktrace.core.stroke;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class OneEuroFilterTest {

    @Test
    void followsThePublishedFormula() {
        // Casiez, Roussel, Vogel 2012: alpha = 1 / (1 + tau / Te), tau = 1 / (2 pi fc), fc = mincutoff + beta |dx|.
        double minCutoff = 1.2;
        double beta = 0.05;
        double[] raw = {10, 12, 11, 30, 55, 54, 54.5};
        double te = 0.01;
        OneEuroFilter filter = new OneEuroFilter(minCutoff, beta);
        double x = filter.filter(raw[0], 0);
        double dx = 0;
        assertThat(x).isEqualTo(10);
        for (int i = 1; i < raw.length; i++) {
            dx += alpha(1.0, te) * ((raw[i] - x) / te - dx);
            x += alpha(minCutoff + beta * Math.abs(dx), te) * (raw[i] - x);
            assertThat(filter.filter(raw[i], i * te)).isCloseTo(x, within(1e-9));
        }
    }

    @Test
    void timeThatStandsStillOrGoesBackChangesNothing() {
        OneEuroFilter filter = new OneEuroFilter(1, 0.01);
        filter.filter(1, 5);
        double settled = filter.filter(2, 6);
        assertThat(filter.filter(100, 6)).isEqualTo(settled);
        assertThat(filter.filter(100, 3)).isEqualTo(settled);
    }

    private static double alpha(double cutoff, double te) {
        double tau = 1 / (2 * Math.PI * cutoff);
        return 1 / (1 + tau / te);
    }
}
