package chalktrace.core.sound;

import java.util.ArrayList;
import java.util.List;

/**
 * Where somebody speaks. Voice repeats itself with its pitch, breath and room noise do not: voiced stretches are found by the
 * peak of the normalised autocorrelation (L. Rabiner, "On the use of autocorrelation analysis for pitch detection", IEEE ASSP
 * 25, 1977), and a short unvoiced sound right before or after one belongs to it.
 */
public final class SpeechActivity {

    private static final int RATE = 8000;
    private static final double STEP_SECONDS = 0.01;
    private static final int WINDOW = 320;
    private static final int SHORTEST_LAG = RATE / 450;
    private static final int LONGEST_LAG = RATE / 65;
    private static final double PERIODIC = 0.55;
    private static final double ABOVE_ROOM_DECIBELS = 9;
    private static final double BELOW_LOUDEST_DECIBELS = 42;
    private static final int LEAST_VOICED_STEPS = 4;
    private static final int BRIDGED_STEPS = 20;
    private static final int CONSONANT_STEPS = 15;
    private static final double BEAT_PROMINENCE = 3;

    /** A stretch of speech, in seconds from the sound's first sample. */
    public record Span(double startSeconds, double endSeconds) {}

    private final Loudness loudness;
    private final boolean[] voiced;
    private final double threshold;

    public SpeechActivity(PcmBuffer sound) {
        loudness = new Loudness(sound);
        threshold = Math.max(
                loudness.quantile(0.1) + ABOVE_ROOM_DECIBELS, loudness.quantile(0.98) - BELOW_LOUDEST_DECIBELS);
        Resampler resampler = new Resampler(sound.sampleRate(), RATE);
        voiced = new boolean[loudness.steps()];
        for (int t = 0; t < voiced.length; t++) {
            if (loudness.at(t) > threshold) {
                long middle = Math.round(t * STEP_SECONDS * RATE);
                voiced[t] =
                        isPeriodic(resampler.mono(sound, middle - WINDOW / 2 - LONGEST_LAG / 2, WINDOW + LONGEST_LAG));
            }
        }
    }

    private static boolean isPeriodic(float[] samples) {
        for (int lag = SHORTEST_LAG; lag <= LONGEST_LAG; lag++) {
            double product = 0;
            double one = 0;
            double other = 0;
            for (int i = 0; i < WINDOW; i++) {
                product += samples[i] * samples[i + lag];
                one += samples[i] * samples[i];
                other += samples[i + lag] * samples[i + lag];
            }
            if (one > 0 && other > 0 && product / Math.sqrt(one * other) > PERIODIC) {
                return true;
            }
        }
        return false;
    }

    /** All stretches of speech; pauses shorter than a fifth of a second are part of it. */
    public List<Span> spans() {
        List<int[]> runs = new ArrayList<>();
        for (int t = 0; t < voiced.length; ) {
            if (!voiced[t]) {
                t++;
                continue;
            }
            int end = t;
            while (end < voiced.length && voiced[end]) {
                end++;
            }
            int[] before = runs.isEmpty() ? null : runs.get(runs.size() - 1);
            if (end - t >= LEAST_VOICED_STEPS) {
                int start = withConsonant(t, -1);
                int after = withConsonant(end - 1, 1) + 1;
                if (before != null && start - before[1] <= BRIDGED_STEPS) {
                    before[1] = after;
                } else {
                    runs.add(new int[] {start, after});
                }
            }
            t = end;
        }
        return runs.stream()
                .map(run -> new Span(loudness.seconds(run[0]), loudness.seconds(run[1])))
                .toList();
    }

    /** Over a short unvoiced sound that touches the voice; a long one is a breath, and is cut where it is faintest. */
    private int withConsonant(int from, int direction) {
        int at = from;
        int steps = 0;
        while (steps < 2 * CONSONANT_STEPS && loudness.at(at + direction) > threshold) {
            at += direction;
            steps++;
        }
        if (steps <= CONSONANT_STEPS) {
            return at;
        }
        int faintest = from + direction;
        for (int k = 1; k <= CONSONANT_STEPS; k++) {
            if (loudness.at(from + k * direction) < loudness.at(faintest)) {
                faintest = from + k * direction;
            }
        }
        return faintest;
    }

    /** Where the voice starts; the whole sound's start when there is none. */
    public double start() {
        List<Span> spans = spans();
        return spans.isEmpty() ? 0 : spans.get(0).startSeconds();
    }

    /** Where syllables are loudest: tops of the level that stand out by 3 dB. In seconds, in rising order. */
    public List<Double> beats() {
        List<Double> out = new ArrayList<>();
        for (Span span : spans()) {
            int first = (int) Math.round(span.startSeconds() / STEP_SECONDS);
            int end = (int) Math.round(span.endSeconds() / STEP_SECONDS);
            double low = Double.NEGATIVE_INFINITY;
            double top = Double.NEGATIVE_INFINITY;
            double valley = smooth(first);
            int topAt = first;
            boolean rising = true;
            for (int t = first; t <= end; t++) {
                double level = smooth(t);
                if (rising && level > top) {
                    top = level;
                    topAt = t;
                }
                valley = Math.min(valley, level);
                if (rising && (top - level >= BEAT_PROMINENCE || t == end) && top - low >= BEAT_PROMINENCE) {
                    out.add(loudness.seconds(topAt));
                    rising = false;
                    valley = level;
                } else if (!rising && level - valley >= BEAT_PROMINENCE) {
                    rising = true;
                    top = level;
                    topAt = t;
                    low = valley;
                }
            }
        }
        return out;
    }

    private double smooth(int step) {
        double sum = 0;
        for (int k = -3; k <= 3; k++) {
            sum += loudness.at(step + k);
        }
        return sum / 7;
    }

    public Loudness loudness() {
        return loudness;
    }
}
