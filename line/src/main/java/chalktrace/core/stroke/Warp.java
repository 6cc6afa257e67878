package chalktrace.core.stroke;

import java.awt.geom.Point2D;

/** A smooth change of places, by which strokes are bent. */
@FunctionalInterface
public interface Warp {

    Point2D at(double x, double y);

    /**
     * A curve bent: each segment is cut into four, and the control points of each piece are moved along with the places and
     * directions of its ends.
     */
    default Curve bend(Curve curve) {
        if (curve.segments() == 0) {
            Point2D place = at(curve.x(0), curve.y(0));
            return Curve.of(place.getX(), place.getY(), curve.pressure(0));
        }
        int pieces = 4 * curve.segments();
        double[] out = new double[9 * pieces + 3];
        for (int i = 0; i < pieces; i++) {
            double[] piece = curve.part(i / 4.0, (i + 1) / 4.0).toArray();
            Point2D start = at(piece[0], piece[1]);
            Point2D end = at(piece[9], piece[10]);
            put(out, 9 * i, start, piece[2]);
            put(out, 9 * i + 3, moved(start, piece, 0, 3), piece[5]);
            put(out, 9 * i + 6, moved(end, piece, 9, 6), piece[8]);
            put(out, 9 * i + 9, end, piece[11]);
        }
        return Curve.of(out);
    }

    private Point2D moved(Point2D movedEnd, double[] piece, int end, int handle) {
        // The handle's direction goes through the warp's derivative at the end, taken over a small step.
        double step = 1e-3;
        double dx = piece[handle] - piece[end];
        double dy = piece[handle + 1] - piece[end + 1];
        Point2D ahead = at(piece[end] + step * dx, piece[end + 1] + step * dy);
        return new Point2D.Double(
                movedEnd.getX() + (ahead.getX() - movedEnd.getX()) / step,
                movedEnd.getY() + (ahead.getY() - movedEnd.getY()) / step);
    }

    private static void put(double[] out, int at, Point2D place, double pressure) {
        out[at] = place.getX();
        out[at + 1] = place.getY();
        out[at + 2] = pressure;
    }
}
