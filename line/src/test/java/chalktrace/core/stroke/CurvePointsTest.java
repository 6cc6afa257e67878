package chalktrace.core.stroke;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class CurvePointsTest {

    private static final Curve BEND =
            Curve.of(0, 0, 0.2, 10, 20, 0.4, 30, 20, 0.6, 40, 0, 0.8, 50, -20, 1, 70, -20, 0.5, 80, 0, 0.1);

    @Test
    void aPointMovesWithItsHandles() {
        Curve moved = CurvePoints.moved(BEND, 1, 43, 4);
        assertThat(moved.x(2)).isEqualTo(33);
        assertThat(moved.y(4)).isEqualTo(-16);
        assertThat(moved.x(1)).isEqualTo(10);
        assertThat(moved.pressure(3)).isEqualTo(0.8);
    }

    @Test
    void atASmoothPointTheOtherHandleTurnsAlongAndKeepsItsLength() {
        assertThat(CurvePoints.isSmooth(BEND, 1)).isTrue();
        Curve turned = CurvePoints.handleMoved(BEND, 1, true, 40 + 30, 0);
        assertThat(turned.y(2)).isCloseTo(0, within(1e-9));
        assertThat(40 - turned.x(2)).isCloseTo(Math.hypot(10, 20), within(0.001));
        Curve corner = CurvePoints.handleMoved(
                Curve.of(0, 0, 1, 1, 9, 1, 5, 9, 1, 9, 9, 1, 9, 5, 1, 9, 3, 1, 9, 0, 1), 1, true, 20, 20);
        assertThat(corner.x(2)).as("a corner keeps its other handle").isEqualTo(5);
    }

    @Test
    void aNewPointLeavesTheLineWhereItIs() {
        Curve more = CurvePoints.added(BEND, 1.3);
        assertThat(more.segments()).isEqualTo(3);
        for (double t = 0; t <= 1; t += 0.1) {
            for (int c = 0; c < 3; c++) {
                assertThat(more.at(t, c)).isCloseTo(BEND.at(t, c), within(0.002));
                assertThat(more.at(1 + t, c)).isCloseTo(BEND.at(1 + 0.3 * t, c), within(0.002));
                assertThat(more.at(2 + t, c)).isCloseTo(BEND.at(1.3 + 0.7 * t, c), within(0.002));
            }
        }
        assertThat(CurvePoints.added(BEND, 1)).isEqualTo(BEND);
    }

    @Test
    void aRemovedPointJoinsItsNeighboursAndEndsFallOff() {
        assertThat(CurvePoints.removed(BEND, 1)).isEqualTo(Curve.of(0, 0, 0.2, 10, 20, 0.4, 70, -20, 0.5, 80, 0, 0.1));
        assertThat(CurvePoints.removed(BEND, 0)).isEqualTo(BEND.part(1, 2));
        assertThat(CurvePoints.removed(BEND, 2)).isEqualTo(BEND.part(0, 1));
        Curve single = BEND.part(0, 1);
        assertThat(CurvePoints.removed(single, 0)).isEqualTo(single);
    }

    @Test
    void theNearestPlaceIsFoundToAFractionOfAPixel() {
        double place = CurvePoints.nearest(BEND, BEND.at(1.37, 0), BEND.at(1.37, 1));
        assertThat(place).isCloseTo(1.37, within(0.01));
    }
}
