package chalktrace.core.picture;

/**
 * A picture of linear light, which can be brighter than white, as OpenEXR and Radiance files hold it. It is seen through the curve of sRGB
 * (IEC 61966-2-1); what an exposure brings back into range is there.
 */
public final class LightPicture extends Picture {

    /** By linear light, 0 to 65535: the part of a word. */
    private static final byte[] SHOWN = shown();

    private final float[] red;
    private final float[] green;
    private final float[] blue;
    private final float[] opacity;
    private final ArgbPicture asIs;
    private ArgbPicture exposed;
    private double exposedBy;

    /**
     * @param red linear, with the primaries of ITU-R BT.709, 1 for white; row after row, as {@code green} and {@code blue}
     * @param opacity 0 to 1; null where all is opaque
     * @throws IllegalArgumentException when a plane is not width x height
     */
    public LightPicture(PictureSize size, float[] red, float[] green, float[] blue, float[] opacity) {
        super(size);
        int count = size.width() * size.height();
        if (red.length != count
                || green.length != count
                || blue.length != count
                || opacity != null && opacity.length != count) {
            throw new IllegalArgumentException("The planes of light of a picture of " + size + " have other sizes.");
        }
        this.red = red;
        this.green = green;
        this.blue = blue;
        this.opacity = opacity;
        this.asIs = through(0);
    }

    private static byte[] shown() {
        byte[] table = new byte[65536];
        for (int i = 0; i < table.length; i++) {
            table[i] = (byte) Math.round(255 * Srgb.part(i / 65535.0));
        }
        return table;
    }

    private ArgbPicture through(double stops) {
        float times = (float) Math.pow(2, stops);
        int[] words = new int[red.length];
        for (int i = 0; i < words.length; i++) {
            words[i] = word(red[i] * times, green[i] * times, blue[i] * times, opacity == null ? 1 : opacity[i]);
        }
        return new ArgbPicture(size(), words);
    }

    /** The word, of straight opacity, of linear light; what is no number is black. */
    public static int word(float red, float green, float blue, float opacity) {
        int clear = Math.round(255 * Math.max(0, Math.min(1, opacity)));
        return clear << 24 | part(red) << 16 | part(green) << 8 | part(blue);
    }

    private static int part(float light) {
        return SHOWN[light > 0 ? (int) Math.min(65535, light * 65535 + 0.5f) : 0] & 255;
    }

    @Override
    public long bytes() {
        return asIs.bytes() * (opacity == null ? 4 : 5);
    }

    @Override
    public boolean isOpaque() {
        return opacity == null;
    }

    @Override
    public void argbRow(PictureSampling columns, double row, int count, int[] out) {
        asIs.argbRow(columns, row, count, out);
    }

    @Override
    public int argbAt(double x, double y) {
        return asIs.argbAt(x, y);
    }

    @Override
    public synchronized Picture exposed(double stops) {
        if (stops == 0) {
            return this;
        }
        if (exposed == null || exposedBy != stops) {
            exposed = through(stops);
            exposedBy = stops;
        }
        return exposed;
    }

    @Override
    public boolean holdsLight() {
        return true;
    }

    @Override
    Picture makeHalf() {
        return asIs.half();
    }

    @Override
    Picture makeOneField() {
        return this;
    }
}
