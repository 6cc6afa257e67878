package chalktrace.media.sound;

import chalktrace.core.sound.ShotMix;
import java.util.function.LongSupplier;

/** The stand-in where no sound device exists: it keeps the time of one and makes no sound. */
public final class SilentOut implements SoundOut {

    private static final long BUFFERED = ShotMix.SAMPLE_RATE / 10;

    private final LongSupplier nanoseconds;
    private volatile long startedAt;
    private volatile long written;
    private volatile boolean running;

    public SilentOut() {
        this(System::nanoTime);
    }

    /** @param nanoseconds the clock that it keeps to, such as one that a test turns by hand */
    public SilentOut(LongSupplier nanoseconds) {
        this.nanoseconds = nanoseconds;
    }

    @Override
    public boolean isAudible() {
        return false;
    }

    @Override
    public void start() {
        startedAt = nanoseconds.getAsLong();
        written = 0;
        running = true;
    }

    @Override
    public void write(float[] stereo) throws InterruptedException {
        written += stereo.length / ShotMix.CHANNELS;
        while (running && written - elapsed() > BUFFERED) {
            Thread.sleep(2);
        }
    }

    @Override
    public long playedSamples() {
        return running ? Math.min(written, elapsed()) : 0;
    }

    @Override
    public void stop() {
        running = false;
    }

    @Override
    public void close() {
        stop();
    }

    private long elapsed() {
        return (nanoseconds.getAsLong() - startedAt) * ShotMix.SAMPLE_RATE / 1_000_000_000L;
    }
}
