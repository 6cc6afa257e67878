package chalktrace.core.picture;

/** The luma weights of a video standard, from which its colour conversion follows. */
public enum YuvMatrix {
    /** ITU-R BT.601. */
    BT601(0.299, 0.114),
    /** ITU-R BT.709. */
    BT709(0.2126, 0.0722),
    /** ITU-R BT.2020, non-constant luminance. */
    BT2020(0.2627, 0.0593);

    private final double red;
    private final double blue;

    YuvMatrix(double red, double blue) {
        this.red = red;
        this.blue = blue;
    }

    /**
     * The conversion to RGB as 16.16 fixed-point factors: luma, V to red, U to green, V to green, U to blue.
     *
     * @param fullRange luma 0 to 255 instead of 16 to 235, chroma alike
     */
    int[] toRgbFactors(boolean fullRange) {
        double luma = fullRange ? 1 : 255.0 / 219;
        double chroma = fullRange ? 1 : 255.0 / 224;
        double green = 1 - red - blue;
        return new int[] {
            fixed(luma),
            fixed(2 * (1 - red) * chroma),
            fixed(2 * (1 - blue) * blue / green * chroma),
            fixed(2 * (1 - red) * red / green * chroma),
            fixed(2 * (1 - blue) * chroma)
        };
    }

    private static int fixed(double factor) {
        return (int) Math.round(factor * 65536);
    }
}
