package chalktrace.core.stroke;

/**
 * Changes of a curve point by point. Its points on the line are numbered from 0 to its count of segments; each has a handle
 * before and one after it, but for the ends of the line.
 */
public final class CurvePoints {

    /** Handles that point away from each other within about 5 degrees belong to a smooth point. */
    private static final double SMOOTH_COSINE = -0.996;

    private CurvePoints() {}

    /** With a point elsewhere; its handles go along. */
    public static Curve moved(Curve curve, int point, double x, double y) {
        double[] values = curve.toArray();
        int at = 3 * point;
        double dx = x - curve.x(at);
        double dy = y - curve.y(at);
        for (int p = Math.max(0, at - 1); p <= Math.min(curve.points() - 1, at + 1); p++) {
            values[3 * p] += dx;
            values[3 * p + 1] += dy;
        }
        return Curve.of(values);
    }

    /**
     * With a handle elsewhere. At a smooth point the opposite handle turns with it and keeps its length.
     *
     * @param after whether it is the handle after the point, towards the end of the line
     * @throws IllegalArgumentException when the point has no such handle
     */
    public static Curve handleMoved(Curve curve, int point, boolean after, double x, double y) {
        int at = 3 * point;
        int handle = at + (after ? 1 : -1);
        if (handle < 0 || handle >= curve.points()) {
            throw new IllegalArgumentException("The end of a line has one handle only.");
        }
        double[] values = curve.toArray();
        int opposite = at + (after ? -1 : 1);
        if (opposite >= 0 && opposite < curve.points() && isSmooth(curve, point)) {
            double away = Math.hypot(curve.x(opposite) - curve.x(at), curve.y(opposite) - curve.y(at));
            double length = Math.hypot(x - curve.x(at), y - curve.y(at));
            if (length > 0) {
                values[3 * opposite] = curve.x(at) - (x - curve.x(at)) * away / length;
                values[3 * opposite + 1] = curve.y(at) - (y - curve.y(at)) * away / length;
            }
        }
        values[3 * handle] = x;
        values[3 * handle + 1] = y;
        return Curve.of(values);
    }

    /** Whether the line runs through a point without a corner. */
    public static boolean isSmooth(Curve curve, int point) {
        int at = 3 * point;
        if (at == 0 || at == curve.points() - 1) {
            return false;
        }
        double ax = curve.x(at - 1) - curve.x(at);
        double ay = curve.y(at - 1) - curve.y(at);
        double bx = curve.x(at + 1) - curve.x(at);
        double by = curve.y(at + 1) - curve.y(at);
        double lengths = Math.hypot(ax, ay) * Math.hypot(bx, by);
        return lengths > 0 && (ax * bx + ay * by) / lengths < SMOOTH_COSINE;
    }

    /**
     * With a point more, at a place on the curve; the line itself stays as it is.
     *
     * @param place the number of a segment plus how far along it; at a point that is there already nothing changes
     */
    public static Curve added(Curve curve, double place) {
        int segment = Math.max(0, Math.min(curve.segments() - 1, (int) Math.floor(place)));
        if (curve.segments() == 0 || place - segment < 1e-6 || place - segment > 1 - 1e-6) {
            return curve;
        }
        double[] before = curve.part(segment, place).toArray();
        double[] after = curve.part(place, segment + 1).toArray();
        double[] all = curve.toArray();
        double[] out = new double[all.length + 9];
        System.arraycopy(all, 0, out, 0, 9 * segment);
        System.arraycopy(before, 0, out, 9 * segment, 12);
        System.arraycopy(after, 3, out, 9 * segment + 12, 9);
        System.arraycopy(all, 9 * segment + 12, out, 9 * segment + 21, all.length - 9 * segment - 12);
        return Curve.of(out);
    }

    /** Without a point: its two segments become one with the handles of their far ends. A line keeps at least two points. */
    public static Curve removed(Curve curve, int point) {
        if (curve.segments() < 2) {
            return curve;
        }
        double[] all = curve.toArray();
        double[] out = new double[all.length - 9];
        // What goes: the point and its handles; of an end, the point with the two handles of its segment.
        int from = point == 0 ? 0 : point == curve.segments() ? all.length - 9 : 9 * point - 3;
        System.arraycopy(all, 0, out, 0, from);
        System.arraycopy(all, from + 9, out, from, all.length - from - 9);
        return Curve.of(out);
    }

    /** The place on a curve that is closest to a point of the plane. */
    public static double nearest(Curve curve, double x, double y) {
        Sampled line = Sampled.of(curve);
        double best = 0;
        double closest = Double.MAX_VALUE;
        for (int i = 0; i + 1 < line.count(); i++) {
            double share = Segments.share(x, y, line.x()[i], line.y()[i], line.x()[i + 1], line.y()[i + 1]);
            double place = line.place()[i] + share * (line.place()[i + 1] - line.place()[i]);
            double away = Math.hypot(curve.at(place, 0) - x, curve.at(place, 1) - y);
            if (away < closest) {
                closest = away;
                best = place;
            }
        }
        return best;
    }
}
