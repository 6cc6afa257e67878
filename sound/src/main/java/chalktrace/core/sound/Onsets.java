package chalktrace.core.sound;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.function.DoublePredicate;

/**
 * Moments at which something starts to sound: steps, hits, clinks. The rise of the spectrum in bands, each measured against
 * how loud it usually is there so that a river does not hide a step, picked where it stands out from its surroundings (J.
 * Bello et al., "A tutorial on onset detection in music signals", IEEE TSAP 13, 2005; S. Dixon, "Onset detection revisited",
 * DAFx 2006), and then brought to the sample at which the level rises most.
 */
public final class Onsets {

    private static final int WINDOW = 1024;
    private static final double STEP_SECONDS = 0.005;
    private static final int BANDS = 24;
    private static final double LOWEST_HZ = 60;
    private static final double HIGHEST_HZ = 16_000;

    /** What is this much fainter than the loudest is not heard. */
    private static final double FLOOR = 1e-3;

    private static final int BEFORE_STEPS = 3;
    private static final int PEAK_STEPS = 6;
    private static final int AROUND_STEPS = 40;
    private static final double ABOVE = 0.55;
    private static final double LEAST_APART_SECONDS = 0.06;
    private static final double REFINED_SECONDS = 0.03;
    private static final double USUAL_SECONDS = 2;
    private static final double USUAL_TIMES = 2;
    private static final int WAVER_STEPS = 50;
    private static final double WAVER_TIMES = 6;

    /** @param strength 0 to 1, against the strongest of the sound */
    public record Onset(double seconds, double strength) {}

    private Onsets() {}

    /**
     * @param progress is told 0 to 1, and says whether to go on
     * @return in rising order; seconds from the sound's first sample
     * @throws CancellationException when progress says not to go on
     */
    public static List<Onset> of(PcmBuffer sound, DoublePredicate progress) {
        float[][] bands = bands(sound, progress);
        double[] rise = rise(bands);
        return picked(sound, rise);
    }

    /** How much starts in each step of 5 ms; what {@link #of} picks from, and what a beat is found in. */
    public static double[] strength(PcmBuffer sound, DoublePredicate progress) {
        return rise(bands(sound, progress));
    }

    /** Seconds between the values of {@link #strength}. */
    public static double stepSeconds() {
        return STEP_SECONDS;
    }

    private static float[][] bands(PcmBuffer sound, DoublePredicate progress) {
        Spectra spectra = new Spectra(sound, WINDOW);
        int steps = (int) Math.ceil(sound.seconds() / STEP_SECONDS);
        int[] edges = edges(spectra);
        float[] magnitudes = new float[spectra.bins()];
        float[][] out = new float[steps][BANDS];
        for (int t = 0; t < steps; t++) {
            spectra.at(Math.round(t * STEP_SECONDS * sound.sampleRate()), magnitudes);
            for (int b = 0; b < BANDS; b++) {
                float sum = 0;
                for (int bin = edges[b]; bin < edges[b + 1]; bin++) {
                    sum += magnitudes[bin] * magnitudes[bin];
                }
                out[t][b] = (float) Math.sqrt(sum);
            }
            if (t % 500 == 0 && !progress.test(t / (double) steps)) {
                throw new CancellationException();
            }
        }
        return out;
    }

    /** Bands evenly spaced in octaves; each has at least one bin where the sound reaches that high. */
    private static int[] edges(Spectra spectra) {
        int[] out = new int[BANDS + 1];
        double perBin = spectra.hertz(1);
        for (int b = 0; b <= BANDS; b++) {
            double hertz = LOWEST_HZ * Math.pow(HIGHEST_HZ / LOWEST_HZ, b / (double) BANDS);
            int least = b == 0 ? 1 : out[b - 1] + 1;
            out[b] = Math.min(spectra.bins(), Math.max(least, (int) Math.round(hertz / perBin)));
        }
        return out;
    }

