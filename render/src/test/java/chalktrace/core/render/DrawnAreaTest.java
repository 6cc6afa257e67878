package chalktrace.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.fill.Contours;
import chalktrace.core.fill.Fill;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Placement;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.testing.Strokes;
import java.awt.geom.AffineTransform;
import java.util.List;
import org.junit.jupiter.api.Test;

class DrawnAreaTest {

    /** A circle as one line. */
    private static Stroke ball(double x, double y, double radius) {
        return Stroke.ellipse("chalk-1", x, y, radius, radius, 0, 1);
    }

    private static double area(Stroke... strokes) {
        return DrawnArea.of(new Drawing(1, List.of(strokes))).orElseThrow();
    }

    /** The area of a circle and of an ellipse, by their formulas. */
    @Test
    void aBallThatIsSquashedByHalfAndStretchedByTwoKeepsItsArea() {
        double rest = Math.PI * 50 * 50;
        assertThat(area(ball(100, 100, 50))).isCloseTo(rest, within(0.002 * rest));
        Stroke squashed =
                ball(0, 0, 50).withCurve(ball(0, 0, 50).curve().transformed(AffineTransform.getScaleInstance(2, 0.5)));
        assertThat(area(squashed)).isCloseTo(rest, within(0.002 * rest));
        Stroke flat =
                ball(0, 0, 50).withCurve(ball(0, 0, 50).curve().transformed(AffineTransform.getScaleInstance(1, 0.5)));
        assertThat(area(flat)).isCloseTo(rest / 2, within(0.002 * rest));
    }

    @Test
    void whatLiesInsideCountsOnceAndOpenLinesDoNot() {
        double rest = area(ball(100, 100, 50));
        assertThat(area(ball(100, 100, 50), ball(100, 100, 20), Strokes.line(0, 0, 300, 300)))
                .isCloseTo(rest, within(1e-6));
        assertThat(DrawnArea.of(new Drawing(1, List.of(Strokes.line(0, 0, 300, 300)))))
                .isEmpty();
        Fill ring = new Fill("chalk-1", Contours.of(List.of(new double[] {0, 0, 40, 0, 40, 40, 0, 40}, new double[] {
            10, 10, 10, 30, 30, 30, 30, 10
        })));
        assertThat(DrawnArea.of(new Drawing(1, List.of(), List.of(ring))).orElseThrow())
                .isCloseTo(1600 - 400, within(1e-6));
    }

    @Test
    void aShowingAtTwiceTheSizeHasFourTimesTheArea() {
        Level level = Level.empty("level-1", "ball")
                .with(new Drawing(1, List.of(ball(100, 100, 30))))
                .with(Exposures.of(
                        Exposure.of(0, 2, 1),
                        new Exposure(2, 2, 1, Placement.AS_IS.withScale(2)),
                        Exposure.of(4, 2, 0)));
        assertThat(DrawnArea.on(level, 3).orElseThrow() / DrawnArea.on(level, 0).orElseThrow())
                .isCloseTo(4, within(1e-9));
        assertThat(DrawnArea.on(level, 4)).isEmpty();
        assertThat(DrawnArea.on(level, 9)).isEmpty();
    }
}
