package chalktrace.core.stroke;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;

/** Where strokes cross, and a stroke without the piece between two of its crossings. */
public final class StrokeCrossings {

    /** Two crossings closer on the curve than this are one. */
    private static final double SAME_PLACE = 1e-6;

    private StrokeCrossings() {}

    /**
     * The places on a curve at which it crosses others, or itself, in rising order.
     *
     * @param others may hold the curve itself, which is looked at for loops then
     */
    public static List<Double> of(Curve curve, List<Curve> others) {
        Sampled a = Sampled.of(curve);
        PieceGrid grid = new PieceGrid(a);
        TreeSet<Double> places = new TreeSet<>();
        for (Curve other : others) {
            boolean itself = other == curve;
            if (!itself && !grid.reaches(other)) {
                continue;
            }
            Sampled b = itself ? a : Sampled.of(other);
            for (int j = 1; j < b.count(); j++) {
                int piece = j;
                grid.near(b, j, i -> {
                    if (!itself || Math.abs(i - piece) >= 2) {
                        crossing(a, i, b, piece).ifPresent(places::add);
                    }
                });
            }
        }
        List<Double> distinct = new ArrayList<>();
        for (double place : places) {
            if (distinct.isEmpty() || place - distinct.get(distinct.size() - 1) > SAME_PLACE) {
                distinct.add(place);
            }
        }
        return distinct;
    }

    /**
     * A stroke without the piece around a place, up to the next crossing on either side, or to its end.
     *
     * @param others the strokes that it may cross, itself or not
     * @return what is left: two pieces, one, or none
     */
    public static List<Stroke> withoutPieceAt(Stroke stroke, double x, double y, List<Stroke> others) {
        Curve curve = stroke.curve();
        if (curve.segments() == 0) {
            return List.of();
        }
        double place = nearestPlace(curve, x, y);
        double from = 0;
        double to = curve.segments();
        for (double crossing : of(curve, others.stream().map(Stroke::curve).toList())) {
            if (crossing <= place) {
                from = crossing;
            } else {
                to = Math.min(to, crossing);
            }
        }
        List<Stroke> left = new ArrayList<>();
        if (from > SAME_PLACE) {
            left.add(stroke.withCurve(curve.part(0, from)));
        }
        if (to < curve.segments() - SAME_PLACE) {
            left.add(stroke.withCurve(curve.part(to, curve.segments())));
        }
        return left;
    }

    /** The place on a curve that lies nearest to a point. */
    public static double nearestPlace(Curve curve, double x, double y) {
        Sampled line = Sampled.of(curve);
        double best = 0;
        double nearest = Double.MAX_VALUE;
        for (int i = 1; i < line.count(); i++) {
            double share = Segments.share(x, y, line.x()[i - 1], line.y()[i - 1], line.x()[i], line.y()[i]);
            double away = Math.hypot(
                    line.x()[i - 1] + share * (line.x()[i] - line.x()[i - 1]) - x,
                    line.y()[i - 1] + share * (line.y()[i] - line.y()[i - 1]) - y);
            if (away < nearest) {
                nearest = away;
                best = line.place()[i - 1] + share * (line.place()[i] - line.place()[i - 1]);
            }
        }
        return best;
    }

    private static Optional<Double> crossing(Sampled a, int i, Sampled b, int j) {
        double px = a.x()[i - 1];
        double py = a.y()[i - 1];
        double rx = a.x()[i] - px;
        double ry = a.y()[i] - py;
        double qx = b.x()[j - 1];
        double qy = b.y()[j - 1];
        double sx = b.x()[j] - qx;
        double sy = b.y()[j] - qy;
        if (Math.max(px, px + rx) < Math.min(qx, qx + sx)
                || Math.max(qx, qx + sx) < Math.min(px, px + rx)
                || Math.max(py, py + ry) < Math.min(qy, qy + sy)
                || Math.max(qy, qy + sy) < Math.min(py, py + ry)) {
            return Optional.empty();
        }
        double cross = rx * sy - ry * sx;
        if (Math.abs(cross) < 1e-12) {
            return Optional.empty();
        }
        double t = ((qx - px) * sy - (qy - py) * sx) / cross;
        double u = ((qx - px) * ry - (qy - py) * rx) / cross;
        return t < 0 || t > 1 || u < 0 || u > 1
                ? Optional.empty()
                : Optional.of(a.place()[i - 1] + t * (a.place()[i] - a.place()[i - 1]));
    }
}
