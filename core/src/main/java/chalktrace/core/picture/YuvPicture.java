package chalktrace.core.picture;

/** A picture in planes of luma and of two chromas, which may be halved in either direction, eight bits a sample. */
public final class YuvPicture extends Picture {

    private final Plane luma;
    private final Plane blue;
    private final Plane red;
    private final int shiftX;
    private final int shiftY;
    private final YuvMatrix matrix;
    private final boolean fullRange;
    private final int[] factors;

    /**
     * @param blue the U (Cb) plane
     * @param red the V (Cr) plane, of the same size as {@code blue}
     * @throws IllegalArgumentException when the chroma planes differ or are not whole, halved or quartered
     */
    public YuvPicture(Plane luma, Plane blue, Plane red, YuvMatrix matrix, boolean fullRange) {
        super(new PictureSize(luma.width(), luma.height()));
        this.luma = luma;
        this.blue = blue;
        this.red = red;
        this.shiftX = shift(luma.width(), blue.width());
        this.shiftY = shift(luma.height(), blue.height());
        this.matrix = matrix;
        this.fullRange = fullRange;
        this.factors = matrix.toRgbFactors(fullRange);
        if (blue.width() != red.width() || blue.height() != red.height()) {
            throw new IllegalArgumentException("The two planes of chroma must have the same size.");
        }
    }

    public Plane luma() {
        return luma;
    }

    @Override
    public long bytes() {
        return luma.bytes() + blue.bytes() + red.bytes();
    }

    @Override
    public void argbRow(PictureSampling columns, double row, int count, int[] out) {
        if (columns.isOneToOne() && row == Math.rint(row)) {
            luma.copyRow((int) columns.first, (int) row, count, columns.luma);
        } else {
            luma.sampleRow(columns.positions(), PictureSampling.fixed(row), count, columns.luma);
        }
        int[] chroma = columns.chromaPositions(shiftX);
        int chromaRow = PictureSampling.fixed(PictureSampling.toChroma(row, shiftY));
        blue.sampleRow(chroma, chromaRow, count, columns.blue);
        red.sampleRow(chroma, chromaRow, count, columns.red);
        for (int i = 0; i < count; i++) {
            out[i] = argb(columns.luma[i], columns.blue[i], columns.red[i]);
        }
    }

    @Override
    public int argbAt(double x, double y) {
        int chromaX = PictureSampling.fixed(PictureSampling.toChroma(x, shiftX));
        int chromaY = PictureSampling.fixed(PictureSampling.toChroma(y, shiftY));
        return argb(
                luma.sample(PictureSampling.fixed(x), PictureSampling.fixed(y)),
                blue.sample(chromaX, chromaY),
                red.sample(chromaX, chromaY));
    }

    @Override
    Picture makeHalf() {
        return new YuvPicture(luma.half(), blue.half(), red.half(), matrix, fullRange);
    }

    private int argb(int y, int u, int v) {
        int light = factors[0] * (fullRange ? y : y - 16) + 32768;
        int cu = u - 128;
        int cv = v - 128;
        int r = light + factors[1] * cv >> 16;
        int g = light - factors[2] * cu - factors[3] * cv >> 16;
        int b = light + factors[4] * cu >> 16;
        return 0xFF000000 | clamp(r) << 16 | clamp(g) << 8 | clamp(b);
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
