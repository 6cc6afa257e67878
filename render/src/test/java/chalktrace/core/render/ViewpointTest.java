package chalktrace.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.awt.geom.Point2D;
import org.junit.jupiter.api.Test;

class ViewpointTest {

    private static final Viewpoint VIEW = new Viewpoint(1.5, 20, 40, -30, 800, 600);

    @Test
    void zoomingKeepsThePlaceUnderThePointer() {
        Point2D under = VIEW.toShot(300, 200);
        Viewpoint zoomed = VIEW.zoomed(2.7, 300, 200);
        assertThat(zoomed.scale()).isCloseTo(1.5 * 2.7, within(1e-9));
        assertThat(zoomed.toShot(300, 200).distance(under)).isCloseTo(0, within(1e-9));
    }

    @Test
    void thereAndBackIsTheSamePlace() {
        Point2D device = VIEW.toDevice().transform(new Point2D.Double(123, 45), null);
        assertThat(VIEW.toShot(device.getX(), device.getY()).distance(123, 45)).isCloseTo(0, within(1e-9));
    }

    @Test
    void movingAndResizingChangeNothingElse() {
        Viewpoint moved = VIEW.moved(10, 5).resized(100, 90);
        assertThat(moved).isEqualTo(new Viewpoint(1.5, 20, 50, -25, 100, 90));
    }

    @Test
    void aViewWithoutScaleIsNone() {
        assertThatIllegalArgumentException().isThrownBy(() -> new Viewpoint(0, 0, 0, 0, 1, 1));
        assertThatIllegalArgumentException().isThrownBy(() -> new Viewpoint(1, Double.NaN, 0, 0, 1, 1));
    }

    @Test
    void turningAboutAPlaceKeepsItAndTurningOverTwiceIsNothing() {
        var place = VIEW.toShot(300, 200);
        Viewpoint turned = VIEW.turned(35, 300, 200);
        assertThat(turned.degrees()).isEqualTo(55);
        assertThat(turned.toShot(300, 200).distance(place)).isLessThan(1e-9);
        assertThat(VIEW.turned(-200, 0, 0).degrees()).isEqualTo(180 - 360);
        var mirrored = VIEW.turnedOver();
        assertThat(mirrored.toShot(800 - 300, 200).distance(place)).isLessThan(1e-9);
        assertThat(mirrored.turnedOver()).isEqualTo(VIEW);
    }
}
