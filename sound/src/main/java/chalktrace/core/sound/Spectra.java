package chalktrace.core.sound;

import org.jtransforms.fft.FloatFFT_1D;

/** Magnitudes of the spectrum of short windows of sound (Hann), all channels as one. Not for several threads. */
public final class Spectra {

    private final PcmBuffer sound;
    private final int size;
    private final FloatFFT_1D fft;
    private final float[] hann;
    private final float[] window;

    /** @param size of a window in samples, a power of two */
    public Spectra(PcmBuffer sound, int size) {
        this.sound = sound;
        this.size = size;
        fft = new FloatFFT_1D(size);
        hann = new float[size];
        window = new float[size];
        for (int i = 0; i < size; i++) {
            hann[i] = (float) (0.5 - 0.5 * Math.cos(2 * Math.PI * (i + 0.5) / size));
        }
    }

    /** How many magnitudes there are; the last belongs to half of the sample rate. */
    public int bins() {
        return size / 2 + 1;
    }

    /** The frequency of a bin. */
    public double hertz(int bin) {
        return bin * (double) sound.sampleRate() / size;
    }

    /**
     * The magnitudes about a moment; a sine at full scale has 1.
     *
     * @param middle sample in the window's middle
     * @param out {@link #bins} values
     */
    public void at(long middle, float[] out) {
        for (int i = 0; i < size; i++) {
            float sum = 0;
            for (int c = 0; c < sound.channels(); c++) {
                sum += sound.at(middle - size / 2 + i, c);
            }
            window[i] = sum / sound.channels() * hann[i];
        }
        fft.realForward(window);
        float scale = 4f / size;
        out[0] = Math.abs(window[0]) * scale / 2;
        out[size / 2] = Math.abs(window[1]) * scale / 2;
        for (int bin = 1; bin < size / 2; bin++) {
            out[bin] = (float) Math.hypot(window[2 * bin], window[2 * bin + 1]) * scale;
        }
    }
}
