package chalktrace.core.between;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.stroke.Stroke;
import chalktrace.core.stroke.StrokeSelection;
import chalktrace.core.testing.Strokes;
import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

class SmearAndDragTest {

    /** A square of 40 with its upper left corner at a place. */
    private static List<Stroke> square(double x, double y) {
        return List.of(
                Strokes.line(x, y, x + 40, y),
                Strokes.line(x + 40, y, x + 40, y + 40),
                Strokes.line(x + 40, y + 40, x, y + 40),
                Strokes.line(x, y + 40, x, y));
    }

    private static Rectangle2D bounds(List<Stroke> strokes) {
        return strokes.stream()
                .map(StrokeSelection::bounds)
                .reduce(Rectangle2D::createUnion)
                .orElseThrow();
    }

    @Test
    void aSmearReachesFromTheEarlierPoseToTheLaterOne() {
        Rectangle2D whole = bounds(Smear.of(square(0, 0), square(200, 0), 1));
        assertThat(whole.getMinX()).as("the trailing edge is the earlier pose").isCloseTo(0, within(2.0));
        assertThat(whole.getMaxX()).as("the leading edge is the later pose").isCloseTo(240, within(2.0));
        assertThat(whole.getHeight()).isCloseTo(40, within(1.0));
        Rectangle2D none = bounds(Smear.of(square(0, 0), square(200, 0), 0));
        assertThat(none.getWidth()).isCloseTo(40, within(1.0));
        assertThat(none.getCenterX()).isCloseTo(120, within(1.0));
    }

    @Test
    void squashAndStretchKeepTheAreaUnlessTheyMayNot() {
        Rectangle2D box = new Rectangle2D.Double(10, 20, 60, 40);
        AffineTransform kept = SquashAndStretch.along(box, 30, 1.8, true, SquashAndStretch.Stays.MIDDLE);
        assertThat(kept.getDeterminant()).isCloseTo(1, within(1e-9));
        AffineTransform grown = SquashAndStretch.along(box, 30, 1.8, false, SquashAndStretch.Stays.MIDDLE);
        assertThat(grown.getDeterminant()).isCloseTo(1.8, within(1e-9));
        Point2D middle = kept.transform(new Point2D.Double(40, 40), null);
        assertThat(middle.distance(40, 40)).isLessThan(1e-9);
        AffineTransform back = SquashAndStretch.along(box, 30, 1 / 1.8, true, SquashAndStretch.Stays.MIDDLE);
        back.concatenate(kept);
        Point2D corner = back.transform(new Point2D.Double(10, 20), null);
        assertThat(corner.distance(10, 20)).isLessThan(1e-9);
        Point2D trailing = SquashAndStretch.along(box, 0, 2, true, SquashAndStretch.Stays.TRAILING)
                .transform(new Point2D.Double(10, 40), null);
        assertThat(trailing.distance(10, 40)).isLessThan(1e-9);
        assertThatIllegalArgumentException()
                .isThrownBy(() -> SquashAndStretch.along(box, 0, 0, true, SquashAndStretch.Stays.MIDDLE));
    }

    @Test
    void aLoosePartComesLaterGoesOnBeyondAndComesToRest() {
        double[] root = new double[80];
        for (int f = 0; f < root.length; f++) {
            root[f] = f < 10 ? 0 : f < 30 ? 10.0 * (f - 10) : 200;
        }
        double[] tip = DragFollow.follow(root, 4, 0.6, 1);
        // A steady move of 10 px a frame is followed about 4 frames behind.
        assertThat(root[26] - tip[26]).isCloseTo(40, within(12.0));
        double farthest = Arrays.stream(tip).max().orElseThrow();
        assertThat(farthest).as("it overshoots").isGreaterThan(203);
        assertThat(tip[79]).as("and rests").isCloseTo(200, within(1.0));
        double[] calm = DragFollow.follow(root, 4, 0, 1);
        assertThat(Arrays.stream(calm).max().orElseThrow())
                .as("none without overshoot")
                .isLessThan(200.5);
        assertThat(DragFollow.follow(root, 4, 0.6, 0)[20]).as("the root itself").isCloseTo(root[20], within(0.1));
    }

    @Test
    void aFollowerWithoutALagIsItsRootAndAnyLagAgreesWithFineSteps() {
        double[] root = {0, 4, 9, 9, 20, 31, 31, 31, 12};
        assertThat(DragFollow.follow(root, 5, 0.6, 0)).containsExactly(root);
        for (double overshoot : new double[] {0, 0.4, 1}) {
            double[] exact = DragFollow.follow(root, 3, overshoot, 0.7);
            double[] fine = inFineSteps(root, 2.1, 1 - 0.75 * overshoot);
            for (int f = 0; f < root.length; f++) {
                assertThat(exact[f]).isCloseTo(fine[f], within(0.01));
            }
        }
    }

    /** The damped oscillator by many small steps of Euler's method, for comparison. */
    private static double[] inFineSteps(double[] root, double lag, double damping) {
        double frequency = 2 * damping / lag;
        double[] out = root.clone();
        double place = root[0];
        double speed = 0;
        int steps = 200_000;
        for (int f = 1; f < root.length; f++) {
            for (int i = 0; i < steps; i++) {
                double target = root[f - 1] + (root[f] - root[f - 1]) * (i + 0.5) / steps;
                speed += (frequency * frequency * (target - place) - 2 * damping * frequency * speed) / steps;
                place += speed / steps;
            }
            out[f] = place;
        }
        return out;
    }

    @Test
    void chosenFeaturesOfASmearAreDoubledOrMerged() {
        InBetween between = InBetween.of(square(0, 0), square(200, 0));
        List<Stroke> doubled = Smear.of(between, 1, Set.of(0, 1), Smear.Features.DOUBLED);
        assertThat(doubled).hasSize(6);
        List<Stroke> merged = Smear.of(between, 1, Set.of(0, 1), Smear.Features.MERGED);
        assertThat(merged).hasSize(3);
        Rectangle2D mass = StrokeSelection.bounds(merged.get(2));
        assertThat(mass.getMinX()).isCloseTo(0, within(1.0));
        assertThat(mass.getMaxX()).isCloseTo(240, within(1.0));
    }

    /** A hand's swing bulges beyond the straight line between its ends. */
    @Test
    void aMassCoversWhatItsFeaturesPassOverOnABentWay() {
        List<Stroke> down = List.of(Strokes.line(0, 0, 100, 0), Strokes.line(0, 0, 0, -30));
        List<Stroke> up = List.of(Strokes.line(0, 0, 0, 100), Strokes.line(0, 0, 30, 0));
        Stroke mass = Smear.of(InBetween.of(down, up), 1, Set.of(0), Smear.Features.MERGED).stream()
                .filter(stroke -> StrokeSelection.bounds(stroke).getWidth() > 80
                        && StrokeSelection.bounds(stroke).getHeight() > 80)
                .findFirst()
                .orElseThrow();
        double farthest = 0;
        for (double place = 0; place <= mass.curve().segments(); place += 0.05) {
            farthest =
                    Math.max(farthest, mass.curve().at(place, 0) + mass.curve().at(place, 1));
        }
        // Half way the end of a line of 100 that turns by a right angle is at (71, 71); its ends' chord only at a sum
        // of 100.
        assertThat(farthest).isGreaterThan(125);
    }
}
