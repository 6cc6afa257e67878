package chalktrace.core.space;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.joml.Matrix4d;
import org.joml.Vector4d;
import org.junit.jupiter.api.Test;

class CameraTest {

    /** Field of view on a 36 mm wide frame: 2 atan(18 / focal length), geometry. */
    @Test
    void aLensOf50MillimetresSees39Point6Degrees() {
        assertThat(new Lens(50).degreesWide()).isCloseTo(39.6, within(0.05));
        assertThat(new Lens(18).degreesWide()).isCloseTo(90, within(1e-9));
    }

    @Test
    void aLensOfNoLengthIsRefused() {
        assertThatIllegalArgumentException().isThrownBy(() -> new Lens(0));
        assertThatIllegalArgumentException().isThrownBy(() -> new Lens(Double.NaN));
    }

    /** With a lens of 18 mm the picture is as wide as twice the distance: worked out by hand. */
    @Test
    void aPointAtTheEdgeOfTheFieldLiesAtTheEdgeOfThePicture() {
        Camera camera = Camera.of(new Orbit(0, 0, 0, 10, Point3.ZERO, new Lens(18)), 200, 100);
        Camera.Projected edge = camera.project(new Point3(10, 0, 0));
        assertThat(edge.x()).isCloseTo(200, within(1e-9));
        assertThat(edge.y()).isCloseTo(50, within(1e-9));
        assertThat(edge.depth()).isCloseTo(10, within(1e-9));
        assertThat(camera.project(new Point3(0, 5, 0)).y()).isCloseTo(0, within(1e-9));
    }

    @Test
    void fromTheLeftOfTheModelItsFrontIsToTheLeft() {
        Camera camera = Camera.of(new Orbit(90, 0, 0, 10, Point3.ZERO, new Lens(50)), 200, 100);
        assertThat(camera.eye().x()).isCloseTo(10, within(1e-9));
        assertThat(camera.project(new Point3(0, 0, 1)).x()).isLessThan(100);
    }

    @Test
    void aCameraThatIsTiltedClockwiseSeesTheWorldTiltTheOtherWay() {
        Camera camera = Camera.of(new Orbit(0, 0, 10, 10, Point3.ZERO, new Lens(50)), 200, 100);
        Camera.Projected above = camera.project(Point3.UP);
        assertThat(above.x()).isLessThan(100);
        assertThat(above.y()).isLessThan(50);
    }

    /** JOML 1.10 as an independent implementation: its look-at and perspective matrices. */
    @Property(tries = 300)
    void pointsLieWhereJomlProjectsThem(
            @ForAll @DoubleRange(min = -360, max = 360) double yaw,
            @ForAll @DoubleRange(min = -85, max = 85) double pitch,
            @ForAll @DoubleRange(min = 12, max = 300) double lens,
            @ForAll @DoubleRange(min = -3, max = 3) double x,
            @ForAll @DoubleRange(min = -3, max = 3) double y,
            @ForAll @DoubleRange(min = -3, max = 3) double z) {
        Orbit orbit = new Orbit(yaw, pitch, 0, 8, new Point3(0.3, -0.2, 0.1), new Lens(lens));
        Camera.Projected ours = Camera.of(orbit, 1280, 720).project(new Point3(x, y, z));

        Point3 eye = orbit.eye();
        double high = 2 * Math.atan(18 / lens * 720 / 1280);
        Vector4d clip = new Matrix4d()
                .perspective(high, 1280.0 / 720, 0.01, 100)
                .lookAt(eye.x(), eye.y(), eye.z(), 0.3, -0.2, 0.1, 0, 1, 0)
                .transform(new Vector4d(x, y, z, 1));
        assertThat(ours.depth()).isCloseTo(clip.w, within(1e-6));
        assertThat(ours.x()).isCloseTo((clip.x / clip.w + 1) * 640, within(1e-4));
        assertThat(ours.y()).isCloseTo((1 - clip.y / clip.w) * 360, within(1e-4));
    }

    @Property(tries = 100)
    void theViewOfAPlacedCameraIsFoundAgain(
            @ForAll @DoubleRange(min = -179, max = 179) double yaw,
            @ForAll @DoubleRange(min = -80, max = 80) double pitch,
            @ForAll @DoubleRange(min = -170, max = 170) double roll) {
        Orbit orbit = new Orbit(yaw, pitch, roll, 5, new Point3(1, 2, 3), new Lens(35));
        Camera camera = Camera.of(orbit, 100, 100);
        Matrix4 place = Matrix4.of(
                camera.right().x(),
                camera.right().y(),
                camera.right().z(),
                0,
                camera.up().x(),
                camera.up().y(),
                camera.up().z(),
                0,
                camera.back().x(),
                camera.back().y(),
                camera.back().z(),
                0,
                camera.eye().x(),
                camera.eye().y(),
                camera.eye().z(),
                1);
        Orbit found = Orbit.of(place, new Lens(35), 5);
        assertThat(found.yaw()).isCloseTo(yaw, within(1e-6));
        assertThat(found.pitch()).isCloseTo(pitch, within(1e-6));
        assertThat(found.roll()).isCloseTo(roll, within(1e-6));
        assertThat(found.target().minus(orbit.target()).length()).isLessThan(1e-6);
    }

    /** Lines along a direction meet in its vanishing point: one far along them lies there. */
    @Property(tries = 100)
    void farAlongADirectionLiesItsVanishingPoint(
            @ForAll @DoubleRange(min = 10, max = 80) double yaw,
            @ForAll @DoubleRange(min = -60, max = 60) double pitch) {
        Camera camera = Camera.of(new Orbit(yaw, pitch, 0, 5, Point3.ZERO, new Lens(35)), 1280, 720);
        Camera.Projected meets = camera.vanishing(new Point3(0, 0, -1));
        Camera.Projected far = camera.project(new Point3(0.5, 1, -1e9));
        assertThat(meets.x()).isCloseTo(far.x(), within(1e-3));
        assertThat(meets.y()).isCloseTo(far.y(), within(1e-3));
    }

    @Property(tries = 200)
    void allOfAModelIsInAViewRoundIt(
            @ForAll @DoubleRange(min = -180, max = 180) double yaw,
            @ForAll @DoubleRange(min = -80, max = 80) double pitch,
            @ForAll @DoubleRange(min = 10, max = 200) double lens,
            @ForAll @DoubleRange(min = 0.4, max = 2.5) double aspect) {
        Bounds bounds = new Bounds(new Point3(-1, 0, -0.5), new Point3(2, 3, 0.5));
        int height = 1000;
        int width = (int) (height * aspect);
        Camera camera =
                Camera.of(Orbit.round(bounds, yaw, pitch, new Lens(lens), (double) width / height), width, height);
        for (int i = 0; i < 8; i++) {
            Camera.Projected corner = camera.project(bounds.corner(i));
            assertThat(corner.x()).isBetween(0.0, (double) width);
            assertThat(corner.y()).isBetween(0.0, (double) height);
        }
    }
}
