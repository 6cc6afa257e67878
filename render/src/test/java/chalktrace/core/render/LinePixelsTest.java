package chalktrace.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.Shape;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Line2D;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
import java.util.Arrays;
import java.util.SplittableRandom;
import java.util.function.Consumer;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

/** Beside Java2D, which counts the parts of each pixel that a shape covers. */
class LinePixelsTest {

    private static final int WIDTH = 60;
    private static final int HEIGHT = 40;
    private static final int GROUND = 0xFF000000;

    /** Its blue tells by how much it covers. */
    private static final int COLOR = 0xFF0000FF;

    /**
     * Of 255. A pixel on an edge is as covered as its middle is far in: a line through its corner covers less or more of it, and an end as wide as the pixel
     * itself, in its middle, only pi / 4 of what it is taken for.
     */
    private static final int MOST_APART = 56;

    @Property(tries = 500, edgeCases = EdgeCasesMode.NONE)
    void linesCoverWhatJava2DCovers(@ForAll long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double x1 = random.nextDouble(-10, WIDTH + 10);
        double y1 = random.nextDouble(-10, HEIGHT + 10);
        double turn = random.nextDouble(2 * Math.PI);
        double length = random.nextDouble(80);
        double x2 = x1 + length * Math.cos(turn);
        double y2 = y1 + length * Math.sin(turn);
        double width = random.nextDouble(1, 8);
        BasicStroke pen = new BasicStroke((float) width, BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND);
        compare(
                ours(pixels -> pixels.line(x1, y1, x2, y2, width, COLOR)),
                pen.createStrokedShape(new Line2D.Double(x1, y1, x2, y2)));
    }

    @Property(tries = 200, edgeCases = EdgeCasesMode.NONE)
    void soDoDotsAndSquares(@ForAll long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double x = random.nextDouble(-3, WIDTH + 3);
        double y = random.nextDouble(-3, HEIGHT + 3);
        double half = random.nextDouble(0.8, 9);
        compare(
                ours(pixels -> pixels.dot(x, y, half, COLOR)),
                new Ellipse2D.Double(x - half, y - half, 2 * half, 2 * half));
        double width = random.nextDouble(1, 4);
        compare(
                ours(pixels -> pixels.ring(x, y, 4 + half, width, COLOR)),
                new BasicStroke((float) width)
                        .createStrokedShape(
                                new Ellipse2D.Double(x - 4 - half, y - 4 - half, 8 + 2 * half, 8 + 2 * half)));
        compare(
                ours(pixels -> pixels.square(x, y, half, COLOR)),
                new Rectangle2D.Double(x - half, y - half, 2 * half, 2 * half));
    }

    @Property(tries = 200, edgeCases = EdgeCasesMode.NONE)
    void aDotWithAnEdgeIsADotOnALargerOne(@ForAll long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double x = random.nextDouble(-3, WIDTH + 3);
        double y = random.nextDouble(-3, HEIGHT + 3);
        double radius = random.nextDouble(0.2, 6);
        double edge = random.nextDouble(0.5, 3);
        int edgeColor = 0xFFFF0080;
        assertThat(ours(pixels -> pixels.dot(x, y, radius, COLOR, edge, edgeColor)))
                .isEqualTo(ours(pixels -> {
                    pixels.dot(x, y, radius + edge, edgeColor);
                    pixels.dot(x, y, radius, COLOR);
                }));
    }

    @Property(tries = 100, edgeCases = EdgeCasesMode.NONE)
    void tilesPutTogetherAreTheWhole(@ForAll long seed) {
        Consumer<LinePixels> many = pixels -> {
            SplittableRandom random = new SplittableRandom(seed);
            for (int i = 0; i < 6; i++) {
                pixels.line(
                        random.nextDouble(WIDTH),
                        random.nextDouble(HEIGHT),
                        random.nextDouble(WIDTH),
                        random.nextDouble(HEIGHT),
                        1.5,
                        COLOR);
                pixels.square(random.nextDouble(WIDTH), random.nextDouble(HEIGHT), 3, 0xFFFFFFFF);
            }
        };
        int[] tiled = ground();
        int tile = 20;
        for (int y = 0; y < HEIGHT; y += tile) {
            for (int x = 0; x < WIDTH; x += tile) {
                many.accept(new LinePixels(new PixelTile(tiled, y * WIDTH + x, WIDTH, x, y, tile, tile)));
            }
        }
        assertThat(tiled).isEqualTo(ours(many));
    }

    @Test
    void whatIsNotFiniteOrOutsidePaintsNothing() {
        assertThat(ours(pixels -> {
                    pixels.line(-20, 5, -4, 30, 3, COLOR);
                    pixels.dot(Double.NaN, 5, 3, COLOR);
                    pixels.line(0, 0, Double.POSITIVE_INFINITY, 20, 3, COLOR);
                    pixels.ring(30, 20, Double.NaN, 3, COLOR);
                }))
                .isEqualTo(ground());
    }

    private static int[] ground() {
        int[] out = new int[WIDTH * HEIGHT];
        Arrays.fill(out, GROUND);
        return out;
    }

    private static int[] ours(Consumer<LinePixels> painting) {
        int[] words = ground();
        painting.accept(new LinePixels(PixelTile.whole(words, WIDTH, HEIGHT)));
        return words;
    }

    private static void compare(int[] ours, Shape shape) {
        BufferedImage image = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = image.createGraphics();
        graphics.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        graphics.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
        graphics.setColor(new Color(COLOR));
        graphics.fill(shape);
        graphics.dispose();
        int[] theirs = ((DataBufferInt) image.getRaster().getDataBuffer()).getData();
        double sum = 0;
        double theirSum = 0;
        for (int i = 0; i < ours.length; i++) {
            assertThat(ours[i] & 255).isCloseTo(theirs[i] & 255, within(MOST_APART));
            sum += ours[i] & 255;
            theirSum += theirs[i] & 255;
        }
        assertThat(sum).isCloseTo(theirSum, within(3 * 255 + 0.04 * theirSum));
    }
}
