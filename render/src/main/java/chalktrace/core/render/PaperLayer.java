package chalktrace.core.render;

import chalktrace.core.picture.Rgb;
import java.awt.Rectangle;
import java.util.Arrays;

/** The paper under everything. */
public record PaperLayer(Rgb color) implements SceneLayer {

    @Override
    public void paint(Surface surface, PixelTile tile) {
        Rectangle area = surface.picture().intersection(tile.bounds());
        int[] columns = surface.columnsOfPicture(area.y);
        for (int y = area.y; y < area.y + area.height; y++) {
            if (surface.view().degrees() != 0) {
                // In a turned view each row has its own part of the picture.
                columns = surface.columnsOfPicture(y);
            }
            int left = Math.max(area.x, columns[0]);
            int right = Math.min(area.x + area.width, columns[1]);
            if (left < right) {
                int from = tile.index(left, y);
                Arrays.fill(tile.pixels(), from, from + right - left, color.argb());
            }
        }
    }

    @Override
    public boolean isGround() {
        return true;
    }

    @Override
    public boolean coversAll() {
        return true;
    }
}
