package chalktrace.core.stroke;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.testing.Shots;
import java.awt.Shape;
import java.awt.geom.Area;
import java.awt.geom.PathIterator;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;

class StrokeOutlineTest {

    private static final double WIDTH = 10;
    private static final double RADIUS = LineShape.round(WIDTH).radius(1);

    @Test
    void aStraightLineCoversARectangleAndTwoHalfDiscs() {
        Shape outline = StrokeOutline.of(Shots.line(0, 0, 100, 0).curve(), LineShape.round(WIDTH), 4);
        double expected = 100 * 2 * RADIUS + Math.PI * RADIUS * RADIUS;
        assertThat(area(outline)).isCloseTo(expected, within(expected * 0.005));
    }

    @Test
    void aDotIsADisc() {
        Shape outline = StrokeOutline.of(Curve.of(50, 50, 1), LineShape.round(WIDTH), 4);
        assertThat(area(outline)).isCloseTo(Math.PI * RADIUS * RADIUS, within(1.0));
        assertThat(outline.contains(50, 50)).isTrue();
    }

    @Test
    void aBentLineCoversWhatJtsBuffers() {
        Curve bend = Curve.of(0, 0, 1, 60, -40, 1, 100, 80, 1, 30, 60, 1);
        Coordinate[] middle = new Coordinate[201];
        for (int i = 0; i <= 200; i++) {
            middle[i] = new Coordinate(bend.at(0, i / 200.0, 0), bend.at(0, i / 200.0, 1));
        }
        // JTS 1.20 as the reference implementation.
        double expected = new GeometryFactory()
                .createLineString(middle)
                .buffer(RADIUS, 32)
                .getArea();
        assertThat(area(StrokeOutline.of(bend, LineShape.round(WIDTH), 4)))
                .isCloseTo(expected, within(expected * 0.01));
    }

    @Test
    void lightPressureMakesAThinnerLine() {
        Curve light = Curve.of(0, 0, 0.2, 30, 0, 0.2, 60, 0, 0.2, 90, 0, 0.2);
        Curve hard = Curve.of(0, 0, 1, 30, 0, 1, 60, 0, 1, 90, 0, 1);
        assertThat(area(StrokeOutline.of(light, LineShape.round(WIDTH), 2)))
                .isLessThan(area(StrokeOutline.of(hard, LineShape.round(WIDTH), 2)) / 2);
    }

    @Test
    void aLineThatCrossesItselfHasNoHoleAtTheCrossing() {
        Curve loop = Curve.of(0, 50, 1, 140, 20, 1, -40, 20, 1, 100, 50, 1);
        Shape outline = StrokeOutline.of(loop, LineShape.round(WIDTH), 4);
        for (int i = 0; i <= 100; i++) {
            assertThat(outline.contains(loop.at(0, i / 100.0, 0), loop.at(0, i / 100.0, 1)))
                    .isTrue();
        }
    }

    /** The covered area, overlaps counted once, by the shoelace formula. */
    private static double area(Shape shape) {
        double sum = 0;
        double[] at = new double[6];
        double startX = 0;
        double startY = 0;
        double x = 0;
        double y = 0;
        for (PathIterator path = new Area(shape).getPathIterator(null, 0.01); !path.isDone(); path.next()) {
            switch (path.currentSegment(at)) {
                case PathIterator.SEG_MOVETO -> {
                    startX = at[0];
                    startY = at[1];
                    x = startX;
                    y = startY;
                }
                case PathIterator.SEG_LINETO -> {
                    sum += x * at[1] - at[0] * y;
                    x = at[0];
                    y = at[1];
                }
                default -> {
                    sum += x * startY - startX * y;
                    x = startX;
                    y = startY;
                }
            }
        }
        return Math.abs(sum) / 2;
    }
}
