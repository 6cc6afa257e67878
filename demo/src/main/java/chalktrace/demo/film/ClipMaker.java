package chalktrace.demo.film;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.sound.PcmBuffer;
import chalktrace.core.sound.ShotMix;
import chalktrace.core.time.FrameRate;
import chalktrace.core.work.Workers;
import chalktrace.demo.scene.Performance;
import chalktrace.demo.scene.Renderer;
import chalktrace.media.codec.MovieEncoder;
import chalktrace.media.codec.MovieFormat;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Future;
import java.util.function.IntConsumer;

/** Films the performance into an MP4 with its sound. */
public final class ClipMaker {

    public static final PictureSize SIZE = new PictureSize(1280, 720);

    /** Rendered at three quarters of the size: the softness of a lens, for less work. */
    private static final int RENDER_WIDTH = 960;

    private static final int RENDER_HEIGHT = 540;

    /** Grain costs many bits; this keeps the clip below 4 MB. */
    private static final double BITS_PER_PIXEL = 0.15;

    /** The shutter is open for half of a frame's time; two moments of it are rendered. */
    private static final double SHUTTER = 0.25;

    private ClipMaker() {}

    public static void film(Performance performance, Path target, IntConsumer progress)
            throws IOException, InterruptedException {
        int threads = Runtime.getRuntime().availableProcessors();
        ExecutorService workers = Workers.few("film the demo", threads);
        PcmBuffer sound = PierSounds.make();
        Deque<Future<int[]>> coming = new ArrayDeque<>();
        int asked = 0;
        try (MovieEncoder encoder =
                new MovieEncoder(target, MovieFormat.MP4, SIZE, FrameRate.FILM, true, BITS_PER_PIXEL)) {
            for (int frame = 0; frame < Performance.FRAMES; frame++) {
                while (asked < Performance.FRAMES && coming.size() < 2 * threads) {
                    int next = asked++;
                    coming.add(workers.submit(() -> picture(performance, next)));
                }
                encoder.add(coming.remove().get(), soundOf(sound, frame));
                progress.accept(frame + 1);
            }
            encoder.finish();
        } catch (ExecutionException e) {
            throw new IllegalStateException("a frame could not be rendered", e.getCause());
        } finally {
            Workers.stop(workers);
        }
    }

    private static int[] picture(Performance performance, int frame) {
        Renderer renderer = new Renderer(RENDER_WIDTH, RENDER_HEIGHT);
        float[] light = new float[3 * RENDER_WIDTH * RENDER_HEIGHT];
        renderer.add(performance, frame - SHUTTER / 2, 0.25, 0.25, light);
        renderer.add(performance, frame + SHUTTER / 2, 0.75, 0.75, light);
        return new FilmLook(RENDER_WIDTH, RENDER_HEIGHT, SIZE.width(), SIZE.height()).develop(light, 2, frame);
    }

    private static float[] soundOf(PcmBuffer sound, int frame) {
        int count = ShotMix.SAMPLE_RATE / 24;
        float[] out = new float[2 * count];
        for (int i = 0; i < count; i++) {
            out[2 * i] = sound.at((long) frame * count + i, 0);
            out[2 * i + 1] = out[2 * i];
        }
        return out;
    }
}
