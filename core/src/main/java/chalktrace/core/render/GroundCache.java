package chalktrace.core.render;

import java.awt.Rectangle;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * What lies under the drawing that is worked on, up to its onion skin, as it was composed on each tile for the frames seen last: while only
 * what lies over it changes, or a frame is seen again, it is copied and not composed. Safe for threads.
 */
final class GroundCache {

    /** About eight screens of 1920x1080, some thirty of a board of 1000x468. */
    private static final long MOST_WORDS = 16L << 20;

    /** @param layers compared from the first on: neighbouring frames differ early, in their footage or in a drawing's revision */
    private record Ground(Rectangle place, Viewpoint view, List<SceneLayer> layers) {

        /** Of the place alone: what drawings hold is never hashed for a tile. */
        @Override
        public int hashCode() {
            return place.hashCode();
        }
    }

    private final Map<Ground, int[]> tiles = new LinkedHashMap<>(64, 0.75f, true);
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
        if (!worthIt) {
            layers.forEach(layer -> layer.paint(surface, tile));
            return count;
        }
        Ground wanted = new Ground(tile.bounds(), surface.view(), List.copyOf(layers));
        int[] known;
        synchronized (tiles) {
            known = tiles.get(wanted);
        }
        if (known != null) {
            for (int y = 0; y < tile.height(); y++) {
                System.arraycopy(
                        known, y * tile.width(), tile.pixels(), tile.index(tile.x(), tile.y() + y), tile.width());
            }
            return count;
        }
        layers.forEach(layer -> layer.paint(surface, tile));
        keep(wanted, tile);
        return count;
    }

    private void keep(Ground ground, PixelTile tile) {
        int[] copy = new int[tile.width() * tile.height()];
        for (int y = 0; y < tile.height(); y++) {
            System.arraycopy(tile.pixels(), tile.index(tile.x(), tile.y() + y), copy, y * tile.width(), tile.width());
        }
        synchronized (tiles) {
            int[] before = tiles.put(ground, copy);
            words += copy.length - (before == null ? 0 : before.length);
            var oldest = tiles.values().iterator();
            while (words > MOST_WORDS && oldest.hasNext()) {
                words -= oldest.next().length;
                oldest.remove();
            }
        }
    }
}
