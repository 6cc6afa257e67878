package chalktrace.core.stroke;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.testing.Strokes;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;

class StrokeCutTest {

    private static final Curve BEND = Curve.of(0, 0, 1, 40, 90, 0.5, 110, -60, 0.5, 160, 40, 1);

    @Test
    void aPieceLiesOnItsCurveFromOnePlaceToTheOther() {
        Curve two = Curve.of(0, 0, 1, 40, 90, 0.5, 110, -60, 0.5, 160, 40, 1, 180, 80, 1, 200, 90, 1, 240, 20, 0.2);
        Curve piece = two.part(0.3, 1.6);
        assertThat(piece.segments()).isEqualTo(2);
        for (double t = 0; t <= 1; t += 0.125) {
            assertThat(piece.at(0, t, 0)).isCloseTo(two.at(0, 0.3 + 0.7 * t, 0), within(0.002));
            assertThat(piece.at(1, t, 1)).isCloseTo(two.at(1, 0.6 * t, 1), within(0.002));
            assertThat(piece.at(1, t, 2)).isCloseTo(two.at(1, 0.6 * t, 2), within(0.002));
        }
        assertThat(two.reversed().reversed()).isEqualTo(two);
    }

    @Test
    void whatTheDusterLeavesEndsExactlyAtItsEdge() {
        Stroke line = Strokes.line(0, 0, 100, 0);
        List<Stroke> left = StrokeCut.sweep(line, 50, 3, 50, 3, 5);
        // A disc of radius 5, three pixels off the line, takes 4 pixels on either side of its middle.
        assertThat(left).hasSize(2);
        assertThat(end(left.get(0), 0)).isCloseTo(46, within(0.002));
        assertThat(left.get(1).curve().x(0)).isCloseTo(54, within(0.002));
        assertThat(StrokeCut.sweep(line, 50, 6, 60, 6, 5)).as("not touched").containsExactly(line);
        assertThat(StrokeCut.sweep(line, -10, 0, 110, 0, 5)).as("all gone").isEmpty();
    }

    @Test
    void aSweepAcrossABendCutsItAtTheEdgesOfItsWay() {
        List<Stroke> left = StrokeCut.sweep(new Stroke("chalk-1", BEND), 20, 20, 100, 20, 4);
        assertThat(left).hasSizeGreaterThan(1);
        for (Stroke piece : left) {
            Sampled line = Sampled.of(piece.curve());
            for (int i = 0; i < line.count(); i++) {
                assertThat(Segments.distance(line.x()[i], line.y()[i], 20, 20, 100, 20))
                        .isGreaterThanOrEqualTo(4 - 0.003);
            }
        }
        assertThat(Segments.distance(end(left.get(0), 0), end(left.get(0), 1), 20, 20, 100, 20))
                .isCloseTo(4, within(0.003));
    }

    /** Against JTS: the crossings of random curves, as flat lines. */
    @Test
    void crossingsAreThoseThatJtsFinds() {
        SplittableRandom random = new SplittableRandom(4);
        for (int round = 0; round < 200; round++) {
            Curve a = random(random);
            Curve b = random(random);
            Geometry crossings = lineString(a).intersection(lineString(b));
            List<Double> ours = StrokeCrossings.of(a, List.of(b));
            assertThat(ours).hasSize(crossings.isEmpty() ? 0 : crossings.getNumGeometries());
            for (double place : ours) {
                Geometry point = new GeometryFactory().createPoint(new Coordinate(a.at(place, 0), a.at(place, 1)));
                assertThat(crossings.distance(point)).isLessThan(0.1);
            }
        }
    }

    @Test
    void aLineThatOverShootsIsTrimmedToItsNextCrossing() {
        Stroke across = Strokes.line(0, 50, 100, 50);
        Stroke left = Strokes.line(30, 0, 30, 100);
        Stroke right = Strokes.line(80, 0, 80, 100);
        List<Stroke> all = List.of(across, left, right);
        List<Stroke> trimmed = StrokeCrossings.withoutPieceAt(across, 95, 51, all);
        assertThat(trimmed).hasSize(1);
        assertThat(end(trimmed.get(0), 0)).isCloseTo(80, within(0.01));
        List<Stroke> opened = StrokeCrossings.withoutPieceAt(across, 50, 50, all);
        assertThat(opened).hasSize(2);
        assertThat(end(opened.get(0), 0)).isCloseTo(30, within(0.01));
        assertThat(opened.get(1).curve().x(0)).isCloseTo(80, within(0.01));
        assertThat(StrokeCrossings.withoutPieceAt(left, 30, 50, List.of(left)))
                .as("it crosses nothing")
                .isEmpty();
    }

    private static double end(Stroke stroke, int coordinate) {
        return stroke.curve().at(stroke.curve().segments(), coordinate);
    }

    private static Curve random(SplittableRandom random) {
        double[] values = new double[12];
        for (int i = 0; i < values.length; i++) {
            values[i] = i % 3 == 2 ? 1 : random.nextDouble(0, 200);
        }
        return Curve.of(values);
    }

    private static Geometry lineString(Curve curve) {
        Sampled line = Sampled.of(curve);
        List<Coordinate> places = new ArrayList<>();
        for (int i = 0; i < line.count(); i++) {
            places.add(new Coordinate(line.x()[i], line.y()[i]));
        }
        return new GeometryFactory().createLineString(places.toArray(Coordinate[]::new));
    }

    /** Half a pixel is the least that is worth keeping. */
    @Test
    void aCrumbBesideTheDusterGoesToo() {
        Stroke line = Stroke.straight("c", 0, 0, 100, 0, 0.5);
        // Up to 0.3 px from the start, and up to 0.8.
        assertThat(StrokeCut.sweep(line, 10.3, 0, 10.3, 0, 10)).hasSize(1);
        assertThat(StrokeCut.sweep(line, 10.8, 0, 10.8, 0, 10)).hasSize(2);
    }
}
