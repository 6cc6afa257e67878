package chalktrace.core.stroke;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.testing.EvenHand;
import chalktrace.core.testing.EvenHand.Drawn;
import chalktrace.core.testing.EvenHand.Shape;
import chalktrace.core.testing.Kinks;
import chalktrace.core.testing.LineDistance;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Round stays round and a corner stays a corner, for lines of which the true shape is known. */
class RoundLineTest {

    private static final int LINES = 100;

    /** Beyond this an angle between two tangents is seen as a corner. */
    private static final double MOST_KINK = Math.toRadians(12);

    @Property(tries = 4, edgeCases = EdgeCasesMode.NONE)
    void ovalsCurlsAndWavesHaveNoCornerAtAnySizeSpeedAndZoom(@ForAll long seed) {
        for (Shape shape : List.of(Shape.OVAL, Shape.CURL, Shape.WAVE)) {
            int round = 0;
            int kinked = 0;
            for (int i = 0; i < LINES; i++) {
                Drawn drawn = anyDrawn(shape, 0.05, seed + i);
                if (drawn.samplesPerTurn() >= 24) {
                    round++;
                    kinked += Kinks.sharpest(kept(drawn, 0.5)) > MOST_KINK ? 1 : 0;
                }
            }
            assertThat(kinked).as("%s with a kink, of %d", shape, round).isLessThanOrEqualTo(2);
        }
    }

    @Property(tries = 4, edgeCases = EdgeCasesMode.NONE)
    void cornersBetweenStraightAndBentSidesStay(@ForAll long seed) {
        for (Shape shape : List.of(Shape.STRAIGHT_SIDES, Shape.BENT_SIDES)) {
            int corners = 0;
            int kept = 0;
            for (int i = 0; i < LINES; i++) {
                Drawn drawn = anyDrawn(shape, 0, seed + i);
                Curve curve = kept(drawn, 0.5);
                double spacing = Math.hypot(
                        drawn.samples().get(1).x() - drawn.samples().get(0).x(),
                        drawn.samples().get(1).y() - drawn.samples().get(0).y());
                for (double[] corner : drawn.corners()) {
                    corners++;
                    double reach = Math.max(2 / drawn.zoom(), 1.3 * spacing);
                    kept += Kinks.turnAbout(curve, corner[0], corner[1], reach) > Math.abs(corner[2]) / 2 ? 1 : 0;
                }
            }
            // 98 % of many; of some two hundred a few more may be missing by chance.
            assertThat(kept / (double) corners).as("%s", shape).isGreaterThanOrEqualTo(0.95);
        }
    }

    /** Between samples that lie far apart the line bends as the hand did. */
    @Property(tries = 60, edgeCases = EdgeCasesMode.NONE)
    void aFastCurveOfFewSamplesIsSmoothAndCloseToTheHand(@ForAll long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double radius = random.nextDouble(20, 200);
        // Seven to twenty samples a turn, sixty a second.
        double speed = 2 * Math.PI * radius / random.nextDouble(7, 20) * 60;
        List<PenSample> samples = circle(radius, speed, 60);
        Curve curve = inked(samples, 0.5, 1);
        assertThat(Kinks.sharpest(curve)).isLessThan(Math.toRadians(8));
        double most = 0;
        for (double[] place : LineDistance.dense(curve)) {
            most = Math.max(most, Math.abs(Math.hypot(place[0] - 500, place[1] - 500) - radius));
        }
        assertThat(most).isLessThan(1.5);
    }

    /** A filter that lags would draw them smaller, and one that is run both ways smaller still. */
    @ParameterizedTest
    @CsvSource({"25, 1500, 200", "25, 1500, 60", "25, 150, 200", "8, 300, 200", "4, 150, 200", "60, 3000, 125"})
    void aCircleStaysAsLargeAsItWasDrawn(double radius, double speed, double hertz) {
        assertThat(1 - meanRadius(radius, speed, hertz, 0.5) / radius).isBetween(-0.01, 0.02);
        assertThat(radius - meanRadius(radius, speed, hertz, 0)).isBetween(-0.3, 0.3);
    }

    @Test
    void aTrembleIsNoRowOfCorners() {
        List<PenSample> samples = new ArrayList<>();
        for (int i = 0; i < 200; i++) {
            samples.add(new PenSample(100 + i, 50 + 2 * Math.sin(2 * Math.PI * 10 * i / 100), 0.5, i / 100.0));
        }
        assertThat(Kinks.sharpest(inked(samples, 0.5, 1))).isLessThan(Math.toRadians(20));
    }

    private static double meanRadius(double radius, double speed, double hertz, double steadiness) {
        double[][] dense = LineDistance.dense(inked(circle(radius, speed, hertz), steadiness, 1));
        double sum = 0;
        for (double[] place : dense) {
            sum += Math.hypot(place[0] - 500, place[1] - 500);
        }
        return sum / dense.length;
    }

    /** Two rounds about (500, 500). */
    private static List<PenSample> circle(double radius, double speed, double hertz) {
        List<PenSample> samples = new ArrayList<>();
        for (int i = 0; i * speed / hertz <= 4 * Math.PI * radius; i++) {
            double angle = i * speed / hertz / radius;
            samples.add(new PenSample(500 + radius * Math.cos(angle), 500 + radius * Math.sin(angle), 0.5, i / hertz));
        }
        return samples;
    }

    private static Drawn anyDrawn(Shape shape, double noise, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double hertz = new double[] {60, 125, 200}[random.nextInt(3)];
        double zoom = random.nextBoolean() ? 1 : random.nextDouble(1, 4);
        return EvenHand.of(shape, hertz, 40 * Math.pow(60, random.nextDouble()), noise, zoom, seed);
    }

    private static Curve kept(Drawn drawn, double steadiness) {
        return inked(drawn.samples(), steadiness, drawn.zoom());
    }

    private static Curve inked(List<PenSample> samples, double steadiness, double zoom) {
        Ink ink = new Ink("c", steadiness, zoom);
        samples.forEach(ink::add);
        return ink.finish().curve();
    }
}
