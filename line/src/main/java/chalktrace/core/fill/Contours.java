package chalktrace.core.fill;

import java.awt.geom.AffineTransform;
import java.awt.geom.Path2D;
import java.util.Arrays;
import java.util.List;

/**
 * The edge of an area: closed lines of straight pieces, by the even-odd rule, so that a line within another is a hole.
 * Numbers are rounded to 1/100 pixel, so that an area that has been written and read again is the same area.
 */
public final class Contours {

    private static final double GRID = 100;

    private final double[][] rings;

    private Contours(double[][] rings) {
        this.rings = rings;
    }

    /**
     * @param rings x and y of each corner in turn; a ring closes itself
     * @throws IllegalArgumentException when a ring has less than three corners or a number is not finite
     */
    public static Contours of(List<double[]> rings) {
        double[][] rounded = new double[rings.size()][];
        for (int r = 0; r < rounded.length; r++) {
            double[] ring = rings.get(r);
            if (ring.length < 6 || ring.length % 2 != 0) {
                throw new IllegalArgumentException("The edge of an area has at least three corners of two numbers.");
            }
            rounded[r] = new double[ring.length];
            for (int i = 0; i < ring.length; i++) {
                if (!Double.isFinite(ring[i])) {
                    throw new IllegalArgumentException("The corners of an area must be finite numbers.");
                }
                rounded[r][i] = Math.rint(ring[i] * GRID) / GRID + 0.0;
            }
        }
        return new Contours(rounded);
    }

    public int rings() {
        return rings.length;
    }

    /** x and y of each corner of a ring, as a copy. */
    public double[] ring(int r) {
        return rings[r].clone();
    }

    public boolean isEmpty() {
        return rings.length == 0;
    }

    public Path2D path() {
        Path2D.Double path = new Path2D.Double(Path2D.WIND_EVEN_ODD);
        for (double[] ring : rings) {
            path.moveTo(ring[0], ring[1]);
            for (int i = 2; i < ring.length; i += 2) {
                path.lineTo(ring[i], ring[i + 1]);
            }
            path.closePath();
        }
        return path;
    }

    /** In square pixels, holes taken off: rings inside others run the other way round. */
    public double area() {
        double doubled = 0;
        for (double[] ring : rings) {
            for (int i = 0; i < ring.length; i += 2) {
                int j = (i + 2) % ring.length;
                doubled += ring[i] * ring[j + 1] - ring[j] * ring[i + 1];
            }
        }
        return Math.abs(doubled) / 2;
    }

    public boolean contains(double x, double y) {
        return path().contains(x, y);
    }

    /** The area moved corner by corner. */
    public Contours transformed(AffineTransform transform) {
        double[][] out = new double[rings.length][];
        for (int r = 0; r < out.length; r++) {
            out[r] = new double[rings[r].length];
            transform.transform(rings[r], 0, out[r], 0, rings[r].length / 2);
        }
        return of(Arrays.asList(out));
    }

    public long bytes() {
        return 32
                + Arrays.stream(rings).mapToLong(ring -> 24 + 8L * ring.length).sum();
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Contours contours && Arrays.deepEquals(rings, contours.rings);
    }

    @Override
    public int hashCode() {
        return Arrays.deepHashCode(rings);
    }

    @Override
    public String toString() {
        return "Contours" + Arrays.deepToString(rings);
    }
}
