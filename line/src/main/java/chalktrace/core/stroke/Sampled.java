package chalktrace.core.stroke;

import java.util.ArrayList;
import java.util.List;

/** A curve as straight pieces that know their places on it. */
record Sampled(double[] place, double[] x, double[] y) {

    private static final double TOLERANCE_PX = 0.05;

    private static final int MOST_PIECES = 96;

    static Sampled of(Curve curve) {
        List<double[]> points = new ArrayList<>();
        points.add(new double[] {0, curve.x(0), curve.y(0)});
        for (int s = 0; s < curve.segments(); s++) {
            int p = 3 * s;
            double bend = 0;
            for (int i = p; i < p + 2; i++) {
                bend = Math.max(
                        bend,
                        Math.hypot(
                                curve.x(i) - 2 * curve.x(i + 1) + curve.x(i + 2),
                                curve.y(i) - 2 * curve.y(i + 1) + curve.y(i + 2)));
            }
            int pieces = (int) Math.max(2, Math.min(MOST_PIECES, Math.ceil(Math.sqrt(0.75 * bend / TOLERANCE_PX))));
            for (int i = 1; i <= pieces; i++) {
                double t = (double) i / pieces;
                points.add(new double[] {s + t, curve.at(s, t, 0), curve.at(s, t, 1)});
            }
        }
        Sampled out = new Sampled(new double[points.size()], new double[points.size()], new double[points.size()]);
        for (int i = 0; i < points.size(); i++) {
            out.place[i] = points.get(i)[0];
            out.x[i] = points.get(i)[1];
            out.y[i] = points.get(i)[2];
        }
        return out;
    }

    int count() {
        return place.length;
    }
}
