package chalktrace.core.stroke;

import java.util.ArrayList;
import java.util.List;

/**
 * Fits cubic Bezier segments to a line of samples so that curve and line lie within a tolerance of each other everywhere, and
 * not at the samples only. After Schneider, "An Algorithm for Automatically Fitting Digitized Curves", Graphics Gems, 1990,
 * with these differences: corners are found first and stay; a segment that starts or ends at a corner chooses its own direction
 * there; pressure is fitted as a third coordinate with a tolerance of its own; a segment is taken only when the piece of it that
 * belongs to each piece of the line stays beside that piece (so that it follows the line in order, without spikes or loops of its
 * own); and what no segment fits is split down to straight pieces, which always fit. Cost: n log n in the usual case.
 */
public final class SchneiderFit {

    /** How far the kept pressure may lie from the drawn one, in shares of full pressure. */
    public static final double PRESSURE_TOLERANCE = 0.01;

    /** Of both tolerances this share goes into thinning. */
    private static final double THINNING = 0.1;

    /** A line turns a corner between arms of so many tolerances. */
    private static final double CORNER_REACH = 12;

    /** Pieces of the line are no longer than so many tolerances, so that long straight runs count as much as short ones. */
    private static final double LONGEST_PIECE = 8;

    private static final int REFINEMENTS = 5;

    /** Beyond this many times the tolerance, refining the parameters does not bring the curve within it. */
    private static final double WORTH_REFINING = 5;

    /** The direction in which a line runs through a place is taken over so many tolerances to both sides. */
    private static final double DIRECTION_REACH = 5;

    private static final int MOST_CHECKS = 64;

    private final double tolerance;
    private final double pressureTolerance;
    private final List<double[]> segments = new ArrayList<>();
    private double[] x;
    private double[] y;
    private double[] weight;

    /** The length of the line up to each point. */
    private double[] length;

    private SchneiderFit(double tolerance) {
        this.tolerance = tolerance * (1 - THINNING);
        this.pressureTolerance = PRESSURE_TOLERANCE * (1 - THINNING);
    }

    /**
     * @param samples at least one; repeated places are dropped
     * @param tolerance in pixels, above 0
     * @throws IllegalArgumentException when there is no sample
     */
    public static Curve fit(List<PenSample> samples, double tolerance) {
        return fit(samples, Corners.of(samples, CORNER_REACH * tolerance), tolerance);
    }

    /** @param corners the numbers of samples at which the line may turn sharply, in rising order */
    static Curve fit(List<PenSample> samples, int[] corners, double tolerance) {
        if (samples.isEmpty()) {
            throw new IllegalArgumentException("A curve needs at least one sample.");
        }
        SchneiderFit fit = new SchneiderFit(tolerance);
        int start = 0;
        for (int corner : corners) {
            fit.piece(samples.subList(start, corner + 1), tolerance);
            start = corner;
        }
        fit.piece(samples.subList(start, samples.size()), tolerance);
        return fit.toCurve(samples.get(0));
    }

    private Curve toCurve(PenSample first) {
        if (segments.isEmpty()) {
            return Curve.of(first.x(), first.y(), weight[0]);
        }
        double[] values = new double[9 * segments.size() + 3];
        int at = 0;
        for (double[] segment : segments) {
            System.arraycopy(segment, 0, values, at, 12);
            at += 9;
        }
        return Curve.of(values);
    }

    /** From one corner to the next. */
    private void piece(List<PenSample> samples, double whole) {
        List<PenSample> thin = DouglasPeucker.simplify(samples, whole * THINNING, PRESSURE_TOLERANCE * THINNING);
        int count = spread(thin);
        if (count > 1) {
            cubic(0, count - 1, null, null);
        }
    }

    /** Lays out the points of a piece, evenly enough that every part of it counts; places that repeat are dropped. */
    private int spread(List<PenSample> thin) {
        double longest = LONGEST_PIECE * tolerance;
        int most = 1;
        for (int i = 1; i < thin.size(); i++) {
            most += (int) Math.ceil(distance(thin.get(i - 1), thin.get(i)) / longest) + 1;
        }
        x = new double[most];
        y = new double[most];
        weight = new double[most];
        length = new double[most];
        int at = put(0, thin.get(0), thin.get(0), 1);
        for (int i = 1; i < thin.size(); i++) {
            PenSample a = thin.get(i - 1);
            PenSample b = thin.get(i);
            int pieces = Math.max(1, (int) Math.ceil(distance(a, b) / longest));
            for (int k = 1; k <= pieces; k++) {
                at = put(at, a, b, k / (double) pieces);
            }
        }
        return at;
    }

