package chalktrace.app.testing;

import chalktrace.media.sound.SoundOut;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;

/** A loudspeaker whose clock stands until the test moves it. */
public final class HandDevice implements SoundOut {

    private final AtomicLong played = new AtomicLong();
    private volatile boolean silent;
    private volatile int sounds;
    private final AtomicInteger starts = new AtomicInteger();
    private volatile boolean running;

    /** Says that so much has been heard since the start. */
    public void hear(double seconds) {
        played.set(Math.round(seconds * 48_000));
    }

    /** How often it was started. */
    public int starts() {
        return starts.get();
    }

    /** How often it was started and got more than silence. */
    public int sounds() {
        return sounds;
    }

    @Override
    public boolean isAudible() {
        return true;
    }

    @Override
    public void start() {
        played.set(0);
        silent = true;
        running = true;
        starts.incrementAndGet();
    }

    @Override
    public synchronized void write(float[] stereo) throws InterruptedException {
        for (float sample : stereo) {
            if (silent && sample != 0) {
                silent = false;
                sounds++;
            }
        }
        while (running) {
            wait(20);
        }
    }

    @Override
    public long playedSamples() {
        return played.get();
    }

    @Override
    public void stop() {
        running = false;
    }

    @Override
    public void close() {
        stop();
    }
}
