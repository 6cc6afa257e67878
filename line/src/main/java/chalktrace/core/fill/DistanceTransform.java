package chalktrace.core.fill;

import java.util.Arrays;
import java.util.stream.IntStream;

/**
 * For each pixel of a bitmap the exact Euclidean distance to the nearest pixel that is set. After Felzenszwalb,
 * Huttenlocher, "Distance Transforms of Sampled Functions", Theory of Computing 8, 2012. Cost: linear in the pixels.
 */
final class DistanceTransform {

    private static final float FAR = 1e20f;

    private DistanceTransform() {}

    /** @return the squares of the distances, in pixels, row after row; huge where no pixel is set at all */
    static float[] squares(Bitmap bitmap) {
        int w = bitmap.width;
        int h = bitmap.height;
        float[] squares = new float[w * h];
        columns(bitmap, squares);
        IntStream.range(0, h).parallel().forEach(y -> {
            float[] row = new float[w];
            System.arraycopy(squares, y * w, row, 0, w);
            lowestParabolas(row, squares, y * w);
        });
        return squares;
    }

    /** Along columns distances are only counted: down, then up, whole rows at a time. */
    private static void columns(Bitmap bitmap, float[] squares) {
        int w = bitmap.width;
        int h = bitmap.height;
        float[] count = new float[w];
        Arrays.fill(count, FAR);
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                count[x] = bitmap.on[y * w + x] ? 0 : count[x] + 1;
                squares[y * w + x] = count[x];
            }
        }
        Arrays.fill(count, FAR);
        for (int y = h - 1; y >= 0; y--) {
            for (int x = 0; x < w; x++) {
                count[x] = bitmap.on[y * w + x] ? 0 : count[x] + 1;
                float nearest = Math.min(squares[y * w + x], count[x]);
                squares[y * w + x] = nearest >= FAR ? FAR : nearest * nearest;
            }
        }
    }

    /** The lower envelope of one parabola at each place of a row. */
    private static void lowestParabolas(float[] f, float[] out, int offset) {
        int n = f.length;
        int[] at = new int[n];
        // As floats, squares of more than 4096 would not be exact.
        double[] from = new double[n + 1];
        int last = -1;
        for (int q = 0; q < n; q++) {
            if (f[q] >= FAR) {
                continue;
            }
            double meets = Double.NEGATIVE_INFINITY;
            while (last >= 0) {
                int p = at[last];
                meets = (q + p + ((double) f[q] - f[p]) / (q - p)) / 2;
                if (meets > from[last]) {
                    break;
                }
                last--;
                meets = Double.NEGATIVE_INFINITY;
            }
            last++;
            at[last] = q;
            from[last] = meets;
        }
        if (last < 0) {
            return;
        }
        from[last + 1] = Double.POSITIVE_INFINITY;
        int k = 0;
        for (int q = 0; q < n; q++) {
            while (from[k + 1] < q) {
                k++;
            }
            float by = q - at[k];
            out[offset + q] = by * by + f[at[k]];
        }
    }
}
