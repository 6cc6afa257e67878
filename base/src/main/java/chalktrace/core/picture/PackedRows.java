package chalktrace.core.picture;

/** Rows of colours as words of alpha, red, green, blue, mixed two parts at a time. */
final class PackedRows {

    private static final int EVERY_OTHER = 0x00FF00FF;
    private static final int HALF = 0x00800080;

    private PackedRows() {}

    /** A row at some columns. @param values of the row, from the columns' first on, with room for one more */
    static void spread(int[] values, PictureSampling.Columns columns, int[] out) {
        // The last column mixes with itself.
        values[columns.span()] = values[columns.span() - 1];
        int[] index = columns.index();
        int[] share = columns.share();
        for (int i = 0; i < index.length; i++) {
            int left = index[i];
            out[i] = mix(values[left], values[left + 1], share[i]);
        }
    }

    /** Two rows with so many parts of 256 of the lower. */
    static void mix(int[] upper, int[] lower, int part, int count, int[] out) {
        for (int x = 0; x < count; x++) {
            out[x] = mix(upper[x], lower[x], part);
        }
    }

    private static int mix(int a, int b, int part) {
        int rest = 256 - part;
        int low = (a & EVERY_OTHER) * rest + (b & EVERY_OTHER) * part + HALF >>> 8 & EVERY_OTHER;
        int high = (a >>> 8 & EVERY_OTHER) * rest + (b >>> 8 & EVERY_OTHER) * part + HALF & ~EVERY_OTHER;
        return low | high;
    }
}
