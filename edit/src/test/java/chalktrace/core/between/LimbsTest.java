package chalktrace.core.between;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.edit.drawing.BetweenEdits;
import chalktrace.core.fill.Contours;
import chalktrace.core.fill.Fill;
import chalktrace.core.shot.Drawing;
import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.testing.Figures;
import chalktrace.core.testing.Figures.Build;
import chalktrace.core.testing.Figures.Poses;
import chalktrace.core.testing.LineDistance;
import chalktrace.core.testing.Strokes;
import java.awt.geom.AffineTransform;
import java.awt.geom.Line2D;
import java.util.List;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** In-betweens keep the limbs: figures whose strokes are known one by one, each limb turned by its own angle. */
class LimbsTest {

    private record Score(double right, double wrong) {}

    private static Score score(Poses poses) {
        StrokeMatching.Matched matched = StrokeMatching.match(poses.first(), poses.second());
        long kept = 0;
        for (int i = 0; i < poses.first().size(); i++) {
            kept += poses.isKept(i) ? 1 : 0;
        }
        long right = matched.pairs().stream()
                .filter(pair -> poses.truth().get(pair.with()) == pair.of()
                        && pair.span().more().stream()
                                .allMatch(more -> poses.truth().get(more) == pair.of()))
                .count();
        return new Score(right / (double) kept, (matched.pairs().size() - right) / (double) kept);
    }

    @ParameterizedTest
    @CsvSource({"10, 1.0", "20, 1.0", "30, 0.99", "45, 0.99", "60, 0.98", "90, 0.97"})
    void oneLimbThatTurnsKeepsItsStrokes(double degrees, double least) {
        double right = 0;
        int figures = 0;
        for (Build build : Build.values()) {
            for (int seed = 0; seed < 6; seed++) {
                right += score(Figures.oneLimb(build, seed, degrees)).right();
                figures++;
            }
        }
        assertThat(right / figures).isGreaterThanOrEqualTo(least);
    }

    /**
     * Shuffled, reversed, split in two, a twentieth removed and as many new. Over so many figures the share that is wrong varies by a quarter of a
     * hundredth, so that the bounds are five times that away.
     */
    @Test
    void wholeFiguresFindTheirStrokes() {
        long seed = System.nanoTime();
        System.out.println("whole figures from seed " + seed);
        int ofEach = 32;
        double right = 0;
        double wrong = 0;
        for (Build build : Build.values()) {
            double rightOfBuild = 0;
            for (int i = 0; i < ofEach; i++) {
                Score score = score(Figures.wholePose(build, seed + i, 60, 0.1));
                rightOfBuild += score.right();
                wrong += score.wrong();
            }
            assertThat(rightOfBuild / ofEach).as("%s from seed %d", build, seed).isGreaterThan(0.86);
            right += rightOfBuild;
        }
        int figures = ofEach * Build.values().length;
        assertThat(right / figures).as("from seed %d", seed).isGreaterThanOrEqualTo(0.96);
        assertThat(wrong / figures).as("from seed %d", seed).isLessThan(0.03);
    }

    @Property(tries = 30, edgeCases = EdgeCasesMode.NONE)
    void aDrawingWithItselfIsStill(@ForAll Build build, @ForAll long seed) {
        List<Stroke> figure = Figures.wholePose(build, seed, 0, 0).first();
        List<Stroke> draft = InBetween.of(figure, figure).at(0.4).strokes();
        for (int i = 0; i < figure.size(); i++) {
            assertThat(LineDistance.farthest(
                            LineDistance.dense(draft.get(i).curve()),
                            LineDistance.dense(figure.get(i).curve())))
                    .isLessThan(0.1);
        }
    }

    @Property(tries = 60, edgeCases = EdgeCasesMode.NONE)
    void limbsKeepTheirLengthsAndNothingFolds(@ForAll Build build, @ForAll long seed) {
        Poses poses = Figures.wholePose(build, seed, 60, 0);
        InBetween between = InBetween.of(poses.first(), poses.second());
        double sum = 0;
        int counted = 0;
        for (double share : new double[] {0.25, 0.5, 0.75}) {
            List<Stroke> draft = between.paired(share);
            for (int i = 0; i < draft.size(); i++) {
                StrokeMatching.Pair pair = between.matched().pairs().get(i);
                Curve a = poses.first().get(pair.of()).curve();
                Curve b = poses.second().get(pair.with()).curve();
                Curve drawn = draft.get(i).curve();
                for (double value : drawn.toArray()) {
                    assertThat(value).isFinite();
                }
                assertThat(crossings(drawn)).isLessThanOrEqualTo(Math.max(crossings(a), crossings(b)));
                if (poses.truth().get(pair.with()) == pair.of() && length(a) > 20) {
                    double wanted = (1 - share) * length(a) + share * length(b);
                    sum += Math.abs(length(drawn) - wanted) / wanted;
                    counted++;
                }
            }
        }
        assertThat(sum / counted).isLessThan(0.01);
    }

