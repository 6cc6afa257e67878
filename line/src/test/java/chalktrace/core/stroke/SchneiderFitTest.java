package chalktrace.core.stroke;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SchneiderFitTest {

    private static final double TOLERANCE = 0.6;

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void noSampleLiesFartherFromTheCurveThanTheTolerance(long seed) {
        List<PenSample> samples = smoothWander(seed);
        Curve curve = SchneiderFit.fit(samples, TOLERANCE);
        for (PenSample sample : samples) {
            assertThat(distance(curve, sample)).isLessThanOrEqualTo(TOLERANCE + 0.01);
        }
        assertThat(curve.segments()).isLessThan(samples.size() / 8);
    }

    @Test
    void anEllipseNeedsFewSegments() {
        List<PenSample> samples = new ArrayList<>();
        for (int i = 0; i <= 200; i++) {
            double angle = 2 * Math.PI * i / 200;
            samples.add(new PenSample(300 + 100 * Math.cos(angle), 300 + 120 * Math.sin(angle), 0.5, i));
        }
        assertThat(SchneiderFit.fit(samples, TOLERANCE).segments()).isLessThanOrEqualTo(10);
    }

    @Test
    void aStraightLineIsOneExactSegment() {
        List<PenSample> samples = new ArrayList<>();
        for (int i = 0; i <= 50; i++) {
            samples.add(new PenSample(10 + 3 * i, 20 + 4 * i, 0.5, i));
        }
        Curve curve = SchneiderFit.fit(samples, TOLERANCE);
        assertThat(curve.segments()).isEqualTo(1);
        for (double t = 0; t <= 1; t += 0.05) {
            double x = curve.at(0, t, 0);
            double y = curve.at(0, t, 1);
            assertThat((x - 10) * 4 - (y - 20) * 3).isCloseTo(0, within(0.02));
        }
        assertThat(curve.x(3)).isEqualTo(160);
        assertThat(curve.y(3)).isEqualTo(220);
    }

    @Test
    void oneSampleIsADot() {
        Curve dot = SchneiderFit.fit(List.of(new PenSample(7, 8, 0.4, 0), new PenSample(7, 8, 0.4, 1)), TOLERANCE);
        assertThat(dot.segments()).isZero();
        assertThat(dot.x(0)).isEqualTo(7);
        assertThat(dot.pressure(0)).isEqualTo(0.4);
    }

    @Test
    void aLineThatTurnsStraightBackReachesItsFarEnd() {
        List<PenSample> samples = new ArrayList<>();
        for (int i = 0; i <= 20; i++) {
            samples.add(new PenSample(10.0 * i, 0, 0.5, i));
        }
        for (int i = 19; i >= 0; i--) {
            samples.add(new PenSample(10.0 * i, 0, 0.5, 40 - i));
        }
        Curve curve = SchneiderFit.fit(samples, TOLERANCE);
        assertThat(distance(curve, new PenSample(200, 0, 0.5, 0))).isLessThanOrEqualTo(TOLERANCE);
    }

    /** A path of a few slow waves, as a hand draws them. */
    private static List<PenSample> smoothWander(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double[] phase = random.doubles(6, 0, 6).toArray();
        List<PenSample> samples = new ArrayList<>();
        for (int i = 0; i <= 300; i++) {
            double t = i / 300.0;
            samples.add(new PenSample(
                    400 * t + 60 * Math.sin(5 * t + phase[0]) + 25 * Math.sin(11 * t + phase[1]),
                    200 + 80 * Math.sin(4 * t + phase[2]) + 20 * Math.sin(13 * t + phase[3]),
                    0.5 + 0.3 * Math.sin(6 * t + phase[4]),
                    t));
        }
        return samples;
    }

    private static double distance(Curve curve, PenSample sample) {
        double nearest = Double.MAX_VALUE;
        for (int s = 0; s < curve.segments(); s++) {
            for (int i = 0; i <= 400; i++) {
                double t = i / 400.0;
                nearest = Math.min(nearest, Math.hypot(curve.at(s, t, 0) - sample.x(), curve.at(s, t, 1) - sample.y()));
            }
        }
        return nearest;
    }
}
