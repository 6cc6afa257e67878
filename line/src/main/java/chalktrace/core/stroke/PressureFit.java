package chalktrace.core.stroke;

import java.util.Arrays;
import java.util.List;

/**
 * Gives fitted segments their pressures: a cubic for each segment through the pressure at its ends (least squares between). Where that strays from what was
 * pressed by more than a tolerance, or swings out beyond it between two places where it was felt, the segment is cut. A cut leaves its path as it is. What a
 * segment takes is added to a list of segments, in order.
 */
final class PressureFit {

    private final double[] length;
    private final double[] pressure;
    private final double tolerance;
    private final List<double[]> out;

    /**
     * @param length how far along the line each pressure was felt, rising
     * @param pressure 0 to 1
     * @param tolerance in shares of full pressure, above 0
     * @param out takes the segments, twelve numbers each
     */
    PressureFit(double[] length, double[] pressure, double tolerance, List<double[]> out) {
        this.length = length;
        this.pressure = pressure;
        this.tolerance = tolerance;
        this.out = out;
    }

    /**
     * @param bezier x, y and pressure of four control points; its pressures are set
     * @param parameters where on it the points of the line lie, 0 to 1
     * @param along the line, how far each of its points is
     * @param first the number of the point that lies at parameter 0
     */
    void take(double[] bezier, double[] parameters, double[] along, int first) {
        double start = along[first];
        double end = along[first + parameters.length - 1];
        int from = firstAbove(start);
        int to = firstAbove(end);
        double[] t = new double[Math.max(0, to - from)];
        double[] felt = new double[t.length];
        int count = 0;
        int k = 0;
        for (int i = from; i < to && length[i] < end; i++) {
            while (k + 2 < parameters.length && along[first + k + 1] < length[i]) {
                k++;
            }
            double piece = along[first + k + 1] - along[first + k];
            double share = piece == 0 ? 0 : Math.min(1, (length[i] - along[first + k]) / piece);
            t[count] = parameters[k] + share * (parameters[k + 1] - parameters[k]);
            felt[count++] = pressure[i];
        }
        cut(bezier, Arrays.copyOf(t, count), Arrays.copyOf(felt, count), at(start), at(end));
    }

    private void cut(double[] bezier, double[] t, double[] felt, double start, double end) {
        set(bezier, t, felt, start, end);
        int worst = -1;
        double most = tolerance;
        for (int i = 0; i < t.length; i++) {
            boolean canBeCut = t[i] > 1e-3 && t[i] < 1 - 1e-3;
            double off = Math.max(
                    Math.abs(Cubic.at(bezier, 2, t[i]) - felt[i]),
                    Math.max(
                            swing(bezier, i == 0 ? 0 : t[i - 1], t[i], i == 0 ? start : felt[i - 1], felt[i]),
                            i + 1 < t.length ? 0 : swing(bezier, t[i], 1, felt[i], end)));
            if (off > most && canBeCut) {
                most = off;
                worst = i;
            }
        }
        if (worst < 0) {
            out.add(bezier);
            return;
        }
        double at = t[worst];
        double[] left = new double[12];
        double[] right = new double[12];
        Cubic.piece(bezier, 0, 0, at, left, 0);
        Cubic.piece(bezier, 0, at, 1, right, 0);
        double[] before = Arrays.stream(t, 0, worst).map(place -> place / at).toArray();
        double[] after = Arrays.stream(t, worst + 1, t.length)
                .map(place -> (place - at) / (1 - at))
                .toArray();
        cut(left, before, Arrays.copyOf(felt, worst), start, felt[worst]);
        cut(right, after, Arrays.copyOfRange(felt, worst + 1, felt.length), felt[worst], end);
    }

    /** How far the pressure half way between two places lies outside of what was felt at them. */
    private static double swing(double[] bezier, double from, double to, double before, double after) {
        double half = Cubic.at(bezier, 2, (from + to) / 2);
        return Math.max(Math.min(before, after) - half, half - Math.max(before, after));
    }

    /** The least-squares pressures of the inner control points; evenly from end to end where too little was felt between. */
    private static void set(double[] bezier, double[] t, double[] felt, double start, double end) {
        double c00 = 0;
        double c01 = 0;
        double c11 = 0;
        double u = 0;
        double v = 0;
        for (int i = 0; i < t.length; i++) {
            double s = 1 - t[i];
            double b1 = 3 * t[i] * s * s;
            double b2 = 3 * t[i] * t[i] * s;
            double rest = felt[i] - start * s * s * (s + 3 * t[i]) - end * t[i] * t[i] * (t[i] + 3 * s);
            c00 += b1 * b1;
            c01 += b1 * b2;
            c11 += b2 * b2;
            u += b1 * rest;
            v += b2 * rest;
        }
        double determinant = c00 * c11 - c01 * c01;
        boolean few = t.length < 2 || determinant <= 1e-6 * c00 * c11;
        double rise = (end - start) / 3;
        bezier[2] = start;
        bezier[5] = few ? start + rise : clamped(start + (u * c11 - v * c01) / determinant);
        bezier[8] = few ? end - rise : clamped(end + (c00 * v - c01 * u) / determinant);
        bezier[11] = end;
    }

    private static double clamped(double pressure) {
        return Math.max(0, Math.min(1, pressure));
    }

    /** The first pressure that was felt beyond a place on the line. */
    private int firstAbove(double place) {
        int found = Arrays.binarySearch(length, place);
        return found >= 0 ? found + 1 : -found - 1;
    }

    private double at(double place) {
        int next = Math.min(length.length - 1, firstAbove(place));
        int before = Math.max(0, next - 1);
        double piece = length[next] - length[before];
        double share = piece == 0 ? 1 : Math.max(0, Math.min(1, (place - length[before]) / piece));
        return pressure[before] + share * (pressure[next] - pressure[before]);
    }
}
