package chalktrace.core.picture;

/** A picture in planes of luma and of two chromas, which may be halved in either direction, eight bits a sample. */
public final class YuvPicture extends Picture {

    private final Plane luma;
    private final Plane blue;
    private final Plane red;
    private final int shiftX;
    private final int shiftY;
    private final VideoColour colour;
    private final int[] factors;

    /** One whose samples of chroma lie in the middle of those of luma that share them. */
    public YuvPicture(Plane luma, Plane blue, Plane red, YuvMatrix matrix, boolean fullRange) {
        this(
                luma,
                blue,
                red,
                new VideoColour(
                        matrix,
                        fullRange,
                        ChromaSite.middle(shift(luma.width(), blue.width()), shift(luma.height(), blue.height())),
                        VideoLight.SCREEN));
    }

    /**
     * @param blue the U (Cb) plane
     * @param red the V (Cr) plane, of the same size as {@code blue}
     * @throws IllegalArgumentException when the chroma planes differ or are not whole, halved or quartered
     */
    public YuvPicture(Plane luma, Plane blue, Plane red, VideoColour colour) {
        super(new PictureSize(luma.width(), luma.height()));
        this.luma = luma;
        this.blue = blue;
        this.red = red;
        this.shiftX = shift(luma.width(), blue.width());
        this.shiftY = shift(luma.height(), blue.height());
        this.colour = colour;
        this.factors = colour.matrix().toRgbFactors(colour.fullRange());
        if (blue.width() != red.width() || blue.height() != red.height()) {
            throw new IllegalArgumentException("The two planes of chroma must have the same size.");
        }
    }

    public Plane luma() {
        return luma;
    }

    /** The U (Cb) plane. */
    public Plane blue() {
        return blue;
    }

    /** The V (Cr) plane. */
    public Plane red() {
        return red;
    }

    public VideoColour colour() {
        return colour;
    }

    /** How often chroma is halved sideways. */
    public int shiftX() {
        return shiftX;
    }

    /** How often chroma is halved downwards. */
    public int shiftY() {
        return shiftY;
    }

    @Override
    public long bytes() {
        return luma.bytes() + blue.bytes() + red.bytes();
    }

    @Override
    public boolean isOpaque() {
        return true;
    }

    @Override
    public void argbRow(PictureSampling columns, double row, int count, int[] out) {
        int first = columns.firstSample();
        boolean inside = first >= 0 && first + count <= luma.width() && row >= 0 && row < luma.height();
        if (shiftX == 1 && inside && columns.isOneToOne() && row == Math.rint(row)) {
            wholeSamples(columns, first, (int) row, count, out);
        } else if (shiftX == 1
                && columns.isHasty()
                && columns.columns(0, 0, luma.width()).spreads()) {
            betweenColours(columns, row, count, out);
        } else {
            betweenSamples(columns, row, count, out);
        }
    }

    /** Between the colours of four samples. */
    private void betweenColours(PictureSampling sampling, double row, int count, int[] out) {
        PictureSampling.Columns columns = sampling.columns(0, 0, luma.width());
        int y = PictureSampling.fixed(row);
        int upper = Math.max(0, Math.min(luma.height() - 1, y >> 8));
        int part = y < 0 ? 0 : y & 255;
        int[] above = sampling.spread(this, luma, upper, columns);
        int[] below = part == 0 ? above : sampling.spread(this, luma, Math.min(upper + 1, luma.height() - 1), columns);
        PackedRows.mix(above, below, part, count, out);
    }

    private void betweenSamples(PictureSampling columns, double row, int count, int[] out) {
        int[] y = columns.scratch(0, count);
        int[] u = columns.scratch(1, count);
        int[] v = columns.scratch(2, count);
        PictureSampling.Columns lumaColumns = columns.columns(0, 0, luma.width());
        PictureSampling.Columns chromaColumns =
                columns.columns(shiftX, colour.site().x(), blue.width());
        int[] mixed = columns.scratch(3, Math.max(lumaColumns.span(), chromaColumns.span()) + 1);
        int chromaRow = PictureSampling.fixed(chromaRow(row));
        luma.sampleRow(columns, lumaColumns, PictureSampling.fixed(row), count, y, mixed);
        blue.sampleRow(columns, chromaColumns, chromaRow, count, u, mixed);
        red.sampleRow(columns, chromaColumns, chromaRow, count, v, mixed);
        toArgb(y, u, v, count, out);
    }

    /**
     * The usual case of a picture shown 1:1 with chroma of half the width: even and odd columns are worked on apart, as
     * each half is plain arithmetic on rows.
     */
    void wholeSamples(PictureSampling columns, int first, int row, int count, int[] out) {
        int firstPair = first >> 1;
        int pairs = (first + count - 1 >> 1) - firstPair + 1;
        int[] y0 = columns.scratch(0, pairs);
        int[] y1 = columns.scratch(1, pairs);
        luma.splitRow(row, firstPair, pairs, y0, y1);
        int chromaRow = PictureSampling.fixed(chromaRow(row));
        int[] u0 = columns.scratch(2, pairs);
        int[] u1 = columns.scratch(3, pairs);
        int[] v0 = columns.scratch(4, pairs);
        int[] v1 = columns.scratch(5, pairs);
        splitChroma(blue, chromaRow, firstPair, pairs, columns, u0, u1);
        splitChroma(red, chromaRow, firstPair, pairs, columns, v0, v1);
        int[] even = columns.scratch(7, pairs);
        int[] odd = columns.scratch(8, pairs);
        toArgb(y0, u0, v0, pairs, even);
        toArgb(y1, u1, v1, pairs, odd);
        weave(even, odd, first & 1, count, out);
    }

