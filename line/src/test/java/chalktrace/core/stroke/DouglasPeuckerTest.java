package chalktrace.core.stroke;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.simplify.DouglasPeuckerSimplifier;

class DouglasPeuckerTest {

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void keepsTheSamePointsAsJts(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<PenSample> samples = new ArrayList<>();
        double y = 0;
        for (int i = 0; i < 400; i++) {
            y += random.nextDouble(-2, 2);
            samples.add(new PenSample(i * 1.7, y, 0.5, i));
        }
        Coordinate[] line =
                samples.stream().map(s -> new Coordinate(s.x(), s.y())).toArray(Coordinate[]::new);
        // JTS 1.20 as the reference implementation.
        List<Double> expected = Arrays.stream(
                        DouglasPeuckerSimplifier.simplify(new GeometryFactory().createLineString(line), 1.5)
                                .getCoordinates())
                .map(Coordinate::getX)
                .toList();
        assertThat(DouglasPeucker.simplify(samples, 1.5, 1))
                .extracting(PenSample::x)
                .containsExactlyElementsOf(expected);
    }
}
