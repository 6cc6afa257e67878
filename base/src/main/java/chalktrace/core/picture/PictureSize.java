package chalktrace.core.picture;

/** Width and height of a picture in pixels. */
public record PictureSize(int width, int height) {

    /** The longest side that is taken in: far above what a screen or a film frame needs, and still one array. */
    public static final int LONGEST_SIDE = 16_384;

    /** More takes more memory than a step through pictures can spend: 200 MB as ARGB. */
    public static final int MOST_PIXELS = 50_000_000;

    /** @throws IllegalArgumentException with a sentence for the person when a side is out of bounds */
    public PictureSize {
        if (width < 1
                || height < 1
                || width > LONGEST_SIDE
                || height > LONGEST_SIDE
                || (long) width * height > MOST_PIXELS) {
            throw new IllegalArgumentException("A picture of " + width + "x" + height
                    + " can't be used: each side must be 1 to " + LONGEST_SIDE + " pixels, and all of it at most "
                    + MOST_PIXELS / 1_000_000 + " million.");
        }
    }

    /** Reads "1920x1080". */
    public static PictureSize parse(String text) {
        String[] sides = text.strip().split("[x×]");
        try {
            if (sides.length == 2) {
                return new PictureSize(Integer.parseInt(sides[0].strip()), Integer.parseInt(sides[1].strip()));
            }
        } catch (NumberFormatException e) {
            // The sentence below says what is expected.
        }
        throw new IllegalArgumentException("\"" + text.strip() + "\" is not a picture size: write 1920x1080.");
    }

    /** Whether a pixel lies in the picture. */
    public boolean contains(int x, int y) {
        return x >= 0 && y >= 0 && x < width && y < height;
    }

    @Override
    public String toString() {
        return width + "x" + height;
    }
}
