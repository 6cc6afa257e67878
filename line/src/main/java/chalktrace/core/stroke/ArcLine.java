package chalktrace.core.stroke;

import java.util.List;

/**
 * A smooth line through places: between two of them a cubic Bezier segment whose tangents are those of the circles through neighbouring places, and whose
 * handles are as long as an arc wants them, so that evenly drawn circles come out round however few their places are (four thirds of the
 * tangent of a quarter of the angle: Goldapp, "Approximation of circular arcs by cubic polynomials", Computer Aided Geometric Design
 * 8, 1991). At a corner, and where a line turns straight back, the pieces on both sides have their own tangents. Each place changes the line up to
 * the second place on either side, and farther only where places lie very unevenly.
 */
final class ArcLine {

    /** A neighbour that is closer than this share of the one on the other side says too little of the direction. */
    private static final double NEAREST = 0.25;

    private static final int FARTHEST = 8;

    private static final int MOST_PIECES = 96;

    /** Where a line turns by more, in radians, both sides have their own tangents. */
    private static final double REVERSAL = Math.toRadians(165);

    private final double[] x;
    private final double[] y;
    private final double[] pressure;

    /** The unit tangents after and before each place. */
    private final double[] outX;

    private final double[] outY;
    private final double[] inX;
    private final double[] inY;
    private final boolean[] corner;

    private ArcLine(List<PenSample> places, int[] corners) {
        int n = places.size();
        x = new double[n];
        y = new double[n];
        pressure = new double[n];
        outX = new double[n];
        outY = new double[n];
        inX = new double[n];
        inY = new double[n];
        corner = new boolean[n];
        for (int i = 0; i < n; i++) {
            x[i] = places.get(i).x();
            y[i] = places.get(i).y();
            pressure[i] = places.get(i).pressure();
        }
        corner[0] = true;
        corner[n - 1] = true;
        for (int at : corners) {
            corner[at] = true;
        }
        for (int i = 1; i < n - 1; i++) {
            if (!corner[i]) {
                tangent(i);
            }
        }
        for (int i = 0; i < n; i++) {
            if (corner[i]) {
                ownTangents(i);
            }
        }
    }

    /** @param places at least one, @param corners numbers of places, in rising order */
    static ArcLine through(List<PenSample> places, int[] corners) {
        return new ArcLine(places, corners);
    }

    /** The line as a curve; pressure changes evenly between two places. */
    Curve curve() {
        double[] values = new double[9 * x.length - 6];
        double[] handles = new double[4];
        for (int i = 0; i < x.length; i++) {
            int at = 9 * i;
            values[at] = x[i];
            values[at + 1] = y[i];
            values[at + 2] = pressure[i];
            if (i + 1 < x.length) {
                handles(i, handles);
                double rise = (pressure[i + 1] - pressure[i]) / 3;
                values[at + 3] = handles[0];
                values[at + 4] = handles[1];
                values[at + 5] = pressure[i] + rise;
                values[at + 6] = handles[2];
                values[at + 7] = handles[3];
                values[at + 8] = pressure[i + 1] - rise;
            }
        }
        return Curve.of(values);
    }

    /** The two control points between a place and the next: x and y of each. */
    private void handles(int i, double[] out) {
        double dx = x[i + 1] - x[i];
        double dy = y[i + 1] - y[i];
        double chord = Math.hypot(dx, dy);
        double start = chord == 0 ? 1 : (dx * outX[i] + dy * outY[i]) / chord;
        double end = chord == 0 ? 1 : (dx * inX[i + 1] + dy * inY[i + 1]) / chord;
        double length = chord * 2 / 3 / (1 + Math.max(0, (start + end) / 2));
        out[0] = x[i] + length * outX[i];
        out[1] = y[i] + length * outY[i];
        out[2] = x[i + 1] - length * inX[i + 1];
        out[3] = y[i + 1] - length * inY[i + 1];
    }

