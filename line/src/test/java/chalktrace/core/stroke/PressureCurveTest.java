package chalktrace.core.stroke;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class PressureCurveTest {

    @Test
    void theNamedEasingsOfTheStandardComeOut() {
        // W3C CSS Easing Functions Level 1 defines ease as cubic-bezier(0.25, 0.1, 0.25, 1) and ease-in as (0.42, 0, 1,
        // 1);
        // their values at one half are solved here by Newton's method on the two cubics.
        assertThat(new PressureCurve(0.25, 0.1, 0.25, 1).at(0.5))
                .isCloseTo(solved(0.25, 0.1, 0.25, 1, 0.5), within(1e-6));
        assertThat(new PressureCurve(0.42, 0, 1, 1).at(0.5)).isCloseTo(solved(0.42, 0, 1, 1, 0.5), within(1e-6));
        assertThat(PressureCurve.EVEN.at(0.3)).isEqualTo(0.3);
    }

    @Test
    void itRisesFromNothingToAllAndHoldsWhatIsOutOfRange() {
        PressureCurve soft = new PressureCurve(0, 0.9, 0.3, 1);
        double before = 0;
        for (int i = 0; i <= 100; i++) {
            double now = soft.at(i / 100.0);
            assertThat(now).isGreaterThanOrEqualTo(before);
            before = now;
        }
        assertThat(soft.at(-3)).isCloseTo(0, within(1e-6));
        assertThat(soft.at(9)).isCloseTo(1, within(1e-6));
        assertThat(soft.withHandle(0, -1, 2)).isEqualTo(new PressureCurve(0, 1, 0.3, 1));
    }

    @Test
    void aLinesWidthAndOpacityFollowIt() {
        LineShape shape =
                LineShape.round(10).withThinnest(0).withFaintest(0.5).withAnswer(new PressureCurve(0.42, 0, 1, 1));
        double counts = shape.answer().at(0.5);
        assertThat(shape.radius(0.5)).isCloseTo(5 * counts, within(1e-9));
        assertThat(shape.opacity(0.5)).isCloseTo(0.5 + 0.5 * counts, within(1e-9));
    }

    private static double solved(double x1, double y1, double x2, double y2, double x) {
        double t = 0.5;
        for (int i = 0; i < 50; i++) {
            double s = 1 - t;
            double at = 3 * s * s * t * x1 + 3 * s * t * t * x2 + t * t * t - x;
            double slope = 3 * s * s * x1 + 6 * s * t * (x2 - x1) + 3 * t * t * (1 - x2);
            t -= at / slope;
        }
        double s = 1 - t;
        return 3 * s * s * t * y1 + 3 * s * t * t * y2 + t * t * t;
    }
}
