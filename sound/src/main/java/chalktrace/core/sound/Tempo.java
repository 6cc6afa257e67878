package chalktrace.core.sound;

/**
 * The beat of music: how many a minute, and when one falls. From the autocorrelation of what starts when (D. Ellis, "Beat
 * tracking by dynamic programming", J. New Music Research 36, 2007, section 3).
 *
 * @param beatsPerMinute 40 to 240
 * @param firstSeconds when the first beat falls, from the sound's first sample
 * @param sureness 0 to 1: how much of what starts falls on beats
 */
public record Tempo(double beatsPerMinute, double firstSeconds, double sureness) {

    private static final double PREFERRED = 120;
    private static final double OCTAVES = 0.9;

    /** @param strength what starts, step by step, as {@link Onsets#strength} gives it */
    public static Tempo of(double[] strength, double stepSeconds) {
        double best = PREFERRED;
        double most = -1;
        double mean = 0;
        for (double value : strength) {
            mean += value / Math.max(1, strength.length);
        }
        double power = 1e-12;
        for (double value : strength) {
            power += (value - mean) * (value - mean);
        }
        for (double bpm = 40; bpm <= 240; bpm += 0.25) {
            double lag = 60 / bpm / stepSeconds;
            double sum = 0;
            for (int multiple = 1; multiple <= 4; multiple++) {
                sum += correlation(strength, mean, lag * multiple) / power / 4;
            }
            double octaves = Math.log(bpm / PREFERRED) / Math.log(2) / OCTAVES;
            double weighted = sum * Math.exp(-0.5 * octaves * octaves);
            if (weighted > most) {
                most = weighted;
                best = bpm;
            }
        }
        return new Tempo(best, phase(strength, 60 / best / stepSeconds) * stepSeconds, Math.max(0, Math.min(1, most)));
    }

    private static double correlation(double[] values, double mean, double lag) {
        double sum = 0;
        for (int t = 0; t + lag + 1 < values.length; t++) {
            int at = (int) (t + lag);
            double share = t + lag - at;
            double there = values[at] * (1 - share) + values[at + 1] * share;
            sum += (values[t] - mean) * (there - mean);
        }
        return sum;
    }

    private static double phase(double[] values, double lag) {
        double best = 0;
        double most = -1;
        for (double from = 0; from < lag; from++) {
            double sum = 0;
            for (double t = from; t < values.length; t += lag) {
                sum += values[(int) t];
            }
            if (sum > most) {
                most = sum;
                best = from;
            }
        }
        return best;
    }

    /** Seconds from beat to beat. */
    public double secondsPerBeat() {
        return 60 / beatsPerMinute;
    }
}
