package chalktrace.core.space;

import java.util.Arrays;

/**
 * What is seen through in a few rows of the picture: for each sample the triangles before what is nearest and whole there, the farthest first
 * (Carpenter, "The A-buffer", SIGGRAPH 1984, at samples).
 */
final class Veils {

    private final int width;

    /** For each sample its farthest, counted from 1; 0 for none. */
    private final int[] first;

    private int[] next = new int[64];
    private int[] ids = new int[64];
    private float[] nearness = new float[64];
    private int count;

    Veils(int width, int rows) {
        this.width = width;
        this.first = new int[DepthBand.SAMPLES * rows * width];
    }

    void clear() {
        if (count > 0) {
            Arrays.fill(first, 0);
            count = 0;
        }
    }

    boolean isEmpty() {
        return count == 0;
    }

    /** @param place of the sample, as a {@link DepthBand} counts them */
    void add(int place, int id, float near) {
        if (++count == next.length) {
            next = Arrays.copyOf(next, 2 * count);
            ids = Arrays.copyOf(ids, 2 * count);
            nearness = Arrays.copyOf(nearness, 2 * count);
        }
        int before = 0;
        int after = first[place];
        while (after != 0 && nearness[after] <= near) {
            before = after;
            after = next[after];
        }
        ids[count] = id;
        nearness[count] = near;
        next[count] = after;
        if (before == 0) {
            first[place] = count;
        } else {
            next[before] = count;
        }
    }

    /** The farthest at a sample of a pixel; 0 for none. */
    int first(int x, int row, int sample) {
        return first[(row * DepthBand.SAMPLES + sample) * width + x];
    }

    /** The one before another at the same sample; 0 when that is the nearest. */
    int next(int veil) {
        return next[veil];
    }

    int id(int veil) {
        return ids[veil];
    }

    boolean isAt(int x, int row) {
        return (first(x, row, 0) | first(x, row, 1) | first(x, row, 2) | first(x, row, 3)) != 0;
    }

    /** Whether the same lies one behind the other at all samples of a pixel. */
    boolean isEven(int x, int row) {
        for (int sample = 1; sample < DepthBand.SAMPLES; sample++) {
            int a = first(x, row, 0);
            int b = first(x, row, sample);
            while (a != 0 && b != 0 && ids[a] == ids[b]) {
                a = next[a];
                b = next[b];
            }
            if (a != 0 || b != 0) {
                return false;
            }
        }
        return true;
    }
}
