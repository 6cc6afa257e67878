package chalktrace.core.guide;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.guide.Guide.Kind;
import chalktrace.core.guide.Guide.Spot;
import java.awt.geom.Point2D;
import java.util.List;
import org.junit.jupiter.api.Test;

class RailTest {

    private static final Guide LINE = new Guide("g1", Kind.LINE, List.of(new Spot(0, 0), new Spot(30, 40)));
    private static final Guide FLOOR = new Guide("g2", Kind.FLOOR, List.of(new Spot(10, 200)));

    @Test
    void aPlaceNearALineComesOntoItAtARightAngle() {
        Point2D place = Rail.at(List.of(LINE), 3, 4 + 5, 8).orElseThrow().nearest(50 - 8, 0 + 6);
        // (42, 6) on the direction (0.6, 0.8): 42 x 0.6 + 6 x 0.8 = 30 along it.
        assertThat(place).isEqualTo(new Point2D.Double(18, 24));
    }

    @Test
    void theNearestGuideWithinReachIsTakenAndNoneBeyondIt() {
        assertThat(Rail.at(List.of(LINE, FLOOR), 300, 195, 8).orElseThrow().nearest(77, 12))
                .isEqualTo(new Point2D.Double(77, 200));
        assertThat(Rail.at(List.of(LINE, FLOOR), 300, 100, 8)).isEmpty();
    }

    @Test
    void aPlaceOnATurnedEllipseFulfilsItsEquationAndIsTheClosest() {
        Guide guide = new Guide("g", Kind.ELLIPSE, List.of(new Spot(100, 50), new Spot(130, 90), new Spot(100, 70)));
        EllipseRail ellipse = new EllipseRail(guide);
        assertThat(ellipse.radiusX()).isEqualTo(50);
        assertThat(ellipse.radiusY()).isEqualTo(20);

        Point2D place = ellipse.nearest(180, 40);

        double dx = place.getX() - 100;
        double dy = place.getY() - 50;
        double u = (0.6 * dx + 0.8 * dy) / 50;
        double v = (-0.8 * dx + 0.6 * dy) / 20;
        assertThat(u * u + v * v).isCloseTo(1, within(1e-9));
        double closest = place.distance(180, 40);
        for (int i = 0; i < 1000; i++) {
            assertThat(ellipse.at(2 * Math.PI * i / 1000).distance(180, 40)).isGreaterThanOrEqualTo(closest - 1e-6);
        }
    }

    @Test
    void inPerspectiveAStrokeRunsToThePointThatItAimsAtOrUpright() {
        Guide two = new Guide("g", Kind.TWO_POINTS, List.of(new Spot(0, 100), new Spot(1000, 100)));
        List<Guide> guides = List.of(two);

        Point2D toRight = Rail.towards(guides, 500, 600, 9, -8).orElseThrow().nearest(700, 300);
        assertThat((toRight.getY() - 600) / (toRight.getX() - 500)).isCloseTo(-1, within(1e-9));
        Point2D upright = Rail.towards(guides, 500, 600, 1, -12).orElseThrow().nearest(520, 300);
        assertThat(upright).isEqualTo(new Point2D.Double(500, 300));
        assertThat(Rail.towards(List.of(LINE, FLOOR), 500, 600, 1, 1)).isEmpty();
    }

    @Test
    void movingAnEllipsesMiddleMovesAllOfIt() {
        Guide guide = Guide.usual("g", Kind.ELLIPSE, 1000, 500);
        Guide moved = guide.withPoint(0, 510, 240);
        assertThat(moved.point(1))
                .isEqualTo(new Spot(guide.point(1).x() + 10, guide.point(1).y() - 10));
        assertThat(guide.withPoint(1, 600, 260).point(0)).isEqualTo(guide.point(0));
    }

    @Test
    void aGuideHasAsManyPointsAsItsKindNeedsAndNoneOfNonsense() {
        assertThatIllegalArgumentException().isThrownBy(() -> new Guide("g", Kind.LINE, List.of(new Spot(0, 0))));
        assertThatIllegalArgumentException().isThrownBy(() -> new Spot(Double.NaN, 0));
        assertThatIllegalArgumentException().isThrownBy(() -> new Spot(0, 1e9));
    }
}
