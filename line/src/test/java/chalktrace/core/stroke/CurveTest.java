package chalktrace.core.stroke;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.testing.Strokes;
import java.awt.geom.AffineTransform;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LineString;

class CurveTest {

    @Test
    void numbersAreKeptToAThousandthAndEqualCurvesAreEqual() {
        Curve curve = Curve.of(1.00049, -0.0, 0.5);
        assertThat(curve.x(0)).isEqualTo(1.0);
        assertThat(curve).isEqualTo(Curve.of(1, 0, 0.5)).hasSameHashCodeAs(Curve.of(1, 0, 0.5));
        assertThat(curve).isNotEqualTo(Curve.of(1, 0, 0.501));
    }

    @Test
    void whatIsNoWholeSegmentIsRefused() {
        assertThatIllegalArgumentException().isThrownBy(() -> Curve.of());
        assertThatIllegalArgumentException().isThrownBy(() -> Curve.of(1, 2));
        assertThatIllegalArgumentException().isThrownBy(() -> Curve.of(0, 0, 1, 1, 1, 1));
        assertThatIllegalArgumentException().isThrownBy(() -> Curve.of(0, Double.NaN, 1));
    }

    @Test
    void aMoveAndItsInverseBringACurveBack() throws Exception {
        AffineTransform there = AffineTransform.getTranslateInstance(31, -17);
        there.rotate(Math.toRadians(33), 160, 90);
        there.scale(1.7, 1.7);
        Curve line = Strokes.line(10, 20, 200, 140).curve();
        Curve back = line.transformed(there).transformed(there.createInverse());
        for (int p = 0; p < line.points(); p++) {
            assertThat(back.x(p)).isCloseTo(line.x(p), within(0.002));
            assertThat(back.y(p)).isCloseTo(line.y(p), within(0.002));
            assertThat(back.pressure(p)).isEqualTo(line.pressure(p));
        }
    }

    @Test
    void theDistanceToAStrokeIsThatOfJtsLessTheInk() {
        Curve bend = Curve.of(0, 0, 1, 60, -40, 1, 100, 80, 1, 30, 60, 1);
        Coordinate[] middle = new Coordinate[501];
        for (int i = 0; i <= 500; i++) {
            middle[i] = new Coordinate(bend.at(0, i / 500.0, 0), bend.at(0, i / 500.0, 1));
        }
        GeometryFactory geometry = new GeometryFactory();
        LineString line = geometry.createLineString(middle);
        SplittableRandom random = new SplittableRandom(8);
        for (int i = 0; i < 100; i++) {
            Coordinate place = new Coordinate(random.nextDouble(-50, 150), random.nextDouble(-60, 120));
            // JTS 1.20 as the reference implementation.
            double expected = line.distance(geometry.createPoint(place))
                    - LineShape.round(8).radius(1);
            assertThat(StrokeHit.distance(new Stroke("chalk-1", bend), LineShape.round(8), place.x, place.y))
                    .isCloseTo(expected, within(0.3));
        }
    }
}
