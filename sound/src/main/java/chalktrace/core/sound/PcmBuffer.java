package chalktrace.core.sound;

import java.nio.FloatBuffer;
import java.util.List;

/**
 * Decoded sound: samples -1 to 1, the channels of one moment side by side. The samples are shared and never written after
 * this object is made: sound is too large to copy for safety.
 */
public final class PcmBuffer {

    private static final int PIECE_BITS = 26;

    /** How many samples each piece of a sound in pieces has, but for the last. */
    public static final int PIECE = 1 << PIECE_BITS;

    private final int sampleRate;
    private final int channels;
    private final int length;
    private final int pieceBits;
    private final FloatBuffer[] pieces;

    /** @throws IllegalArgumentException when rate or channels are not positive or the samples don't come out even */
    public PcmBuffer(int sampleRate, int channels, float[] samples) {
        this(sampleRate, channels, samples.length, 31, new FloatBuffer[] {FloatBuffer.wrap(samples)});
    }

    /**
     * Long sound, which need not lie in memory.
     *
     * @param count of samples of all channels
     * @param pieces of {@link #PIECE} samples each, but for the last
     * @throws IllegalArgumentException as for sound in one array
     */
    public PcmBuffer(int sampleRate, int channels, long count, List<FloatBuffer> pieces) {
        this(sampleRate, channels, count, PIECE_BITS, pieces.toArray(FloatBuffer[]::new));
    }

    private PcmBuffer(int sampleRate, int channels, long count, int pieceBits, FloatBuffer[] pieces) {
        if (sampleRate < 1 || channels < 1 || count % channels != 0 || count / channels > Integer.MAX_VALUE) {
            throw new IllegalArgumentException("Sound needs a rate, channels, and a sample of each channel a moment.");
        }
        this.sampleRate = sampleRate;
        this.channels = channels;
        this.length = (int) (count / channels);
        this.pieceBits = pieceBits;
        this.pieces = pieces;
    }

    public int sampleRate() {
        return sampleRate;
    }

    public int channels() {
        return channels;
    }

    /** How many moments there are: samples of one channel. */
    public int length() {
        return length;
    }

    public double seconds() {
        return (double) length / sampleRate;
    }

    /** A sample; 0 before the start and after the end. */
    public float at(long index, int channel) {
        if (index < 0 || index >= length) {
            return 0;
        }
        long sample = index * channels + channel;
        return pieces[(int) (sample >>> pieceBits)].get((int) (sample & (1L << pieceBits) - 1));
    }
}
