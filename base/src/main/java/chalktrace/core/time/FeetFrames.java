package chalktrace.core.time;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Length as 35 mm film is measured: 16 frames of four perforations to a foot (common practice, 90 feet a minute). */
public record FeetFrames(int feet, int frames) {

    public static final int FRAMES_PER_FOOT = 16;

    private static final Pattern WRITTEN = Pattern.compile("(\\d{1,6})\\+(\\d{1,2})");

    /** The feet and frames that have run when frame {@code frame} (from 0) starts. */
    public static FeetFrames of(int frame) {
        return new FeetFrames(Math.floorDiv(frame, FRAMES_PER_FOOT), Math.floorMod(frame, FRAMES_PER_FOOT));
    }

    /**
     * Reads "6+08".
     *
     * @throws IllegalArgumentException with a sentence for the person who typed it
     */
    public static FeetFrames parse(String text) {
        Matcher parts = WRITTEN.matcher(text.strip());
        if (!parts.matches() || Integer.parseInt(parts.group(2)) >= FRAMES_PER_FOOT) {
            throw new IllegalArgumentException(
                    "\"" + text.strip() + "\" is not feet+frames: write 6+08, with at most 15 frames.");
        }
        return new FeetFrames(Integer.parseInt(parts.group(1)), Integer.parseInt(parts.group(2)));
    }

    public int toFrame() {
        return feet * FRAMES_PER_FOOT + frames;
    }

    @Override
    public String toString() {
        return feet + "+" + (frames < 10 ? "0" : "") + frames;
    }
}
