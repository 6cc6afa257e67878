package chalktrace.core.sound;

/**
 * Sound at another sample rate, by band-limited interpolation with a windowed sinc (J. O. Smith and P. Gossett, "A flexible
 * sampling-rate conversion method", ICASSP 1984).
 */
public final class Resampler {

    private static final int ZEROS = 16;
    private static final int MOST_KEPT = 2048;

    /** The pass band ends a little below half of the lower rate, so that the filter's slope lies under it. */
    private static final double ROLL_OFF = 0.94;

    private final double ratio;
    private final double cut;
    private final int half;

    /** Places between samples of the source repeat after so many samples of the result. */
    private final int phases;

    private final float[][] kernels;

    /** @param fromRate samples a second of the source, @param toRate of the result; both above 0 */
    public Resampler(int fromRate, int toRate) {
        if (fromRate < 1 || toRate < 1) {
            throw new IllegalArgumentException("Sound has at least one sample a second.");
        }
        ratio = fromRate / (double) toRate;
        cut = Math.min(1, 1 / ratio) * ROLL_OFF;
        half = (int) Math.ceil(ZEROS / cut);
        phases = toRate / greatestCommonDivisor(fromRate, toRate);
        kernels = new float[Math.min(phases, MOST_KEPT)][];
    }

    /** All channels of a sound as one, at a rate. */
    public static float[] mono(PcmBuffer sound, int rate) {
        Resampler resampler = new Resampler(sound.sampleRate(), rate);
        return resampler.mono(sound, 0, (int) Math.min(Integer.MAX_VALUE - 8, resampler.length(sound)));
    }

    /** How many samples a sound has at the new rate. */
    public long length(PcmBuffer sound) {
        return (long) Math.floor(sound.length() / ratio);
    }

    /**
     * A stretch of a sound, all channels as one.
     *
     * @param first of the samples at the new rate, @param count of them
     */
    public float[] mono(PcmBuffer sound, long first, int count) {
        float[] out = new float[count];
        float[] window = new float[2 * half + 1];
        long filled = Long.MIN_VALUE;
        for (int i = 0; i < count; i++) {
            double place = (first + i) * ratio;
            long middle = (long) Math.floor(place);
            filled = fill(sound, window, middle - half, filled);
            int phase = (int) Math.floorMod(first + i, (long) phases);
            float[] kernel = phases > MOST_KEPT ? kernel(place - middle) : kernels[phase];
            if (kernel == null) {
                kernel = kernel(place - middle);
                kernels[phase] = kernel;
            }
            float sum = 0;
            for (int k = 0; k < kernel.length; k++) {
                sum += window[k] * kernel[k];
            }
            out[i] = sum;
        }
        return out;
    }

    /** Brings the samples from {@code first} on into a window, keeping those that it has. */
    private static long fill(PcmBuffer sound, float[] window, long first, long filled) {
        long shift = first - filled;
        int kept = 0;
        if (filled != Long.MIN_VALUE && shift >= 0 && shift < window.length) {
            kept = window.length - (int) shift;
            System.arraycopy(window, (int) shift, window, 0, kept);
        }
        for (int k = kept; k < window.length; k++) {
            float sum = 0;
            for (int c = 0; c < sound.channels(); c++) {
                sum += sound.at(first + k, c);
            }
            window[k] = sum / sound.channels();
        }
        return first;
    }

    private float[] kernel(double share) {
        float[] out = new float[2 * half + 1];
        for (int k = 0; k < out.length; k++) {
            out[k] = (float) kernelAt(k - half - share);
        }
        return out;
    }

    private double kernelAt(double away) {
        double x = away * cut;
        if (Math.abs(x) >= ZEROS) {
            return 0;
        }
        double sinc = Math.abs(x) < 1e-9 ? 1 : Math.sin(Math.PI * x) / (Math.PI * x);
        double hann = 0.5 + 0.5 * Math.cos(Math.PI * x / ZEROS);
        return cut * sinc * hann;
    }

    private static int greatestCommonDivisor(int a, int b) {
        return b == 0 ? a : greatestCommonDivisor(b, a % b);
    }
}