    private void tangent(int i) {
        int before = i - 1;
        int after = i + 1;
        while (before > 0 && !corner[before] && away(i, before) == 0) {
            before--;
        }
        while (after < x.length - 1 && !corner[after] && away(i, after) == 0) {
            after++;
        }
        int reach = FARTHEST;
        while (before > 0 && !corner[before] && reach-- > 0 && away(i, before) < NEAREST * away(i, after)) {
            before--;
        }
        while (after < x.length - 1 && !corner[after] && reach-- > 0 && away(i, after) < NEAREST * away(i, before)) {
            after++;
        }
        double l1 = away(before, i);
        double l2 = away(i, after);
        if (l1 == 0 || l2 == 0) {
            corner[i] = true;
            return;
        }
        double ax = (x[i] - x[before]) / l1;
        double ay = (y[i] - y[before]) / l1;
        double bx = (x[after] - x[i]) / l2;
        double by = (y[after] - y[i]) / l2;
        double tx = l2 * ax + l1 * bx;
        double ty = l2 * ay + l1 * by;
        double size = Math.hypot(tx, ty);
        if (Math.abs(Math.atan2(ax * by - ay * bx, ax * bx + ay * by)) > REVERSAL || size < 1e-12) {
            corner[i] = true;
            return;
        }
        outX[i] = inX[i] = tx / size;
        outY[i] = inY[i] = ty / size;
    }

    private double away(int a, int b) {
        return Math.hypot(x[b] - x[a], y[b] - y[a]);
    }

    /** At an end of the line or a corner, an arc that ends in the neighbour's tangent begins. */
    private void ownTangents(int i) {
        if (i + 1 < x.length) {
            double[] on = mirrored(i, i + 1, outX, outY);
            outX[i] = on[0];
            outY[i] = on[1];
        }
        if (i > 0) {
            double[] in = mirrored(i, i - 1, inX, inY);
            inX[i] = in[0];
            inY[i] = in[1];
        }
    }

    /** The tangent of a neighbour seen from the other end of the piece between; along that piece where the neighbour is a corner too. */
    private double[] mirrored(int i, int neighbour, double[] tangentX, double[] tangentY) {
        double dx = (x[neighbour] - x[i]) * Math.signum(neighbour - i);
        double dy = (y[neighbour] - y[i]) * Math.signum(neighbour - i);
        double size = Math.hypot(dx, dy);
        if (size == 0) {
            return new double[] {1, 0};
        }
        dx /= size;
        dy /= size;
        if (corner[neighbour]) {
            return new double[] {dx, dy};
        }
        double along = tangentX[neighbour] * dx + tangentY[neighbour] * dy;
        return new double[] {2 * along * dx - tangentX[neighbour], 2 * along * dy - tangentY[neighbour]};
    }

    /** Adds places of the piece between a place and the next, its end included, to a list: close enough for a tolerance in px. */
    void addTo(List<PenSample> out, int i, double tolerance, double longest) {
        double[] handles = new double[4];
        handles(i, handles);
        double bend = Math.max(
                Math.hypot(x[i] - 2 * handles[0] + handles[2], y[i] - 2 * handles[1] + handles[3]),
                Math.hypot(handles[0] - 2 * handles[2] + x[i + 1], handles[1] - 2 * handles[3] + y[i + 1]));
        // A cubic strays from its chords by at most an eighth of its greatest second derivative over the pieces
        // squared.
        double curved = Math.sqrt(0.75 * bend / tolerance);
        int pieces = (int) Math.max(1, Math.min(MOST_PIECES, Math.ceil(Math.max(curved, away(i, i + 1) / longest))));
        for (int k = 1; k <= pieces; k++) {
            double t = k / (double) pieces;
            double u = 1 - t;
            double b1 = 3 * t * u * u;
            double b2 = 3 * t * t * u;
            out.add(new PenSample(
                    u * u * u * x[i] + b1 * handles[0] + b2 * handles[2] + t * t * t * x[i + 1],
                    u * u * u * y[i] + b1 * handles[1] + b2 * handles[3] + t * t * t * y[i + 1],
                    pressure[i] + t * (pressure[i + 1] - pressure[i]),
                    0));
        }
    }
}
