package chalktrace.core.stroke;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Fits cubic Bezier segments to a smooth line through samples ({@link ArcLine}) so that curve and line lie within a tolerance of each other everywhere, and
 * not at the samples only. After Schneider, "An Algorithm for Automatically Fitting Digitized Curves", Graphics Gems, 1990,
 * with these differences: corners are found first and stay; a segment that starts or ends at a corner chooses its own direction
 * there, and nowhere else do two segments meet at an angle; a segment is taken only when the piece of it that
 * belongs to each piece of the line stays beside that piece (so that it follows the line in order, without spikes or loops of its
 * own); what no segment fits is split down to the line's own pieces; and pressure is fitted afterwards ({@link PressureFit}). Cost: n log n in the usual case.
 */
public final class SchneiderFit {

    /** How far the kept pressure may lie from the drawn one, in shares of full pressure, where nothing else is asked for. */
    public static final double PRESSURE_TOLERANCE = 0.01;

    /** Of the tolerance this share goes into thinning. */
    private static final double THINNING = 0.1;

    /** Marks of the line, between which it may turn a corner, are so many tolerances apart. */
    private static final double CORNER_SPACING = 2.5;

    /** Pieces of the line are no longer than so many tolerances, so that long straight runs count as much as short ones. */
    private static final double LONGEST_PIECE = 8;

    private static final int REFINEMENTS = 5;

    /** Beyond this many times the tolerance, refining the parameters does not bring the curve within it. */
    private static final double WORTH_REFINING = 5;

    private static final double WORTH_MERGING = 2;

    /** The direction in which a line runs through a place is taken over so many tolerances to both sides. */
    private static final double DIRECTION_REACH = 5;

    /** Where both sides of that reach turn by more, in radians, the half of it is taken, so many times. */
    private static final double EVEN_TURN = Math.toRadians(40);

    private static final int HALVINGS = 3;

    private static final int MOST_CHECKS = 64;

    private final double tolerance;
    private final List<double[]> segments = new ArrayList<>();

    /** The line between two corners: its points, and how far each is along it. */
    private double[] x;

    private double[] y;
    private double[] length;

    /** The same line before it was thinned: directions are taken from it. */
    private double[] denseX;

    private double[] denseY;
    private double[] denseLength;

    /** What fits, from one corner to the next. */
    private final List<Fitted> fitted = new ArrayList<>();

    /** A segment from one point of the line to another, the places of the points on it, and the directions that it had to keep. */
    private record Fitted(
            int first, int last, double[] bezier, double[] parameters, double[] startTangent, double[] endTangent) {}

    private SchneiderFit(double tolerance) {
        this.tolerance = tolerance * (1 - THINNING);
    }

    /**
     * @param samples at least one; repeated places are dropped
     * @param tolerance in pixels, above 0
     * @throws IllegalArgumentException when there is no sample
     */
    public static Curve fit(List<PenSample> samples, double tolerance) {
        return fit(samples, Corners.of(samples, CORNER_SPACING * tolerance), tolerance, PRESSURE_TOLERANCE);
    }

    /**
     * @param corners the numbers of samples at which the line may turn sharply, in rising order
     * @param pressureTolerance in shares of full pressure, above 0
     */
    static Curve fit(List<PenSample> samples, int[] corners, double tolerance, double pressureTolerance) {
        if (samples.isEmpty()) {
            throw new IllegalArgumentException("A curve needs at least one sample.");
        }
        DistinctPlaces line = DistinctPlaces.of(samples, corners);
        List<PenSample> places = line.places();
        if (places.size() == 1) {
            return Curve.of(places.get(0).x(), places.get(0).y(), places.get(0).pressure());
        }
        SchneiderFit fit = new SchneiderFit(tolerance);
        ArcLine arcs = ArcLine.through(places, line.corners());
        int start = 0;
        for (int corner : line.corners()) {
            fit.piece(arcs, places, start, corner, tolerance, pressureTolerance);
            start = corner;
        }
        fit.piece(arcs, places, start, places.size() - 1, tolerance, pressureTolerance);
        return fit.toCurve();
    }

