package chalktrace.core.between;

import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.PenSample;
import chalktrace.core.stroke.SchneiderFit;
import java.util.ArrayList;
import java.util.List;

/** A stroke's curve as points evenly spaced along it, with their pressures. */
record Polyline(double[] x, double[] y, double[] pressure) {

    private static final int DENSE = 24;

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
        Polyline out = new Polyline(new double[count], new double[count], new double[count]);
        int at = 1;
        for (int i = 0; i < count; i++) {
            double wanted = length[steps] * i / (count - 1);
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
