package chalktrace.core.space;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class ProjectionTest {

    /** 200 by 100 px, as wide as twice the distance. */
    private final Camera camera = Camera.of(new Orbit(0, 0, 0, 10, Point3.ZERO, new Lens(18)), 200, 100);

    private final Projection projection =
            new Projection(camera, new Bounds(new Point3(-1, -1, -1), new Point3(1, 1, 1)));

    /** Each end of a line that runs into the picture is as near as it is, by a little nearer: that is what it is seen before. */
    @Test
    void bothEndsOfALineHaveTheirOwnDepthALittleNearer() {
        ScreenTriangles into = new ScreenTriangles();
        projection.line(new Point3(0, 0, -2), new Point3(4, 0, -8), 2, 0.5, 7, into);
        assertThat(into.count()).isEqualTo(2);
        for (int corner = 0; corner < 6; corner++) {
            double x = into.corners()[3 * corner];
            double nearness = into.corners()[3 * corner + 2];
            // The middle of the picture is at 100 px; a place 4 to the right at a depth of 8 is half way to its edge.
            boolean atStart = x < 125;
            assertThat(x).isCloseTo(atStart ? 100 : 150, within(2.0));
            assertThat(nearness).isCloseTo(atStart ? 1 / 1.5 : 1 / 7.5, within(1e-5));
        }
        assertThat(into.id(0)).isEqualTo(7);
    }

    @Test
    void ofALineThatComesFromBehindTheCameraTheSeenPartIsLeft() {
        ScreenTriangles into = new ScreenTriangles();
        projection.line(new Point3(0, 0, 5), new Point3(0, 0, 3), 2, 0, 1, into);
        assertThat(into.count()).isZero();
        projection.line(new Point3(1, 0, 5), new Point3(1, 0, -10), 2, 0, 1, into);
        assertThat(into.count()).isEqualTo(2);
        for (int corner = 0; corner < 6; corner++) {
            assertThat(into.corners()[3 * corner + 2]).isPositive();
        }
    }
}
