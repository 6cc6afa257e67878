package chalktrace.core.render;

import java.awt.Rectangle;

/**
 * A rectangle of a surface that is painted into: opaque ARGB words, row after row.
 *
 * @param pixels at least {@code offset + (height - 1) x stride + width} words; painted in place
 * @param offset of the tile's first word in the array
 * @param stride words from one row to the next
 * @param x of the tile's left edge on the surface
 * @param y of the tile's top edge on the surface
 */
public record PixelTile(int[] pixels, int offset, int stride, int x, int y, int width, int height) {

    /** A whole surface. */
    public static PixelTile whole(int[] pixels, int width, int height) {
        return new PixelTile(pixels, 0, width, 0, 0, width, height);
    }

    Rectangle bounds() {
        return new Rectangle(x, y, width, height);
    }

    /** The array index of a pixel of the surface. */
    int index(int surfaceX, int surfaceY) {
        return offset + (surfaceY - y) * stride + surfaceX - x;
    }
}