    @Test
    void endsThatMeetInBothKeysMeetOnTheWay() {
        // An arm of two pieces and a hand, bent at the shoulder by 70 degrees and at the elbow by 50 more.
        List<Stroke> first = List.of(
                Strokes.line(100, 100, 100, 200), Strokes.line(100, 200, 100, 300), Strokes.line(100, 300, 130, 310));
        AffineTransform shoulder = AffineTransform.getRotateInstance(Math.toRadians(-70), 100, 100);
        AffineTransform elbow = new AffineTransform(shoulder);
        elbow.rotate(Math.toRadians(-50), 100, 200);
        List<Stroke> second = List.of(
                first.get(0).withCurve(first.get(0).curve().transformed(shoulder)),
                first.get(1).withCurve(first.get(1).curve().transformed(elbow)),
                first.get(2).withCurve(first.get(2).curve().transformed(elbow)));
        for (double share = 0.1; share < 1; share += 0.1) {
            List<Stroke> draft = InBetween.of(first, second).at(share).strokes();
            for (int i = 0; i < 2; i++) {
                Curve a = draft.get(i).curve();
                Curve b = draft.get(i + 1).curve();
                assertThat(Math.hypot(a.x(a.points() - 1) - b.x(0), a.y(a.points() - 1) - b.y(0)))
                        .isLessThan(0.5);
            }
        }
    }

    @Test
    void aStrokeWithoutAPartnerGoesAlongWithWhatItLiesOn() {
        List<Stroke> arm = List.of(Strokes.line(100, 100, 100, 220), Strokes.line(120, 100, 120, 220));
        Stroke button = Strokes.line(104, 210, 112, 214);
        AffineTransform turn = AffineTransform.getRotateInstance(Math.toRadians(80), 110, 100);
        List<Stroke> second = arm.stream()
                .map(stroke -> stroke.withCurve(stroke.curve().transformed(turn)))
                .toList();
        InBetween between = InBetween.of(List.of(arm.get(0), arm.get(1), button), second);
        assertThat(between.at(0.4).leftOver()).containsExactly(button);
        assertThat(between.at(0.4).strokes()).containsAll(between.at(0.4).alone());
        assertThat(between.at(0.4).alone()).hasSize(1);
        assertThat(between.at(0.6).alone()).isEmpty();
        assertThat(between.at(0.6).strokes()).hasSize(2);
        Stroke carried = between.at(0.4).strokes().get(2);
        AffineTransform part = AffineTransform.getRotateInstance(Math.toRadians(32), 110, 100);
        Curve wanted = button.curve().transformed(part);
        assertThat(carried.curve().x(0)).isCloseTo(wanted.x(0), within(3.0));
        assertThat(carried.curve().y(0)).isCloseTo(wanted.y(0), within(3.0));
    }

    @Test
    void paintFollowsTheLinesThatBoundItWithItsHoles() {
        List<Stroke> square = List.of(
                Strokes.line(0, 0, 100, 0),
                Strokes.line(100, 0, 100, 100),
                Strokes.line(100, 100, 0, 100),
                Strokes.line(0, 100, 0, 0));
        AffineTransform turn = AffineTransform.getRotateInstance(Math.toRadians(30), 50, 50);
        List<Stroke> turned = square.stream()
                .map(stroke -> stroke.withCurve(stroke.curve().transformed(turn)))
                .toList();
        Fill paint = new Fill("p", Contours.of(List.of(new double[] {2, 2, 98, 2, 98, 98, 2, 98}, new double[] {
            40, 40, 40, 60, 60, 60, 60, 40
        })));
        Drawing first = new Drawing(1, square, List.of(paint));
        Drawing second = new Drawing(2, turned, List.of());
        Drawing draft =
                BetweenEdits.draft(first, second, InBetween.of(square, turned).at(0.4));
        Contours area = draft.fills().get(0).area();
        assertThat(area.rings()).isEqualTo(2);
        assertThat(area.area())
                .isCloseTo(paint.area().area(), within(0.02 * paint.area().area()));
        assertThat(area.contains(50, 50)).as("the hole").isFalse();
        AffineTransform part = AffineTransform.getRotateInstance(Math.toRadians(12), 50, 50);
        Contours wanted = paint.area().transformed(part);
        assertThat(area.ring(0)[0]).isCloseTo(wanted.ring(0)[0], within(1.5));
        assertThat(area.ring(0)[1]).isCloseTo(wanted.ring(0)[1], within(1.5));
    }

    private static double length(Curve curve) {
        double[][] places = LineDistance.dense(curve);
        double sum = 0;
        for (int i = 1; i < places.length; i++) {
            sum += Math.hypot(places[i][0] - places[i - 1][0], places[i][1] - places[i - 1][1]);
        }
        return sum;
    }

    /** How often a curve crosses itself. */
    private static int crossings(Curve curve) {
        Polyline line = Polyline.of(curve, 120);
        int count = 0;
        for (int i = 0; i + 1 < 120; i++) {
            for (int k = i + 2; k + 1 < 120; k++) {
                boolean closes = i == 0 && k == 118;
                if (!closes
                        && Line2D.linesIntersect(
                                line.x()[i],
                                line.y()[i],
                                line.x()[i + 1],
                                line.y()[i + 1],
                                line.x()[k],
                                line.y()[k],
                                line.x()[k + 1],
                                line.y()[k + 1])) {
                    count++;
                }
            }
        }
        return count;
    }
}
