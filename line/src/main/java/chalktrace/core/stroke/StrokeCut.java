package chalktrace.core.stroke;

import java.util.ArrayList;
import java.util.List;

/** Cuts a stroke where a round duster goes over it: what is left ends exactly at the duster's edge. */
public final class StrokeCut {

    /** What is shorter is not worth keeping. */
    private static final double SHORTEST_PX = 0.5;

    private static final int HALVINGS = 40;

    private final Curve curve;
    private final double ax;
    private final double ay;
    private final double bx;
    private final double by;
    private final double radius;

    private StrokeCut(Curve curve, double ax, double ay, double bx, double by, double radius) {
        this.curve = curve;
        this.ax = ax;
        this.ay = ay;
        this.bx = bx;
        this.by = by;
        this.radius = radius;
    }

    /**
     * What a duster leaves that goes straight from a to b.
     *
     * @param radius of the duster, in pixels
     * @return the stroke itself where it was not touched; else its pieces, none when all of it is gone
     */
    public static List<Stroke> sweep(Stroke stroke, double ax, double ay, double bx, double by, double radius) {
        StrokeCut cut = new StrokeCut(stroke.curve(), ax, ay, bx, by, radius);
        if (stroke.curve().segments() == 0) {
            return cut.isGone(0) ? List.of() : List.of(stroke);
        }
        return cut.pieces(stroke);
    }

    private List<Stroke> pieces(Stroke stroke) {
        Sampled line = Sampled.of(curve);
        List<Stroke> left = new ArrayList<>();
        boolean touched = false;
        boolean gone = isGone(0);
        double start = 0;
        for (int i = 1; i < line.count(); i++) {
            double before = line.place()[i - 1];
            double here = line.place()[i];
            // A duster smaller than a piece may lie between its ends.
            double nearest = before + (here - before) * nearestShare(line, i);
            for (double next :
                    nearest > before && nearest < here ? new double[] {nearest, here} : new double[] {here}) {
                boolean goneNext = isGone(next);
                if (goneNext != gone) {
                    double edge = edge(before, next, gone);
                    if (goneNext) {
                        keep(stroke, start, edge, left);
                    } else {
                        start = edge;
                    }
                    gone = goneNext;
                }
                touched |= gone;
                before = next;
            }
        }
        if (!touched && start == 0 && !gone) {
            return List.of(stroke);
        }
        if (!gone) {
            keep(stroke, start, curve.segments(), left);
        }
        return left;
    }

    private void keep(Stroke stroke, double from, double to, List<Stroke> left) {
        if (to - from < 1e-9) {
            return;
        }
        Curve piece = curve.part(from, to);
        if (length(piece) >= SHORTEST_PX) {
            left.add(stroke.withCurve(piece));
        }
    }

    private static double length(Curve piece) {
        Sampled line = Sampled.of(piece);
        double length = 0;
        for (int i = 1; i < line.count(); i++) {
            length += Math.hypot(line.x()[i] - line.x()[i - 1], line.y()[i] - line.y()[i - 1]);
        }
        return length;
    }

    /** Where the curve crosses the duster's edge, by halving. */
    private double edge(double from, double to, boolean goneAtFrom) {
        double low = from;
        double high = to;
        for (int i = 0; i < HALVINGS; i++) {
            double middle = (low + high) / 2;
            if (isGone(middle) == goneAtFrom) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return (low + high) / 2;
    }

    private boolean isGone(double place) {
        return Segments.distance(curve.at(place, 0), curve.at(place, 1), ax, ay, bx, by) <= radius;
    }

    /** Where along a straight piece the duster's way comes closest, from its ends and middle. */
    private double nearestShare(Sampled line, int i) {
        double x0 = line.x()[i - 1];
        double y0 = line.y()[i - 1];
        double x1 = line.x()[i];
        double y1 = line.y()[i];
        double toA = Segments.share(ax, ay, x0, y0, x1, y1);
        double toB = Segments.share(bx, by, x0, y0, x1, y1);
        double awayA = Math.hypot(x0 + toA * (x1 - x0) - ax, y0 + toA * (y1 - y0) - ay);
        double awayB = Math.hypot(x0 + toB * (x1 - x0) - bx, y0 + toB * (y1 - y0) - by);
        return awayA <= awayB ? toA : toB;
    }
}
