package chalktrace.core.stroke;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * A curve as straight pieces: places and half widths, close enough to the curve for a stated tolerance.
 *
 * @param x of each of n points
 * @param y of each
 * @param radius half of the line's width at each
 * @param opacity the share of the chalk's opacity at each
 * @param joint whether two segments of the curve meet at it
 */
record Flattened(double[] x, double[] y, double[] radius, double[] opacity, boolean[] joint) {

    private static final int MOST_PIECES = 64;
    private static final int FINE_PIECES = 12;
    private static final double SAME_PX = 1e-9;

    /** More would be a grey line that takes minutes to paint. */
    private static final int MOST_DASHES = 20_000;

    /**
     * @param shape how thick the line is
     * @param tolerance how far a piece may lie from the curve, in pixels
     */
    static Flattened of(Curve curve, LineShape shape, double tolerance) {
        int segments = curve.segments();
        int[] pieces = new int[segments];
        int count = 1;
        for (int s = 0; s < segments; s++) {
            pieces[s] = pieces(curve, s, shape, tolerance);
            count += pieces[s];
        }
        Flattened out = empty(count);
        out.put(0, curve.x(0), curve.y(0), curve.pressure(0), shape);
        int at = 1;
        for (int s = 0; s < segments; s++) {
            for (int i = 1; i <= pieces[s]; i++) {
                double t = i / (double) pieces[s];
                out.put(at++, curve.at(s, t, 0), curve.at(s, t, 1), curve.at(s, t, 2), shape);
            }
            out.joint[at - 1] = true;
        }
        out.shapeTip(shape);
        out.taper(shape);
        return out;
    }

    int count() {
        return x.length;
    }

    private void shapeTip(LineShape shape) {
        if (shape.tip() != LineShape.Tip.FLAT) {
            return;
        }
        for (int i = 0; i < count() && count() > 1; i++) {
            int a = Math.max(0, i - 1);
            int b = Math.min(count() - 1, i + 1);
            double direction = Math.atan2(y[b] - y[a], x[b] - x[a]);
            radius[i] *= shape.radius(1, direction) / shape.radius(1);
        }
    }

    private void taper(LineShape shape) {
        if (shape.taperPx() == 0 || count() == 1) {
            return;
        }
        double[] length = new double[count()];
        for (int i = 1; i < count(); i++) {
            length[i] = length[i - 1] + Math.hypot(x[i] - x[i - 1], y[i] - y[i - 1]);
        }
        double all = length[count() - 1];
        for (int i = 0; i < count(); i++) {
            radius[i] *= shape.taper(Math.min(length[i], all - length[i]));
        }
    }

    /** The piece from one point to another, both included. */
    Flattened between(int from, int to) {
        return new Flattened(
                Arrays.copyOfRange(x, from, to + 1),
                Arrays.copyOfRange(y, from, to + 1),
                Arrays.copyOfRange(radius, from, to + 1),
                Arrays.copyOfRange(opacity, from, to + 1),
                Arrays.copyOfRange(joint, from, to + 1));
    }

    private static Flattened empty(int count) {
        return new Flattened(
                new double[count], new double[count], new double[count], new double[count], new boolean[count]);
    }

    /** Without points that lie where the one before them lies; of these the thickest counts. */
    Flattened distinct() {
        Flattened out = empty(count());
        int kept = 0;
        for (int i = 0; i < count(); i++) {
            boolean same = kept > 0 && Math.hypot(x[i] - out.x[kept - 1], y[i] - out.y[kept - 1]) < SAME_PX;
            if (same) {
                out.radius[kept - 1] = Math.max(out.radius[kept - 1], radius[i]);
                out.joint[kept - 1] |= joint[i];
            } else {
                copy(i, out, kept++);
            }
        }
        return out.between(0, kept - 1);
    }

    private void copy(int from, Flattened to, int at) {
        to.x[at] = x[from];
        to.y[at] = y[from];
        to.radius[at] = radius[from];
        to.opacity[at] = opacity[from];
        to.joint[at] = joint[from];
    }

