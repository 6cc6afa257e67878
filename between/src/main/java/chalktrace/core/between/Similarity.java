package chalktrace.core.between;

import java.awt.geom.AffineTransform;
import java.util.List;

/**
 * A move that turns, scales and shifts: a place z, as a complex number, comes to a z + b.
 *
 * @param ax real part of a
 * @param ay imaginary part of a
 * @param bx real part of b
 * @param by imaginary part of b
 */
record Similarity(double ax, double ay, double bx, double by) {

    static final Similarity NONE = new Similarity(1, 0, 0, 0);

    /** Turns by less than this, in radians and in the logarithm of scale, count as none: their middle would lie too far out. */
    private static final double NO_TURN = 1e-9;

    double x(double px, double py) {
        return ax * px - ay * py + bx;
    }

    double y(double px, double py) {
        return ay * px + ax * py + by;
    }

    /** The one that brings points closest to others (least squares; in the plane it is linear in a and b). */
    static Similarity fitted(List<Polyline> from, List<Polyline> to) {
        double n = 0;
        double fx = 0;
        double fy = 0;
        double tx = 0;
        double ty = 0;
        for (int s = 0; s < from.size(); s++) {
            for (int i = 0; i < from.get(s).count(); i++) {
                n++;
                fx += from.get(s).x()[i];
                fy += from.get(s).y()[i];
                tx += to.get(s).x()[i];
                ty += to.get(s).y()[i];
            }
        }
        if (n == 0) {
            return NONE;
        }
        fx /= n;
        fy /= n;
        tx /= n;
        ty /= n;
        double real = 0;
        double imaginary = 0;
        double size = 0;
        for (int s = 0; s < from.size(); s++) {
            for (int i = 0; i < from.get(s).count(); i++) {
                double px = from.get(s).x()[i] - fx;
                double py = from.get(s).y()[i] - fy;
                double qx = to.get(s).x()[i] - tx;
                double qy = to.get(s).y()[i] - ty;
                real += px * qx + py * qy;
                imaginary += px * qy - py * qx;
                size += px * px + py * py;
            }
        }
        double ax = size < 1e-12 ? 1 : real / size;
        double ay = size < 1e-12 ? 0 : imaginary / size;
        if (Math.hypot(ax, ay) < 1e-3) {
            // What collapses to a point has no turn of its own.
            ax = 1;
            ay = 0;
        }
        return new Similarity(ax, ay, tx - (ax * fx - ay * fy), ty - (ay * fx + ax * fy));
    }

    /** The one of a given scale that lays a line upon another, point upon point (least squares). */
    static Similarity rigid(Polyline from, Polyline to, double scale) {
        int n = from.count();
        double fx = from.middleX();
        double fy = from.middleY();
        double tx = to.middleX();
        double ty = to.middleY();
        double real = 0;
        double imaginary = 0;
        for (int i = 0; i < n; i++) {
            double px = from.x()[i] - fx;
            double py = from.y()[i] - fy;
            double qx = to.x()[i] - tx;
            double qy = to.y()[i] - ty;
            real += px * qx + py * qy;
            imaginary += px * qy - py * qx;
        }
        double length = Math.hypot(real, imaginary);
        double ax = length < 1e-9 ? scale : scale * real / length;
        double ay = length < 1e-9 ? 0 : scale * imaginary / length;
        return new Similarity(ax, ay, tx - (ax * fx - ay * fy), ty - (ay * fx + ax * fy));
    }

    /** How far points that are moved lie from others on the whole (root of the mean square). */
    double distance(Polyline from, Polyline to) {
        double sum = 0;
        for (int i = 0; i < from.count(); i++) {
            double dx = x(from.x()[i], from.y()[i]) - to.x()[i];
            double dy = y(from.x()[i], from.y()[i]) - to.y()[i];
            sum += dx * dx + dy * dy;
        }
        return Math.sqrt(sum / from.count());
    }

    AffineTransform transform() {
        return new AffineTransform(ax, ay, -ay, ax, bx, by);
    }

    /** A difference of two places turned and scaled, in x. */
    double turnedX(double dx, double dy) {
        return ax * dx - ay * dy;
    }

    double turnedY(double dx, double dy) {
        return ay * dx + ax * dy;
    }

    /** A share of the move: along the spiral about its fixed point, so that what turns stays on its circle. */
    Similarity at(double share) {
        double angle = Math.atan2(ay, ax) * share;
        double scale = Math.pow(Math.hypot(ax, ay), share);
        double cx = scale * Math.cos(angle);
        double cy = scale * Math.sin(angle);
        if (Math.hypot(ax - 1, ay) < NO_TURN) {
            return new Similarity(cx, cy, share * bx, share * by);
        }
        // b (1 - a^t) / (1 - a) is the shift that leaves the fixed point where it is.
        double ux = 1 - cx;
        double uy = -cy;
        double vx = 1 - ax;
        double vy = -ay;
        double squared = vx * vx + vy * vy;
        double qx = (ux * vx + uy * vy) / squared;
        double qy = (uy * vx - ux * vy) / squared;
        return new Similarity(cx, cy, qx * bx - qy * by, qx * by + qy * bx);
    }

    Similarity inverse() {
        double squared = ax * ax + ay * ay;
        double ix = ax / squared;
        double iy = -ay / squared;
        return new Similarity(ix, iy, -(ix * bx - iy * by), -(iy * bx + ix * by));
    }
}