    /** Chroma for even and odd columns: those lie at or before a sample of it, and after it. */
    private void splitChroma(
            Plane plane, int row, int firstPair, int pairs, PictureSampling rows, int[] even, int[] odd) {
        int[] neighbours = rows.scratch(6, pairs + 2);
        int[] middle = rows.scratch(7, pairs);
        int[] right = rows.scratch(8, pairs);
        int from = Math.max(0, firstPair - 1);
        int to = Math.min(plane.width() - 1, firstPair + pairs);
        plane.mixRows(rows, row, from, to - from + 1, neighbours);
        if (from == firstPair) {
            System.arraycopy(neighbours, 0, neighbours, 1, to - from + 1);
        }
        if (to < firstPair + pairs) {
            neighbours[pairs + 1] = neighbours[pairs];
        }
        // Three rows side by side instead of one read at three places: only so are several words worked on at once.
        System.arraycopy(neighbours, 1, middle, 0, pairs);
        System.arraycopy(neighbours, 2, right, 0, pairs);
        int before = (int) Math.round(colour.site().x() * 128);
        int after = 128 - before;
        for (int k = 0; k < pairs; k++) {
            even[k] = neighbours[k] * before + middle[k] * (256 - before) + 32768 >> 16;
            odd[k] = right[k] * after + middle[k] * (256 - after) + 32768 >> 16;
        }
    }

    private double chromaRow(double row) {
        return PictureSampling.toChroma(row, shiftY, colour.site().y());
    }

    private static void weave(int[] even, int[] odd, int startsOdd, int count, int[] out) {
        if (startsOdd == 1) {
            out[0] = odd[0];
        }
        int pairs = (count + startsOdd) / 2;
        for (int k = startsOdd; k < pairs; k++) {
            out[2 * k - startsOdd] = even[k];
            out[2 * k - startsOdd + 1] = odd[k];
        }
        if ((count + startsOdd) % 2 == 1) {
            out[count - 1] = even[pairs];
        }
    }

    /**
     * Plain arithmetic on whole rows, so that the virtual machine works on several words at once. The bounds are kept by
     * bits for the same reason: {@code x & ~(x >> 31)} is x, or 0 when x is negative.
     */
    private void toArgb(int[] y, int[] u, int[] v, int count, int[] out) {
        int light = factors[0];
        int redOfV = factors[1];
        int greenOfU = factors[2];
        int greenOfV = factors[3];
        int blueOfU = factors[4];
        int black = 32768 - (colour.fullRange() ? 0 : 16 * light);
        int redBase = black - 128 * redOfV;
        int greenBase = black + 128 * (greenOfU + greenOfV);
        int blueBase = black - 128 * blueOfU;
        for (int i = 0; i < count; i++) {
            int base = light * y[i];
            int r = base + redOfV * v[i] + redBase >> 16;
            int g = base - greenOfU * u[i] - greenOfV * v[i] + greenBase >> 16;
            int b = base + blueOfU * u[i] + blueBase >> 16;
            // What is missing to 255, held at 0 and above on both ends.
            int r1 = 255 - (r & ~(r >> 31));
            int g1 = 255 - (g & ~(g >> 31));
            int b1 = 255 - (b & ~(b >> 31));
            out[i] = ~((r1 & ~(r1 >> 31)) << 16 | (g1 & ~(g1 >> 31)) << 8 | b1 & ~(b1 >> 31));
        }
        colour.light().toScreen(out, count);
    }

    @Override
    public int argbAt(double x, double y) {
        int chromaX = PictureSampling.fixed(
                PictureSampling.toChroma(x, shiftX, colour.site().x()));
        int chromaY = PictureSampling.fixed(chromaRow(y));
        return argb(
                luma.sample(PictureSampling.fixed(x), PictureSampling.fixed(y)),
                blue.sample(chromaX, chromaY),
                red.sample(chromaX, chromaY));
    }

    @Override
    Picture makeHalf() {
        return new YuvPicture(
                luma.half(), blue.half(), red.half(), withSite(colour.site().half(shiftX, shiftY)));
    }

    private VideoColour withSite(ChromaSite site) {
        return new VideoColour(colour.matrix(), colour.fullRange(), site, colour.light());
    }

    /** Rows of chroma take turns between the fields just as those of luma do. */
    @Override
    Picture makeOneField() {
        return new YuvPicture(luma.oneField(), blue.oneField(), red.oneField(), colour);
    }

    private int argb(int y, int u, int v) {
        int light = factors[0] * (colour.fullRange() ? y : y - 16) + 32768;
        int cu = u - 128;
        int cv = v - 128;
        int r = light + factors[1] * cv >> 16;
        int g = light - factors[2] * cu - factors[3] * cv >> 16;
        int b = light + factors[4] * cu >> 16;
        return colour.light().toScreen(0xFF000000 | clamp(r) << 16 | clamp(g) << 8 | clamp(b));
    }

    private static int clamp(int part) {
        return part < 0 ? 0 : Math.min(part, 255);
    }

    private static int shift(int whole, int part) {
        for (int shift = 0; shift <= 2; shift++) {
            if (whole + (1 << shift) - 1 >> shift == part) {
                return shift;
            }
        }
        throw new IllegalArgumentException(
                "A chroma plane of " + part + " samples does not fit a luma of " + whole + ".");
    }
}
