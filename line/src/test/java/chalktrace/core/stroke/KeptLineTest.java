package chalktrace.core.stroke;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.guide.Guide;
import chalktrace.core.testing.LineDistance;
import chalktrace.core.testing.PenStreams;
import chalktrace.core.testing.PenStreams.Kind;
import chalktrace.core.testing.PlainSchneider;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;

/** The kept line is the drawn line: for streams of every kind, everywhere and not at the samples only. */
class KeptLineTest {

    /** The promised tolerance and what measuring in steps adds. */
    private static final double MOST_PX = 0.65;

    @Property(tries = 1600, seed = "1990", edgeCases = EdgeCasesMode.NONE)
    void theKeptLineLiesByTheSteadiedOneEverywhere(@ForAll Kind kind, @ForAll long seed) {
        Ink ink = drawn(PenStreams.of(kind, seed).samples(), 1);
        assertThat(LineDistance.hausdorff(ink.finish().curve(), ink.samples())).isLessThanOrEqualTo(MOST_PX);
    }

    /** jqwik prints the seed of each run. */
    @Property(tries = 800, edgeCases = EdgeCasesMode.NONE)
    void soItDoesForStreamsThatNobodyHasSeen(@ForAll Kind kind, @ForAll long seed) {
        theKeptLineLiesByTheSteadiedOneEverywhere(kind, seed);
    }

    @Property(tries = 200, edgeCases = EdgeCasesMode.NONE)
    void whatIsDrawnEnlargedIsKeptAsMuchFiner(@ForAll Kind kind, @ForAll long seed) {
        List<PenSample> quarter = PenStreams.of(kind, seed).samples().stream()
                .map(s -> new PenSample(s.x() / 4, s.y() / 4, s.pressure(), s.seconds()))
                .toList();
        Ink ink = drawn(quarter, 4);
        assertThat(LineDistance.hausdorff(ink.finish().curve(), ink.samples())).isLessThanOrEqualTo(MOST_PX / 4 + 0.08);
    }

    @Property(tries = 150, edgeCases = EdgeCasesMode.NONE)
    void theKeptPressureIsTheSteadiedPressure(@ForAll long seed) {
        Ink ink = drawn(PenStreams.of(Kind.SMOOTH_TABLET, seed).samples(), 1);
        Curve curve = ink.finish().curve();
        for (int p = 0; p < curve.points(); p++) {
            assertThat(curve.pressure(p)).isBetween(0.0, 1.0);
        }
        if (curve.segments() > 0) {
            // A hundredth, and what the measure adds where a line turns back on itself.
            assertThat(pressureError(curve, ink.samples())).isLessThan(0.06);
        }
    }

    /** Of a fast hand pressure is felt in few places, between which a cubic could swing far out. */
    @Test
    void pressureDoesNotSwingOutWhereItWasFeltTwice() {
        theKeptPressureIsTheSteadiedPressure(-5234285072764597140L);
    }

    @Property(tries = 200, edgeCases = EdgeCasesMode.NONE)
    void noHandleIsLongerThanTheLineAndNoLoopAppears(@ForAll long seed) {
        // A hand that zigzags without ever crossing its line, with rows 14 px apart.
        List<PenSample> samples = new ArrayList<>();
        for (int i = 0; i < 400; i++) {
            double across = 120 * Math.asin(Math.sin(i * (0.05 + (seed & 15) * 0.01))) / Math.PI * 2;
            samples.add(new PenSample(500 + across, 100 + i * 0.9, 0.5, i * 0.008));
        }
        Ink ink = drawn(samples, 1);
        Curve curve = ink.finish().curve();
        Coordinate[] places = Arrays.stream(LineDistance.dense(curve))
                .map(place -> new Coordinate(place[0], place[1]))
                .toArray(Coordinate[]::new);
        // JTS as the judge of what crosses itself.
        assertThat(new GeometryFactory().createLineString(places).isSimple()).isTrue();
    }