    private Curve toCurve() {
        double[] values = new double[9 * segments.size() + 3];
        int at = 0;
        for (double[] segment : segments) {
            System.arraycopy(segment, 0, values, at, 12);
            at += 9;
        }
        return Curve.of(values);
    }

    /** From one corner to the next. */
    private void piece(ArcLine arcs, List<PenSample> places, int from, int to, double whole, double pressureTolerance) {
        if (from == to) {
            return;
        }
        List<PenSample> dense = new ArrayList<>();
        double[] pressed = new double[to - from + 1];
        int[] knots = new int[to - from + 1];
        dense.add(places.get(from));
        pressed[0] = places.get(from).pressure();
        for (int i = from; i < to; i++) {
            arcs.addTo(dense, i, THINNING / 5 * whole, LONGEST_PIECE * tolerance);
            knots[i + 1 - from] = dense.size() - 1;
            pressed[i + 1 - from] = places.get(i + 1).pressure();
        }
        lay(dense, DouglasPeucker.simplify(dense, whole * THINNING * 0.8, 2));
        double[] reached =
                Arrays.stream(knots).mapToDouble(knot -> denseLength[knot]).toArray();
        fitted.clear();
        cubic(0, x.length - 1, null, null);
        merge();
        PressureFit pressures = new PressureFit(reached, pressed, pressureTolerance, segments);
        fitted.forEach(part -> pressures.take(part.bezier, part.parameters, length, part.first));
    }

    /** Lays out the points of a piece, evenly enough that every part of it counts. */
    private void lay(List<PenSample> dense, List<PenSample> thin) {
        int count = dense.size();
        denseX = new double[count];
        denseY = new double[count];
        denseLength = new double[count];
        double longest = LONGEST_PIECE * tolerance;
        int most = 1;
        int next = 1;
        int[] kept = new int[thin.size()];
        for (int i = 0; i < count; i++) {
            denseX[i] = dense.get(i).x();
            denseY[i] = dense.get(i).y();
            denseLength[i] =
                    i == 0 ? 0 : denseLength[i - 1] + Math.hypot(denseX[i] - denseX[i - 1], denseY[i] - denseY[i - 1]);
            if (next < kept.length && dense.get(i) == thin.get(next)) {
                kept[next] = i;
                most += (int) Math.ceil((denseLength[i] - denseLength[kept[next - 1]]) / longest);
                next++;
            }
        }
        x = new double[most];
        y = new double[most];
        length = new double[most];
        int at = 0;
        for (int k = 1; k < kept.length; k++) {
            int a = kept[k - 1];
            int b = kept[k];
            int pieces = (int) Math.ceil((denseLength[b] - denseLength[a]) / longest);
            for (int part = k == 1 ? 0 : 1; part <= pieces; part++) {
                double share = part / (double) pieces;
                x[at] = denseX[a] + share * (denseX[b] - denseX[a]);
                y[at] = denseY[a] + share * (denseY[b] - denseY[a]);
                length[at++] = denseLength[a] + share * (denseLength[b] - denseLength[a]);
            }
        }
        x = Arrays.copyOf(x, at);
        y = Arrays.copyOf(y, at);
        length = Arrays.copyOf(length, at);
    }

    /**
     * @param startTangent the direction there, of length one; null at a corner or an end, where it is free
     * @param endTangent likewise, pointing back along the line
     */
    private void cubic(int first, int last, double[] startTangent, double[] endTangent) {
        if (last - first == 1) {
            double[] bezier = shortest(first, last, startTangent, endTangent);
            fitted.add(new Fitted(first, last, bezier, new double[] {0, 1}, startTangent, endTangent));
            return;
        }
        int split = tried(first, last, startTangent, endTangent);
        if (split < 0) {
            return;
        }
        double[] back = backTangent(first, split, last);
        cubic(first, split, startTangent, back);
        cubic(split, last, new double[] {-back[0], -back[1]}, endTangent);
    }

    /** A line that was split where it strayed most may fit in fewer pieces that end elsewhere: neighbours that fit as one become one. */
    private void merge() {
        for (int i = 0; i + 1 < fitted.size(); ) {
            Fitted a = fitted.get(i);
            Fitted b = fitted.get(i + 1);
            int known = fitted.size();
            if (tried(a.first, b.last, a.startTangent, b.endTangent, WORTH_MERGING) < 0) {
                fitted.set(i, fitted.remove(known));
                fitted.remove(i + 1);
                i = Math.max(0, i - 1);
            } else {
                i++;
            }
        }
    }

