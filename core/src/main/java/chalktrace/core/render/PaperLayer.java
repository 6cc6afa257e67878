package chalktrace.core.render;

import chalktrace.core.picture.Rgb;
import java.awt.Rectangle;
import java.util.Arrays;

/** The paper under everything. */
public record PaperLayer(Rgb color) implements SceneLayer {

    @Override
    public void paint(Surface surface, PixelTile tile) {
        Rectangle area = surface.picture().intersection(tile.bounds());
        for (int y = area.y; y < area.y + area.height; y++) {
            int from = tile.index(area.x, y);
            Arrays.fill(tile.pixels(), from, from + Math.max(0, area.width), color.argb());
        }
    }
}
