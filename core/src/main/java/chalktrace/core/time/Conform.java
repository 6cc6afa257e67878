package chalktrace.core.time;

import java.util.OptionalInt;

/**
 * How the pictures of a source meet the frames of a shot.
 *
 * @param startFrame the shot frame on which the first picture shows
 * @param firstPicture the first picture taken, counted from 0
 * @param endPicture the picture after the last one taken
 * @param every take every n-th picture: 1 for all
 * @param pace how the source's time meets the shot's
 * @param speed with {@link Pace#KEEP_TIME}: 1 for the source's own speed, 2 for twice as fast
 */
public record Conform(int startFrame, int firstPicture, int endPicture, int every, Pace pace, double speed) {

    public static final double SLOWEST = 0.01;
    public static final double FASTEST = 100;

    /** How the source's time meets the shot's. */
    public enum Pace {
        /** The source keeps its own speed: a frame shows the picture nearest in time. */
        KEEP_TIME,
        /** Each picture taken becomes one frame, whatever its time. */
        PICTURE_FOR_FRAME,
        /** One picture is held for the whole shot. */
        HELD
    }

    /** @throws IllegalArgumentException when no picture is taken, or the step or speed is out of bounds */
    public Conform {
        if (!(speed >= SLOWEST && speed <= FASTEST)) {
            throw new IllegalArgumentException("A source is shown at 0.01 to 100 times its speed, not " + speed + ".");
        }
        if (firstPicture < 0 || endPicture <= firstPicture || every < 1) {
            throw new IllegalArgumentException("A conform takes at least one picture: from " + firstPicture
                    + " to before " + endPicture + ", every " + every + ", takes none.");
        }
    }

    /** At the source's own speed, where that matters. */
    public Conform(int startFrame, int firstPicture, int endPicture, int every, Pace pace) {
        this(startFrame, firstPicture, endPicture, every, pace, 1);
    }

    /** All pictures of a source from a shot frame on, at the source's own speed. */
    public static Conform whole(int startFrame, PictureTimes times) {
        return new Conform(startFrame, 0, times.count(), 1, times.count() == 1 ? Pace.HELD : Pace.KEEP_TIME);
    }

    public Conform withStartFrame(int frame) {
        return new Conform(frame, firstPicture, endPicture, every, pace, speed);
    }

    /** The picture that a shot frame shows; empty before the first and after the last. */
    public OptionalInt pictureAt(int frame, FrameRate rate, PictureTimes times) {
        int sinceStart = frame - startFrame;
        if (pace == Pace.HELD) {
            return OptionalInt.of(firstPicture);
        }
        if (sinceStart < 0 || sinceStart >= frames(rate, times)) {
            return OptionalInt.empty();
        }
        return OptionalInt.of(
                pace == Pace.PICTURE_FOR_FRAME
                        ? firstPicture + sinceStart * every
                        : nearestTaken(times.seconds(firstPicture) + rate.seconds(sinceStart) * speed, times));
    }

    /** How many shot frames the taken pictures fill; a held picture counts as one. */
    public int frames(FrameRate rate, PictureTimes times) {
        int last = Math.min(endPicture, times.count()) - 1;
        return switch (pace) {
            case HELD -> 1;
            case PICTURE_FOR_FRAME -> (last - firstPicture) / every + 1;
            case KEEP_TIME ->
                Math.max(1, rate.nearestFrame((times.endSeconds(last) - times.seconds(firstPicture)) / speed));
        };
    }

    private int nearestTaken(double seconds, PictureTimes times) {
        int last = Math.min(endPicture, times.count()) - 1;
        int nearest = Math.max(firstPicture, Math.min(last, times.nearest(seconds)));
        int before = nearest - (nearest - firstPicture) % every;
        int after = before + every;
        boolean afterIsNearer =
                after <= last && Math.abs(times.seconds(after) - seconds) < Math.abs(times.seconds(before) - seconds);
        return afterIsNearer ? after : before;
    }
}