    /** Adds the segment that fits; else gives the point at which it should be split. */
    private int tried(int first, int last, double[] startTangent, double[] endTangent) {
        return tried(first, last, startTangent, endTangent, WORTH_REFINING);
    }

    /** @param worthRefining beyond this many times the tolerance the parameters are not refined */
    private int tried(int first, int last, double[] startTangent, double[] endTangent, double worthRefining) {
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
                fitted.add(new Fitted(first, last, bezier, parameters, startTangent, endTangent));
                return -1;
            }
            if (i == 0 || worst.error < before) {
                split = worst.index;
            }
            if (worst.error > worthRefining || worst.error > 0.98 * before && i > 1) {
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
        return worst(first, last, turned, new double[] {0, 1}).error <= 1 ? turned : bezier;
    }

    private double[] segment(int first, int last, double startX, double startY, double endX, double endY) {
        return new double[] {
            x[first],
            y[first],
            0,
            x[first] + startX,
            y[first] + startY,
            0,
            x[last] + endX,
            y[last] + endY,
            0,
            x[last],
            y[last],
            0
        };
    }

    /** The least-squares segment for given parameters and end tangents; null when its handles leave all bounds. */
    private double[] generate(int first, int last, double[] parameters, double[] startTangent, double[] endTangent) {
        double c00 = 0;
        double c01 = 0;
        double c11 = 0;
        double ux = 0;
        double uy = 0;
        double vx = 0;
        double vy = 0;
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
            ux += b1 * restX;
            uy += b1 * restY;
            vx += b2 * restX;
            vy += b2 * restY;
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
            double off = off(bezier, t, x[i], y[i]);
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
        double px = Cubic.at(bezier, 0, t);
        double py = Cubic.at(bezier, 1, t);
        double share = Segments.share(px, py, x[i], y[i], x[i + 1], y[i + 1]);
        return off(bezier, t, x[i] + share * (x[i + 1] - x[i]), y[i] + share * (y[i + 1] - y[i]));
    }

    /** How far a place of the segment is from one of the line, in tolerances. */
    private double off(double[] bezier, double t, double lineX, double lineY) {
        return Math.hypot(Cubic.at(bezier, 0, t) - lineX, Cubic.at(bezier, 1, t) - lineY) / (0.95 * tolerance);
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
                double off = Cubic.at(bezier, k, t) - (k == 0 ? x[i] : y[i]);
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

    /** The direction at a point from what follows to what comes before, of length one: across it as far as the line bends evenly. */
    private double[] backTangent(int first, int index, int last) {
        double here = length[index];
        double reach =
                Math.min(DIRECTION_REACH * tolerance, Math.min(here, denseLength[denseLength.length - 1] - here));
        double[] best = null;
        for (int i = 0; i <= HALVINGS; i++, reach /= 2) {
            double[] before = place(here - reach);
            double[] after = place(here + reach);
            double ux = x[index] - before[0];
            double uy = y[index] - before[1];
            double vx = after[0] - x[index];
            double vy = after[1] - y[index];
            double size = Math.hypot(after[0] - before[0], after[1] - before[1]);
            if (size > 1e-9) {
                best = new double[] {(before[0] - after[0]) / size, (before[1] - after[1]) / size};
            }
            if (Math.abs(Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy)) < EVEN_TURN) {
                break;
            }
        }
        return best == null ? new double[] {1, 0} : best;
    }

    /** The place so far along the line. */
    private double[] place(double along) {
        int found = Arrays.binarySearch(denseLength, along);
        int i = Math.max(0, Math.min(denseLength.length - 2, found >= 0 ? found : -found - 2));
        double piece = denseLength[i + 1] - denseLength[i];
        double share = piece == 0 ? 0 : Math.max(0, Math.min(1, (along - denseLength[i]) / piece));
        return new double[] {
            denseX[i] + share * (denseX[i + 1] - denseX[i]), denseY[i] + share * (denseY[i + 1] - denseY[i])
        };
    }
}
