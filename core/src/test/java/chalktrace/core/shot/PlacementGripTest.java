package chalktrace.core.shot;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.geom.Point2D;
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

    private static PlacementGrip grip(double x, double y) {
        return new PlacementGrip(START, MIDDLE, new Point2D.Double(x, y));
    }
}
