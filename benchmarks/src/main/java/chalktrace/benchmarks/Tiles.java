package chalktrace.benchmarks;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Rgb;
import chalktrace.core.render.FrameComposer;
import chalktrace.core.render.Haste;
import chalktrace.core.render.PixelTile;
import chalktrace.core.render.RasterCache;
import chalktrace.core.render.Scene;
import chalktrace.core.render.Viewpoint;
import java.awt.Rectangle;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;

/** A viewport in tiles of the board's size, composed on as many threads as the board uses on this machine. */
final class Tiles implements AutoCloseable {

    private static final int WIDTH = 1024;
    private static final int HEIGHT = 64;

    private final FrameComposer composer = new FrameComposer(new RasterCache(256L << 20), new Rgb(24, 29, 32));
    private final ExecutorService threads = Executors.newFixedThreadPool(
            Math.max(1, Math.min(4, Runtime.getRuntime().availableProcessors())));
    private final List<PixelTile> tiles = new ArrayList<>();
    private final Viewpoint view;

    /** A viewport that shows the whole picture, as large as it goes. */
    Tiles(int width, int height, PictureSize picture) {
        double scale = Math.min(width / (double) picture.width(), height / (double) picture.height());
        view = new Viewpoint(
                scale,
                0,
                Math.rint((width - scale * picture.width()) / 2),
                Math.rint((height - scale * picture.height()) / 2),
                width,
                height);
        for (int y = 0; y < height; y += HEIGHT) {
            for (int x = 0; x < width; x += WIDTH) {
                int w = Math.min(WIDTH, width - x);
                int h = Math.min(HEIGHT, height - y);
                tiles.add(new PixelTile(new int[w * h], 0, w, x, y, w, h));
            }
        }
    }

    Viewpoint view() {
        return view;
    }

    void compose(Scene scene) throws Exception {
        compose(scene, new Rectangle(0, 0, Integer.MAX_VALUE, Integer.MAX_VALUE));
    }

    /** Composes a scene that may be asked for next for what of it is kept, on this thread, as the board does while the artist rests. */
    void makeReady(Scene scene) {
        int[] scratch = new int[WIDTH * HEIGHT];
        for (PixelTile tile : tiles) {
            composer.compose(
                    scene,
                    view,
                    new PixelTile(scratch, 0, tile.width(), tile.x(), tile.y(), tile.width(), tile.height()));
        }
    }

    /** Composes all tiles from another viewpoint, of what is at hand, as while a view is moved. */
    void composeQuickly(Scene scene, Viewpoint from) throws Exception {
        compose(scene, from, new Rectangle(0, 0, Integer.MAX_VALUE, Integer.MAX_VALUE), Haste.MOVED);
    }

    /** Composes the tiles that a rectangle of device pixels touches. */
    void compose(Scene scene, Rectangle touched) throws Exception {
        compose(scene, view, touched, Haste.NONE);
    }

    private void compose(Scene scene, Viewpoint from, Rectangle touched, Haste haste) throws Exception {
        List<Callable<Void>> work = new ArrayList<>();
        for (PixelTile tile : tiles) {
            if (touched.intersects(tile.x(), tile.y(), tile.width(), tile.height())) {
                work.add(() -> {
                    composer.compose(scene, from, tile, haste);
                    return null;
                });
            }
        }
        for (Future<Void> done : threads.invokeAll(work)) {
            done.get();
        }
    }

    @Override
    public void close() {
        threads.shutdownNow();
    }
}
