package chalktrace.core.sound;

/**
 * Decoded sound: samples -1 to 1, the channels of one moment side by side. The array is shared and never written after
 * this object is made: sound is too large to copy for safety.
 */
public final class PcmBuffer {

    private final int sampleRate;
    private final int channels;
    private final float[] samples;

    /** @throws IllegalArgumentException when rate or channels are not positive or the samples don't come out even */
    public PcmBuffer(int sampleRate, int channels, float[] samples) {
        if (sampleRate < 1 || channels < 1 || samples.length % channels != 0) {
            throw new IllegalArgumentException("Sound needs a rate, channels, and a sample of each channel a moment.");
        }
        this.sampleRate = sampleRate;
        this.channels = channels;
        this.samples = samples;
    }

    public int sampleRate() {
        return sampleRate;
    }

    public int channels() {
        return channels;
    }

    /** How many moments there are: samples of one channel. */
    public int length() {
        return samples.length / channels;
    }

    public double seconds() {
        return (double) length() / sampleRate;
    }

    /** A sample; 0 before the start and after the end. */
    public float at(long index, int channel) {
        return index < 0 || index >= length() ? 0 : samples[(int) index * channels + channel];
    }
}
