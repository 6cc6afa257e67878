package chalktrace.media.export;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Rgb;
import chalktrace.core.render.FrameComposer;
import chalktrace.core.render.PixelTile;
import chalktrace.core.render.RasterCache;
import chalktrace.core.render.Scene;
import chalktrace.core.render.SceneOptions;
import chalktrace.core.render.Scenes;
import chalktrace.core.render.Viewpoint;
import chalktrace.core.shot.Shot;
import chalktrace.core.time.FrameRange;
import chalktrace.core.work.Workers;
import chalktrace.media.UnwritableException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;

/** The composed frames of a shot in turn, as they were chosen; while one is being written, the next is composed. Must be closed. */
final class FrameFeed implements AutoCloseable {

    private static final long RASTER_BYTES = 64L << 20;

    private final Shot shot;
    private final ShotSources sources;
    private final SceneOptions options;
    private final FrameRange frames;
    private final PictureSize size;
    private final Viewpoint view;
    private final boolean clear;
    private final FrameComposer composer = new FrameComposer(new RasterCache(RASTER_BYTES), Rgb.WHITE);
    private final ExecutorService thread = Workers.one("export");
    private Future<int[]> next;
    private int frame;

    /** @throws UnwritableException when the shot has not what was chosen */
    FrameFeed(Shot shot, ShotSources sources, Choices choices) throws UnwritableException {
        this.shot = Chosen.shown(shot, choices);
        this.sources = sources;
        this.options = SceneOptions.export(choices.get(Chosen.FOOTAGE));
        this.frames = Chosen.frames(shot, choices);
        this.size = Chosen.size(shot, choices);
        PictureSize whole = shot.setup().size();
        // Sides are whole numbers: the picture reaches the end of both.
        double scale = Math.max((double) size.width() / whole.width(), (double) size.height() / whole.height());
        this.view = new Viewpoint(scale, 0, 0, 0, size.width(), size.height());
        this.clear = choices.get(Chosen.PAPER).isNone();
        this.frame = frames.start();
        this.next = thread.submit(() -> compose(frames.start()));
    }

    PictureSize size() {
        return size;
    }

    FrameRange frames() {
        return frames;
    }

    /** Whether words have an opacity, which is then straight; else they are opaque. */
    boolean isClear() {
        return clear;
    }

    /** The next frame, row after row, of {@link #size}. */
    int[] next() throws InterruptedException {
        try {
            int[] ready = next.get();
            frame++;
            if (frame < frames.end()) {
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
        if (clear) {
            return composer.composeClear(scene, view);
        }
        int[] pixels = new int[size.width() * size.height()];
        composer.compose(scene, view, PixelTile.whole(pixels, size.width(), size.height()));
        return pixels;
    }
}