    /** The dashes of a broken line, each by itself; the line as it is when it is not broken. */
    List<Flattened> dashes(LineEnds ends) {
        if (ends.dashes().isEmpty() || count() == 1) {
            return List.of(this);
        }
        double all = ends.dashes().stream().mapToDouble(length -> length).sum();
        double length = 0;
        for (int i = 1; i < count(); i++) {
            length += Math.hypot(x[i] - x[i - 1], y[i] - y[i - 1]);
        }
        if (length / all * ends.dashes().size() > MOST_DASHES) {
            return List.of(this);
        }
        List<Flattened> out = new ArrayList<>();
        double from = -((ends.dashOffset() % all) + all) % all;
        for (int d = 0; from < length; d = (d + 1) % ends.dashes().size()) {
            double to = from + ends.dashes().get(d);
            if (d % 2 == 0 && to >= 0) {
                out.add(alongFrom(Math.max(0, from), Math.min(length, to)));
            }
            from = to;
        }
        return out;
    }

    /** The piece between two lengths along the line. */
    private Flattened alongFrom(double from, double to) {
        Flattened out = empty(count() + 2);
        int kept = 0;
        double before = 0;
        for (int i = 1; i < count(); i++) {
            double piece = Math.hypot(x[i] - x[i - 1], y[i] - y[i - 1]);
            double start = Math.max(0, (from - before) / piece);
            double end = Math.min(1, (to - before) / piece);
            if (piece > 0 && start <= 1 && end >= 0) {
                if (kept == 0) {
                    mix(i, start, out, kept++);
                }
                mix(i, end, out, kept++);
                out.joint[kept - 1] = end == 1 && joint[i];
            }
            before += piece;
        }
        return out.between(0, Math.max(0, kept - 1));
    }

    private void mix(int i, double share, Flattened to, int at) {
        to.x[at] = x[i - 1] + share * (x[i] - x[i - 1]);
        to.y[at] = y[i - 1] + share * (y[i] - y[i - 1]);
        to.radius[at] = radius[i - 1] + share * (radius[i] - radius[i - 1]);
        to.opacity[at] = opacity[i - 1] + share * (opacity[i] - opacity[i - 1]);
    }

    private void put(int at, double px, double py, double pressure, LineShape shape) {
        x[at] = px;
        y[at] = py;
        radius[at] = shape.radius(pressure);
        opacity[at] = shape.opacity(pressure);
    }

    /** A cubic strays from its chords by at most an eighth of its greatest second derivative over the pieces squared. */
    private static int pieces(Curve curve, int segment, LineShape shape, double tolerance) {
        int p = 3 * segment;
        double greatest = 0;
        for (int i = p; i < p + 2; i++) {
            double ddx = curve.x(i) - 2 * curve.x(i + 1) + curve.x(i + 2);
            double ddy = curve.y(i) - 2 * curve.y(i + 1) + curve.y(i + 2);
            double ddw = (curve.pressure(i) - 2 * curve.pressure(i + 1) + curve.pressure(i + 2)) * shape.width() / 2;
            greatest = Math.max(greatest, Math.sqrt(ddx * ddx + ddy * ddy + ddw * ddw));
        }
        int pieces = (int) Math.ceil(Math.sqrt(0.75 * greatest / tolerance));
        if (shape.taperPx() > 0
                || shape.tip() == LineShape.Tip.FLAT
                || !shape.answer().isEven()) {
            // The width changes along a straight line too, and not evenly.
            pieces = Math.max(pieces, FINE_PIECES);
        }
        if (shape.faintest() < 1) {
            double change = 0;
            for (int i = p; i < p + 3; i++) {
                change += Math.abs(curve.pressure(i + 1) - curve.pressure(i));
            }
            pieces = Math.max(pieces, (int) Math.ceil(StrokeOutline.BANDS * change));
        }
        return Math.max(1, Math.min(MOST_PIECES, pieces));
    }
}
