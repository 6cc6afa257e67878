package chalktrace.core.sound;

import chalktrace.core.sound.Onsets.Onset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Puts together onsets that belong to one event, such as the heel, the toe and the scrape of one step. Two neighbours are one event as long as the
 * sound of the first has not died away between them; the less time lies between, the further it must have done so. How far it has is told by its
 * level against its own peak and against the quiet around it, so that a river or an echo counts for nothing.
 */
public final class OnsetGroups {

    /** What serves for steps, hits and clinks alike. */
    public static final double USUAL = 0.5;

    private static final double BLOCK_SECONDS = 0.01;
    private static final double AROUND_SECONDS = 2;

    /** The share of the blocks around that are quieter than what counts as quiet. */
    private static final double QUIET_SHARE = 0.2;

    /** How long after an onset its peak may come. */
    private static final double PEAK_SECONDS = 0.04;

    /** A sound that has died away wholly within this time is as good as two events, at the coarsest. */
    private static final double SPAN_SECONDS = 0.25;

    private static final double COARSEST = 1.6;

    /** What is fainter than this share of the strongest part is a scrape before the impact. */
    private static final double IMPACT = 0.4;

    /** An equal rise of the spectrum counts as much as so much dying away. */
    private static final double RISE_COUNTS = 0.9;

    private static final double LEAST_DECIBELS = 3;

    /**
     * Something that happens.
     *
     * @param contact its first impact: what a picture has to meet
     * @param parts all onsets of it, the contact among them, in rising order
     */
    public record Event(Onset contact, List<Onset> parts) {

        public Event {
            parts = List.copyOf(parts);
        }
    }

    private OnsetGroups() {}

    /**
     * @param onsets of the sound, in rising order
     * @param grouping 0 (fine: each onset an event) to 1 (coarse)
     * @return in rising order; every onset is in one. Cost: the length of the sound
     */
    public static List<Event> of(PcmBuffer sound, List<Onset> onsets, double grouping) {
        double[] levels = levels(sound);
        double most = grouping * COARSEST;
        List<Event> events = new ArrayList<>();
        List<Onset> open = new ArrayList<>();
        for (Onset onset : onsets) {
            if (!open.isEmpty() && apart(levels, open, onset) >= most) {
                events.add(event(open));
                open = new ArrayList<>();
            }
            open.add(onset);
        }
        if (!open.isEmpty()) {
            events.add(event(open));
        }
        return events;
    }

    /** The first that is about as strong as the strongest: what comes before only scrapes. */
    private static Event event(List<Onset> parts) {
        double strongest = parts.stream().mapToDouble(Onset::strength).max().orElse(0);
        Onset contact = parts.stream()
                .filter(part -> part.strength() >= IMPACT * strongest)
                .findFirst()
                .orElse(parts.get(0));
        return new Event(contact, parts);
    }

    /** How far two neighbours are from being one event: the share by which the first has died away, by the time between. */
    private static double apart(double[] levels, List<Onset> open, Onset next) {
        Onset last = open.get(open.size() - 1);
        double gap = next.seconds() - open.get(0).seconds();
        int from = block(levels, last.seconds());
        int to = Math.max(from + 1, block(levels, next.seconds()));
        double peak = highest(levels, from, Math.min(to, from + (int) (PEAK_SECONDS / BLOCK_SECONDS) + 1));
        double valley = lowest(levels, from, to);
        double quiet = quiet(levels, from);
        double died = peak - quiet < LEAST_DECIBELS ? 1 : Math.max(0, Math.min(1, (peak - valley) / (peak - quiet)));
        // A clink may ring on: what rises as much as it did, in whatever part of the spectrum, is another impact.
        double rises = Math.min(1, next.strength() / Math.max(1e-9, open.get(0).strength()));
        return Math.max(died, RISE_COUNTS * rises * rises) * gap / SPAN_SECONDS;
    }

    private static int block(double[] levels, double seconds) {
        return Math.max(0, Math.min(levels.length - 1, (int) (seconds / BLOCK_SECONDS)));
    }

    private static double highest(double[] levels, int from, int to) {
        return Arrays.stream(levels, from, Math.min(levels.length, to)).max().orElse(levels[from]);
    }

    private static double lowest(double[] levels, int from, int to) {
        return Arrays.stream(levels, from, Math.min(levels.length, to)).min().orElse(levels[from]);
    }

    private static double quiet(double[] levels, int at) {
        int reach = (int) (AROUND_SECONDS / BLOCK_SECONDS);
        double[] around = Arrays.copyOfRange(levels, Math.max(0, at - reach), Math.min(levels.length, at + reach));
        Arrays.sort(around);
        return around[(int) (QUIET_SHARE * (around.length - 1))];
    }

    /** Decibels, one value each 10 ms. */
    private static double[] levels(PcmBuffer sound) {
        int block = Math.max(1, (int) Math.round(BLOCK_SECONDS * sound.sampleRate()));
        int count = (int) Math.max(1, (sound.length() + block - 1) / block);
        double[] levels = new double[count];
        for (int b = 0; b < count; b++) {
            double sum = 1e-12;
            long end = Math.min(sound.length(), (long) (b + 1) * block);
            for (long i = (long) b * block; i < end; i++) {
                for (int c = 0; c < sound.channels(); c++) {
                    sum += sound.at(i, c) * sound.at(i, c);
                }
            }
            levels[b] = 10 * Math.log10(sum / block);
        }
        return levels;
    }
}
