package chalktrace.core.shot;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Rgb;
import chalktrace.core.time.FrameRange;
import chalktrace.core.time.FrameRate;

/**
 * What a shot is made on.
 *
 * @param length in frames
 * @param firstNumber the number under which the first frame is shown on screen
 */
public record ShotSetup(FrameRate rate, PictureSize size, int length, int firstNumber, Rgb paper) {

    public static final int LONGEST = 1_000_000;

    /** @throws IllegalArgumentException when the length is out of bounds */
    public ShotSetup {
        if (length < 1 || length > LONGEST) {
            throw new IllegalArgumentException("A shot is 1 to " + LONGEST + " frames long, not " + length + ".");
        }
    }

    public static ShotSetup standard() {
        return new ShotSetup(FrameRate.FILM, new PictureSize(1280, 720), 96, 1, new Rgb(0xF4, 0xF1, 0xE8));
    }

    public FrameRange frames() {
        return FrameRange.of(0, length);
    }

    public double seconds() {
        return rate.seconds(length);
    }

    public int clamp(int frame) {
        return Math.max(0, Math.min(length - 1, frame));
    }

    /** The number under which a frame is shown on screen: the one place where the shot's numbering is applied. */
    public int number(int frame) {
        return frame + firstNumber;
    }

    /** The frame that is shown under a number. */
    public int frame(int number) {
        return number - firstNumber;
    }

    public ShotSetup withPaper(Rgb color) {
        return new ShotSetup(rate, size, length, firstNumber, color);
    }

    public ShotSetup withLength(int frames) {
        return new ShotSetup(rate, size, frames, firstNumber, paper);
    }
}
