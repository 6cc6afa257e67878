package chalktrace.media.sound;

/**
 * Where sound goes, and the clock of playback. Lives on one thread, but for {@link #playedSamples}, which any thread may
 * ask.
 */
public interface SoundOut extends AutoCloseable {

    /** Whether somebody can hear it; the stand-in of machines without a sound device says no. */
    boolean isAudible();

    /** Starts from nothing: what was written before is dropped, and the clock is at 0. */
    void start();

    /**
     * Takes samples in, and waits while the device has enough.
     *
     * @param stereo left and right side by side at 48 kHz
     */
    void write(float[] stereo) throws InterruptedException;

    /** How many moments have been heard since the start. */
    long playedSamples();

    /** Stops at once. */
    void stop();

    @Override
    void close();
}
