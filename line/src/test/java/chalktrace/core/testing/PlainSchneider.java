package chalktrace.core.testing;

import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.PenSample;
import java.util.ArrayList;
import java.util.List;

/**
 * Schneider's method as it was published ("An Algorithm for Automatically Fitting Digitized Curves", Graphics Gems, 1990), with
 * pressure as a third coordinate: to count segments against. It looks at the samples only.
 */
public final class PlainSchneider {

    static final double PRESSURE_PX = 8;

    private static final int REFINEMENTS = 6;

    /** Beyond this many times the tolerance, refining the parameters does not bring the curve within it. */
    private static final double WORTH_REFINING = 4;

    private final double[][] points;
    private final double toleranceSquared;
    private final List<double[][]> segments = new ArrayList<>();

    private PlainSchneider(double[][] points, double tolerance) {
        this.points = points;
        this.toleranceSquared = tolerance * tolerance;
    }

    /**
     * @param samples at least one; repeated places are dropped
     * @param tolerance in pixels, above 0
     * @throws IllegalArgumentException when there is no sample
     */
    public static Curve fit(List<PenSample> samples, double tolerance) {
        double[][] points = distinct(samples);
        if (points.length == 0) {
            throw new IllegalArgumentException("A curve needs at least one sample.");
        }
        if (points.length == 1) {
            return Curve.of(points[0][0], points[0][1], points[0][2] / PRESSURE_PX);
        }
        PlainSchneider fit = new PlainSchneider(points, tolerance);
        fit.cubic(0, points.length - 1, fit.tangent(0, 1), fit.tangent(points.length - 1, -1));
        return fit.toCurve();
    }

    private Curve toCurve() {
        double[] values = new double[3 * (3 * segments.size() + 1)];
        int at = 0;
        for (double[][] segment : segments) {
            for (int i = at == 0 ? 0 : 1; i < 4; i++) {
                values[at++] = segment[i][0];
                values[at++] = segment[i][1];
                values[at++] = segment[i][2] / PRESSURE_PX;
            }
        }
        return Curve.of(values);
    }

    private void cubic(int first, int last, double[] startTangent, double[] endTangent) {
        if (last - first == 1) {
            double third = distance(points[first], points[last]) / 3;
            segments.add(new double[][] {
                points[first],
                along(points[first], startTangent, third),
                along(points[last], endTangent, third),
                points[last]
            });
            return;
        }
        double[] parameters = chordLengths(first, last);
        double[][] bezier = generate(first, last, parameters, startTangent, endTangent);
        Worst worst = worst(first, last, bezier, parameters);
        for (int i = 0; i < REFINEMENTS && worst.error > toleranceSquared; i++) {
            if (worst.error > toleranceSquared * WORTH_REFINING * WORTH_REFINING) {
                break;
            }
            reparameterize(first, last, bezier, parameters);
            bezier = generate(first, last, parameters, startTangent, endTangent);
            worst = worst(first, last, bezier, parameters);
        }
        if (worst.error <= toleranceSquared) {
            segments.add(bezier);
            return;
        }
        double[] back = backTangent(worst.index);
        cubic(first, worst.index, startTangent, back);
        cubic(worst.index, last, negate(back), endTangent);
    }

    /** The least-squares segment for given parameters and end tangents. */
    private double[][] generate(int first, int last, double[] parameters, double[] startTangent, double[] endTangent) {
        double c00 = 0;
        double c01 = 0;
        double c11 = 0;
        double x0 = 0;
        double x1 = 0;
        double tangentsDot = dot(startTangent, endTangent);
        double[] start = points[first];
        double[] end = points[last];
        for (int i = first; i <= last; i++) {
            double t = parameters[i - first];
            double s = 1 - t;
            double b1 = 3 * t * s * s;
            double b2 = 3 * t * t * s;
            double startShare = s * s * s + b1;
            double endShare = t * t * t + b2;
            c00 += b1 * b1;
            c01 += b1 * b2 * tangentsDot;
            c11 += b2 * b2;
            for (int k = 0; k < 3; k++) {
                double rest = points[i][k] - start[k] * startShare - end[k] * endShare;
                x0 += startTangent[k] * b1 * rest;
                x1 += endTangent[k] * b2 * rest;
            }
        }
        double determinant = c00 * c11 - c01 * c01;
        double chord = distance(start, end);
        double alphaStart = Math.abs(determinant) < 1e-12 ? 0 : (x0 * c11 - x1 * c01) / determinant;
        double alphaEnd = Math.abs(determinant) < 1e-12 ? 0 : (c00 * x1 - c01 * x0) / determinant;
        // Where the system is near singular or a handle points backwards, the paper falls to thirds of the chord.
        if (alphaStart < 1e-6 * chord || alphaEnd < 1e-6 * chord) {
            alphaStart = chord / 3;
            alphaEnd = chord / 3;
        }
        return new double[][] {start, along(start, startTangent, alphaStart), along(end, endTangent, alphaEnd), end};
    }

