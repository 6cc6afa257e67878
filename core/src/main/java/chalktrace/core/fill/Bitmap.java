package chalktrace.core.fill;

import java.util.Arrays;

/** A picture of yes and no, row after row. It is made and worked on within this package; outside it is only handed on. */
public final class Bitmap {

    final int width;
    final int height;
    final boolean[] on;

    /** @throws IllegalArgumentException when the pixels are not as many as the size says */
    public Bitmap(int width, int height, boolean[] on) {
        if (on.length != width * height) {
            throw new IllegalArgumentException("A bitmap has a pixel for each place of its size.");
        }
        this.width = width;
        this.height = height;
        this.on = on;
    }

    Bitmap(int width, int height) {
        this(width, height, new boolean[width * height]);
    }

    public int width() {
        return width;
    }

    public int height() {
        return height;
    }

    /** Whether a pixel is set; outside none is. */
    public boolean at(int x, int y) {
        return x >= 0 && y >= 0 && x < width && y < height && on[y * width + x];
    }

    /** Whether a pixel is set and one beside, above or below it is not, or is no pixel. */
    boolean isEdge(int x, int y) {
        int i = y * width + x;
        return on[i]
                && (x == 0
                        || y == 0
                        || x == width - 1
                        || y == height - 1
                        || !(on[i - 1] && on[i + 1] && on[i - width] && on[i + width]));
    }

    /** How many pixels are set. */
    public int count() {
        int count = 0;
        for (boolean pixel : on) {
            count += pixel ? 1 : 0;
        }
        return count;
    }

    Bitmap inverted() {
        boolean[] out = new boolean[on.length];
        for (int i = 0; i < out.length; i++) {
            out[i] = !on[i];
        }
        return new Bitmap(width, height, out);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Bitmap bitmap && width == bitmap.width && Arrays.equals(on, bitmap.on);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(on);
    }
}
