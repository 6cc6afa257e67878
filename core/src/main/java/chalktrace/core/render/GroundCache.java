package chalktrace.core.render;

import java.awt.Rectangle;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * What lies under the drawing that is worked on, up to its onion skin, as it was composed last on each tile: while only what lies over it
 * changes it is copied and not composed again. Safe for threads.
 */
final class GroundCache {

    /** About two screens of tiles. */
    private static final long MOST_WORDS = 8L << 20;

    private record Ground(List<SceneLayer> layers, Viewpoint view, int[] words) {}

    private final Map<Rectangle, Ground> tiles = new LinkedHashMap<>(64, 0.75f, true);
    private long words;

    /** Paints these layers. @return how many they are */
    int paint(Scene scene, Surface surface, PixelTile tile) {
        int count = 0;
        while (count < scene.layers().size() && scene.layers().get(count).isGround()) {
            count++;
        }
        // While the view is moved each picture is another.
        for (int i = scene.layers().size() - 1; i >= count && !surface.quick(); i--) {
            if (scene.layers().get(i).isCostly()) {
                count = i + 1;
            }
        }
        List<SceneLayer> layers = scene.layers().subList(0, count);
        // Paper alone is as quick to paint as to copy.
        boolean worthIt = count > 1 && count < scene.layers().size();
        Rectangle place = tile.bounds();
        Ground known;
        synchronized (tiles) {
            known = worthIt ? tiles.get(place) : null;
        }
        if (known != null && known.view.equals(surface.view()) && known.layers.equals(layers)) {
            for (int y = 0; y < tile.height(); y++) {
                System.arraycopy(
                        known.words, y * tile.width(), tile.pixels(), tile.index(tile.x(), tile.y() + y), tile.width());
            }
            return count;
        }
        layers.forEach(layer -> layer.paint(surface, tile));
        if (worthIt) {
            keep(place, layers, surface.view(), tile);
        }
        return count;
    }

    private void keep(Rectangle place, List<SceneLayer> layers, Viewpoint view, PixelTile tile) {
        int[] copy = new int[tile.width() * tile.height()];
        for (int y = 0; y < tile.height(); y++) {
            System.arraycopy(tile.pixels(), tile.index(tile.x(), tile.y() + y), copy, y * tile.width(), tile.width());
        }
        synchronized (tiles) {
            Ground before = tiles.put(place, new Ground(List.copyOf(layers), view, copy));
            words += copy.length - (before == null ? 0 : before.words.length);
            var oldest = tiles.entrySet().iterator();
            while (words > MOST_WORDS && oldest.hasNext()) {
                words -= oldest.next().getValue().words.length;
                oldest.remove();
            }
        }
    }
}
