package chalktrace.core.testing;

import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.PenSample;
import java.awt.geom.Line2D;
import java.util.ArrayList;
import java.util.List;

/** Distances between lines, measured at many places and not at their corners only. */
public final class LineDistance {

    private static final double STEP_PX = 0.25;

    private LineDistance() {}

    /** The Hausdorff distance of a curve and a line of samples, in pixels: the farthest that any place of either lies from the other. */
    public static double hausdorff(Curve curve, List<PenSample> samples) {
        double[][] kept = dense(curve);
        double[][] drawn =
                samples.stream().map(s -> new double[] {s.x(), s.y()}).toArray(double[][]::new);
        return Math.max(farthest(kept, drawn), farthest(walked(drawn), kept));
    }

    /** Places along a curve that are no more than {@value #STEP_PX} pixels apart. */
    public static double[][] dense(Curve curve) {
        List<double[]> out = new ArrayList<>();
        out.add(new double[] {curve.x(0), curve.y(0)});
        for (int s = 0; s < curve.segments(); s++) {
            double longest = 0;
            for (int p = 3 * s; p < 3 * s + 3; p++) {
                longest = Math.max(longest, Math.hypot(curve.x(p + 1) - curve.x(p), curve.y(p + 1) - curve.y(p)));
            }
            // A cubic goes nowhere faster than three times its longest leg.
            int steps = (int) Math.min(200_000, Math.max(4, Math.ceil(3 * longest / STEP_PX)));
            for (int i = 1; i <= steps; i++) {
                double t = i / (double) steps;
                double[] place = {curve.at(s, t, 0), curve.at(s, t, 1)};
                double[] last = out.get(out.size() - 1);
                if (i == steps || Math.hypot(place[0] - last[0], place[1] - last[1]) >= STEP_PX / 2) {
                    out.add(place);
                }
            }
        }
        return out.toArray(double[][]::new);
    }

    /** How far the farthest of some places lies from a line. */
    public static double farthest(double[][] places, double[][] line) {
        double[] along = along(line);
        double most = 0;
        int near = 0;
        for (double[] place : places) {
            double best = Double.MAX_VALUE;
            // The nearest piece is mostly close to the last place's; the others are looked at where that is not close
            // enough.
            for (int i = Math.max(0, near - 3); i < Math.min(line.length, near + 12) && best > most; i++) {
                double d = distance(place, line, i);
                near = d < best ? i : near;
                best = Math.min(best, d);
            }
            int i = 0;
            while (i < line.length && best > most) {
                double d = distance(place, line, i);
                if (d < best) {
                    best = d;
                    near = i;
                }
                i++;
                // From the end of this piece on, one comes nearer by what one walks at most.
                double noNearer = along[Math.min(line.length - 1, i)] + d - best;
                while (i + 1 < line.length && along[i + 1] <= noNearer) {
                    i++;
                }
            }
            most = Math.max(most, best);
        }
        return most;
    }

    /** How far it is to each corner of a line. */
    private static double[] along(double[][] line) {
        double[] out = new double[line.length];
        for (int i = 1; i < line.length; i++) {
            out[i] = out[i - 1] + Math.hypot(line[i][0] - line[i - 1][0], line[i][1] - line[i - 1][1]);
        }
        return out;
    }

    private static double distance(double[] place, double[][] line, int i) {
        double[] b = line[Math.min(line.length - 1, i + 1)];
        return Line2D.ptSegDist(line[i][0], line[i][1], b[0], b[1], place[0], place[1]);
    }

    private static double[][] walked(double[][] line) {
        List<double[]> out = new ArrayList<>();
        out.add(line[0]);
        for (int i = 1; i < line.length; i++) {
            double[] a = line[i - 1];
            double[] b = line[i];
            int steps = (int) Math.max(1, Math.ceil(Math.hypot(b[0] - a[0], b[1] - a[1]) / STEP_PX));
            for (int k = 1; k <= steps; k++) {
                double share = k / (double) steps;
                out.add(new double[] {a[0] + share * (b[0] - a[0]), a[1] + share * (b[1] - a[1])});
            }
        }
        return out.toArray(double[][]::new);
    }
}
