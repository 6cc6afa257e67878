package chalktrace.core.stroke;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LineString;

class StrokeCrossingsTest {

    private static Curve wander(SplittableRandom random) {
        double[] values = new double[9 * random.nextInt(1, 6) + 3];
        for (int i = 0; i < values.length; i++) {
            values[i] = i % 3 == 2 ? 0.5 : random.nextDouble(0, 500);
        }
        return Curve.of(values);
    }

    private static LineString line(Curve curve) {
        Sampled sampled = Sampled.of(curve);
        Coordinate[] places = new Coordinate[sampled.count()];
        for (int i = 0; i < places.length; i++) {
            places[i] = new Coordinate(sampled.x()[i], sampled.y()[i]);
        }
        return new GeometryFactory().createLineString(places);
    }

    /** JTS as the judge of where two lines cross. */
    @Property(tries = 150, edgeCases = EdgeCasesMode.NONE)
    void crossingsOfTwoCurvesAreThoseOfJts(@ForAll long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        Curve curve = wander(random);
        Curve other = wander(random);
        List<Double> found = StrokeCrossings.of(curve, List.of(other));
        Coordinate[] judged = line(curve).intersection(line(other)).getCoordinates();
        assertThat(found).hasSizeBetween(apart(judged), judged.length);
        for (double place : found) {
            double away = line(other)
                    .distance(
                            new GeometryFactory().createPoint(new Coordinate(curve.at(place, 0), curve.at(place, 1))));
            assertThat(away).isCloseTo(0, within(0.3));
        }
    }

    /** How many of them are places of their own: at a corner of a line JTS may find one crossing twice. */
    private static int apart(Coordinate[] places) {
        int count = 0;
        for (int i = 0; i < places.length; i++) {
            Coordinate place = places[i];
            boolean isNew = Arrays.stream(places, 0, i).noneMatch(before -> before.distance(place) < 0.05);
            count += isNew ? 1 : 0;
        }
        return count;
    }

    @Test
    void aCurveThatCrossesItselfIsFoundOnBothPlaces() {
        Curve loop = Curve.of(0, 50, 1, 140, 20, 1, -40, 20, 1, 100, 50, 1);
        List<Double> places = StrokeCrossings.of(loop, List.of(loop));
        assertThat(places).hasSize(2);
        assertThat(loop.at(places.get(0), 0)).isCloseTo(loop.at(places.get(1), 0), within(0.2));
    }
}
