package chalktrace.core.stroke;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * A line of samples as marks that lie at least a given way apart, and how much the line turns at each. Samples that lie closer together make
 * one mark, in their middle, so that what a hand or a device trembles within that way does not count. Grows sample by sample; only the
 * last mark, and the turns at the last two, still change.
 */
final class Marks {

    private final double spacing;
    private final List<PenSample> samples = new ArrayList<>();

    /** The number of each mark's first sample. */
    private final List<Integer> firsts = new ArrayList<>();

    private double[] x = new double[64];
    private double[] y = new double[64];
    private double[] turn = new double[64];
    private double sumX;
    private double sumY;

    /** @param spacing in pixels, above 0 */
    Marks(double spacing) {
        this.spacing = spacing;
    }

    void add(PenSample sample) {
        samples.add(sample);
        boolean first = firsts.isEmpty();
        PenSample start = first ? sample : samples.get(firsts.get(firsts.size() - 1));
        if (first || Math.hypot(sample.x() - start.x(), sample.y() - start.y()) >= spacing) {
            firsts.add(samples.size() - 1);
            sumX = 0;
            sumY = 0;
            if (firsts.size() > x.length) {
                x = Arrays.copyOf(x, 2 * x.length);
                y = Arrays.copyOf(y, 2 * y.length);
                turn = Arrays.copyOf(turn, 2 * turn.length);
            }
        }
        sumX += sample.x();
        sumY += sample.y();
        int mark = count() - 1;
        int of = samples.size() - firsts.get(mark);
        x[mark] = sumX / of;
        y[mark] = sumY / of;
        turn[mark] = 0;
        if (mark > 1) {
            turn[mark - 1] = angle(mark - 2, mark - 1, mark - 1, mark);
        }
    }

    int count() {
        return firsts.size();
    }

    /** The number of a mark's first sample; that of the next sample to come for the mark after the last. */
    int first(int mark) {
        return mark < count() ? firsts.get(mark) : samples.size();
    }

    PenSample sample(int number) {
        return samples.get(number);
    }

    double x(int mark) {
        return x[mark];
    }

    double y(int mark) {
        return y[mark];
    }

    /** By how much the line turns at a mark, in radians, clockwise on screen above 0; 0 at its ends. */
    double turn(int mark) {
        return mark < 1 || mark > count() - 2 ? 0 : turn[mark];
    }

    double distance(int mark, int other) {
        return Math.hypot(x[mark] - x[other], y[mark] - y[other]);
    }

    /** The turn from the way between two marks to that between two others. */
    double angle(int a, int b, int c, int d) {
        double ux = x[b] - x[a];
        double uy = y[b] - y[a];
        double vx = x[d] - x[c];
        double vy = y[d] - y[c];
        return Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy);
    }
}