    @Test
    void aSpikeDoesNotGrowFromSamplesNearlyInALine() {
        List<PenSample> samples = line(0.2, -0.1, 20.1, 0.1, 40.1, -0.9, 60, 0.5);
        Curve curve = SchneiderFit.fit(samples, Ink.FIT_TOLERANCE_PX);
        for (int p = 0; p < curve.points(); p++) {
            assertThat(curve.x(p)).isBetween(-1.0, 61.0);
            assertThat(curve.y(p)).isBetween(-3.0, 3.0);
        }
        assertThat(LineDistance.hausdorff(curve, samples)).isLessThanOrEqualTo(MOST_PX);
    }

    @Test
    void aRightAngleStaysOne() {
        Ink ink = drawn(line(0, 0, 180, 0, 180, 140), 1);
        Curve curve = ink.finish().curve();
        assertThat(curve.segments()).isEqualTo(2);
        assertThat(curve.x(3)).isEqualTo(180);
        assertThat(curve.y(3)).isZero();
        assertThat(LineDistance.hausdorff(curve, line(0, 0, 180, 0, 180, 140))).isLessThan(0.05);
    }

    @Property(tries = 3, edgeCases = EdgeCasesMode.NONE)
    void aCornerThatAPenPassedStaysWhereItWas(@ForAll long seed) {
        int corners = 0;
        int kept = 0;
        for (int i = 0; i < 150; i++) {
            PenStreams.Drawn drawn = PenStreams.of(Kind.CORNERED_TABLET, seed + i);
            double[][] dense =
                    LineDistance.dense(drawn(drawn.samples(), 1).finish().curve());
            for (double[] corner : drawn.corners()) {
                for (PenSample sample : drawn.samples()) {
                    if (Math.hypot(sample.x() - corner[0], sample.y() - corner[1]) < 0.5) {
                        corners++;
                        kept += LineDistance.farthest(new double[][] {{sample.x(), sample.y()}}, dense) <= 1 ? 1 : 0;
                        break;
                    }
                }
            }
        }
        assertThat(kept / (double) corners).isGreaterThanOrEqualTo(0.97);
    }

    @Property(tries = 300, edgeCases = EdgeCasesMode.NONE)
    void theLineDoesNotJumpWhenThePenIsLifted(@ForAll Kind kind, @ForAll long seed) {
        Ink ink = drawn(PenStreams.of(kind, seed).samples(), 1);
        List<PenSample> seen = Arrays.stream(LineDistance.dense(ink.soFar().curve()))
                .map(place -> new PenSample(place[0], place[1], 0, 0))
                .toList();
        assertThat(LineDistance.hausdorff(ink.finish().curve(), seen)).isLessThanOrEqualTo(1);
    }

    @Property(tries = 200, edgeCases = EdgeCasesMode.NONE)
    void aSampleChangesTheLineOnlyWhereItSays(@ForAll Kind kind, @ForAll long seed) {
        Ink ink = new Ink("c");
        PenStream stream = new PenStream();
        Curve before = Curve.of(0, 0, 0);
        for (PenSample sample :
                PenStreams.of(kind, seed).samples().stream().limit(300).toList()) {
            stream.take(sample).ifPresent(ink::add);
            Curve now = ink.soFar().curve();
            Rectangle2D box = ink.changed().orElseThrow();
            int same = Arrays.mismatch(before.toArray(), now.toArray()) / 9;
            for (Curve line : List.of(before, now)) {
                for (double place = Math.max(0, same); now.segments() > 1 && place <= line.segments(); place += 0.25) {
                    assertThat(line.at(place, 0)).isBetween(box.getMinX() - 1e-9, box.getMaxX() + 1e-9);
                    assertThat(line.at(place, 1)).isBetween(box.getMinY() - 1e-9, box.getMaxY() + 1e-9);
                }
            }
            before = now;
        }
    }

