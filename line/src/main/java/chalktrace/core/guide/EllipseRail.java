package chalktrace.core.guide;

import java.awt.geom.Point2D;

/** The edge of an ellipse guide. */
public final class EllipseRail implements Rail {

    private static final int STARTS = 16;
    private static final int STEPS = 40;

    private final double x;
    private final double y;
    private final double radiusX;
    private final double radiusY;
    private final double cos;
    private final double sin;

    /** @throws IllegalArgumentException when the guide is no ellipse */
    public EllipseRail(Guide guide) {
        if (guide.kind() != Guide.Kind.ELLIPSE) {
            throw new IllegalArgumentException("Only an ellipse has such an edge.");
        }
        x = guide.point(0).x();
        y = guide.point(0).y();
        double dx = guide.point(1).x() - x;
        double dy = guide.point(1).y() - y;
        radiusX = Math.hypot(dx, dy);
        cos = radiusX == 0 ? 1 : dx / radiusX;
        sin = radiusX == 0 ? 0 : dy / radiusX;
        radiusY = Math.hypot(guide.point(2).x() - x, guide.point(2).y() - y);
    }

    public double middleX() {
        return x;
    }

    public double middleY() {
        return y;
    }

    public double radiusX() {
        return radiusX;
    }

    public double radiusY() {
        return radiusY;
    }

    /** How far the first axis is turned clockwise. */
    public double degrees() {
        return Math.toDegrees(Math.atan2(sin, cos));
    }

    /** The place on the edge at an angle of its own, in radians. */
    public Point2D at(double angle) {
        double u = radiusX * Math.cos(angle);
        double v = radiusY * Math.sin(angle);
        return new Point2D.Double(x + u * cos - v * sin, y + u * sin + v * cos);
    }

    /** The closest place, by golden section about the best of some places all round. */
    @Override
    public Point2D nearest(double px, double py) {
        double step = 2 * Math.PI / STARTS;
        double best = 0;
        for (int i = 1; i < STARTS; i++) {
            if (away(i * step, px, py) < away(best, px, py)) {
                best = i * step;
            }
        }
        double ratio = (Math.sqrt(5) - 1) / 2;
        double low = best - step;
        double high = best + step;
        for (int i = 0; i < STEPS; i++) {
            double a = high - ratio * (high - low);
            double b = low + ratio * (high - low);
            if (away(a, px, py) < away(b, px, py)) {
                high = b;
            } else {
                low = a;
            }
        }
        return at((low + high) / 2);
    }

    private double away(double angle, double px, double py) {
        return at(angle).distance(px, py);
    }
}
