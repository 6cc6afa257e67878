package chalktrace.core.stroke;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.fail;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.testing.Strokes;
import java.awt.BasicStroke;
import java.awt.Shape;
import java.awt.geom.Area;
import java.awt.geom.Path2D;
import java.awt.geom.PathIterator;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import net.jqwik.api.Assume;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;

class StrokeOutlineTest {

    private static final double WIDTH = 10;
    private static final double RADIUS = LineShape.round(WIDTH).radius(1);

    @Test
    void aStraightLineCoversARectangleAndTwoHalfDiscs() {
        Shape outline = StrokeOutline.of(Strokes.line(0, 0, 100, 0).curve(), LineShape.round(WIDTH), 4);
        double expected = 100 * 2 * RADIUS + Math.PI * RADIUS * RADIUS;
        assertThat(area(outline)).isCloseTo(expected, within(expected * 0.005));
    }

    @Test
    void aDotIsADisc() {
        Shape outline = StrokeOutline.of(Curve.of(50, 50, 1), LineShape.round(WIDTH), 4);
        assertThat(area(outline)).isCloseTo(Math.PI * RADIUS * RADIUS, within(1.0));
        assertThat(outline.contains(50, 50)).isTrue();
    }

    @Test
    void aBentLineCoversWhatJtsBuffers() {
        Curve bend = Curve.of(0, 0, 1, 60, -40, 1, 100, 80, 1, 30, 60, 1);
        Coordinate[] middle = new Coordinate[201];
        for (int i = 0; i <= 200; i++) {
            middle[i] = new Coordinate(bend.at(0, i / 200.0, 0), bend.at(0, i / 200.0, 1));
        }
        // JTS 1.20 as the reference implementation.
        double expected = new GeometryFactory()
                .createLineString(middle)
                .buffer(RADIUS, 32)
                .getArea();
        assertThat(area(StrokeOutline.of(bend, LineShape.round(WIDTH), 4)))
                .isCloseTo(expected, within(expected * 0.01));
    }

    @Test
    void lightPressureMakesAThinnerLine() {
        Curve light = Curve.of(0, 0, 0.2, 30, 0, 0.2, 60, 0, 0.2, 90, 0, 0.2);
        Curve hard = Curve.of(0, 0, 1, 30, 0, 1, 60, 0, 1, 90, 0, 1);
        assertThat(area(StrokeOutline.of(light, LineShape.round(WIDTH), 2)))
                .isLessThan(area(StrokeOutline.of(hard, LineShape.round(WIDTH), 2)) / 2);
    }

    @Test
    void aLineThatCrossesItselfHasNoHoleAtTheCrossing() {
        Curve loop = Curve.of(0, 50, 1, 140, 20, 1, -40, 20, 1, 100, 50, 1);
        Shape outline = StrokeOutline.of(loop, LineShape.round(WIDTH), 4);
        for (int i = 0; i <= 100; i++) {
            assertThat(outline.contains(loop.at(0, i / 100.0, 0), loop.at(0, i / 100.0, 1)))
                    .isTrue();
        }
    }

    @Property(tries = 600, seed = "13", edgeCases = EdgeCasesMode.NONE)
    void corneredLinesCoverWhatJtsBuffers(@ForAll long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double width = random.nextDouble(1, 40);
        Coordinate[] places = cornered(random, width);
        // JTS 1.20, 64 segments a quadrant.
        double expected = new GeometryFactory()
                .createLineString(places)
                .buffer(width / 2, 64)
                .getArea();
        assertThat(area(StrokeOutline.of(straight(places), even(width, LineEnds.ROUND), 16)))
                .isCloseTo(expected, within(expected * 0.005));
    }

    @Property(tries = 300, edgeCases = EdgeCasesMode.NONE)
    void soDoLinesThatNobodyHasSeen(@ForAll long seed) {
        corneredLinesCoverWhatJtsBuffers(seed);
    }

    /** Java2D's stroker as the judge of SVG's joins and caps. */
    @Property(tries = 600, edgeCases = EdgeCasesMode.NONE)
    void joinsCapsAndDashesAreThoseOfJava2D(
            @ForAll long seed, @ForAll LineEnds.Cap cap, @ForAll LineEnds.Join join, @ForAll boolean dashed) {
        SplittableRandom random = new SplittableRandom(seed);
        double width = random.nextDouble(1, 40);
        Coordinate[] places = cornered(random, width);
        List<Double> dashes = dashed ? List.of(random.nextDouble(5, 60), random.nextDouble(5, 60)) : List.of();
        double offset = random.nextDouble(0, 50);
        Path2D.Double path = new Path2D.Double();
        path.moveTo(places[0].x, places[0].y);
        for (int i = 1; i < places.length; i++) {
            path.lineTo(places[i].x, places[i].y);
        }
        LineEnds ends = new LineEnds(cap, join, 4, dashes, offset);
        double expected = area(java(width, ends).createStrokedShape(path));
        assertThat(area(StrokeOutline.of(straight(places), even(width, ends), 16)))
                .isCloseTo(expected, within(expected * 0.005 + 0.5));
    }

