package chalktrace.core.between;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/**
 * Where between two keys each in-between sits: the ladder with its ticks that stands beside a key on paper.
 *
 * @param ticks shares of the way, 0 to 1, rising
 */
public record TimingChart(List<Double> ticks) {

    private static final double CLOSEST = 0.005;

    /** How the ticks are spaced, as animators name it (common practice). */
    public enum Spacing {
        /** All alike: one in the middle, two at thirds, three at quarters. */
        EVEN,
        /** Close together at the first key: each is half of the way from it to the next. */
        SLOW_OUT,
        /** Close together at the second key. */
        SLOW_IN,
        /** Close together at both. */
        SLOW_OUT_AND_IN
    }

    /** @throws IllegalArgumentException when ticks are out of order or not between the keys */
    public TimingChart {
        ticks = List.copyOf(ticks);
        double before = 0;
        for (double tick : ticks) {
            if (!(tick > before && tick < 1)) {
                throw new IllegalArgumentException("The ticks of a chart rise from above 0 to below 1.");
            }
            before = tick;
        }
    }

    /**
     * As an artist writes it: shares between 0 and 1, as fractions, decimals or percent, such as "1/4 1/2 80%".
     *
     * @throws IllegalArgumentException when one can't be read or they don't rise; it says which
     */
    public static TimingChart parse(String text) {
        List<Double> ticks = new ArrayList<>();
        for (String part : text.strip().split("[\\s,;]+")) {
            if (!part.isEmpty()) {
                ticks.add(share(part));
            }
        }
        return new TimingChart(ticks);
    }

    private static double share(String text) {
        try {
            int over = text.indexOf('/');
            if (over > 0) {
                return Double.parseDouble(text.substring(0, over)) / Double.parseDouble(text.substring(over + 1));
            }
            return text.endsWith("%")
                    ? Double.parseDouble(text.substring(0, text.length() - 1)) / 100
                    : Double.parseDouble(text);
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException(
                    "\"" + text + "\" is no place on the ladder: write shares such as 1/4, 0.5 or 80%.", e);
        }
    }

    /** As {@link #parse} reads it. */
    public String words() {
        return ticks.stream()
                .map(tick -> Double.toString(Math.rint(tick * 1000) / 1000))
                .collect(Collectors.joining(" "));
    }

    /** With one tick moved, as far as the ones beside it let it. */
    public TimingChart moved(int tick, double share) {
        double least = tick == 0 ? 0 : ticks.get(tick - 1);
        double most = tick == ticks.size() - 1 ? 1 : ticks.get(tick + 1);
        List<Double> out = new ArrayList<>(ticks);
        out.set(tick, Math.max(least + CLOSEST, Math.min(most - CLOSEST, share)));
        return new TimingChart(out);
    }

    /** @param count of in-betweens, 0 or more */
    public static TimingChart of(Spacing spacing, int count) {
        List<Double> ticks = new ArrayList<>();
        for (int i = 1; i <= count; i++) {
            double even = i / (count + 1.0);
            ticks.add(
                    switch (spacing) {
                        case EVEN -> even;
                        case SLOW_OUT -> Math.pow(0.5, count + 1 - i);
                        case SLOW_IN -> 1 - Math.pow(0.5, i);
                        case SLOW_OUT_AND_IN -> (1 - Math.cos(Math.PI * even)) / 2;
                    });
        }
        return new TimingChart(ticks);
    }
}
