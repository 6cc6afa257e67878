package chalktrace.core.picture;

/**
 * Where the columns of a row of output lie in a picture: column i at {@code first + i x step} samples, where 0 is the
 * middle of the first sample. Reused from row to row; it also holds the rows' scratch memory, so one serves one thread.
 */
public final class PictureSampling {

    private static final int SLOTS = 10;

    /** The slot of a row that is being spread. */
    private static final int SPREAD_FROM = 9;

    /** Two rows of each of three planes. */
    private static final int ROWS = 6;

    private final double first;
    private final double step;
    private final int count;
    private final boolean hasty;
    private final Columns[] byShift = new Columns[3];
    private final double[] sites = new double[3];
    private final int[][] scratch = new int[SLOTS][0];
    private final Row[] rows = new Row[ROWS];

    /** Such rows at the columns of output. */
    private final Row[] spreadRows = new Row[ROWS];

    private int latest;

    /** A part of a row of samples as numbers. */
    private static final class Row {
        private Plane plane;
        private int number;
        private int first;
        private int count;
        private int used;
        private boolean isNew = true;
        private int[] values = new int[0];

        int[] room(int length) {
            if (values.length < length) {
                values = new int[length];
            }
            return values;
        }

        boolean is(Plane other, int row, int from, int length) {
            return plane == other && number == row && first == from && count == length;
        }
    }

    public PictureSampling(double first, double step, int count) {
        this(first, step, count, false);
    }

    /**
     * @param hasty where a picture is shown larger than it is, its colours may be made before its samples are spread and not after: half the
     *     work, and the same but for rounding, and for colours that no screen has
     */
    public PictureSampling(double first, double step, int count, boolean hasty) {
        this.first = first;
        this.step = step;
        this.count = count;
        this.hasty = hasty;
    }

    /**
     * The columns in a plane: output i lies between {@code first + index[i]} and the sample after it.
     *
     * @param first the leftmost sample that is needed
     * @param span how many samples from there on
     * @param index of each output's left neighbour, counted from {@code first}
     * @param share of its right neighbour, 0 to 255
     */
    record Columns(int first, int span, int[] index, int[] share) {

        /** Whether there are more columns than samples. */
        boolean spreads() {
            return index.length >= span;
        }
    }

    boolean isHasty() {
        return hasty;
    }

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
        Row row = row(rows, plane, number, first, count);
        if (row.isNew) {
            plane.samples(number, first, count, row.room(count));
            row.isNew = false;
        }
        return row.values;
    }

    /** A plane's row at some columns, as 256 times the sample; kept as {@link #samples}. */
    int[] spread(Plane plane, int number, Columns columns) {
        Row row = row(spreadRows, plane, number, columns.first(), columns.index().length);
        if (row.isNew) {
            int[] values = scratch(SPREAD_FROM, columns.span() + 1);
            plane.samples(number, columns.first(), columns.span(), values);
            Plane.spread(values, columns, row.room(columns.index().length));
            row.isNew = false;
        }
        return row.values;
    }

    /** A row of a picture in colours at some columns; kept as {@link #samples}. */
    int[] spread(YuvPicture picture, Plane luma, int number, Columns columns) {
        Row row = row(spreadRows, luma, number, columns.first(), columns.index().length);
        if (row.isNew) {
            int[] values = scratch(SPREAD_FROM, columns.span() + 1);
            picture.wholeSamples(this, columns.first(), number, columns.span(), values);
            PackedRows.spread(values, columns, row.room(columns.index().length));
            row.isNew = false;
        }
        return row.values;
    }

    /** The row as it is kept, or in the place of the one that was not asked for longest, to be filled. */
    private Row row(Row[] kept, Plane plane, int number, int first, int count) {
        Row oldest = null;
        for (int i = 0; i < ROWS; i++) {
            Row row = kept[i];
            if (row == null) {
                row = new Row();
                kept[i] = row;
            }
            if (row.is(plane, number, first, count)) {
                row.used = ++latest;
                return row;
            }
            oldest = oldest == null || row.used < oldest.used ? row : oldest;
        }
        oldest.plane = plane;
        oldest.number = number;
        oldest.first = first;
        oldest.count = count;
        oldest.used = ++latest;
        oldest.isNew = true;
        return oldest;
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