    /** Bends as tight as half the width and tighter, cut by dashes anywhere: ends stay as straight as Java2D's stroker makes them. */
    @Property(tries = 400, edgeCases = EdgeCasesMode.NONE)
    void dashesOfBendsEndAsThoseOfJava2D(@ForAll long seed, @ForAll LineEnds.Cap cap) {
        SplittableRandom random = new SplittableRandom(seed);
        double width = random.nextDouble(2, 12);
        double rx = random.nextDouble(1.2, 6) * width;
        double ry = random.nextDouble(1.2, 6) * width;
        double kx = rx * 4 / 3 * (Math.sqrt(2) - 1);
        double ky = ry * 4 / 3 * (Math.sqrt(2) - 1);
        Curve bend = Curve.of(
                100 + rx, 100, 1, 100 + rx, 100 + ky, 1, 100 + kx, 100 + ry, 1, 100, 100 + ry, 1, 100 - kx, 100 + ry, 1,
                100 - rx, 100 + ky, 1, 100 - rx, 100, 1);
        List<Double> dashes = List.of(random.nextDouble(1, 3) * width, random.nextDouble(2.5, 4) * width);
        double offset = random.nextDouble(0, 50);
        // Where a dash begins or ends within a hair of the line's end, Java's floats may have a dash more than we, or
        // one less.
        double length = length(bend);
        Assume.that(isFarFromDashEnd(offset, dashes) && isFarFromDashEnd(offset + length, dashes));
        LineEnds ends = new LineEnds(cap, LineEnds.Join.MITER, 4, dashes, offset);
        Area theirs = new Area(java(width, ends).createStrokedShape(bend.path()));
        Area differs = new Area(StrokeOutline.of(bend, even(width, ends), 16));
        differs.exclusiveOr(theirs);
        assertThat(area(differs)).isLessThan(0.02 * area(theirs) + 0.5);
    }

    private static boolean isFarFromDashEnd(double along, List<Double> dashes) {
        double at = along % (dashes.get(0) + dashes.get(1));
        return Math.min(Math.min(at, Math.abs(at - dashes.get(0))), dashes.get(0) + dashes.get(1) - at) > 0.05;
    }

    private static double length(Curve curve) {
        double length = 0;
        int steps = 2_000 * curve.segments();
        for (int i = 1; i <= steps; i++) {
            double a = (i - 1) / 2_000.0;
            double b = i / 2_000.0;
            length += Math.hypot(curve.at(b, 0) - curve.at(a, 0), curve.at(b, 1) - curve.at(a, 1));
        }
        return length;
    }

    private static BasicStroke java(double width, LineEnds ends) {
        float[] pattern = new float[ends.dashes().size()];
        for (int i = 0; i < pattern.length; i++) {
            pattern[i] = ends.dashes().get(i).floatValue();
        }
        return new BasicStroke(
                (float) width,
                Map.of(
                                LineEnds.Cap.BUTT, BasicStroke.CAP_BUTT,
                                LineEnds.Cap.ROUND, BasicStroke.CAP_ROUND,
                                LineEnds.Cap.SQUARE, BasicStroke.CAP_SQUARE)
                        .get(ends.cap()),
                Map.of(
                                LineEnds.Join.BEVEL, BasicStroke.JOIN_BEVEL,
                                LineEnds.Join.ROUND, BasicStroke.JOIN_ROUND,
                                LineEnds.Join.MITER, BasicStroke.JOIN_MITER)
                        .get(ends.join()),
                (float) ends.miterLimit(),
                pattern.length == 0 ? null : pattern,
                (float) ends.dashOffset());
    }

