package chalktrace.core.render;

import java.awt.Rectangle;

/** Painted pixels: premultiplied ARGB words of a rectangle of a surface. */
record Raster(int x, int y, int width, int height, int[] pixels) {

    static final Raster NOTHING = new Raster(0, 0, 0, 0, new int[0]);

    long bytes() {
        return 4L * pixels.length + 64;
    }

    /** Lays the raster over a tile. @param opacity 0 to 1 */
    void over(PixelTile tile, double opacity) {
        Rectangle area = tile.bounds().intersection(new Rectangle(x, y, width, height));
        int share = Blend.share(opacity);
        if (area.isEmpty() || share == 0) {
            return;
        }
        for (int row = area.y; row < area.y + area.height; row++) {
            int from = (row - y) * width + area.x - x;
            int to = tile.index(area.x, row);
            for (int i = 0; i < area.width; i++) {
                int word = pixels[from + i];
                if (word != 0) {
                    int above = share == 256 ? word : Blend.scale(word, share);
                    tile.pixels()[to + i] = Blend.over(tile.pixels()[to + i], above);
                }
            }
        }
    }
}
