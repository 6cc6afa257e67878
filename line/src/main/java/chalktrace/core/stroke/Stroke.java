package chalktrace.core.stroke;

import java.awt.geom.AffineTransform;

/**
 * One line of a drawing.
 *
 * @param chalk the id of the chalk that it is drawn with; colour and thickness are the chalk's
 * @param curve its path and pressure, in shot pixels
 * @param part the name of the part of the figure that it belongs to, such as "left eye"; empty for none
 */
public record Stroke(String chalk, Curve curve, String part) {

    /** Cubic Beziers come within 0.03 % of a quarter of a circle with handles of this share of its radius. */
    private static final double QUARTER = 4.0 / 3 * (Math.sqrt(2) - 1);

    /** Of no named part. */
    public Stroke(String chalk, Curve curve) {
        this(chalk, curve, "");
    }

    public Stroke withCurve(Curve newCurve) {
        return new Stroke(chalk, newCurve, part);
    }

    public Stroke withChalk(String newChalk) {
        return new Stroke(newChalk, curve, part);
    }

    public Stroke withPart(String name) {
        return new Stroke(chalk, curve, name);
    }

    /**
     * An ellipse of one pressure, within 0.03 % of a true one.
     *
     * @param degrees turned clockwise
     */
    public static Stroke ellipse(
            String chalk, double x, double y, double radiusX, double radiusY, double degrees, double pressure) {
        double[] values = new double[9 * 4 + 3];
        AffineTransform place = AffineTransform.getTranslateInstance(x, y);
        place.rotate(Math.toRadians(degrees));
        place.scale(radiusX, radiusY);
        int at = 0;
        for (int quarter = 0; quarter < 4; quarter++) {
            double cos = Math.rint(Math.cos(quarter * Math.PI / 2));
            double sin = Math.rint(Math.sin(quarter * Math.PI / 2));
            at = put(values, at, place, cos, sin, pressure);
            at = put(values, at, place, cos - QUARTER * sin, sin + QUARTER * cos, pressure);
            at = put(values, at, place, QUARTER * cos - sin, QUARTER * sin + cos, pressure);
        }
        put(values, at, place, 1, 0, pressure);
        return new Stroke(chalk, Curve.of(values));
    }

    private static int put(double[] values, int at, AffineTransform place, double x, double y, double pressure) {
        double[] point = {x, y};
        place.transform(point, 0, point, 0, 1);
        values[at] = point[0];
        values[at + 1] = point[1];
        values[at + 2] = pressure;
        return at + 3;
    }

    /** A straight line between two places, of one pressure. */
    public static Stroke straight(String chalk, double x0, double y0, double x1, double y1, double pressure) {
        double dx = (x1 - x0) / 3;
        double dy = (y1 - y0) / 3;
        return new Stroke(
                chalk,
                Curve.of(x0, y0, pressure, x0 + dx, y0 + dy, pressure, x1 - dx, y1 - dy, pressure, x1, y1, pressure));
    }

    /** About how much memory the stroke takes. */
    public long bytes() {
        return 32 + curve.bytes();
    }
}
