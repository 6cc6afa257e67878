package chalktrace.core.between;

import java.util.ArrayList;
import java.util.List;

/**
 * Where between two keys each in-between sits: the ladder with its ticks that stands beside a key on paper.
 *
 * @param ticks shares of the way, 0 to 1, rising
 */
public record TimingChart(List<Double> ticks) {

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
