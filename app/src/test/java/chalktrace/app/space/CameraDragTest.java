package chalktrace.app.space;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.space.Camera;
import chalktrace.core.space.Lens;
import chalktrace.core.space.Light;
import chalktrace.core.space.Orbit;
import chalktrace.core.space.Point3;
import org.junit.jupiter.api.Test;

class CameraDragTest {

    private static final PictureSize SIZE = new PictureSize(1280, 720);
    private static final Orbit FROM = new Orbit(20, 10, 0, 5, new Point3(0.5, 1, 0), new Lens(35));

    /** What lay under the pointer goes along with it. */
    @Test
    void aPanTakesWhatIsLookedAtAlongWithThePointer() {
        Orbit panned = CameraDrag.PAN.moved(FROM, 120, -70, SIZE);
        Camera.Projected now = Camera.of(panned, 1280, 720).project(FROM.target());
        assertThat(now.x()).isCloseTo(640 + 120, within(0.01));
        assertThat(now.y()).isCloseTo(360 - 70, within(0.01));
    }

    @Test
    void aDragToTheRightTurnsTheModelToTheRight() {
        Point3 front = FROM.target().plus(FROM.eye().minus(FROM.target()).unit());
        Orbit turned = CameraDrag.ORBIT.moved(FROM, 60, 0, SIZE);
        assertThat(Camera.of(turned, 1280, 720).project(front).x()).isGreaterThan(660);
    }

    @Test
    void upComesNearerAndNothingGoesThroughTheModel() {
        assertThat(CameraDrag.DOLLY.moved(FROM, 0, -100, SIZE).distance()).isLessThan(5);
        assertThat(CameraDrag.DOLLY.moved(FROM, 0, -100_000, SIZE).distance()).isPositive();
    }

    @Test
    void theCameraStopsBelowTheTopAndTheLightAboveTheFloor() {
        assertThat(CameraDrag.ORBIT.moved(FROM, 0, 5000, SIZE).pitch()).isEqualTo(Orbit.STEEPEST);
        assertThat(CameraDrag.LIGHT.moved(Light.USUAL, 0, 5000, SIZE).pitch()).isEqualTo(1);
    }

    /** Standing on a row: the floor under what is looked at is seen there. */
    @Test
    void aModelIsStoodOnTheDrawnFloorLine() {
        Orbit standing = FROM.standing(0, 600, 1280, 720);
        Camera.Projected floor = Camera.of(standing, 1280, 720).project(new Point3(0.5, 0, 0));
        assertThat(floor.y()).isCloseTo(600, within(0.5));
        assertThat(standing.pitch()).isEqualTo(FROM.pitch());
    }
}
