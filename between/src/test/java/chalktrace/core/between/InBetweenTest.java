package chalktrace.core.between;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.fill.Contours;
import chalktrace.core.fill.Fill;
import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.testing.Strokes;
import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

class InBetweenTest {

    /** A figure of short bent strokes about (300, 200). */
    private static List<Stroke> figure(Random random, int count) {
        List<Stroke> strokes = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            double x = 200 + 200 * random.nextDouble();
            double y = 100 + 200 * random.nextDouble();
            double angle = 2 * Math.PI * random.nextDouble();
            double length = 20 + 60 * random.nextDouble();
            double bend = 20 * random.nextGaussian();
            double dx = Math.cos(angle) * length / 3;
            double dy = Math.sin(angle) * length / 3;
            strokes.add(new Stroke(
                    "chalk-1",
                    Curve.of(
                            x,
                            y,
                            0.5,
                            x + dx - dy * bend / length,
                            y + dy + dx * bend / length,
                            0.6,
                            x + 2 * dx - dy * bend / length,
                            y + 2 * dy + dx * bend / length,
                            0.7,
                            x + 3 * dx,
                            y + 3 * dy,
                            0.5)));
        }
        return strokes;
    }

    private static Stroke moved(Stroke stroke, AffineTransform by) {
        return stroke.withCurve(stroke.curve().transformed(by));
    }

    @Test
    void atTheEndsItIsTheKeysThemselves() {
        List<Stroke> a = figure(new Random(1), 12);
        List<Stroke> b = a.stream()
                .map(s -> moved(s, AffineTransform.getRotateInstance(0.4, 100, 50)))
                .toList();
        InBetween between = InBetween.of(a, b);
        assertThat(between.at(0).strokes()).isEqualTo(a);
        assertThat(between.at(1).strokes()).isEqualTo(b);
    }

    @Test
    void whatTurnsKeepsItsLengthsAndStaysOnItsCircleWhereAStraightBlendWouldNot() {
        double x = 300;
        double y = 400;
        // An arm: three strokes that turn together by 90 degrees about (300, 400).
        List<Stroke> a = List.of(
                Strokes.line(300, 300, 300, 200), Strokes.line(290, 300, 290, 210), Strokes.line(285, 200, 315, 200));
        List<Stroke> b = a.stream()
                .map(s -> moved(s, AffineTransform.getRotateInstance(Math.PI / 2, x, y)))
                .toList();
        InBetween between = InBetween.of(a, b);
        double worstStraight = 0;
        for (double t = 0.1; t < 1; t += 0.1) {
            List<Stroke> draft = between.at(t).strokes();
            assertThat(draft).hasSize(3);
            for (int i = 0; i < 3; i++) {
                Polyline key = Polyline.of(a.get(i).curve(), 32);
                Polyline other = Polyline.of(b.get(i).curve(), 32);
                Polyline line = Polyline.of(draft.get(i).curve(), 32);
                assertThat(line.length()).isCloseTo(key.length(), within(0.01 * key.length()));
                for (int p = 0; p < 32; p++) {
                    double radius = Math.hypot(key.x()[p] - x, key.y()[p] - y);
                    assertThat(Math.hypot(line.x()[p] - x, line.y()[p] - y)).isCloseTo(radius, within(0.01 * radius));
                    double straight = Math.hypot(
                            (1 - t) * key.x()[p] + t * other.x()[p] - x, (1 - t) * key.y()[p] + t * other.y()[p] - y);
                    worstStraight = Math.max(worstStraight, Math.abs(straight - radius) / radius);
                }
            }
        }
        // Half way along the chord of a right angle a point is at cos 45 degrees of the radius: 29 % short.
        assertThat(worstStraight).isCloseTo(1 - Math.cos(Math.PI / 4), within(0.01));
    }

    @Test
    void aBentLimbKeepsItsLengthOnTheWay() {
        // A forearm turns by 80 degrees about the elbow of an upper arm that stays.
        List<Stroke> a = List.of(Strokes.line(100, 100, 100, 200), Strokes.line(100, 200, 100, 300));
        List<Stroke> b =
                List.of(a.get(0), moved(a.get(1), AffineTransform.getRotateInstance(-Math.toRadians(80), 100, 200)));
        for (double t = 0.25; t < 1; t += 0.25) {
            for (Stroke stroke : InBetween.of(a, b).at(t).strokes()) {
                assertThat(Polyline.of(stroke.curve(), 32).length()).isCloseTo(100, within(1.5));
            }
        }
    }

    @Test
    void shuffledStrokesFindTheirPartnersAfterKnownMovements() {
        int right = 0;
        int all = 0;
        Random random = new Random(7);
        for (int round = 0; round < 24; round++) {
            List<Stroke> a = figure(random, 40);
            AffineTransform move = AffineTransform.getTranslateInstance(
                    200 * random.nextDouble() - 100, 120 * random.nextDouble() - 60);
            move.rotate(Math.toRadians(80 * random.nextDouble() - 40), 300, 200);
            double scale = 0.8 + 0.45 * random.nextDouble();
            move.scale(scale, scale);
            List<Integer> order = shuffled(a.size(), random);
            List<Stroke> b = new ArrayList<>();
            order.forEach(i -> b.add(moved(a.get(i), move)));
            for (StrokeMatching.Pair pair : StrokeMatching.match(a, b).pairs()) {
                right += order.get(pair.with()) == pair.of() ? 1 : 0;
            }
            all += a.size();
        }
        assertThat(right / (double) all).isGreaterThanOrEqualTo(0.95);
    }

    @Test
    void aTenthOfStrokesAddedOrMissingLeavesTheOthersTheirPartners() {
        int right = 0;
        int all = 0;
        Random random = new Random(11);
        for (int round = 0; round < 24; round++) {
            List<Stroke> a = figure(random, 40);
            AffineTransform move =
                    AffineTransform.getTranslateInstance(60 * random.nextDouble(), 40 * random.nextDouble());
            move.rotate(Math.toRadians(50 * random.nextDouble() - 25), 300, 200);
            List<Integer> order = shuffled(a.size(), random);
            // Four fall out, four others come in.
            List<Stroke> b = new ArrayList<>();
            order.subList(0, 36).forEach(i -> b.add(moved(a.get(i), move)));
            b.addAll(figure(random, 4));
            for (StrokeMatching.Pair pair : StrokeMatching.match(a, b).pairs()) {
                right += pair.with() < 36 && order.get(pair.with()) == pair.of() ? 1 : 0;
            }
            all += 36;
        }
        assertThat(right / (double) all).isGreaterThanOrEqualTo(0.90);
    }

    @Test
    void strokesWithoutAPartnerAreSaidAndAPairMadeByHandStays() {
        List<Stroke> a = List.of(Strokes.line(0, 0, 100, 0), Strokes.line(0, 50, 100, 50));
        List<Stroke> b =
                List.of(Strokes.line(0, 0, 100, 0), Strokes.line(0, 50, 100, 50), Strokes.line(600, 600, 610, 640));
        StrokeMatching.Matched matched = StrokeMatching.match(a, b);
        assertThat(matched.added()).containsExactly(2);
        assertThat(matched.leftOver()).isEmpty();
        StrokeMatching.Matched crossed = StrokeMatching.match(a, b, Map.of(0, 1, 1, 0));
        assertThat(crossed.pairs()).extracting(p -> p.of() + "-" + p.with()).containsExactlyInAnyOrder("0-1", "1-0");
        assertThat(InBetween.of(a, List.of()).at(0.5).strokes())
                .as("the first's up to half way")
                .hasSize(2);
        assertThat(InBetween.of(a, List.of()).at(0.51).strokes()).isEmpty();
        assertThat(InBetween.of(a, List.of()).at(0.5).leftOver()).isEqualTo(a);
    }

    @Test
    void aStrokeDrawnTheOtherWayRoundDoesNotTurnOver() {
        List<Stroke> a = List.of(Strokes.line(0, 0, 100, 0), Strokes.line(0, 40, 90, 60));
        List<Stroke> b = a.stream().map(s -> s.withCurve(s.curve().reversed())).toList();
        for (Stroke stroke : InBetween.of(a, b).at(0.5).strokes()) {
            assertThat(Polyline.of(stroke.curve(), 16).length()).isGreaterThan(90);
        }
    }

    @Test
    void anArcLeadsTheWhole() {
        List<Stroke> a = List.of(Strokes.line(0, 0, 100, 0));
        List<Stroke> b = List.of(Strokes.line(200, 0, 300, 0));
        Polyline led = Polyline.of(
                InBetween.of(a, b)
                        .at(0.5, Optional.of(new Point2D.Double(150, -60)))
                        .strokes()
                        .get(0)
                        .curve(),
                16);
        assertThat(led.middleX()).isCloseTo(150, within(0.5));
        assertThat(led.middleY()).isCloseTo(-60, within(0.5));
    }

    @Test
    void chartsHaveTheirTicksWhereHandBooksHaveThem() {
        // Common practice: one in-between on halves, two on thirds; slow out halves towards the first key, slow in the
        // other way.
        assertThat(TimingChart.of(TimingChart.Spacing.EVEN, 1).ticks()).containsExactly(0.5);
        assertThat(TimingChart.of(TimingChart.Spacing.EVEN, 2).ticks().get(0)).isCloseTo(1 / 3.0, within(1e-12));
        assertThat(TimingChart.of(TimingChart.Spacing.SLOW_OUT, 3).ticks()).containsExactly(0.125, 0.25, 0.5);
        assertThat(TimingChart.of(TimingChart.Spacing.SLOW_IN, 3).ticks()).containsExactly(0.5, 0.75, 0.875);
        assertThat(TimingChart.of(TimingChart.Spacing.EVEN, 0).ticks()).isEmpty();
        assertThatIllegalArgumentException().isThrownBy(() -> new TimingChart(List.of(0.5, 0.4)));
    }

    private static List<Integer> shuffled(int count, Random random) {
        List<Integer> order = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            order.add(i);
        }
        Collections.shuffle(order, random);
        return order;
    }

    /** A line that is drawn in two pieces in the second drawing is one line on the way, in both halves of it. */
    @Test
    void piecesThatWereJoinedAreNotDrawnOnceMore() {
        List<Stroke> whole = List.of(Strokes.line(0, 0, 200, 0), Strokes.line(0, 60, 200, 60));
        List<Stroke> pieces =
                List.of(Strokes.line(0, 20, 110, 20), Strokes.line(110, 20, 200, 20), Strokes.line(0, 80, 200, 80));
        InBetween between = InBetween.of(whole, pieces);
        assertThat(between.at(0.25).strokes()).hasSize(2);
        assertThat(between.at(0.75).strokes()).hasSize(2);
        assertThat(between.at(0.75).alone()).isEmpty();
    }

    @Test
    void paintTurnsWithTheLineThatItLiesBeside() {
        List<Stroke> lying = List.of(Strokes.line(0, 0, 100, 0));
        List<Stroke> standing = List.of(Strokes.line(0, 0, 0, 100));
        Fill above = new Fill("c", Contours.of(List.of(new double[] {40, -20, 60, -20, 60, -10, 40, -10})));
        double[] ring = InBetween.of(lying, standing)
                .at(0.5)
                .carried()
                .paint(above)
                .area()
                .ring(0);
        // The edge that stood upright on the line has turned with it by half of a right angle.
        assertThat(Math.toDegrees(Math.atan2(ring[5] - ring[3], ring[4] - ring[2])))
                .isCloseTo(135, within(3.0));
    }
}
