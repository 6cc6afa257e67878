package chalktrace.core.time;

import java.math.BigInteger;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * Frames per second as an exact fraction, always in lowest terms. Frames are counted from 0; frame n starts at
 * n x denominator / numerator seconds.
 */
public record FrameRate(int numerator, int denominator) {

    public static final FrameRate FILM = new FrameRate(24, 1);
    public static final FrameRate NTSC = new FrameRate(30000, 1001);

    /** At which shots are made. */
    private static final List<FrameRate> USUAL = List.of(
            of(12),
            of(15),
            new FrameRate(24000, 1001),
            FILM,
            of(25),
            NTSC,
            of(30),
            of(48),
            of(50),
            new FrameRate(60000, 1001),
            of(60));

    private static final double NEAR_USUAL = 0.01;

    private static final int FASTEST = 1000;

    /** Times that come from decimal text or from sample counts miss a frame's start by far less than this (frames). */
    private static final double START_TOLERANCE_FRAMES = 1e-6;

    /** The rounded decimals by which people write the rates of NTSC video, which are exact fractions over 1001. */
    private static final Map<String, FrameRate> WRITTEN_ROUNDED = Map.of(
            "23.976", new FrameRate(24000, 1001),
            "23.98", new FrameRate(24000, 1001),
            "29.97", NTSC,
            "47.95", new FrameRate(48000, 1001),
            "59.94", new FrameRate(60000, 1001),
            "119.88", new FrameRate(120000, 1001));

    /** @throws IllegalArgumentException when a part is not positive or the rate is above 1000 frames a second */
    public FrameRate {
        if (numerator <= 0 || denominator <= 0 || numerator / (double) denominator > FASTEST) {
            throw new IllegalArgumentException("A frame rate lies above 0 and up to " + FASTEST
                    + " frames a second, not " + numerator + "/" + denominator + ".");
        }
        int divisor = BigInteger.valueOf(numerator)
                .gcd(BigInteger.valueOf(denominator))
                .intValue();
        numerator /= divisor;
        denominator /= divisor;
    }

    public static FrameRate of(int framesPerSecond) {
        return new FrameRate(framesPerSecond, 1);
    }

    /**
     * Reads "24", "12.5", "24000/1001" or a usual rounded decimal such as "23.976".
     *
     * @throws IllegalArgumentException with a sentence for the person who typed it
     */
    public static FrameRate parse(String text) {
        String trimmed = text.strip();
        FrameRate rounded = WRITTEN_ROUNDED.get(trimmed);
        if (rounded != null) {
            return rounded;
        }
        try {
            int slash = trimmed.indexOf('/');
            if (slash >= 0) {
                return new FrameRate(
                        Integer.parseInt(trimmed.substring(0, slash).strip()),
                        Integer.parseInt(trimmed.substring(slash + 1).strip()));
            }
            double value = Double.parseDouble(trimmed);
            return new FrameRate(Math.toIntExact(Math.round(value * 1000)), 1000);
        } catch (NumberFormatException | ArithmeticException e) {
            throw new IllegalArgumentException(
                    "\"" + trimmed + "\" is not a frame rate: write 24, 12.5 or 24000/1001.", e);
        }
    }

    /** The time in seconds at which a frame starts. */
    public double seconds(int frame) {
        return (double) frame * denominator / numerator;
    }

    /** The frame whose start is nearest to an event at this time: for words, cues and marks. */
    public int nearestFrame(double seconds) {
        return (int) Math.floor(seconds * numerator / denominator + 0.5);
    }

    /** The frame that is showing at this time. */
    public int frameAt(double seconds) {
        return (int) Math.floor(seconds * numerator / denominator + START_TOLERANCE_FRAMES);
    }

    /** The nearest of the rates at which shots are made; empty where none is within a hundredth of this one. */
    public Optional<FrameRate> usual() {
        return USUAL.stream()
                .min(Comparator.comparingDouble(this::away))
                .filter(nearest -> away(nearest) <= NEAR_USUAL);
    }

    private double away(FrameRate other) {
        return Math.abs(framesPerSecond() / other.framesPerSecond() - 1);
    }

    /** For how many frames one drawing is usually held, so that about twelve a second are drawn: ones to 15 frames a second, twos to 30, threes to 47, fours above. */
    public int usualHold() {
        double rate = framesPerSecond();
        return rate <= 15 ? 1 : rate <= 30 ? 2 : rate <= 47 ? 3 : 4;
    }

    public double framesPerSecond() {
        return (double) numerator / denominator;
    }

    /** The whole number of frames by which timecode counts: 30 for 30000/1001. */
    public int timecodeBase() {
        return (int) Math.round(framesPerSecond());
    }

    /** "24" or "24000/1001": what {@link #parse} reads back to the same value. */
    public String asText() {
        return denominator == 1 ? Integer.toString(numerator) : numerator + "/" + denominator;
    }

    /** The rate as people say it: "24", "23.976". */
    public String spoken() {
        if (denominator == 1) {
            return Integer.toString(numerator);
        }
        String decimals = String.format(Locale.ROOT, "%.3f", framesPerSecond());
        return decimals.replaceAll("\\.?0+$", "");
    }
}
