package chalktrace.core.between;

import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.PenSample;
import chalktrace.core.stroke.SchneiderFit;
import java.util.ArrayList;
import java.util.List;

/** A stroke's curve as points evenly spaced along it, with their pressures; of one that closes and runs on the round alone. */
record Polyline(double[] x, double[] y, double[] pressure) {

    private static final int DENSE = 24;

    /** In shares of its length: a line that comes so close to its start is closed, and what runs on from there is no longer than this. */
    private static final double CLOSES = 0.04;

    private static final double LONGEST_OVERLAP = 0.25;

    static Polyline of(Curve curve, int count) {
        int steps = Math.max(1, curve.segments() * DENSE);
        double[] length = new double[steps + 1];
        double[] place = new double[steps + 1];
        double[] curveX = new double[steps + 1];
        double[] curveY = new double[steps + 1];
        curveX[0] = curve.at(0, 0);
        curveY[0] = curve.at(0, 1);
        for (int i = 1; i <= steps; i++) {
            place[i] = curve.segments() * (double) i / steps;
            curveX[i] = curve.at(place[i], 0);
            curveY[i] = curve.at(place[i], 1);
            length[i] = length[i - 1] + Math.hypot(curveX[i] - curveX[i - 1], curveY[i] - curveY[i - 1]);
        }
        int end = closing(curveX, curveY, length);
        Polyline out = new Polyline(new double[count], new double[count], new double[count]);
        int at = 1;
        for (int i = 0; i < count; i++) {
            double wanted = length[end] * i / (count - 1);
            while (at < steps && length[at] < wanted) {
                at++;
            }
            double piece = length[at] - length[at - 1];
            double share = piece == 0 ? 0 : Math.max(0, Math.min(1, (wanted - length[at - 1]) / piece));
            double where = place[at - 1] + share * (place[at] - place[at - 1]);
            out.x[i] = curve.at(where, 0);
            out.y[i] = curve.at(where, 1);
            out.pressure[i] = curve.at(where, 2);
        }
        return out;
    }

    /** Where a line ends that runs on beyond its own start, as a hand closes an oval: where it comes closest to that. */
    private static int closing(double[] x, double[] y, double[] length) {
        int last = x.length - 1;
        int end = last;
        double least = Math.min(CLOSES * length[last], Math.hypot(x[last] - x[0], y[last] - y[0]));
        for (int i = last; i > 0 && length[i] > (1 - LONGEST_OVERLAP) * length[last]; i--) {
            double away = Math.hypot(x[i] - x[0], y[i] - y[0]);
            if (away < least) {
                least = away;
                end = i;
            }
        }
        return end;
    }

    int count() {
        return x.length;
    }

    Polyline reversed() {
        Polyline out = new Polyline(new double[count()], new double[count()], new double[count()]);
        for (int i = 0; i < count(); i++) {
            out.x[i] = x[count() - 1 - i];
            out.y[i] = y[count() - 1 - i];
            out.pressure[i] = pressure[count() - 1 - i];
        }
        return out;
    }

    Polyline moved(Similarity by) {
        Polyline out = new Polyline(new double[count()], new double[count()], pressure);
        for (int i = 0; i < count(); i++) {
            out.x[i] = by.x(x[i], y[i]);
            out.y[i] = by.y(x[i], y[i]);
        }
        return out;
    }

    /** The piece between two shares of its length, as many points. */
    Polyline between(double from, double to) {
        int n = count();
        Polyline out = new Polyline(new double[n], new double[n], new double[n]);
        for (int i = 0; i < n; i++) {
            double at = (from + (to - from) * i / (n - 1)) * (n - 1);
            int k = Math.max(0, Math.min(n - 2, (int) at));
            double share = at - k;
            out.x[i] = x[k] + share * (x[k + 1] - x[k]);
            out.y[i] = y[k] + share * (y[k + 1] - y[k]);
            out.pressure[i] = pressure[k] + share * (pressure[k + 1] - pressure[k]);
        }
        return out;
    }

    /** Whether it ends about where it starts. */
    boolean isClosed() {
        int last = count() - 1;
        return Math.hypot(x[last] - x[0], y[last] - y[0]) < 0.05 * length();
    }

    /** A closed line with another of its points as its start. */
    Polyline startedAt(int start) {
        int n = count();
        Polyline out = new Polyline(new double[n], new double[n], new double[n]);
        for (int i = 0; i < n; i++) {
            int k = (start + i) % (n - 1);
            out.x[i] = x[k];
            out.y[i] = y[k];
            out.pressure[i] = pressure[k];
        }
        return start == 0 ? this : out;
    }

    /** Moves one end by so much, and all else the less the closer it is to the other end. */
    void leadEnd(boolean start, double dx, double dy) {
        int last = count() - 1;
        for (int i = 0; i <= last; i++) {
            double part = start ? 1 - i / (double) last : i / (double) last;
            x[i] += part * dx;
            y[i] += part * dy;
        }
    }

    double squaredDistance(double px, double py) {
        double least = Double.MAX_VALUE;
        for (int i = 0; i < count(); i++) {
            double dx = x[i] - px;
            double dy = y[i] - py;
            least = Math.min(least, dx * dx + dy * dy);
        }
        return least;
    }

    /** The largest distance of points with the same number. */
    double farthest(Polyline other) {
        double most = 0;
        for (int i = 0; i < count(); i++) {
            most = Math.max(most, Math.hypot(x[i] - other.x[i], y[i] - other.y[i]));
        }
        return most;
    }

    double middleX() {
        double sum = 0;
        for (double value : x) {
            sum += value;
        }
        return sum / count();
    }

    double middleY() {
        double sum = 0;
        for (double value : y) {
            sum += value;
        }
        return sum / count();
    }

    double length() {
        double sum = 0;
        for (int i = 1; i < count(); i++) {
            sum += Math.hypot(x[i] - x[i - 1], y[i] - y[i - 1]);
        }
        return sum;
    }

    /** The mean distance of points with the same number. */
    double distance(Polyline other) {
        double sum = 0;
        for (int i = 0; i < count(); i++) {
            sum += Math.hypot(x[i] - other.x[i], y[i] - other.y[i]);
        }
        return sum / count();
    }

    /** A smooth curve through the points. */
    Curve curve(double tolerancePx) {
        List<PenSample> samples = new ArrayList<>();
        for (int i = 0; i < count(); i++) {
            samples.add(new PenSample(x[i], y[i], Math.max(0, Math.min(1, pressure[i])), i));
        }
        return SchneiderFit.fit(samples, tolerancePx);
    }
}
