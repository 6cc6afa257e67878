package chalktrace.core.stroke;

import java.awt.geom.AffineTransform;
import java.awt.geom.Path2D;
import java.util.Arrays;

/**
 * A run of cubic Bezier segments through (x, y, pressure): 3n+1 control points for n segments, or a single point for a
 * dot. Pressure is a third coordinate, so the weight of a line bends as smoothly as its path. Numbers are rounded to
 * 1/1000 (pixel, or unit of pressure), so that a curve that has been written and read again is the same curve.
 */
public final class Curve {

    private static final double GRID = 1000;

    private final double[] values;

    private Curve(double[] values) {
        this.values = values;
    }

    /**
     * @param values x, y, pressure of each control point in turn
     * @throws IllegalArgumentException when the count is not that of whole segments or a number is not finite
     */
    public static Curve of(double... values) {
        int points = values.length / 3;
        if (values.length == 0 || values.length % 3 != 0 || (points - 1) % 3 != 0) {
            throw new IllegalArgumentException(
                    "A curve has 1, 4, 7, 10 ... control points of three numbers, not " + values.length + " numbers.");
        }
        double[] rounded = new double[values.length];
        for (int i = 0; i < values.length; i++) {
            if (!Double.isFinite(values[i])) {
                throw new IllegalArgumentException("A curve's numbers must be finite.");
            }
            // Adding 0 turns -0 into 0, which is written and compared as one number.
            rounded[i] = Math.rint(values[i] * GRID) / GRID + 0.0;
        }
        return new Curve(rounded);
    }

    public int points() {
        return values.length / 3;
    }

    public int segments() {
        return (points() - 1) / 3;
    }

    public double x(int point) {
        return values[3 * point];
    }

    public double y(int point) {
        return values[3 * point + 1];
    }

    public double pressure(int point) {
        return values[3 * point + 2];
    }

    /** The numbers that {@link #of} takes, as a copy. */
    public double[] toArray() {
        return values.clone();
    }

    /** Coordinate 0 (x), 1 (y) or 2 (pressure) at {@code t}, 0 to 1, of a segment. */
    public double at(int segment, double t, int coordinate) {
        return Cubic.at(values, 9 * segment + coordinate, t);
    }

    /**
     * The piece between two places, each the number of a segment plus how far along it, 0 to {@link #segments()}. It lies
     * exactly on the curve (de Casteljau's subdivision).
     *
     * @throws IllegalArgumentException when the places are not in rising order or not on the curve
     */
    public Curve part(double from, double to) {
        if (!(from >= 0 && from < to && to <= segments())) {
            throw new IllegalArgumentException("A piece of a curve lies between two places on it, in rising order.");
        }
        int first = Math.min((int) Math.floor(from), segments() - 1);
        int last = Math.max(first, (int) Math.ceil(to) - 1);
        double[] out = new double[9 * (last - first + 1) + 3];
        for (int s = first; s <= last; s++) {
            double t0 = Math.max(0, from - s);
            double t1 = Math.min(1, to - s);
            Cubic.piece(values, 9 * s, t0, t1, out, 9 * (s - first));
        }
        return of(out);
    }

    /** A place by the number of its segment plus how far along it. */
    public double at(double place, int coordinate) {
        if (segments() == 0) {
            return values[coordinate];
        }
        int segment = Math.max(0, Math.min(segments() - 1, (int) Math.floor(place)));
        return at(segment, place - segment, coordinate);
    }

    /** The other way round. */
    public Curve reversed() {
        double[] out = new double[values.length];
        for (int p = 0; p < points(); p++) {
            System.arraycopy(values, 3 * (points() - 1 - p), out, 3 * p, 3);
        }
        return new Curve(out);
    }

    /** With another curve added where the ends of both come closest, and a straight piece between them; either may be turned round. */
    public Curve joinedTo(Curve other) {
        double[] gaps = {
            gap(this, true, other, true),
            gap(this, true, other, false),
            gap(this, false, other, true),
            gap(this, false, other, false)
        };
        int closest = 0;
        for (int i = 1; i < 4; i++) {
            closest = gaps[i] < gaps[closest] ? i : closest;
        }
        double[] a = (closest < 2 ? this : reversed()).values;
        double[] b = (closest % 2 == 0 ? other : other.reversed()).values;
        double[] out = Arrays.copyOf(a, a.length + 6 + b.length);
        for (int third = 1; third <= 2; third++) {
            for (int k = 0; k < 3; k++) {
                double from = a[a.length - 3 + k];
                out[a.length + 3 * (third - 1) + k] = from + (b[k] - from) * third / 3;
            }
        }
        System.arraycopy(b, 0, out, a.length + 6, b.length);
        Curve joined = of(out);
        return closest < 2 ? joined : joined.reversed();
    }

    private static double gap(Curve a, boolean atEnd, Curve b, boolean atStart) {
        int p = atEnd ? a.points() - 1 : 0;
        int q = atStart ? 0 : b.points() - 1;
        return Math.hypot(a.x(p) - b.x(q), a.y(p) - b.y(q));
    }

    /** The middle line without its weight. */
    public Path2D path() {
        Path2D.Double path = new Path2D.Double();
        path.moveTo(x(0), y(0));
        for (int p = 1; p + 2 < points(); p += 3) {
            path.curveTo(x(p), y(p), x(p + 1), y(p + 1), x(p + 2), y(p + 2));
        }
        return path;
    }

    /** The curve moved point by point; pressure stays. */
    public Curve transformed(AffineTransform transform) {
        double[] out = values.clone();
        double[] place = new double[2];
        for (int i = 0; i < out.length; i += 3) {
            transform.transform(out, i, place, 0, 1);
            out[i] = place[0];
            out[i + 1] = place[1];
        }
        return of(out);
    }

    long bytes() {
        return 32 + 8L * values.length;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Curve curve && Arrays.equals(values, curve.values);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(values);
    }

    @Override
    public String toString() {
        return "Curve" + Arrays.toString(values);
    }
}
