package chalktrace.core.edit.selection;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import org.junit.jupiter.api.Test;

class PickGripTest {

    private static final Point2D MIDDLE = new Point2D.Double(100, 50);
    private static final PickGrip GRIP = new PickGrip(MIDDLE, new Point2D.Double(140, 80));

    private static void assertTakes(AffineTransform change, double x, double y) {
        Point2D held = change.transform(GRIP.from(), null);
        assertThat(held.getX()).isCloseTo(x, within(1e-9));
        assertThat(held.getY()).isCloseTo(y, within(1e-9));
    }

    @Test
    void aCornerThatIsDraggedAlongItsRayStaysUnderThePointerAndTheMiddleStays() {
        AffineTransform scale = GRIP.scaledTo(new Point2D.Double(180, 110));
        assertTakes(scale, 180, 110);
        assertThat(scale.transform(MIDDLE, null)).isEqualTo(MIDDLE);
    }

    @Test
    void aSideStretchesOneWayOnlyAndTurnsOverBeyondTheMiddle() {
        assertTakes(GRIP.stretchedTo(new Point2D.Double(120, 999), true), 120, 80);
        assertTakes(GRIP.stretchedTo(new Point2D.Double(80, 80), true), 80, 80);
        assertTakes(GRIP.stretchedTo(new Point2D.Double(999, 65), false), 140, 65);
        // Pressed flat it keeps a hundredth, so that it can be pulled apart again.
        assertTakes(GRIP.stretchedTo(new Point2D.Double(100, 80), true), 100.4, 80);
    }

    @Test
    void aQuarterTurnGoesAboutTheMiddleAndStepsAreFifteenDegrees() {
        assertTakes(GRIP.turnedTo(new Point2D.Double(70, 90), false), 70, 90);
        AffineTransform stepped = GRIP.turnedTo(new Point2D.Double(69, 88), true);
        assertTakes(stepped, 70, 90);
    }

    @Test
    void aMoveTakesAllAlongAsFarAsThePointerGoes() {
        AffineTransform move = GRIP.movedTo(new Point2D.Double(150, 60));
        assertTakes(move, 150, 60);
        assertThat(move.transform(MIDDLE, null)).isEqualTo(new Point2D.Double(110, 30));
    }

    @Test
    void aSkewUpAndDownMovesWhatIsBesideTheMiddleAndNothingAboveIt() {
        AffineTransform skew = GRIP.skewedTo(new Point2D.Double(140, 100), false);
        assertTakes(skew, 140, 100);
        assertThat(skew.transform(new Point2D.Double(60, 50), null)).isEqualTo(new Point2D.Double(60, 30));
        assertThat(skew.transform(new Point2D.Double(100, 0), null)).isEqualTo(new Point2D.Double(100, 0));
        PickGrip level = new PickGrip(MIDDLE, new Point2D.Double(140, 50));
        assertThat(level.skewedTo(new Point2D.Double(170, 50), true).isIdentity())
                .isTrue();
    }

    @Test
    void aSkewMovesTheHeldSideAndTheOtherOneBack() {
        AffineTransform skew = GRIP.skewedTo(new Point2D.Double(155, 80), true);
        assertTakes(skew, 155, 80);
        assertThat(skew.transform(new Point2D.Double(100, 20), null)).isEqualTo(new Point2D.Double(85, 20));
    }
}
