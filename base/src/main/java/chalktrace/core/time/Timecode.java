package chalktrace.core.time;

import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Timecode after SMPTE ST 12-1. Drop-frame leaves out the frame numbers 0 and 1 (0 to 3 at 60000/1001) of each minute
 * that is not divisible by ten, so that the count keeps to the clock; it exists for those two rates only.
 */
public record Timecode(int hours, int minutes, int seconds, int frames, boolean dropFrame) {

    private static final Pattern WRITTEN = Pattern.compile("(\\d{1,3}):(\\d{2}):(\\d{2})([:;])(\\d{2,3})");

    /** @throws IllegalArgumentException for a negative frame, or for drop-frame at a rate that has none */
    public static Timecode of(int frame, FrameRate rate, boolean dropFrame) {
        if (frame < 0) {
            throw new IllegalArgumentException("Timecode counts from frame 0, not from " + frame + ".");
        }
        int base = rate.timecodeBase();
        long number = frame;
        if (dropFrame) {
            int dropped = requireDrop(rate);
            int perMinute = base * 60 - dropped;
            int perTenMinutes = base * 600 - dropped * 9;
            long tens = frame / perTenMinutes;
            long rest = frame % perTenMinutes;
            // The first minute of each ten is whole; each later one is short by what it leaves out.
            long shortMinutes = rest < base * 60L ? 0 : 1 + (rest - base * 60L) / perMinute;
            number += dropped * (tens * 9 + shortMinutes);
        }
        long totalSeconds = number / base;
        return new Timecode(
                (int) (totalSeconds / 3600),
                (int) (totalSeconds / 60 % 60),
                (int) (totalSeconds % 60),
                (int) (number % base),
                dropFrame);
    }

    /**
     * Reads "01:00:00:00", or "01:00:00;00" for drop-frame.
     *
     * @throws IllegalArgumentException with a sentence for the person who typed it
     */
    public static Timecode parse(String text) {
        Matcher parts = WRITTEN.matcher(text.strip());
        if (!parts.matches()) {
            throw new IllegalArgumentException("\"" + text.strip() + "\" is not a timecode: write 00:01:00:02.");
        }
        return new Timecode(
                Integer.parseInt(parts.group(1)),
                Integer.parseInt(parts.group(2)),
                Integer.parseInt(parts.group(3)),
                Integer.parseInt(parts.group(5)),
                parts.group(4).equals(";"));
    }

    /**
     * The frame counted from 0 that carries this timecode.
     *
     * @throws IllegalArgumentException when no frame carries it at this rate (a dropped number, 75 seconds, frame 24 at
     *     24 frames a second)
     */
    public int toFrame(FrameRate rate) {
        int base = rate.timecodeBase();
        if (minutes > 59 || seconds > 59 || frames >= base) {
            throw new IllegalArgumentException(
                    "No frame carries " + this + " at " + rate.spoken() + " frames a second.");
        }
        long totalMinutes = hours * 60L + minutes;
        long number = (totalMinutes * 60 + seconds) * base + frames;
        if (dropFrame) {
            int dropped = requireDrop(rate);
            if (minutes % 10 != 0 && seconds == 0 && frames < dropped) {
                throw new IllegalArgumentException("Drop-frame timecode leaves out " + this + ".");
            }
            number -= dropped * (totalMinutes - totalMinutes / 10);
        }
        return Math.toIntExact(number);
    }

    @Override
    public String toString() {
        return String.format(
                Locale.ROOT, "%02d:%02d:%02d%s%02d", hours, minutes, seconds, dropFrame ? ";" : ":", frames);
    }

    private static int requireDrop(FrameRate rate) {
        int dropped = droppedPerMinute(rate);
        if (dropped == 0) {
            throw new IllegalArgumentException(
                    "Drop-frame timecode exists for 30000/1001 and 60000/1001 only, not for " + rate.asText() + ".");
        }
        return dropped;
    }

    private static int droppedPerMinute(FrameRate rate) {
        return rate.denominator() != 1001 ? 0 : rate.numerator() == 30000 ? 2 : rate.numerator() == 60000 ? 4 : 0;
    }
}
