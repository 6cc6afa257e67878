package chalktrace.core.sound;

/**
 * The lowest and highest sample of each block of a sound, over all channels, for drawing a waveform at any zoom without
 * reading all samples.
 */
public final class Peaks {

    private static final int BLOCK = 128;

    private final PcmBuffer sound;
    private final float[] low;
    private final float[] high;
    private float loudest;

    public Peaks(PcmBuffer sound) {
        this.sound = sound;
        int blocks = (sound.length() + BLOCK - 1) / BLOCK;
        low = new float[blocks];
        high = new float[blocks];
        for (int b = 0; b < blocks; b++) {
            Range range = exact((long) b * BLOCK, Math.min((long) (b + 1) * BLOCK, sound.length()));
            low[b] = range.low;
            high[b] = range.high;
            loudest = Math.max(loudest, Math.max(range.high, -range.low));
        }
    }

    /** The lowest and highest sample of a stretch; both 0 where there is no sound. */
    public record Range(float low, float high) {}

    /** The size of the loudest sample. */
    public float loudest() {
        return loudest;
    }

    public PcmBuffer sound() {
        return sound;
    }

    /**
     * The range of samples from one time to another, both in seconds from the sound's first sample. Exact for stretches
     * of up to four blocks; longer ones are rounded outwards to blocks of 128 samples.
     */
    public Range between(double fromSeconds, double toSeconds) {
        long from = Math.max(0, (long) Math.floor(fromSeconds * sound.sampleRate()));
        long to = Math.min(sound.length(), (long) Math.ceil(toSeconds * sound.sampleRate()));
        if (to - from <= 4 * BLOCK) {
            return exact(from, to);
        }
        float lowest = 0;
        float highest = 0;
        for (int b = (int) (from / BLOCK); b < (to + BLOCK - 1) / BLOCK; b++) {
            lowest = Math.min(lowest, low[b]);
            highest = Math.max(highest, high[b]);
        }
        return new Range(lowest, highest);
    }

    private Range exact(long from, long to) {
        float lowest = 0;
        float highest = 0;
        for (long i = from; i < to; i++) {
            for (int c = 0; c < sound.channels(); c++) {
                float sample = sound.at(i, c);
                lowest = Math.min(lowest, sample);
                highest = Math.max(highest, sample);
            }
        }
        return new Range(lowest, highest);
    }
}
