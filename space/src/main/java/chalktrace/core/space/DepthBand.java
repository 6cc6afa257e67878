package chalktrace.core.space;

import java.util.Arrays;

/**
 * A few rows of the picture while triangles are laid into them: for each of four samples a pixel, what is nearest there. The samples lie on a
 * rotated grid, each in a row of its own. Two triangles with a common edge leave no gap and cover no sample twice.
 */
final class DepthBand {

    static final int SAMPLES = 4;

    /** Where the samples lie in a pixel; from top to bottom. */
    private static final double[] SAMPLE_X = {0.375, 0.875, 0.125, 0.625};

    private static final double[] SAMPLE_Y = {0.125, 0.375, 0.625, 0.875};

    private final int width;
    private final int rows;
    private final float[] nearness;
    private final int[] ids;
    private int top;
    private int left;
    private int right;

    DepthBand(int width, int rows) {
        this.width = width;
        this.rows = rows;
        this.nearness = new float[SAMPLES * rows * width];
        this.ids = new int[SAMPLES * rows * width];
    }

    /** Empties it, for the rows from one of the picture on. */
    void start(int topRow) {
        top = topRow;
        if (left < right) {
            Arrays.fill(nearness, 0);
            Arrays.fill(ids, 0);
        }
        left = width;
        right = 0;
    }

    /** The first column in which anything lies. */
    int left() {
        return left;
    }

    /** The column after the last in which anything lies; not after {@link #left} when the band is empty. */
    int right() {
        return right;
    }

    /** What is nearest at a sample of a pixel; 0 for nothing. */
    int id(int x, int row, int sample) {
        return ids[(row * SAMPLES + sample) * width + x];
    }

    /** What all four samples of a pixel show; -1 where they differ. */
    int whole(int x, int row) {
        int at = row * SAMPLES * width + x;
        int id = ids[at];
        return id == ids[at + width] && id == ids[at + 2 * width] && id == ids[at + 3 * width] ? id : -1;
    }

    /** How near that is: 1 / depth. */
    float nearness(int x, int row, int sample) {
        return nearness[(row * SAMPLES + sample) * width + x];
    }

    static double sampleX(int sample) {
        return SAMPLE_X[sample];
    }

    static double sampleY(int sample) {
        return SAMPLE_Y[sample];
    }

    /** What stands before the deeper at a sample. */
    interface Holes {
        boolean isOpen(double x, double y);
    }

    /**
     * Lays a triangle in.
     *
     * @param corners x, y and 1 / depth each; {@code first}, {@code second} and {@code third} say where
     * @param holes where it is open; null for a whole one
     * @param veils where it goes when it is seen through, if all that is whole was laid in before; null for one that covers what is behind it
     */
    void lay(float[] corners, int first, int second, int third, int id, Holes holes, Veils veils) {
        int a = first;
        int b = second;
        int c = third;
        if (isAfter(corners, a, b)) {
            int t = a;
            a = b;
            b = t;
        }
        if (isAfter(corners, b, c)) {
            int t = b;
            b = c;
            c = t;
        }
        if (isAfter(corners, a, b)) {
            int t = a;
            a = b;
            b = t;
        }
        double ax = corners[a];
        double ay = corners[a + 1];
        double bx = corners[b];
        double by = corners[b + 1];
        double cx = corners[c];
        double cy = corners[c + 1];
        int firstRow = Math.max(0, (int) Math.floor(ay) - top);
        int lastRow = (int) Math.min(rows - 1, Math.floor(cy) - top);
        if (firstRow > lastRow || !(cy > ay)) {
            return;
        }
        double slopeAc = (cx - ax) / (cy - ay);
        double slopeAb = by > ay ? (bx - ax) / (by - ay) : 0;
        double slopeBc = cy > by ? (cx - bx) / (cy - by) : 0;
        double area = (bx - ax) * (cy - ay) - (cx - ax) * (by - ay);
        if (area == 0) {
            return;
        }
        double aw = corners[a + 2];
        double wb = corners[b + 2] - aw;
        double wc = corners[c + 2] - aw;
        double perX = (wb * (cy - ay) - wc * (by - ay)) / area;
        double perY = (wc * (bx - ax) - wb * (cx - ax)) / area;
        for (int row = firstRow; row <= lastRow; row++) {
            for (int s = 0; s < SAMPLES; s++) {
                double y = top + row + SAMPLE_Y[s];
                if (y < ay || y >= cy) {
                    continue;
                }
                double along = ax + (y - ay) * slopeAc;
                double across = y < by ? ax + (y - ay) * slopeAb : bx + (y - by) * slopeBc;
                double start = Math.min(along, across) - SAMPLE_X[s];
                double end = Math.max(along, across) - SAMPLE_X[s];
                int from = start <= 0 ? 0 : start >= width ? width : ceiling(start);
                int to = end <= 0 ? 0 : end >= width ? width : ceiling(end);
                if (from < to) {
                    double near = aw + perX * (from + SAMPLE_X[s] - ax) + perY * (y - ay);
                    span((row * SAMPLES + s) * width, from, to, near, perX, id, holes, veils, y, s);
                }
            }
        }
    }

    private void span(
            int line, int from, int to, double start, double perX, int id, Holes holes, Veils veils, double y, int s) {
        left = Math.min(left, from);
        right = Math.max(right, to);
        float[] near = nearness;
        float value = (float) start;
        float step = (float) perX;
        if (veils != null) {
            for (int x = from; x < to; x++) {
                float here = value + step * (x - from);
                if (here > near[line + x]) {
                    veils.add(line + x, id, here);
                }
            }
            return;
        }
        if (holes == null) {
            for (int x = from; x < to; x++) {
                float here = value + step * (x - from);
                if (here > near[line + x]) {
                    near[line + x] = here;
                    ids[line + x] = id;
                }
            }
            return;
        }
        for (int x = from; x < to; x++) {
            float here = value + step * (x - from);
            if (here > near[line + x] && !holes.isOpen(x + SAMPLE_X[s], y)) {
                near[line + x] = here;
                ids[line + x] = id;
            }
        }
    }

    /** Of a number above 0. */
    private static int ceiling(double number) {
        int whole = (int) number;
        return whole < number ? whole + 1 : whole;
    }

    private static boolean isAfter(float[] corners, int a, int b) {
        return corners[a + 1] > corners[b + 1] || corners[a + 1] == corners[b + 1] && corners[a] > corners[b];
    }
}