    private record Worst(int index, double error) {}

    private Worst worst(int first, int last, double[][] bezier, double[] parameters) {
        int index = (first + last) / 2;
        double error = 0;
        for (int i = first + 1; i < last; i++) {
            double squared = squaredDistance(point(bezier, parameters[i - first]), points[i]);
            if (squared > error) {
                error = squared;
                index = i;
            }
        }
        return new Worst(index, error);
    }

    /** One step of Newton's method for each parameter towards the nearest point of the segment. */
    private void reparameterize(int first, int last, double[][] bezier, double[] parameters) {
        for (int i = first; i <= last; i++) {
            double t = parameters[i - first];
            double[] at = point(bezier, t);
            double numerator = 0;
            double denominator = 0;
            for (int k = 0; k < 3; k++) {
                double s = 1 - t;
                double a = bezier[1][k] - bezier[0][k];
                double b = bezier[2][k] - bezier[1][k];
                double c = bezier[3][k] - bezier[2][k];
                double firstDerivative = 3 * (a * s * s + 2 * b * s * t + c * t * t);
                double secondDerivative = 6 * ((b - a) * s + (c - b) * t);
                double off = at[k] - points[i][k];
                numerator += off * firstDerivative;
                denominator += firstDerivative * firstDerivative + off * secondDerivative;
            }
            if (Math.abs(denominator) > 1e-12) {
                parameters[i - first] = Math.max(0, Math.min(1, t - numerator / denominator));
            }
        }
    }

    private double[] chordLengths(int first, int last) {
        double[] parameters = new double[last - first + 1];
        for (int i = first + 1; i <= last; i++) {
            parameters[i - first] = parameters[i - first - 1] + distance(points[i - 1], points[i]);
        }
        double total = parameters[parameters.length - 1];
        for (int i = 1; i < parameters.length; i++) {
            parameters[i] /= total;
        }
        return parameters;
    }

    private double[] tangent(int from, int direction) {
        return unit(points[from], points[from + direction]);
    }

    /** The direction at a sample from what follows to what comes before. */
    private double[] backTangent(int index) {
        double[] across = unit(points[index + 1], points[index - 1]);
        // A sample that turns straight back has no middle direction.
        return dot(across, across) > 0 ? across : unit(points[index], points[index - 1]);
    }

    private static double[][] distinct(List<PenSample> samples) {
        List<double[]> kept = new ArrayList<>();
        for (PenSample sample : samples) {
            double[] point = {sample.x(), sample.y(), sample.pressure() * PRESSURE_PX};
            if (kept.isEmpty() || distance(kept.get(kept.size() - 1), point) > 1e-6) {
                kept.add(point);
            }
        }
        return kept.toArray(double[][]::new);
    }

    private static double[] point(double[][] bezier, double t) {
        double s = 1 - t;
        double[] out = new double[3];
        for (int k = 0; k < 3; k++) {
            out[k] = s * s * s * bezier[0][k]
                    + 3 * s * s * t * bezier[1][k]
                    + 3 * s * t * t * bezier[2][k]
                    + t * t * t * bezier[3][k];
        }
        return out;
    }

    private static double[] along(double[] from, double[] direction, double length) {
        return new double[] {
            from[0] + direction[0] * length, from[1] + direction[1] * length, from[2] + direction[2] * length
        };
    }

    private static double[] unit(double[] from, double[] to) {
        double length = distance(from, to);
        return length == 0
                ? new double[3]
                : new double[] {(to[0] - from[0]) / length, (to[1] - from[1]) / length, (to[2] - from[2]) / length};
    }

    private static double[] negate(double[] v) {
        return new double[] {-v[0], -v[1], -v[2]};
    }

    private static double dot(double[] a, double[] b) {
        return a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
    }

    private static double distance(double[] a, double[] b) {
        return Math.sqrt(squaredDistance(a, b));
    }

    private static double squaredDistance(double[] a, double[] b) {
        double x = a[0] - b[0];
        double y = a[1] - b[1];
        double z = a[2] - b[2];
        return x * x + y * y + z * z;
    }
}