    private static double[] rise(float[][] bands) {
        int steps = bands.length;
        double[] out = new double[steps];
        float loudest = 0;
        for (float[] one : bands) {
            for (float value : one) {
                loudest = Math.max(loudest, value);
            }
        }
        if (loudest == 0) {
            return out;
        }
        int usualSteps = (int) (USUAL_SECONDS / STEP_SECONDS);
        for (int b = 0; b < BANDS; b++) {
            double[] level = new double[steps];
            double usual = 0;
            double atFirst = 0;
            for (int t = 0; t < steps; t++) {
                if (t % (usualSteps / 4) == 0) {
                    usual = usual(bands, b, t - usualSteps / 2, t + usualSteps / 2);
                }
                double against = Math.max(usual, FLOOR * loudest);
                level[t] = Math.log1p(bands[t][b] / against);
                if (t == 0) {
                    atFirst = Math.log1p(usual / USUAL_TIMES / against);
                }
            }
            for (int t = 0; t < steps; t++) {
                // A band may rise over several steps; one that only wavers does not count (Dixon 2006, half-wave
                // rectified).
                // What the sound starts amidst, such as a river, was there before its first sample.
                double before = t < BEFORE_STEPS ? Math.min(atFirst, level[0]) : level[t - BEFORE_STEPS];
                out[t] += Math.max(0, level[t] - before) / BANDS;
            }
        }
        return out;
    }

    private static double usual(float[][] bands, int band, int from, int to) {
        int first = Math.max(0, from);
        int end = Math.min(bands.length, to);
        float[] values = new float[end - first];
        for (int t = first; t < end; t++) {
            values[t - first] = bands[t][band];
        }
        Arrays.sort(values);
        return values.length == 0 ? 0 : values[values.length / 2] * USUAL_TIMES;
    }

    private static List<Onset> picked(PcmBuffer sound, double[] rise) {
        List<Onset> out = new ArrayList<>();
        double most = Arrays.stream(rise).max().orElse(0);
        double last = -1;
        double wavering = 0;
        for (int t = 0; t < rise.length; t++) {
            if (t % WAVER_STEPS == 0) {
                wavering = wavering(rise, t - 3 * WAVER_STEPS, t + 4 * WAVER_STEPS);
            }
            double around = 0;
            boolean highest = true;
            int first = Math.max(0, t - AROUND_STEPS);
            int end = Math.min(rise.length, t + AROUND_STEPS / 2);
            for (int k = first; k < end; k++) {
                around += rise[k];
                if (Math.abs(k - t) <= PEAK_STEPS && (rise[k] > rise[t] || rise[k] == rise[t] && k < t)) {
                    highest = false;
                }
            }
            double usual = around / (end - first);
            if (highest && rise[t] > Math.max(0.12 * most, 0.04) && rise[t] > usual / ABOVE && rise[t] > wavering) {
                double seconds = refined(sound, t * STEP_SECONDS);
                if (last < 0 || seconds - last >= LEAST_APART_SECONDS) {
                    out.add(new Onset(seconds, rise[t] / most));
                    last = seconds;
                }
            }
        }
        return out;
    }

    /** What noise hardly ever rises by: as far above its middle as is usual, several times over (median and its deviation). */
    private static double wavering(double[] rise, int from, int to) {
        double[] values = Arrays.copyOfRange(rise, Math.max(0, from), Math.min(rise.length, to));
        double middle = middle(values);
        for (int i = 0; i < values.length; i++) {
            values[i] = Math.abs(values[i] - middle);
        }
        return middle + WAVER_TIMES * middle(values);
    }

    private static double middle(double[] values) {
        Arrays.sort(values);
        return values.length == 0 ? 0 : values[values.length / 2];
    }

    /** The time near a peak at which the level of a millisecond rises most above the one before. */
    private static double refined(PcmBuffer sound, double seconds) {
        int rate = sound.sampleRate();
        int block = Math.max(1, rate / 1000);
        long first = Math.max(0, Math.round((seconds - REFINED_SECONDS) * rate));
        long end = Math.min(sound.length(), Math.round((seconds + REFINED_SECONDS) * rate));
        double best = seconds;
        double most = 0;
        double before = energy(sound, first - 4L * block, 4 * block);
        for (long at = first; at + block <= end; at += block) {
            double now = energy(sound, at, 2 * block);
            double up = now - before;
            if (up > most) {
                most = up;
                best = at / (double) rate;
            }
            before = energy(sound, at - 3L * block, 4 * block);
        }
        return best;
    }

    private static double energy(PcmBuffer sound, long from, int count) {
        double sum = 0;
        for (long i = from; i < from + count; i++) {
            for (int c = 0; c < sound.channels(); c++) {
                sum += sound.at(i, c) * sound.at(i, c);
            }
        }
        return sum / count;
    }
}
