package chalktrace.core.picture;

/**
 * Where the samples of chroma lie among those of luma that share them (ITU-T H.273, 8.7): the place of the first one, in samples of luma
 * from the middle of the first of those.
 *
 * @param x to the right
 * @param y downwards
 */
public record ChromaSite(double x, double y) {

    /** In the middle of the samples of luma that share one, as in JPEG and MPEG-1. @param shiftX how often chroma is halved, as {@code shiftY} */
    public static ChromaSite middle(int shiftX, int shiftY) {
        return new ChromaSite(middle(shiftX), middle(shiftY));
    }

    private static double middle(int shift) {
        return ((1 << shift) - 1) / 2.0;
    }

    /** On the left one of those side by side, as in MPEG-2 and H.264 where nothing else is said. */
    public static ChromaSite left(int shiftX, int shiftY) {
        return new ChromaSite(0, middle(shiftY));
    }

    /** On the first of those side by side and one above the other. */
    public static ChromaSite topLeft() {
        return new ChromaSite(0, 0);
    }

    /** After each plane was halved by taking the mean of two samples. */
    ChromaSite half(int shiftX, int shiftY) {
        return new ChromaSite(half(x, shiftX), half(y, shiftY));
    }

    private static double half(double at, int shift) {
        return (at + (1 << shift) / 2.0 - 0.5) / 2;
    }

    /**
     * After the picture was scaled by something that takes them to lie in the middle, before and after.
     *
     * @param times how many times as large it was
     */
    public ChromaSite scaled(double times, int shiftX, int shiftY, int toShiftX, int toShiftY) {
        return new ChromaSite(
                middle(toShiftX) - (middle(shiftX) - x) / times, middle(toShiftY) - (middle(shiftY) - y) / times);
    }
}