    @Test
    void smoothStrokesNeedNoMoreSegmentsThanThePublishedMethod() {
        int ours = 0;
        int plain = 0;
        for (int seed = 0; seed < 200; seed++) {
            List<PenSample> even = drawn(PenStreams.of(Kind.SMOOTH_TABLET, seed).samples(), 1).samples().stream()
                    .map(s -> new PenSample(s.x(), s.y(), 0.5, s.seconds()))
                    .toList();
            ours += SchneiderFit.fit(even, Ink.FIT_TOLERANCE_PX).segments();
            plain += PlainSchneider.fit(even, Ink.FIT_TOLERANCE_PX).segments();
        }
        assertThat(ours).isLessThanOrEqualTo(plain);
    }

    @Test
    void aLongLineAlongAGuideKeepsItsPressures() {
        Guide level = new Guide("g", Guide.Kind.LINE, List.of(new Guide.Spot(0, 100), new Guide.Spot(900, 100)));
        GuidedInk ink = new GuidedInk(new Ink("c", 0.5, 1), List.of(level), 8);
        for (int i = 0; i <= 400; i++) {
            ink.add(new PenSample(20 + 2 * i, 101, 0.5 + 0.4 * Math.sin(i / 40.0), i * 0.005));
        }
        Curve curve = ink.finish().curve();
        double least = 1;
        double most = 0;
        for (double place = 0; place <= curve.segments(); place += 0.05) {
            least = Math.min(least, curve.at(place, 2));
            most = Math.max(most, curve.at(place, 2));
        }
        assertThat(least).isCloseTo(0.1, within(0.05));
        assertThat(most).isCloseTo(0.9, within(0.05));
    }

    @Test
    void aPenThatPressesHarderWithoutMovingLeavesADotAsHeavy() {
        Ink ink = new Ink("c");
        for (int i = 0; i < 60; i++) {
            ink.add(new PenSample(40, 50, Math.min(0.8, i / 30.0), i * 0.005));
        }
        Curve dot = ink.finish().curve();
        assertThat(dot.segments()).isZero();
        assertThat(dot.pressure(0)).isCloseTo(0.8, within(0.02));
    }

    private static Ink drawn(List<PenSample> samples, double zoom) {
        Ink ink = new Ink("c", Ink.USUAL_STEADINESS, zoom);
        PenStream stream = new PenStream();
        samples.forEach(sample -> stream.take(sample).ifPresent(ink::add));
        return ink;
    }

    private static List<PenSample> line(double... places) {
        List<PenSample> out = new ArrayList<>();
        for (int i = 0; i < places.length; i += 2) {
            out.add(new PenSample(places[i], places[i + 1], 0.5, i * 0.005));
        }
        return out;
    }

    /** How far the pressure of the curve is from that of the samples, going along both in order. */
    private static double pressureError(Curve curve, List<PenSample> samples) {
        List<double[]> places = new ArrayList<>();
        int steps = 2_000 * curve.segments();
        for (int i = 0; i <= steps; i++) {
            double at = i / 2_000.0;
            double[] place = {curve.at(at, 0), curve.at(at, 1), curve.at(at, 2)};
            double[] last = places.isEmpty() ? place : places.get(places.size() - 1);
            if (i == 0
                    || i == steps
                    || Math.hypot(place[0] - last[0], place[1] - last[1]) > 0.1
                    || Math.abs(place[2] - last[2]) > 0.004) {
                places.add(place);
            }
        }
        double most = 0;
        int here = 0;
        for (PenSample sample : samples) {
            double best = 1;
            double closest = Double.MAX_VALUE;
            int nearest = here;
            // Samples are up to 13 px apart, and the line does not come back upon itself within as much again.
            for (int i = Math.max(0, here - 40); i < Math.min(places.size(), here + 300); i++) {
                double[] place = places.get(i);
                double away = Math.hypot(place[0] - sample.x(), place[1] - sample.y());
                if (away < 1.2) {
                    best = Math.min(best, Math.abs(place[2] - sample.pressure()));
                }
                if (away < closest) {
                    closest = away;
                    nearest = i;
                }
            }
            here = nearest;
            most = Math.max(most, closest < 1.2 ? best : 0);
        }
        return most;
    }
}
