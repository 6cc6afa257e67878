package chalktrace.core.picture;

/**
 * One channel of a picture, a byte a sample, row after row. The bytes are shared and never written after this object is
 * made: a decoded picture is too large to copy for safety.
 */
public final class Plane {

    /** Straight first, so that it wins where no slant is better. */
    private static final int[] SLANTS = {0, -1, 1};

    private final int width;
    private final int height;
    private final byte[] samples;

    /** @throws IllegalArgumentException when the bytes are not width x height */
    public Plane(int width, int height, byte[] samples) {
        if (samples.length != width * height) {
            throw new IllegalArgumentException(
                    "A plane of " + width + "x" + height + " can't hold " + samples.length + " bytes.");
        }
        this.width = width;
        this.height = height;
        this.samples = samples;
    }

    public int width() {
        return width;
    }

    public int height() {
        return height;
    }

    /** The samples themselves, row after row; not to be written to. */
    public byte[] samples() {
        return samples;
    }

    public int at(int x, int y) {
        return samples[y * width + x] & 255;
    }

    /** Half the size in both directions (rounded up), each sample the mean of up to four. */
    Plane half() {
        int w = (width + 1) / 2;
        int h = (height + 1) / 2;
        byte[] out = new byte[w * h];
        for (int y = 0; y < h; y++) {
            int upper = 2 * y * width;
            int lower = Math.min(2 * y + 1, height - 1) * width;
            for (int x = 0; x < w; x++) {
                int left = 2 * x;
                int right = Math.min(left + 1, width - 1);
                out[y * w + x] = (byte) ((samples[upper + left] & 255)
                                + (samples[upper + right] & 255)
                                + (samples[lower + left] & 255)
                                + (samples[lower + right] & 255)
                                + 2
                        >> 2);
            }
        }
        return new Plane(w, h, out);
    }

    /** Even rows as they are, odd rows made from their neighbours: see {@link Picture#oneField()}. */
    Plane oneField() {
        byte[] out = samples.clone();
        for (int y = 1; y < height; y += 2) {
            int above = (y - 1) * width;
            int below = y + 1 < height ? above + 2 * width : above;
            for (int x = 0; x < width; x++) {
                out[y * width + x] = (byte) betweenRows(above, below, x);
            }
        }
        return new Plane(width, height, out);
    }

    /** The mean of two samples across a missing one: straight up and down, or along a slant if these agree better. */
    private int betweenRows(int above, int below, int x) {
        int best = 0;
        int least = Integer.MAX_VALUE;
        for (int slant : SLANTS) {
            if (x - Math.abs(slant) >= 0 && x + Math.abs(slant) < width) {
                int a = samples[above + x + slant] & 255;
                int b = samples[below + x - slant] & 255;
                if (Math.abs(a - b) < least) {
                    least = Math.abs(a - b);
                    best = a + b + 1 >> 1;
                }
            }
        }
        return best;
    }

    /**
     * Fills a row by sampling between four neighbours. The order is the cheaper one: where samples are spread, each row of them is spread
     * once and serves several rows of output; else the two rows are mixed first, then the columns. The result is the same.
     */
    void sampleRow(
            PictureSampling sampling, PictureSampling.Columns columns, int y, int count, int[] out, int[] mixed) {
        if (columns.spreads()) {
            int row = clamp(y >> 8, height);
            int part = y < 0 ? 0 : y & 255;
            int[] upper = sampling.spread(this, row, columns);
            int[] lower = part == 0 ? upper : sampling.spread(this, Math.min(row + 1, height - 1), columns);
            mixSpread(upper, lower, part, count, out);
            return;
        }
        mixRows(sampling, y, columns.first(), columns.span(), mixed);
        // The last column mixes with itself.
        mixed[columns.span()] = mixed[columns.span() - 1];
        int[] index = columns.index();
        int[] share = columns.share();
        for (int i = 0; i < count; i++) {
            int left = mixed[index[i]];
            out[i] = (left << 8) + (mixed[index[i] + 1] - left) * share[i] + 32768 >> 16;
        }
    }

    /**
     * A part of a row between two rows of samples, as 256 times the sample.
     *
     * @param y the row's position in 24.8 fixed point
     */
    void mixRows(PictureSampling sampling, int y, int first, int count, int[] out) {
        int row = clamp(y >> 8, height);
        int fy = y < 0 ? 0 : y & 255;
        int[] upper = sampling.samples(this, row, first, count);
        int[] lower = fy == 0 ? upper : sampling.samples(this, Math.min(row + 1, height - 1), first, count);
        mix(upper, lower, fy, count, out);
    }

    private static void mixSpread(int[] upper, int[] lower, int part, int count, int[] out) {
        int rest = 256 - part;
        for (int x = 0; x < count; x++) {
            out[x] = upper[x] * rest + lower[x] * part + 32768 >> 16;
        }
    }

    /** A row at some columns, as 256 times the sample. @param values of the row, from the columns' first on, with room for one more */
    static void spread(int[] values, PictureSampling.Columns columns, int[] out) {
        // The last column mixes with itself.
        values[columns.span()] = values[columns.span() - 1];
        int[] index = columns.index();
        int[] share = columns.share();
        for (int i = 0; i < index.length; i++) {
            int left = values[index[i]];
            out[i] = (left << 8) + (values[index[i] + 1] - left) * share[i];
        }
    }

    private static void mix(int[] upper, int[] lower, int part, int count, int[] out) {
        int rest = 256 - part;
        for (int x = 0; x < count; x++) {
            out[x] = upper[x] * rest + lower[x] * part;
        }
    }

    /** A part of a row, 0 to 255 each. */
    void samples(int row, int first, int count, int[] out) {
        int from = row * width + first;
        for (int x = 0; x < count; x++) {
            out[x] = samples[from + x] & 255;
        }
    }

    /** The samples of a row in two halves: those of even columns, and those of odd ones. */
    void splitRow(int row, int firstPair, int pairs, int[] even, int[] odd) {
        int from = row * width + 2 * firstPair;
        int whole = Math.min(pairs, (width - 2 * firstPair) / 2);
        for (int k = 0; k < whole; k++) {
            even[k] = samples[from + 2 * k] & 255;
            odd[k] = samples[from + 2 * k + 1] & 255;
        }
        if (whole < pairs) {
            even[whole] = samples[from + 2 * whole] & 255;
            odd[whole] = even[whole];
        }
    }

    /** One sample at any place, in 24.8 fixed point, between four neighbours. */
    int sample(int x, int y) {
        int column = clamp(x >> 8, width);
        int row = clamp(y >> 8, height);
        int next = Math.min(column + 1, width - 1);
        int below = Math.min(row + 1, height - 1) * width;
        int fx = x < 0 ? 0 : x & 255;
        int fy = y < 0 ? 0 : y & 255;
        int upper = row * width;
        int top = (samples[upper + column] & 255) * (256 - fx) + (samples[upper + next] & 255) * fx;
        int bottom = (samples[below + column] & 255) * (256 - fx) + (samples[below + next] & 255) * fx;
        return top * (256 - fy) + bottom * fy + 32768 >> 16;
    }

    long bytes() {
        return samples.length;
    }

    private static int clamp(int value, int size) {
        return value < 0 ? 0 : value < size ? value : size - 1;
    }
}
