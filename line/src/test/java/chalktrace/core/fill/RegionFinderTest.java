package chalktrace.core.fill;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.Shape;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Line2D;
import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.operation.polygonize.Polygonizer;
import org.locationtech.jts.operation.union.UnaryUnionOp;

class RegionFinderTest {

    private static final int SIZE = 400;

    private static Bitmap drawn(float width, Shape... lines) {
        BufferedImage image = new BufferedImage(SIZE, SIZE, BufferedImage.TYPE_BYTE_GRAY);
        Graphics2D g = image.createGraphics();
        g.setColor(Color.WHITE);
        g.setStroke(new BasicStroke(width, BasicStroke.CAP_BUTT, BasicStroke.JOIN_MITER));
        for (Shape line : lines) {
            g.draw(line);
        }
        g.dispose();
        boolean[] on = new boolean[SIZE * SIZE];
        for (int i = 0; i < on.length; i++) {
            on[i] = (image.getRaster().getSample(i % SIZE, i / SIZE, 0)) > 100;
        }
        return new Bitmap(SIZE, SIZE, on);
    }

    /** A box of lines from 100 to 300, its right side open by a gap in the middle. */
    private static Bitmap boxWithGap(double gap) {
        return drawn(
                4,
                new Line2D.Double(98, 100, 302, 100),
                new Line2D.Double(98, 300, 302, 300),
                new Line2D.Double(100, 98, 100, 302),
                new Line2D.Double(300, 98, 300, 200 - gap / 2),
                new Line2D.Double(300, 200 + gap / 2, 300, 302));
    }

    @Test
    void gapsUpToTheLimitAreClosedAndWiderOnesAreToldAsOpen() {
        for (int gap : new int[] {0, 3, 5}) {
            RegionFinder.Region region =
                    new RegionFinder(boxWithGap(gap), 6).around(200, 200, 0).orElseThrow();
            assertThat(region.open()).as("gap of " + gap).isFalse();
            // The box is 196 pixels wide and high inside its lines; near the gap a little more or less.
            assertThat(region.pixels().count()).isCloseTo(196 * 196, within(120));
        }
        assertThat(new RegionFinder(boxWithGap(9), 6)
                        .around(200, 200, 0)
                        .orElseThrow()
                        .open())
                .isTrue();
        assertThat(new RegionFinder(boxWithGap(3), 0)
                        .around(200, 200, 0)
                        .orElseThrow()
                        .open())
                .isTrue();
    }

    @Test
    void cornersAreFilledUpToTheLinesThoughGapsAreClosed() {
        Bitmap pixels = new RegionFinder(boxWithGap(0), 10)
                .around(200, 200, 0)
                .orElseThrow()
                .pixels();
        assertThat(pixels.at(103, 103)).isTrue();
        assertThat(pixels.at(297, 297)).isTrue();
        assertThat(pixels.at(100, 150)).as("on the line").isFalse();
    }

    @Test
    void growingUnderTheLineGoesExactlySoFar() {
        Bitmap ring = drawn(6, new Ellipse2D.Double(100, 100, 200, 200));
        Bitmap plain =
                new RegionFinder(ring, 0).around(200, 200, 0).orElseThrow().pixels();
        Bitmap grown =
                new RegionFinder(ring, 0).around(200, 200, 2).orElseThrow().pixels();
        // Analytic: a disc of radius 97 and one of radius 99.
        assertThat(plain.count()).isCloseTo((int) (Math.PI * 97 * 97), within(350));
        assertThat(grown.count() - plain.count()).isCloseTo((int) (Math.PI * (99 * 99 - 97 * 97)), within(150));
        // No pixel of what was added is farther than two pixels from the region, and none within is left out.
        float[] away = DistanceTransform.squares(plain);
        for (int i = 0; i < away.length; i++) {
            assertThat(grown.on[i]).isEqualTo(away[i] <= 4);
        }
    }

