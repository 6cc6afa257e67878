package chalktrace.core.space;

import chalktrace.core.picture.PictureSize;
import java.util.Arrays;

/** Which triangles reach into which band of rows of the picture, each band's in their order; those that no sample can meet are left out. */
final class Bands {

    private final int[] starts;
    private final int[] triangles;

    private Bands(int[] starts, int[] triangles) {
        this.starts = starts;
        this.triangles = triangles;
    }

    /**
     * @param places x, y and 1 / depth of each vertex; a triangle with a vertex whose last is 0 is left out
     * @param corners three vertices a triangle
     * @param from the first triangle looked at
     * @param to the one after the last
     */
    static Bands of(float[] places, int[] corners, int from, int to, PictureSize size, int rows) {
        int bands = (size.height() + rows - 1) / rows;
        int[] first = new int[to - from];
        int[] last = new int[to - from];
        int[] starts = new int[bands + 1];
        for (int t = from; t < to; t++) {
            int a = 3 * corners[3 * t];
            int b = 3 * corners[3 * t + 1];
            int c = 3 * corners[3 * t + 2];
            float low = Math.min(places[a + 1], Math.min(places[b + 1], places[c + 1]));
            float high = Math.max(places[a + 1], Math.max(places[b + 1], places[c + 1]));
            float left = Math.min(places[a], Math.min(places[b], places[c]));
            float right = Math.max(places[a], Math.max(places[b], places[c]));
            boolean met = places[a + 2] > 0
                    && places[b + 2] > 0
                    && places[c + 2] > 0
                    && left < size.width()
                    && right > 0
                    && low < size.height()
                    && high > 0
                    && Math.ceil(low * DepthBand.SAMPLES - 0.5f) < Math.ceil(high * DepthBand.SAMPLES - 0.5f);
            first[t - from] = met ? (int) Math.max(0, low / rows) : 1;
            last[t - from] = met ? (int) Math.min(bands - 1, high / rows) : 0;
            for (int band = first[t - from]; band <= last[t - from]; band++) {
                starts[band + 1]++;
            }
        }
        for (int band = 0; band < bands; band++) {
            starts[band + 1] += starts[band];
        }
        int[] triangles = new int[starts[bands]];
        int[] next = Arrays.copyOf(starts, bands);
        for (int t = from; t < to; t++) {
            for (int band = first[t - from]; band <= last[t - from]; band++) {
                triangles[next[band]++] = t;
            }
        }
        return new Bands(starts, triangles);
    }

    /** Where a band's triangles start; those of the next end them. */
    int start(int band) {
        return starts[band];
    }

    int triangle(int index) {
        return triangles[index];
    }
}
