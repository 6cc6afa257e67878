package chalktrace.core.testing;

import chalktrace.core.stroke.Curve;
import java.util.ArrayList;
import java.util.List;

/** Where a kept line turns all at once: the angles between the tangents of neighbouring segments. */
public final class Kinks {

    private static final double SHORTEST_HANDLE = 2e-3;

    private Kinks() {}

    /** @param angle between the tangents before and after, in radians, 0 to pi */
    public record Kink(double x, double y, double angle) {}

    /** All inner knots of a curve. */
    public static List<Kink> of(Curve curve) {
        List<Kink> out = new ArrayList<>();
        for (int s = 1; s < curve.segments(); s++) {
            double[] in = direction(curve, s - 1, 3 * s, -1);
            double[] on = direction(curve, s, 3 * s, 1);
            double angle = Math.abs(Math.atan2(in[0] * on[1] - in[1] * on[0], in[0] * on[0] + in[1] * on[1]));
            out.add(new Kink(curve.x(3 * s), curve.y(3 * s), angle));
        }
        return out;
    }

    /** In radians; 0 for a line of one segment. */
    public static double sharpest(Curve curve) {
        return of(curve).stream().mapToDouble(Kink::angle).max().orElse(0);
    }

    /** The turn of all knots that lie within a reach of a place, in radians. */
    public static double turnAbout(Curve curve, double x, double y, double reach) {
        return of(curve).stream()
                .filter(kink -> Math.hypot(kink.x() - x, kink.y() - y) <= reach)
                .mapToDouble(Kink::angle)
                .sum();
    }

    /** A handle of no length leaves the direction to the next control point. */
    private static double[] direction(Curve curve, int segment, int knot, int step) {
        for (int p = knot + step; p >= 3 * segment && p <= 3 * segment + 3; p += step) {
            double dx = (curve.x(p) - curve.x(knot)) * step;
            double dy = (curve.y(p) - curve.y(knot)) * step;
            if (Math.hypot(dx, dy) > SHORTEST_HANDLE) {
                return new double[] {dx, dy};
            }
        }
        return new double[] {1, 0};
    }
}
