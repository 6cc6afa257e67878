package chalktrace.core.stroke;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import org.junit.jupiter.api.Test;

class WarpTest {

    private static final Rectangle2D BOX = new Rectangle2D.Double(10, 20, 100, 60);
    private static final Curve BEND = Curve.of(15, 25, 1, 40, 90, 0.5, 80, 10, 0.5, 105, 70, 0.3);

    @Test
    void aGridAtRestChangesNothing() {
        Curve bent = GridWarp.atRest(BOX, 4, 3).bend(BEND);
        for (double t = 0; t <= 1; t += 0.1) {
            assertThat(bent.at(4 * t, 0)).isCloseTo(BEND.at(t, 0), within(0.01));
            assertThat(bent.at(4 * t, 1)).isCloseTo(BEND.at(t, 1), within(0.01));
            assertThat(bent.at(4 * t, 2)).isCloseTo(BEND.at(t, 2), within(0.01));
        }
    }

    @Test
    void aCornerThatIsDraggedTakesItsCornerAlongAndLeavesTheOthers() {
        GridWarp corners = GridWarp.atRest(BOX, 2, 2).with(1, 1, 150, 100);
        assertThat(corners.at(110, 80)).isEqualTo(new Point2D.Double(150, 100));
        assertThat(corners.at(10, 20)).isEqualTo(new Point2D.Double(10, 20));
        assertThat(corners.at(110, 20)).isEqualTo(new Point2D.Double(110, 20));
        // Half way on both sides a quarter of the drag is felt.
        assertThat(corners.at(60, 50)).isEqualTo(new Point2D.Double(70, 55));
    }

    @Test
    void aBentStrokeLiesWhereItsPlacesGo() {
        GridWarp bow = GridWarp.atRest(BOX, 3, 2).with(1, 0, 60, -20).with(1, 1, 60, 40);
        Curve bent = bow.bend(BEND);
        for (double t = 0; t <= 1; t += 0.05) {
            Point2D place = bow.at(BEND.at(t, 0), BEND.at(t, 1));
            assertThat(place.distance(bent.at(4 * t, 0), bent.at(4 * t, 1))).isLessThan(0.3);
        }
    }
}
