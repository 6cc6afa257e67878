package chalktrace.media.export;

import chalktrace.core.picture.Rgb;
import chalktrace.core.render.FrameComposer;
import chalktrace.core.render.RasterCache;
import chalktrace.core.render.Scene;
import chalktrace.core.render.SceneOptions;
import chalktrace.core.render.Scenes;
import chalktrace.core.shot.Shot;
import chalktrace.core.work.Workers;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;

/** The composed frames of a shot in turn; while one is being written, the next is composed. Must be closed. */
final class FrameFeed implements AutoCloseable {

    private static final long RASTER_BYTES = 64L << 20;

    private final Shot shot;
    private final ShotSources sources;
    private final SceneOptions options;
    private final FrameComposer composer = new FrameComposer(new RasterCache(RASTER_BYTES), Rgb.WHITE);
    private final ExecutorService thread = Workers.one("export");
    private Future<int[]> next;
    private int frame;

    FrameFeed(Shot shot, ShotSources sources, boolean withFootage) {
        this.shot = shot;
        this.sources = sources;
        this.options = SceneOptions.export(withFootage);
        this.next = thread.submit(() -> compose(0));
    }

    /** The next frame as opaque words, row after row, of the shot's size. */
    int[] next() throws InterruptedException {
        try {
            int[] ready = next.get();
            frame++;
            if (frame < shot.setup().length()) {
                int upcoming = frame;
                next = thread.submit(() -> compose(upcoming));
            }
            return ready;
        } catch (ExecutionException e) {
            throw new IllegalStateException("a frame could not be composed", e.getCause());
        }
    }

    @Override
    public void close() throws InterruptedException {
        Workers.finish(thread);
        // The sources are in use until the last frame is done.
        thread.awaitTermination(1, TimeUnit.MINUTES);
    }

    private int[] compose(int number) {
        Scene scene = Scenes.of(shot, number, options, sources);
        return composer.composeWhole(scene);
    }
}
