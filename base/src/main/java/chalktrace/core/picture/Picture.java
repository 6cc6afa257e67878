package chalktrace.core.picture;

/**
 * One decoded picture of a source, read-only, of stored size {@link #size()}. Video stays in its own planes of luma and
 * chroma, which take a third to a half of the memory of ARGB; pictures with opacity or palettes come as ARGB, those of linear light as light.
 */
public abstract sealed class Picture permits YuvPicture, ArgbPicture, LightPicture {

    private final PictureSize size;
    private Picture half;
    private Picture oneField;

    Picture(PictureSize size) {
        this.size = size;
    }

    public final PictureSize size() {
        return size;
    }

    /** The memory that the picture takes, in bytes, without its halves. */
    public abstract long bytes();

    /** Whether no word of it is clear in any part. */
    public abstract boolean isOpaque();

    /** One row of opaque or straight-alpha ARGB words into {@code out[0 .. count)}. */
    public abstract void argbRow(PictureSampling columns, double row, int count, int[] out);

    /** One ARGB word at a position in samples, where (0, 0) is the middle of the first sample. */
    public abstract int argbAt(double x, double y);

    /** The same picture at half the size, made once: sampling it keeps fine detail from sparkling when shown small. */
    public final synchronized Picture half() {
        if (half == null) {
            half = makeHalf();
        }
        return half;
    }

    abstract Picture makeHalf();

    /**
     * Of an interlaced picture its first field alone, made once: even rows stay, odd rows are made anew from those above
     * and below along the direction in which they agree best (edge-based line averaging: Doyle, "Interlaced to sequential
     * conversion for EDTV applications", 1988).
     */
    public final synchronized Picture oneField() {
        if (oneField == null) {
            oneField = makeOneField();
        }
        return oneField;
    }

    abstract Picture makeOneField();

    /** Whether it knows light that is brighter than white. */
    public boolean holdsLight() {
        return false;
    }

    /** The picture with all its light made 2 to the power of so many stops as strong, where it {@link #holdsLight}; else as it is. */
    public Picture exposed(double stops) {
        return this;
    }

    /** The whole picture as ARGB words, row after row. */
    public final int[] toArgb() {
        PictureSampling columns = new PictureSampling(0, 1, size.width());
        int[] out = new int[size.width() * size.height()];
        int[] row = new int[size.width()];
        for (int y = 0; y < size.height(); y++) {
            argbRow(columns, y, size.width(), row);
            System.arraycopy(row, 0, out, y * size.width(), size.width());
        }
        return out;
    }
}
