package chalktrace.media.export;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Shot;
import chalktrace.core.time.FrameRange;
import chalktrace.core.work.Workers;
import chalktrace.media.UnwritableException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;

/** The chosen frames of a shot in turn; while one is being written, the next is composed. Must be closed. */
final class FrameFeed implements AutoCloseable {

    private static final long RASTER_BYTES = 64L << 20;

    private final ComposedFrames composed;
    private final FrameRange frames;
    private final PictureSize size;
    private final ExecutorService thread = Workers.one("export");
    private Future<int[]> next;
    private int frame;

    /** @throws UnwritableException when the shot has not what was chosen */
    FrameFeed(Shot shot, ShotSources sources, Choices choices) throws UnwritableException {
        this.composed = new ComposedFrames(shot, choices, sources, RASTER_BYTES);
        this.frames = Chosen.frames(shot, choices);
        this.size = Chosen.size(shot, choices);
        this.frame = frames.start();
        this.next = thread.submit(() -> composed.at(frames.start(), size));
    }

    PictureSize size() {
        return size;
    }

    FrameRange frames() {
        return frames;
    }

    /** Whether words have an opacity, which is then straight; else they are opaque. */
    boolean isClear() {
        return composed.isClear();
    }

    /** The next frame, row after row, of {@link #size}. */
    int[] next() throws InterruptedException {
        try {
            int[] ready = next.get();
            frame++;
            if (frame < frames.end()) {
                int upcoming = frame;
                next = thread.submit(() -> composed.at(upcoming, size));
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
}
