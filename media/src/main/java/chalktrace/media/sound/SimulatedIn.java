package chalktrace.media.sound;

import chalktrace.core.sound.ShotMix;
import java.util.Random;
import java.util.function.LongSupplier;

/**
 * The stand-in where no microphone exists: at its own pace it hears a breath and then some tones like syllables, over and over,
 * so that recording can be tried and tested.
 */
public final class SimulatedIn implements SoundIn {

    private static final double ROUND_SECONDS = 3;
    private static final double BREATH_FROM = 0.2;
    private static final double BREATH_TO = 0.6;
    private static final double VOICE_FROM = 1.0;
    private static final double VOICE_TO = 2.2;
    private static final double SYLLABLE_SECONDS = 0.3;
    private static final double PITCH_HERTZ = 140;
    private static final int HARMONICS = 12;

    private final LongSupplier nanoseconds;
    private final Random noise = new Random(3);
    private long startedAt;
    private long heard;

    /** @param nanoseconds the clock that it keeps to, such as one that a test turns by hand */
    public SimulatedIn(LongSupplier nanoseconds) {
        this.nanoseconds = nanoseconds;
    }

    static SoundIn speaking() {
        return new SimulatedIn(System::nanoTime);
    }

    @Override
    public boolean isReal() {
        return false;
    }

    @Override
    public void start() {
        startedAt = nanoseconds.getAsLong();
        heard = 0;
    }

    @Override
    public float[] read(int count) throws InterruptedException {
        while ((nanoseconds.getAsLong() - startedAt) * ShotMix.SAMPLE_RATE / 1_000_000_000L < heard + count) {
            Thread.sleep(2);
        }
        float[] out = new float[count];
        for (int i = 0; i < count; i++) {
            out[i] = sample((heard + i) / (double) ShotMix.SAMPLE_RATE % ROUND_SECONDS);
        }
        heard += count;
        return out;
    }

    private float sample(double seconds) {
        double room = 0.0005 * noise.nextGaussian();
        if (seconds > BREATH_FROM && seconds < BREATH_TO) {
            room += 0.02
                    * noise.nextGaussian()
                    * Math.sin(Math.PI * (seconds - BREATH_FROM) / (BREATH_TO - BREATH_FROM));
        }
        if (seconds > VOICE_FROM && seconds < VOICE_TO) {
            double syllable = Math.abs(Math.sin(Math.PI * (seconds - VOICE_FROM) / SYLLABLE_SECONDS));
            double voice = 0;
            for (int n = 1; n <= HARMONICS; n++) {
                voice += Math.sin(2 * Math.PI * n * PITCH_HERTZ * seconds) / n;
            }
            room += 0.25 * syllable * voice;
        }
        return (float) Math.max(-1, Math.min(1, room));
    }

    @Override
    public void close() {
        // There is nothing to let go of.
    }
}
