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

    /** About six screens of 1920x1080, 25 of a board of 1000x468. */
    static final long USUAL_WORDS = 12L << 20;

    /** @param glance at the layers, which tells most grounds of a place apart: what drawings hold is never hashed for a tile */
    private record Ground(Rectangle place, int glance, Viewpoint view, List<SceneLayer> layers) {

        static Ground of(Rectangle place, Viewpoint view, List<SceneLayer> layers) {
            int glance = 1;
            for (SceneLayer layer : layers) {
                glance = 31 * glance + layer.glance();
            }
            return new Ground(place, glance, view, List.copyOf(layers));
        }

        @Override
        public int hashCode() {
            return 31 * place.hashCode() + glance;
        }
    }

    private final Map<Ground, int[]> tiles = new LinkedHashMap<>(64, 0.75f, true);
    private final long mostWords;
    private long words;

    /** @param mostWords that are kept, of all tiles together */
    GroundCache(long mostWords) {
        this.mostWords = mostWords;
    }

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
            paint(layers, surface, tile);
            return count;
        }
        Ground wanted = Ground.of(tile.bounds(), surface.view(), layers);
        if (isCopied(wanted, tile)) {
            return count;
        }
        paint(layers, surface, tile);
        if (surface.haste() != Haste.PLAYED) {
            keep(wanted, tile);
        }
        return count;
    }

    /** From the uppermost on that hides all others. */
    private static void paint(List<SceneLayer> layers, Surface surface, PixelTile tile) {
        int first = layers.size() - 1;
        while (first > 0 && !layers.get(first).hides(surface, tile)) {
            first--;
        }
        layers.subList(Math.max(0, first), layers.size()).forEach(layer -> layer.paint(surface, tile));
    }

    /** Within the lock, as words that are forgotten serve again. */
    private boolean isCopied(Ground wanted, PixelTile tile) {
        synchronized (tiles) {
            int[] known = tiles.get(wanted);
            for (int y = 0; known != null && y < tile.height(); y++) {
                System.arraycopy(
                        known, y * tile.width(), tile.pixels(), tile.index(tile.x(), tile.y() + y), tile.width());
            }
            return known != null;
        }
    }

    private void keep(Ground ground, PixelTile tile) {
        int[] copy = room(tile.width() * tile.height());
        for (int y = 0; y < tile.height(); y++) {
            System.arraycopy(tile.pixels(), tile.index(tile.x(), tile.y() + y), copy, y * tile.width(), tile.width());
        }
        synchronized (tiles) {
            int[] before = tiles.put(ground, copy);
            words += copy.length - (before == null ? 0 : before.length);
        }
    }

    /** Words that belong to nobody; once there are enough, those of the oldest ground of the same size: they are too many to be made anew for each step. */
    private int[] room(int length) {
        synchronized (tiles) {
            boolean full = words + length > mostWords;
            for (var oldest = tiles.values().iterator(); full && oldest.hasNext(); ) {
                int[] free = oldest.next();
                if (free.length == length) {
                    oldest.remove();
                    words -= length;
                    return free;
                }
            }
            for (var oldest = tiles.values().iterator(); words + length > mostWords && oldest.hasNext(); ) {
                words -= oldest.next().length;
                oldest.remove();
            }
            return new int[length];
        }
    }
}