    private int put(int at, PenSample a, PenSample b, double share) {
        x[at] = a.x() + share * (b.x() - a.x());
        y[at] = a.y() + share * (b.y() - a.y());
        weight[at] = a.pressure() + share * (b.pressure() - a.pressure());
        if (at == 0) {
            return 1;
        }
        double step = Math.hypot(x[at] - x[at - 1], y[at] - y[at - 1]);
        length[at] = length[at - 1] + step;
        if (step > 1e-6) {
            return at + 1;
        }
        // A pen that rests presses once: as hard as it did while it rested.
        weight[at - 1] = Math.max(weight[at - 1], weight[at]);
        return at;
    }

    /**
     * @param startTangent the direction there, of length one; null at a corner or an end, where it is free
     * @param endTangent likewise, pointing back along the line
     */
    private void cubic(int first, int last, double[] startTangent, double[] endTangent) {
        if (last - first == 1) {
            segments.add(shortest(first, last, startTangent, endTangent));
            return;
        }
        int split = tried(first, last, startTangent, endTangent);
        if (split < 0) {
            return;
        }
        boolean small = length[last] - length[first] < 2 * DIRECTION_REACH * tolerance;
        if (small && (startTangent != null || endTangent != null) && tried(first, last, null, null) < 0) {
            return;
        }
        double[] back = backTangent(first, split, last);
        cubic(first, split, startTangent, back);
        cubic(split, last, new double[] {-back[0], -back[1]}, endTangent);
    }

    /** Adds the segment that fits; else gives the point at which it should be split. */
    private int tried(int first, int last, double[] startTangent, double[] endTangent) {
        double[] parameters = chordLengths(first, last);
        int split = (first + last) / 2;
        double before = Double.MAX_VALUE;
        for (int i = 0; i <= REFINEMENTS; i++) {
            double[] bezier = generate(first, last, parameters, startTangent, endTangent);
            if (bezier == null) {
                return split;
            }
            Worst worst = worst(first, last, bezier, parameters);
            if (worst.error <= 1) {
                segments.add(bezier);
                return -1;
            }
            if (i == 0 || worst.error < before) {
                split = worst.index;
            }
            if (worst.error > WORTH_REFINING || worst.error > 0.98 * before && i > 1) {
                return split;
            }
            before = worst.error;
            reparameterize(first, last, bezier, parameters);
        }
        return split;
    }

    /** Between two neighbouring points: along the line's directions where that stays beside it, else straight. */
    private double[] shortest(int first, int last, double[] startTangent, double[] endTangent) {
        double third = (length[last] - length[first]) / 3;
        double dx = (x[last] - x[first]) / 3;
        double dy = (y[last] - y[first]) / 3;
        double[] bezier = segment(first, last, dx, dy, -dx, -dy);
        double[] turned = segment(
                first,
                last,
                startTangent == null ? dx : third * startTangent[0],
                startTangent == null ? dy : third * startTangent[1],
                endTangent == null ? -dx : third * endTangent[0],
                endTangent == null ? -dy : third * endTangent[1]);
        double rise = (weight[last] - weight[first]) / 3;
        bezier[5] = turned[5] = weight[first] + rise;
        bezier[8] = turned[8] = weight[last] - rise;
        return worst(first, last, turned, new double[] {0, 1}).error <= 1 ? turned : bezier;
    }

    private double[] segment(int first, int last, double startX, double startY, double endX, double endY) {
        return new double[] {
            x[first],
            y[first],
            weight[first],
            x[first] + startX,
            y[first] + startY,
            0,
            x[last] + endX,
            y[last] + endY,
            0,
            x[last],
            y[last],
            weight[last]
        };
    }

