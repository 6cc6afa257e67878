package chalktrace.core.motion;

/**
 * Follows a spot from one picture to the next by moving a window from coarse to fine, by the method of Lucas and Kanade (1981) in the pyramid of
 * J.-Y. Bouguet, "Pyramidal implementation of the Lucas Kanade feature tracker" (2000), on windows of equal mean and deviation, so that changes of light
 * do no harm.
 */
final class Shift {

    private static final int MOST_STEPS = 20;
    private static final double STILL_PX = 0.01;

    private final int radius;
    private final int side;
    private final double[] weights;

    /** @param radius of the window, in px of each level of the pyramid */
    Shift(int radius) {
        this.radius = radius;
        this.side = 2 * radius + 1;
        this.weights = bell(radius);
    }

    /** Where a spot has come to. @param likeness of what lies around it, -1 to 1 */
    record Found(double x, double y, double likeness) {}

    /** High in the middle, low at the corners. */
    static double[] bell(int radius) {
        int side = 2 * radius + 1;
        double[] out = new double[side * side];
        double wide = 2 * 0.6 * radius * 0.6 * radius;
        for (int i = 0; i < out.length; i++) {
            double x = i % side - radius;
            double y = i / side - radius;
            out[i] = Math.exp(-(x * x + y * y) / wide);
        }
        return out;
    }

    /**
     * @param x of the spot in the first picture, @param y of it, in px
     * @param guessX where it may be in the second, @param guessY likewise
     */
    Found follow(Pyramid from, Pyramid to, double x, double y, double guessX, double guessY) {
        return follow(from, to, x, y, guessX, guessY, from.levels());
    }

    /** @param levels of the pyramid that are looked at: the fewer, the nearer the guess has to be, and the less what lies around it matters */
    Found follow(Pyramid from, Pyramid to, double x, double y, double guessX, double guessY, int levels) {
        double dx = guessX - x;
        double dy = guessY - y;
        for (int level = Math.min(levels, from.levels()) - 1; level >= 0; level--) {
            double scale = 1 << level;
            double[] moved = settle(
                    from.level(level),
                    to.level(level),
                    (x + 0.5) / scale - 0.5,
                    (y + 0.5) / scale - 0.5,
                    dx / scale,
                    dy / scale);
            dx = moved[0] * scale;
            dy = moved[1] * scale;
        }
        return new Found(x + dx, y + dy, likeness(from.whole(), to.whole(), x, y, x + dx, y + dy));
    }

    private double[] settle(Luma from, Luma to, double x, double y, double startX, double startY) {
        double[] look = new double[side * side];
        from.window(x, y, radius, look);
        double deviation = normalise(look, weights);
        double[] gradX = new double[look.length];
        double[] gradY = new double[look.length];
        double xx = 0;
        double xy = 0;
        double yy = 0;
        for (int i = 0; i < look.length; i++) {
            double px = x + i % side - radius;
            double py = y + i / side - radius;
            gradX[i] = (from.at(px + 1, py) - from.at(px - 1, py)) / 2 / deviation;
            gradY[i] = (from.at(px, py + 1) - from.at(px, py - 1)) / 2 / deviation;
            xx += weights[i] * gradX[i] * gradX[i];
            xy += weights[i] * gradX[i] * gradY[i];
            yy += weights[i] * gradY[i] * gradY[i];
        }
        double dx = startX;
        double dy = startY;
        double det = xx * yy - xy * xy;
        if (!(det > 1e-9)) {
            return new double[] {dx, dy};
        }
        double[] seen = new double[look.length];
        for (int step = 0; step < MOST_STEPS; step++) {
            to.window(x + dx, y + dy, radius, seen);
            normalise(seen, weights);
            double bx = 0;
            double by = 0;
            for (int i = 0; i < seen.length; i++) {
                double error = weights[i] * (look[i] - seen[i]);
                bx += error * gradX[i];
                by += error * gradY[i];
            }
            double moveX = (yy * bx - xy * by) / det;
            double moveY = (xx * by - xy * bx) / det;
            double length = Math.hypot(moveX, moveY);
            double most = Math.max(1, radius / 2.0);
            if (length > most) {
                moveX *= most / length;
                moveY *= most / length;
            }
            dx += moveX;
            dy += moveY;
            if (length < STILL_PX) {
                break;
            }
        }
        return new double[] {dx, dy};
    }

    double likeness(Luma from, Luma to, double x, double y, double toX, double toY) {
        double[] a = new double[side * side];
        double[] b = new double[side * side];
        from.window(x, y, radius, a);
        to.window(toX, toY, radius, b);
        normalise(a, weights);
        normalise(b, weights);
        return product(a, b, weights);
    }

    /** To a weighted mean of 0 and a weighted deviation of 1. @return the deviation before, at least one grey level */
    static double normalise(double[] values, double[] weights) {
        double sum = 0;
        double all = 0;
        for (int i = 0; i < values.length; i++) {
            sum += weights[i] * values[i];
            all += weights[i];
        }
        double mean = sum / all;
        double square = 0;
        for (int i = 0; i < values.length; i++) {
            values[i] -= mean;
            square += weights[i] * values[i] * values[i];
        }
        double deviation = Math.max(1, Math.sqrt(square / all));
        for (int i = 0; i < values.length; i++) {
            values[i] /= deviation;
        }
        return deviation;
    }

    /** The weighted correlation of normalised values. */
    static double product(double[] a, double[] b, double[] weights) {
        double sum = 0;
        double all = 0;
        for (int i = 0; i < a.length; i++) {
            sum += weights[i] * a[i] * b[i];
            all += weights[i];
        }
        return sum / all;
    }
}