    /** A line whose width changes covers what discs of that width cover on its way: nothing is pinched, nothing sticks out. */
    @Property(tries = 150, edgeCases = EdgeCasesMode.NONE)
    void aLineOfChangingWidthCoversWhatItsDiscsSweep(@ForAll long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        LineShape shape = new LineShape(random.nextDouble(4, 40), 0.1, 0, LineShape.Tip.ROUND);
        double[] values = new double[9 * random.nextInt(1, 4) + 3];
        for (int i = 0; i < values.length; i++) {
            values[i] = i % 3 == 2 ? random.nextDouble() : random.nextDouble(0, 300);
        }
        Curve curve = Curve.of(values);
        Path2D outline = StrokeOutline.of(curve, shape, 4);
        for (int step = 0; step <= 250 * curve.segments(); step++) {
            double place = step / 250.0;
            double radius = shape.radius(curve.at(place, 2)) - 0.02 * shape.width();
            for (double angle = 0; angle < 6.28; angle += 0.4) {
                double x = curve.at(place, 0) + radius * Math.cos(angle);
                double y = curve.at(place, 1) + radius * Math.sin(angle);
                if (!outline.contains(x, y)) {
                    fail("%s %s at %s is not covered", x, y, place);
                }
            }
        }
        double[][] discs = IntStream.rangeClosed(0, 2000 * curve.segments())
                .mapToObj(step -> step / 2000.0)
                .map(place -> new double[] {curve.at(place, 0), curve.at(place, 1), shape.radius(curve.at(place, 2))})
                .toArray(double[][]::new);
        double[] box = {outline.getBounds2D().getMinX(), outline.getBounds2D().getMinY()};
        for (int i = 0; i < 400; i++) {
            double x = box[0] + random.nextDouble() * outline.getBounds2D().getWidth();
            double y = box[1] + random.nextDouble() * outline.getBounds2D().getHeight();
            if (outline.contains(x, y)) {
                double least = Double.MAX_VALUE;
                for (double[] disc : discs) {
                    least = Math.min(least, Math.sqrt(Math.pow(disc[0] - x, 2) + Math.pow(disc[1] - y, 2)) - disc[2]);
                }
                assertThat(least).as("%s %s", x, y).isLessThan(0.02 * shape.width() + 0.4);
            }
        }
    }

    @Test
    void aClosedLineHasAJoinWhereItMeetsItself() {
        Curve square = straight(new Coordinate[] {
            new Coordinate(10, 10),
            new Coordinate(110, 10),
            new Coordinate(110, 110),
            new Coordinate(10, 110),
            new Coordinate(10, 10)
        });
        LineShape mitered = even(8, new LineEnds(LineEnds.Cap.BUTT, LineEnds.Join.MITER, 4, List.of(), 0));
        Path2D outline = StrokeOutline.of(square, mitered, 4);
        assertThat(area(outline)).isCloseTo(108 * 108 - 92 * 92, within(0.5));
        assertThat(outline.contains(6.5, 6.5)).isTrue();
    }

    private static LineShape even(double width, LineEnds ends) {
        return new LineShape(width, 1, 0, LineShape.Tip.ROUND).withEnds(ends);
    }

    /** Straight pieces that turn by any angle, some shorter than the line is wide. */
    private static Coordinate[] cornered(SplittableRandom random, double width) {
        Coordinate[] out = new Coordinate[random.nextInt(2, 8)];
        double x = 500;
        double y = 500;
        double heading = random.nextDouble(2 * Math.PI);
        for (int i = 0; i < out.length; i++) {
            out[i] = new Coordinate(Math.rint(x * 1000) / 1000, Math.rint(y * 1000) / 1000);
            heading += Math.toRadians(random.nextDouble(-180, 180));
            double length = random.nextDouble(width * 0.2, 200);
            x += length * Math.cos(heading);
            y += length * Math.sin(heading);
        }
        return out;
    }

    private static Curve straight(Coordinate[] places) {
        double[] values = new double[9 * (places.length - 1) + 3];
        for (int i = 0; i < places.length; i++) {
            for (int third = 0; third < (i + 1 < places.length ? 3 : 1); third++) {
                Coordinate a = places[i];
                Coordinate b = places[Math.min(places.length - 1, i + 1)];
                values[9 * i + 3 * third] = a.x + (b.x - a.x) * third / 3;
                values[9 * i + 3 * third + 1] = a.y + (b.y - a.y) * third / 3;
                values[9 * i + 3 * third + 2] = 1;
            }
        }
        return Curve.of(values);
    }

    /** The covered area, overlaps counted once, by the shoelace formula. */
    private static double area(Shape shape) {
        double sum = 0;
        double[] at = new double[6];
        double startX = 0;
        double startY = 0;
        double x = 0;
        double y = 0;
        for (PathIterator path = new Area(shape).getPathIterator(null, 0.01); !path.isDone(); path.next()) {
            switch (path.currentSegment(at)) {
                case PathIterator.SEG_MOVETO -> {
                    startX = at[0];
                    startY = at[1];
                    x = startX;
                    y = startY;
                }
                case PathIterator.SEG_LINETO -> {
                    sum += x * at[1] - at[0] * y;
                    x = at[0];
                    y = at[1];
                }
                default -> {
                    sum += x * startY - startX * y;
                    x = startX;
                    y = startY;
                }
            }
        }
        return Math.abs(sum) / 2;
    }
}
