package chalktrace.core.time;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** When each picture of a source starts, in seconds from its first one: n rising values, and how long the last shows. */
public final class PictureTimes {

    /** Of cinema, television, the web and games (common practice), whole ones first. */
    private static final List<FrameRate> USUAL_RATES = Stream.of(
                    "24", "25", "30", "50", "60", "12", "15", "10", "48", "100", "120", "23.976", "29.97", "59.94")
            .map(FrameRate::parse)
            .toList();

    private final double[] starts;
    private final double end;

    private PictureTimes(double[] starts, double end) {
        this.starts = starts;
        this.end = end;
    }

    /**
     * @param starts one rising time a picture, in seconds; any first value is taken as 0
     * @param lastSeconds how long the last picture shows, in seconds
     * @throws IllegalArgumentException when there is no picture or a time does not rise
     */
    public static PictureTimes of(double[] starts, double lastSeconds) {
        if (starts.length == 0) {
            throw new IllegalArgumentException("A source of pictures has at least one.");
        }
        double[] fromZero = new double[starts.length];
        for (int i = 0; i < starts.length; i++) {
            fromZero[i] = starts[i] - starts[0];
            if (i > 0 && !(fromZero[i] > fromZero[i - 1])) {
                throw new IllegalArgumentException("Picture " + i + " does not start after the one before it.");
            }
        }
        return new PictureTimes(fromZero, fromZero[starts.length - 1] + Math.max(0, lastSeconds));
    }

    public static PictureTimes even(FrameRate rate, int count) {
        double[] starts = new double[count];
        Arrays.setAll(starts, rate::seconds);
        return of(starts, rate.seconds(1));
    }

    public int count() {
        return starts.length;
    }

    public double seconds(int picture) {
        return starts[picture];
    }

    /** The time at which a picture ends; for the last, when the source ends. */
    public double endSeconds(int picture) {
        return picture + 1 < starts.length ? starts[picture + 1] : end;
    }

    /**
     * The rate at which pictures follow each other evenly: the first of a stated one and the usual ones by which each starts where it should; empty
     * where none does. Cost: linear in the pictures.
     *
     * @param stated tried first
     * @param tolerance by how much a picture may miss its start, in seconds, such as what a coarse clock rounds
     */
    public Optional<FrameRate> evenRate(Optional<FrameRate> stated, double tolerance) {
        return Stream.concat(stated.stream(), USUAL_RATES.stream())
                .filter(rate -> isEven(rate, tolerance))
                .findFirst();
    }

    private boolean isEven(FrameRate rate, double tolerance) {
        for (int i = 0; i < starts.length; i++) {
            if (Math.abs(starts[i] - rate.seconds(i)) > tolerance) {
                return false;
            }
        }
        return true;
    }

    /** The last picture that starts at a time or before it; the first for times before all. Cost: log n. */
    public int lastBefore(double seconds) {
        int found = Arrays.binarySearch(starts, seconds);
        return Math.max(0, found >= 0 ? found : -found - 2);
    }

    /** The picture whose start is nearest to a time; the earlier of two that are equally near. Cost: log n. */
    public int nearest(double seconds) {
        int found = Arrays.binarySearch(starts, seconds);
        if (found >= 0) {
            return found;
        }
        int after = -found - 1;
        if (after == 0) {
            return 0;
        }
        if (after == starts.length) {
            return starts.length - 1;
        }
        return seconds - starts[after - 1] <= starts[after] - seconds ? after - 1 : after;
    }
}
