package chalktrace.core.between;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.stroke.Curve;
import java.awt.geom.Point2D;
import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleFunction;
import org.junit.jupiter.api.Test;

class DrawnArcTest {

    @Test
    void aHalfCircleLaidBetweenTwoPlacesIsOneAgainAndItsSharesAreItsAngles() {
        // Half of a circle of radius 50 about (50, 0), as two quarters within 0.03 % of it.
        double k = 50 * 4.0 / 3 * (Math.sqrt(2) - 1);
        Curve half = Curve.of(0, 0, 1, 0, -k, 1, 50 - k, -50, 1, 50, -50, 1, 50 + k, -50, 1, 100, -k, 1, 100, 0, 1);
        // Laid from (0, 0) down to (0, 200): a circle of radius 100 about (0, 100), bulging to the right.
        DoubleFunction<Point2D> way = DrawnArc.between(half, new Point2D.Double(0, 0), new Point2D.Double(0, 200));
        for (double share : new double[] {0, 0.25, 0.5, 1 / 3.0, 1}) {
            double angle = Math.PI * share;
            Point2D place = way.apply(share);
            assertThat(place.getX()).isCloseTo(100 * Math.sin(angle), within(1.0));
            assertThat(place.getY()).isCloseTo(100 - 100 * Math.cos(angle), within(1.0));
        }
    }

    @Test
    void aLineDrawnTheOtherWayIsTakenFromItsNearerEnd() {
        Curve back = Curve.of(100, 0, 1, 66, 0, 1, 33, 0, 1, 0, 0, 1);
        Point2D start = DrawnArc.between(back, new Point2D.Double(0, 0), new Point2D.Double(100, 0))
                .apply(0);
        assertThat(start.distance(0, 0)).isLessThan(1e-6);
    }

    @Test
    void theSpacingOfAFollowedPointGivesTheChartAndTheLineThatItWentAlong() {
        // A point that falls: after n of 6 frames it has gone n squared of 36 parts (Galilei); on twos at 4 and 16 of
        // them.
        List<Point2D> places = new ArrayList<>();
        for (int n = 0; n <= 6; n++) {
            places.add(new Point2D.Double(50, 10 + 5 * n * n));
        }
        TrackedSpacing found = TrackedSpacing.of(places, 2);
        assertThat(found.chart().ticks()).hasSize(2);
        assertThat(found.chart().ticks().get(0)).isCloseTo(4 / 36.0, within(1e-9));
        assertThat(found.chart().ticks().get(1)).isCloseTo(16 / 36.0, within(1e-9));
        assertThat(found.line().at(found.line().segments(), 1)).isCloseTo(190, within(0.5));
        assertThatThrownBy(() -> TrackedSpacing.of(List.of(places.get(0), places.get(0), places.get(0)), 1))
                .hasMessageContaining("hardly moves");
    }

    @Test
    void aChartIsTypedAsSharesAndItsTicksAreMovedBetweenTheirNeighbours() {
        TimingChart chart = TimingChart.parse("1/4, 0.5 80%");
        assertThat(chart.ticks()).containsExactly(0.25, 0.5, 0.8);
        assertThat(TimingChart.parse(chart.words())).isEqualTo(chart);
        assertThat(chart.moved(1, 0.6).ticks().get(1)).isEqualTo(0.6);
        assertThat(chart.moved(1, 0.1).ticks().get(1)).isBetween(0.25, 0.26);
        for (String nonsense : List.of("half", "1/0", "0.5 0.4", "1.5", "-1")) {
            assertThatThrownBy(() -> TimingChart.parse(nonsense)).isInstanceOf(IllegalArgumentException.class);
        }
    }
}