    /** Against JTS's polygonizer: the cells that random straight lines cut a box into. */
    @Test
    void regionsHaveTheAreasOfThePolygonsThatJtsMakesOfTheLines() {
        SplittableRandom random = new SplittableRandom(9);
        GeometryFactory geometry = new GeometryFactory();
        List<Shape> shapes = new ArrayList<>();
        List<Geometry> lines = new ArrayList<>();
        for (int i = 0; i < 9; i++) {
            double[] ends = {random.nextDouble(SIZE), 0, random.nextDouble(SIZE), SIZE - 1};
            if (i % 2 == 1) {
                ends = new double[] {0, random.nextDouble(SIZE), SIZE - 1, random.nextDouble(SIZE)};
            }
            shapes.add(new Line2D.Double(ends[0], ends[1], ends[2], ends[3]));
            lines.add(geometry.createLineString(
                    new Coordinate[] {new Coordinate(ends[0], ends[1]), new Coordinate(ends[2], ends[3])}));
        }
        Bitmap drawn = drawn(2, shapes.toArray(Shape[]::new));
        Polygonizer polygonizer = new Polygonizer();
        polygonizer.add(UnaryUnionOp.union(lines));
        @SuppressWarnings("unchecked")
        Collection<Geometry> cells = polygonizer.getPolygons();
        assertThat(cells).hasSizeGreaterThan(5);
        for (Geometry cell : cells) {
            Coordinate middle = cell.getInteriorPoint().getCoordinate();
            if (cell.buffer(-4).isEmpty()) {
                continue;
            }
            Bitmap region = new RegionFinder(drawn, 0)
                    .around((int) middle.x, (int) middle.y, 0)
                    .orElseThrow()
                    .pixels();
            double inner = cell.buffer(-1.2).getArea();
            assertThat((double) region.count()).isCloseTo(inner, within(cell.getLength() * 0.8));
        }
    }

    @Test
    void aSilhouetteTakesTheLinesAndAllWithin() {
        Bitmap ring = drawn(6, new Ellipse2D.Double(100, 100, 200, 200), new Line2D.Double(150, 200, 250, 200));
        Bitmap all = new RegionFinder(ring, 4).silhouette(0);
        assertThat(all.count()).isCloseTo((int) (Math.PI * 103 * 103), within(400));
        assertThat(all.at(200, 200)).isTrue();
        assertThat(new RegionFinder(ring, 4).silhouette(-3).count())
                .isCloseTo((int) (Math.PI * 100 * 100), within(400));
    }

    @Test
    void aPlaceOnALineOrOutsideGivesNothing() {
        Bitmap box = boxWithGap(0);
        assertThat(new RegionFinder(box, 4).around(100, 200, 0)).isEmpty();
        assertThat(new RegionFinder(box, 4).around(-1, 5, 0)).isEmpty();
        assertThat(new RegionFinder(box, 4).around(SIZE, 5, 0)).isEmpty();
    }

    @Test
    void anOutlineKeepsTheAreaAndItsHoles() {
        boolean[] on = new boolean[SIZE * SIZE];
        for (int y = 0; y < SIZE; y++) {
            for (int x = 0; x < SIZE; x++) {
                double away = Math.hypot(x + 0.5 - 200, y + 0.5 - 200);
                on[y * SIZE + x] = away < 150 && away > 60;
            }
        }
        Contours outline = ContourTracer.trace(new Bitmap(SIZE, SIZE, on), 2, 1000, 0, 4);
        assertThat(outline.rings()).isEqualTo(2);
        double area = Math.PI * (150 * 150 - 60 * 60) / 4;
        assertThat(outline.area()).isCloseTo(area, within(area * 0.01));
        assertThat(outline.contains(1100, 50)).isTrue();
        assertThat(outline.contains(1100, 100)).as("in the hole").isFalse();
    }

    @Test
    void growthGoesToTheMiddleOfTheLineAndNoFarther() {
        Bitmap pixels = new RegionFinder(boxWithGap(0), 0)
                .around(200, 200, 9)
                .orElseThrow()
                .pixels();
        // The line on the left covers columns 98 to 101.
        assertThat(pixels.at(101, 200)).isTrue();
        assertThat(pixels.at(100, 200)).isTrue();
        assertThat(pixels.at(99, 200)).isFalse();
        assertThat(pixels.at(98, 200)).isFalse();
    }

    /** Thin lines, any growth: what is grown never reaches a free place that the region did not reach. */
    @Property(tries = 60, edgeCases = EdgeCasesMode.NONE)
    void growthNeverComesOutOnTheOtherSideOfALine(@ForAll long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        Shape[] lines = new Shape[14];
        for (int i = 0; i < lines.length; i++) {
            lines[i] = i % 3 == 0
                    ? new Ellipse2D.Double(
                            random.nextInt(300), random.nextInt(300), random.nextInt(20, 200), random.nextInt(20, 200))
                    : new Line2D.Double(
                            random.nextInt(SIZE), random.nextInt(SIZE), random.nextInt(SIZE), random.nextInt(SIZE));
        }
        Bitmap drawn = drawn(random.nextInt(1, 5), lines);
        RegionFinder finder = new RegionFinder(drawn, random.nextInt(0, 4));
        int x = random.nextInt(SIZE);
        int y = random.nextInt(SIZE);
        Optional<RegionFinder.Region> bare = finder.around(x, y, 0);
        Optional<RegionFinder.Region> grown = finder.around(x, y, random.nextInt(1, 9));
        for (int i = 0; bare.isPresent() && i < drawn.on.length; i++) {
            assertThat(!drawn.on[i]
                            && grown.orElseThrow().pixels().on[i]
                            && !bare.get().pixels().on[i])
                    .isFalse();
        }
    }
}
