package chalktrace.core.picture;

/**
 * Where the columns of a row of output lie in a picture: column i at {@code first + i x step} samples, where 0 is the
 * middle of the first sample. Reused from row to row; it also holds the rows' scratch memory, so one serves one thread.
 */
public final class PictureSampling {

    private static final int SLOTS = 9;

    /** Two rows of each of three planes. */
    private static final int ROWS = 6;

    private final double first;
    private final double step;
    private final int count;
    private final Columns[] byShift = new Columns[3];
    private final double[] sites = new double[3];
    private final int[][] scratch = new int[SLOTS][0];
    private final Row[] rows = new Row[ROWS];
    private int latest;

    /** A part of a row of samples as numbers. */
    private static final class Row {
        private Plane plane;
        private int number;
        private int first;
        private int count;
        private int used;
        private int[] values = new int[0];

        boolean is(Plane other, int row, int from, int length) {
            return plane == other && number == row && first == from && count == length;
        }
    }

    public PictureSampling(double first, double step, int count) {
        this.first = first;
        this.step = step;
        this.count = count;
    }

    /**
     * The columns in a plane: output i lies between {@code first + index[i]} and the sample after it.
     *
     * @param first the leftmost sample that is needed
     * @param span how many samples from there on
     * @param index of each output's left neighbour, counted from {@code first}
     * @param share of its right neighbour, 0 to 255
     */
    record Columns(int first, int span, int[] index, int[] share) {}

    /** Whether each column is exactly one sample, side by side. */
    boolean isOneToOne() {
        return step == 1 && first == Math.rint(first);
    }

    /** The sample of the first column, where columns are whole samples. */
    int firstSample() {
        return (int) first;
    }

    /** The columns in a plane that has one sample for {@code 1 << shift} of the picture's. @param site where its first one lies */
    Columns columns(int shift, double site, int planeWidth) {
        if (byShift[shift] == null || sites[shift] != site) {
            byShift[shift] = makeColumns(shift, site, planeWidth);
            sites[shift] = site;
        }
        return byShift[shift];
    }

    /** Room for a row of numbers; each slot is a row of its own. */
    int[] scratch(int slot, int length) {
        if (scratch[slot].length < length) {
            scratch[slot] = new int[length];
        }
        return scratch[slot];
    }

    /**
     * A part of a plane's row, 0 to 255 each. Rows that lie between the same two are asked for several times: the last few
     * are kept.
     */
    int[] samples(Plane plane, int number, int first, int count) {
        Row oldest = null;
        for (int i = 0; i < ROWS; i++) {
            Row row = rows[i];
            if (row == null) {
                row = new Row();
                rows[i] = row;
            }
            if (row.is(plane, number, first, count)) {
                row.used = ++latest;
                return row.values;
            }
            oldest = oldest == null || row.used < oldest.used ? row : oldest;
        }
        oldest.plane = plane;
        oldest.number = number;
        oldest.first = first;
        oldest.count = count;
        oldest.used = ++latest;
        if (oldest.values.length < count) {
            oldest.values = new int[count];
        }
        plane.samples(number, first, count, oldest.values);
        return oldest.values;
    }

    /** A position in the plane of chroma. @param site of its first sample, in samples of luma */
    static double toChroma(double position, int shift, double site) {
        return (position - site) / (1 << shift);
    }

    static int fixed(double position) {
        return (int) Math.floor(position * 256 + 0.5);
    }

    private Columns makeColumns(int shift, double site, int planeWidth) {
        int[] index = new int[count];
        int[] share = new int[count];
        for (int i = 0; i < count; i++) {
            int position = fixed(toChroma(first + i * step, shift, site));
            index[i] = Math.max(0, Math.min(planeWidth - 1, position >> 8));
            share[i] = position < 0 ? 0 : position & 255;
        }
        int left = index[0];
        int span = Math.min(planeWidth - 1, index[count - 1] + 1) - left + 1;
        for (int i = 0; i < count; i++) {
            index[i] -= left;
        }
        return new Columns(left, span, index, share);
    }
}