    /** The least-squares segment for given parameters and end tangents; null when its handles leave all bounds. */
    private double[] generate(int first, int last, double[] parameters, double[] startTangent, double[] endTangent) {
        double c00 = 0;
        double c01 = 0;
        double c11 = 0;
        double ux = 0;
        double uy = 0;
        double up = 0;
        double vx = 0;
        double vy = 0;
        double vp = 0;
        for (int i = first; i <= last; i++) {
            double t = parameters[i - first];
            double s = 1 - t;
            double b1 = 3 * t * s * s;
            double b2 = 3 * t * t * s;
            double startShare = s * s * s + b1;
            double endShare = t * t * t + b2;
            c00 += b1 * b1;
            c01 += b1 * b2;
            c11 += b2 * b2;
            double restX = x[i] - x[first] * startShare - x[last] * endShare;
            double restY = y[i] - y[first] * startShare - y[last] * endShare;
            double restP = weight[i] - weight[first] * startShare - weight[last] * endShare;
            ux += b1 * restX;
            uy += b1 * restY;
            up += b1 * restP;
            vx += b2 * restX;
            vy += b2 * restY;
            vp += b2 * restP;
        }
        double determinant = c00 * c11 - c01 * c01;
        double[] out = segment(first, last, 0, 0, 0, 0);
        boolean singular = determinant < 1e-9 * c00 * c11 || c00 * c11 == 0;
        double thirdX = (x[last] - x[first]) / 3;
        double thirdY = (y[last] - y[first]) / 3;
        double third = Math.hypot(thirdX, thirdY);
        if (singular) {
            setHandle(out, 3, x[first], y[first], startTangent, third, thirdX, thirdY);
            setHandle(out, 6, x[last], y[last], endTangent, third, -thirdX, -thirdY);
        } else if (startTangent == null && endTangent == null) {
            out[3] += (ux * c11 - vx * c01) / determinant;
            out[4] += (uy * c11 - vy * c01) / determinant;
            out[6] += (c00 * vx - c01 * ux) / determinant;
            out[7] += (c00 * vy - c01 * uy) / determinant;
        } else if (endTangent == null) {
            double along = (startTangent[0] * (ux - c01 * vx / c11) + startTangent[1] * (uy - c01 * vy / c11))
                    / (c00 - c01 * c01 / c11);
            double a = along > 1e-6 * third ? along : third;
            out[3] += a * startTangent[0];
            out[4] += a * startTangent[1];
            out[6] += (vx - c01 * a * startTangent[0]) / c11;
            out[7] += (vy - c01 * a * startTangent[1]) / c11;
        } else if (startTangent == null) {
            double along = (endTangent[0] * (vx - c01 * ux / c00) + endTangent[1] * (vy - c01 * uy / c00))
                    / (c11 - c01 * c01 / c00);
            double a = along > 1e-6 * third ? along : third;
            out[6] += a * endTangent[0];
            out[7] += a * endTangent[1];
            out[3] += (ux - c01 * a * endTangent[0]) / c00;
            out[4] += (uy - c01 * a * endTangent[1]) / c00;
        } else {
            double dot = startTangent[0] * endTangent[0] + startTangent[1] * endTangent[1];
            double mixed = c01 * dot;
            double u = startTangent[0] * ux + startTangent[1] * uy;
            double v = endTangent[0] * vx + endTangent[1] * vy;
            double both = c00 * c11 - mixed * mixed;
            double a = both < 1e-12 ? 0 : (u * c11 - v * mixed) / both;
            double b = both < 1e-12 ? 0 : (c00 * v - mixed * u) / both;
            // Where a handle points backwards, the paper falls to thirds of the chord.
            if (a < 1e-6 * third || b < 1e-6 * third) {
                a = third;
                b = third;
            }
            out[3] += a * startTangent[0];
            out[4] += a * startTangent[1];
            out[6] += b * endTangent[0];
            out[7] += b * endTangent[1];
        }
        double rise = (weight[last] - weight[first]) / 3;
        out[5] = singular ? weight[first] + rise : clamped(weight[first] + (up * c11 - vp * c01) / determinant);
        out[8] = singular ? weight[last] - rise : clamped(weight[last] + (c00 * vp - c01 * up) / determinant);
        // No handle is longer than the line that it bends.
        double bound = length[last] - length[first];
        boolean bounded = Math.hypot(out[3] - x[first], out[4] - y[first]) <= bound
                && Math.hypot(out[6] - x[last], out[7] - y[last]) <= bound;
        return bounded ? out : null;
    }

    private static void setHandle(
            double[] out,
            int at,
            double fromX,
            double fromY,
            double[] tangent,
            double third,
            double freeX,
            double freeY) {
        out[at] = fromX + (tangent == null ? freeX : third * tangent[0]);
        out[at + 1] = fromY + (tangent == null ? freeY : third * tangent[1]);
    }

    private static double clamped(double pressure) {
        return Math.max(0, Math.min(1, pressure));
    }

    /** @param error in tolerances: up to 1 the segment fits */
    private record Worst(int index, double error) {}

    /**
     * Goes along segment and line together: the places of the segment that belong to the points of the line have to lie by these,
     * and what lies between two such places beside the piece of the line between the two points.
     */
    private Worst worst(int first, int last, double[] bezier, double[] parameters) {
        Worst points = worstPoint(first, last, bezier, parameters);
        return points.error > 1 ? points : worstBeside(first, last, bezier, parameters, points);
    }

    private Worst worstPoint(int first, int last, double[] bezier, double[] parameters) {
        int index = (first + last) / 2;
        double error = 0;
        for (int i = first + 1; i < last; i++) {
            double t = parameters[i - first];
            double off = off(bezier, t, x[i], y[i], weight[i]);
            if (off > error) {
                error = off;
                index = i;
            }
        }
        return new Worst(index, error);
    }

