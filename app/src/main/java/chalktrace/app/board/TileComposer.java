package chalktrace.app.board;

import chalktrace.core.render.FrameComposer;
import chalktrace.core.render.Haste;
import chalktrace.core.render.PixelTile;
import chalktrace.core.render.Scene;
import chalktrace.core.render.Viewpoint;
import chalktrace.core.work.Workers;
import java.awt.Rectangle;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.logging.Level;
import java.util.logging.Logger;
import javafx.application.Platform;

/**
 * Composes scenes into tiles on background threads and shows all tiles of a scene at once. While one scene is composed, a
 * newer request waits; one that waits is replaced by a newer one, which takes over its tiles. The scene that play comes to next can be
 * composed before its time; it is shown at once when it is asked for.
 */
final class TileComposer {

    private static final Logger LOG = Logger.getLogger(TileComposer.class.getName());

    private static final int THREADS =
            Math.max(1, Math.min(4, Runtime.getRuntime().availableProcessors()));

    private record Pass(Scene scene, Viewpoint view, Haste haste, Set<Tile> tiles, Runnable shown) {

        boolean isOf(Pass other) {
            return view.equals(other.view)
                    && haste == other.haste
                    && tiles.equals(other.tiles)
                    && scene.equals(other.scene);
        }
    }

    private final FrameComposer composer;
    private final ExecutorService threads = Workers.few("compose", THREADS);
    private final ExecutorService warming = Workers.one("make ready");
    private Pass waiting;

    /** How many were asked for; who composes ahead stops when it rises. */
    private volatile int asked;

    private boolean busy;

    /** What lies in the tiles' backs, or is just being composed into them, without having been asked for; null for nothing. */
    private Pass ahead;

    private boolean aheadIsDone;

    /** Who asked for it meanwhile; null for nobody. */
    private Runnable aheadShown;

    TileComposer(FrameComposer composer) {
        this.composer = composer;
    }

    /** Asks for a scene on some tiles. On the FX thread. @param shown runs when they are on screen */
    void compose(Scene scene, Viewpoint view, List<Tile> tiles, Runnable shown) {
        compose(scene, view, Haste.NONE, tiles, shown);
    }

    /** As {@link #compose(Scene, Viewpoint, List, Runnable)}. @param haste what it is composed for */
    void compose(Scene scene, Viewpoint view, Haste haste, List<Tile> tiles, Runnable shown) {
        Set<Tile> all = new LinkedHashSet<>(tiles);
        if (waiting != null) {
            all.addAll(waiting.tiles);
        }
        Pass wanted = new Pass(scene, view, haste, all, shown);
        asked++;
        if (ahead != null && waiting == null && wanted.isOf(ahead)) {
            aheadShown = shown;
            showAhead();
            return;
        }
        ahead = null;
        waiting = wanted;
        startNext();
    }

    /** Composes a scene on all tiles before it is asked for, where nothing else is to be done. On the FX thread. */
    void prepare(Scene scene, Viewpoint view, Haste haste, List<Tile> tiles) {
        if (busy || waiting != null) {
            return;
        }
        ahead = new Pass(scene, view, haste, new LinkedHashSet<>(tiles), () -> {});
        aheadIsDone = false;
        aheadShown = null;
        Pass pass = ahead;
        run(pass, () -> {
            busy = false;
            // Something else may have been asked for meanwhile.
            if (ahead == pass) {
                aheadIsDone = true;
                showAhead();
            }
            startNext();
        });
    }

    /** Whether a scene lies ready that was not asked for yet. */
    boolean isReadyAhead() {
        return ahead != null && aheadIsDone;
    }

    private void showAhead() {
        if (aheadIsDone && aheadShown != null) {
            Set<Tile> tiles = ahead.tiles;
            ahead = null;
            show(tiles, aheadShown);
        }
    }

    /** Makes what drawings of a scene lack, beside what goes on. On the FX thread. @param then runs there when it is done */
    void warm(Scene scene, Viewpoint view, Runnable then) {
        warming.execute(() -> {
            try {
                composer.warm(scene, view);
            } catch (RuntimeException e) {
                LOG.log(Level.SEVERE, "drawings could not be made ready", e);
            }
            Platform.runLater(then);
        });
    }

    /**
     * Composes scenes that are likely to be asked for next, one after the other, for what of them is kept; ends as soon as something is
     * asked for. On the FX thread.
     */
    void ahead(List<Scene> scenes, Viewpoint view, List<Tile> tiles) {
        int before = asked;
        List<Rectangle> areas = tiles.stream().map(Tile::area).toList();
        warming.execute(() -> {
            int[] scratch = new int[Tile.WIDTH * Tile.HEIGHT];
            for (Scene scene : scenes) {
                for (Rectangle area : areas) {
                    if (asked != before) {
                        return;
                    }
                    composer.compose(
                            scene,
                            view,
                            new PixelTile(scratch, 0, area.width, area.x, area.y, area.width, area.height));
                }
            }
        });
    }

    /** Forgets what waits, such as tiles that are gone. */
    void forget() {
        waiting = null;
        ahead = null;
    }

    void close() {
        Workers.stop(threads);
        Workers.stop(warming);
    }

    private void startNext() {
        if (busy || waiting == null) {
            return;
        }
        Pass pass = waiting;
        waiting = null;
        if (pass.tiles.isEmpty()) {
            return;
        }
        run(pass, () -> {
            busy = false;
            show(pass.tiles, pass.shown);
            startNext();
        });
    }

    /** @param then on the FX thread, once all tiles are composed */
    private void run(Pass pass, Runnable then) {
        busy = true;
        AtomicInteger left = new AtomicInteger(pass.tiles.size());
        for (Tile tile : pass.tiles) {
            threads.execute(() -> {
                try {
                    composer.compose(pass.scene, pass.view, tile.target(), pass.haste);
                } catch (RuntimeException e) {
                    LOG.log(Level.SEVERE, "a tile could not be composed", e);
                } finally {
                    if (left.decrementAndGet() == 0) {
                        Platform.runLater(then);
                    }
                }
            });
        }
    }

    private static void show(Set<Tile> tiles, Runnable shown) {
        tiles.forEach(Tile::swap);
        shown.run();
    }
}
