package chalktrace.core.shot;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.geom.Point2D;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;

class PlacementGripTest {

    private static final Point2D MIDDLE = new Point2D.Double(100, 50);

    /** Moved 20 to the right, so that its middle lies at (120, 50). */
    private static final Placement START = new Placement(20, 0, 2, 10, 0.5);

    @Test
    void itMovesAsFarAsItIsDragged() {
        Placement moved = grip(7, 9).movedTo(new Point2D.Double(10, 5));
        assertThat(moved).isEqualTo(new Placement(23, -4, 2, 10, 0.5));
    }

    @Test
    void itIsScaledAboutItsOwnMiddleWhereverThatWasMoved() {
        assertThat(grip(130, 50).scaledTo(new Point2D.Double(145, 50)).scale()).isEqualTo(5);
        assertThat(grip(130, 50).scaledTo(new Point2D.Double(120, 50)).scale()).isEqualTo(0.01);
        assertThat(grip(120, 50).scaledTo(new Point2D.Double(145, 50)).scale()).isEqualTo(2);
    }

    @Test
    void aQuarterRoundClockwiseAddsNinetyDegreesAndStepsAreFifteen() {
        assertThat(grip(130, 50).turnedTo(new Point2D.Double(120, 60), false).degrees())
                .isCloseTo(100, within(1e-9));
        assertThat(grip(130, 50).turnedTo(new Point2D.Double(120, 60), true).degrees())
                .isEqualTo(105);
        assertThat(grip(130, 50).turnedTo(new Point2D.Double(110, 51), false).degrees())
                .isBetween(-180.0, 180.0);
    }

    @Property
    void whatLiesAsideIsScaledAndTurnedAboutItself(
            @ForAll @DoubleRange(min = -200, max = 200) double x,
            @ForAll @DoubleRange(min = -200, max = 200) double y) {
        Point2D aside = new Point2D.Double(30, 80);
        PlacementGrip grip = new PlacementGrip(START, MIDDLE, aside, new Point2D.Double(7, 9));
        Point2D held = on(START, aside);
        for (Placement dragged :
                List.of(grip.scaledTo(new Point2D.Double(x, y)), grip.turnedTo(new Point2D.Double(x, y), false))) {
            assertThat(on(dragged, aside).distance(held)).isLessThan(1e-6);
            assertThat(dragged.opacity()).isEqualTo(0.5);
        }
    }

    @Property
    void placedAndPutBackIsWhereItWas(
            @ForAll @DoubleRange(min = -900, max = 900) double x,
            @ForAll @DoubleRange(min = 0.1, max = 10) double scale,
            @ForAll @DoubleRange(min = -360, max = 360) double degrees) {
        Placement placed = new Placement(x, 11, scale, degrees, 1);
        Point2D point = new Point2D.Double(31, -7);
        assertThat(on(placed.inverse(), on(placed, point)).distance(point)).isLessThan(1e-6);
        assertThat(on(placed.then(placed.inverse()), point).distance(point)).isLessThan(1e-6);
    }

    private static Point2D on(Placement placement, Point2D point) {
        return placement.transform(MIDDLE.getX(), MIDDLE.getY()).transform(point, null);
    }

    private static PlacementGrip grip(double x, double y) {
        return new PlacementGrip(START, MIDDLE, new Point2D.Double(x, y));
    }
}
