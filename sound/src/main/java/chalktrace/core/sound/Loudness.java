package chalktrace.core.sound;

import java.util.Arrays;

/** How loud a sound is over time: the root mean square of windows of 20 ms, 10 ms apart, in decibels below full scale. */
public final class Loudness {

    /** As faint as this is silence. */
    public static final double SILENCE = -120;

    private static final double STEP_SECONDS = 0.01;
    private static final double WINDOW_SECONDS = 0.02;

    private final double[] decibels;

    public Loudness(PcmBuffer sound) {
        int steps = (int) Math.ceil(sound.seconds() / STEP_SECONDS);
        decibels = new double[steps];
        int window = (int) Math.max(1, Math.round(WINDOW_SECONDS * sound.sampleRate()));
        for (int t = 0; t < steps; t++) {
            long middle = Math.round(t * STEP_SECONDS * sound.sampleRate());
            double sum = 0;
            for (long i = middle - window / 2; i < middle + window / 2; i++) {
                for (int c = 0; c < sound.channels(); c++) {
                    sum += sound.at(i, c) * sound.at(i, c);
                }
            }
            decibels[t] = decibels(Math.sqrt(sum / window / sound.channels()));
        }
    }

    /** A factor as decibels, no lower than {@link #SILENCE}. */
    public static double decibels(double factor) {
        return factor <= 0 ? SILENCE : Math.max(SILENCE, 20 * Math.log10(factor));
    }

    public int steps() {
        return decibels.length;
    }

    /** Seconds of a step from the sound's first sample. */
    public double seconds(int step) {
        return step * STEP_SECONDS;
    }

    public double at(int step) {
        return step < 0 || step >= decibels.length ? SILENCE : decibels[step];
    }

    /** At a time in seconds from the sound's first sample. */
    public double atSeconds(double seconds) {
        return at((int) Math.round(seconds / STEP_SECONDS));
    }

    /** The level that so many of the steps lie below. @param share 0 to 1 */
    public double quantile(double share) {
        double[] sorted = decibels.clone();
        Arrays.sort(sorted);
        return sorted.length == 0 ? SILENCE : sorted[(int) Math.min(sorted.length - 1, share * sorted.length)];
    }
}