    private Worst worstBeside(int first, int last, double[] bezier, double[] parameters, Worst points) {
        double bend = 6 * Math.max(bend(bezier, 0), bend(bezier, 3));
        // Chords of so many parts stray from the segment by no more than a twentieth of the tolerance.
        double parts = Math.sqrt(bend / (0.4 * tolerance));
        int index = points.index;
        double error = points.error;
        for (int i = first; i < last; i++) {
            double from = parameters[i - first];
            double step = parameters[i + 1 - first] - from;
            int checks = (int) Math.ceil(step * parts);
            if (checks > MOST_CHECKS) {
                return new Worst(inner(i, first, last), Double.MAX_VALUE);
            }
            for (int k = 1; k < checks; k++) {
                double off = besidePiece(bezier, from + step * k / checks, i);
                if (off > error) {
                    error = off;
                    index = inner(2 * k < checks ? i : i + 1, first, last);
                }
            }
        }
        return new Worst(index, error);
    }

    private static int inner(int i, int first, int last) {
        return Math.max(first + 1, Math.min(last - 1, i));
    }

    private double besidePiece(double[] bezier, double t, int i) {
        double px = at(bezier, t, 0);
        double py = at(bezier, t, 1);
        double share = Segments.share(px, py, x[i], y[i], x[i + 1], y[i + 1]);
        return off(
                bezier,
                t,
                x[i] + share * (x[i + 1] - x[i]),
                y[i] + share * (y[i + 1] - y[i]),
                weight[i] + share * (weight[i + 1] - weight[i]));
    }

    /** How far a place of the segment is from one of the line, in tolerances. */
    private double off(double[] bezier, double t, double lineX, double lineY, double lineWeight) {
        double dx = at(bezier, t, 0) - lineX;
        double dy = at(bezier, t, 1) - lineY;
        double lighter = Math.abs(at(bezier, t, 2) - lineWeight);
        return Math.max(Math.sqrt(dx * dx + dy * dy) / (0.95 * tolerance), lighter / pressureTolerance);
    }

    private static double bend(double[] bezier, int from) {
        return Math.hypot(
                bezier[from] - 2 * bezier[from + 3] + bezier[from + 6],
                bezier[from + 1] - 2 * bezier[from + 4] + bezier[from + 7]);
    }

    /** One step of Newton's method for each parameter towards the nearest point of the segment; they stay in order. */
    private void reparameterize(int first, int last, double[] bezier, double[] parameters) {
        double[] a = {bezier[3] - bezier[0], bezier[4] - bezier[1]};
        double[] b = {bezier[6] - bezier[3], bezier[7] - bezier[4]};
        double[] c = {bezier[9] - bezier[6], bezier[10] - bezier[7]};
        for (int i = first + 1; i < last; i++) {
            double t = parameters[i - first];
            double s = 1 - t;
            double numerator = 0;
            double denominator = 0;
            for (int k = 0; k < 2; k++) {
                double firstDerivative = 3 * (a[k] * s * s + 2 * b[k] * s * t + c[k] * t * t);
                double secondDerivative = 6 * ((b[k] - a[k]) * s + (c[k] - b[k]) * t);
                double off = at(bezier, t, k) - (k == 0 ? x[i] : y[i]);
                numerator += off * firstDerivative;
                denominator += firstDerivative * firstDerivative + off * secondDerivative;
            }
            double moved = Math.abs(denominator) > 1e-12 ? t - numerator / denominator : t;
            parameters[i - first] = Math.max(parameters[i - first - 1], Math.min(1, moved));
        }
    }

    private double[] chordLengths(int first, int last) {
        double[] parameters = new double[last - first + 1];
        double total = length[last] - length[first];
        for (int i = first + 1; i <= last; i++) {
            parameters[i - first] = i == last ? 1 : (length[i] - length[first]) / total;
        }
        return parameters;
    }

    /** The direction at a point from what follows to what comes before, of length one. */
    private double[] backTangent(int first, int index, int last) {
        double reach = DIRECTION_REACH * tolerance;
        int before = index - 1;
        while (before > first && length[index] - length[before] < reach) {
            before--;
        }
        int after = index + 1;
        while (after < last && length[after] - length[index] < reach) {
            after++;
        }
        double dx = x[before] - x[after];
        double dy = y[before] - y[after];
        double size = Math.hypot(dx, dy);
        if (size < 1e-9) {
            // A line that turns straight back has no middle direction.
            dx = x[before] - x[index];
            dy = y[before] - y[index];
            size = Math.hypot(dx, dy);
        }
        return size < 1e-9 ? new double[] {1, 0} : new double[] {dx / size, dy / size};
    }

    private static double at(double[] bezier, double t, int k) {
        double s = 1 - t;
        return s * s * s * bezier[k]
                + 3 * s * s * t * bezier[k + 3]
                + 3 * s * t * t * bezier[k + 6]
                + t * t * t * bezier[k + 9];
    }

    private static double distance(PenSample a, PenSample b) {
        return Math.hypot(b.x() - a.x(), b.y() - a.y());
    }
}
