package chalktrace.core.stroke;

import java.awt.geom.Rectangle2D;
import java.util.Arrays;
import java.util.Optional;

/** A line that ends where it began: the way back from where the pen was lifted is closed by itself. */
public final class ClosedShape implements StrokeMaker {

    private final Ink ink;

    /** @param ink a fresh one, which draws what is open of the line */
    public ClosedShape(Ink ink) {
        this.ink = ink;
    }

    @Override
    public void add(PenSample sample) {
        ink.add(sample);
    }

    @Override
    public Stroke soFar() {
        return closed(ink.soFar());
    }

    @Override
    public Stroke finish() {
        return closed(ink.finish());
    }

    @Override
    public Optional<Rectangle2D> changed() {
        return Optional.empty();
    }

    private Stroke closed(Stroke open) {
        Curve curve = open.curve();
        int end = curve.points() - 1;
        double x = curve.x(end);
        double y = curve.y(end);
        double startX = curve.x(0);
        double startY = curve.y(0);
        if (end == 0 || x == startX && y == startY) {
            return open;
        }
        // Handles a third of the way long, along the line's own directions at both ends, close it without corners.
        double away = Math.hypot(startX - x, startY - y) / 3;
        double[] out = direction(curve, end, end - 1);
        double[] in = direction(curve, 0, 1);
        double[] all = curve.toArray();
        double[] closed = Arrays.copyOf(all, all.length + 9);
        double endPressure = curve.pressure(end);
        double startPressure = curve.pressure(0);
        put(closed, all.length, x + away * out[0], y + away * out[1], endPressure);
        put(closed, all.length + 3, startX + away * in[0], startY + away * in[1], startPressure);
        put(closed, all.length + 6, startX, startY, startPressure);
        return open.withCurve(Curve.of(closed));
    }

    /** The way from an inner control point through an end, of length one. */
    private static double[] direction(Curve curve, int end, int inner) {
        double dx = curve.x(end) - curve.x(inner);
        double dy = curve.y(end) - curve.y(inner);
        double length = Math.max(1e-9, Math.hypot(dx, dy));
        return new double[] {dx / length, dy / length};
    }

    private static void put(double[] values, int at, double x, double y, double pressure) {
        values[at] = x;
        values[at + 1] = y;
        values[at + 2] = pressure;
    }
}
