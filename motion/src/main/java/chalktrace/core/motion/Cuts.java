package chalktrace.core.motion;

import java.util.Arrays;

/** Tells where one picture does not go on from the one before: a cut. */
final class Cuts {

    private static final int WIDE = 48;

    /** Below this likeness, and with so large a difference in grey levels, two pictures are of two scenes. */
    private static final double LIKENESS = 0.5;

    private static final double DIFFERENCE = 12;

    private Cuts() {}

    /** Whether a cut lies between two pictures, by their likeness when small, with a shift of a few small pixels allowed. Cost: by the smallest level. */
    static boolean isBetween(Pyramid before, Pyramid after) {
        double[] a = small(before);
        double[] b = small(after);
        int high = a.length / WIDE;
        double[] even = new double[a.length];
        Arrays.fill(even, 1);
        double[] one = a.clone();
        Shift.normalise(one, even);
        double best = -1;
        double least = Double.MAX_VALUE;
        for (int dy = -2; dy <= 2; dy++) {
            for (int dx = -4; dx <= 4; dx++) {
                double[] shifted = shifted(b, high, dx, dy);
                double difference = 0;
                for (int i = 0; i < a.length; i++) {
                    difference += Math.abs(a[i] - shifted[i]) / a.length;
                }
                Shift.normalise(shifted, even);
                best = Math.max(best, Shift.product(one, shifted, even));
                least = Math.min(least, difference);
            }
        }
        return best < LIKENESS && least > DIFFERENCE;
    }

    private static double[] shifted(double[] values, int high, int dx, int dy) {
        double[] out = new double[values.length];
        for (int y = 0; y < high; y++) {
            int fromY = Math.max(0, Math.min(high - 1, y + dy));
            for (int x = 0; x < WIDE; x++) {
                out[y * WIDE + x] = values[fromY * WIDE + Math.max(0, Math.min(WIDE - 1, x + dx))];
            }
        }
        return out;
    }

    private static double[] small(Pyramid pyramid) {
        Luma luma = pyramid.level(pyramid.levels() - 1);
        int high = Math.max(1, WIDE * luma.height() / luma.width());
        double[] out = new double[WIDE * high];
        for (int y = 0; y < high; y++) {
            for (int x = 0; x < WIDE; x++) {
                out[y * WIDE + x] =
                        luma.at((x + 0.5) * luma.width() / WIDE - 0.5, (y + 0.5) * luma.height() / high - 0.5);
            }
        }
        return out;
    }
}
