package chalktrace.media.sound;

/** Where recorded sound comes from: one channel at 48 kHz. Lives on one thread. */
public interface SoundIn extends AutoCloseable {

    /** Whether it is a microphone; the stand-in of machines without one says no. */
    boolean isReal();

    /** Starts to listen; what came before is dropped. */
    void start();

    /** Waits for the next samples, -1 to 1. */
    float[] read(int count) throws InterruptedException;

    @Override
    void close();
}
