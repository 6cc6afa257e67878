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
 * @param retimed what moved the source along with drawings, in frames since its start; usually nothing
 */
public record Conform(
        int startFrame, int firstPicture, int endPicture, int every, Pace pace, double speed, FrameMap retimed) {

    public static final double SLOWEST = 0.01;
    public static final double FASTEST = 100;

    /** So much less than a whole frame is a whole one. */
    private static final double HARDLY = 1e-6;

    /** How the source's time meets the shot's. */
    public enum Pace {
        /**
         * The source keeps its own speed: a frame shows the last picture that starts before the middle between it and the next frame, so that a
         * held picture stays until another starts; of several that start within one frame the nearest.
         */
        KEEP_TIME,
        /** The same with the picture that is nearest in time, as shots of earlier versions show it. */
        NEAREST_TIME,
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

    /** Moved along with nothing. */
    public Conform(int startFrame, int firstPicture, int endPicture, int every, Pace pace, double speed) {
        this(startFrame, firstPicture, endPicture, every, pace, speed, FrameMap.NONE);
    }

    /** All pictures of a source from a shot frame on, at the source's own speed. */
    public static Conform whole(int startFrame, PictureTimes times) {
        return new Conform(startFrame, 0, times.count(), 1, times.count() == 1 ? Pace.HELD : Pace.KEEP_TIME);
    }

    /** Whether the source keeps its own time. */
    public boolean keepsTime() {
        return pace == Pace.KEEP_TIME || pace == Pace.NEAREST_TIME;
    }

    public Conform withSpeed(double times) {
        return new Conform(startFrame, firstPicture, endPicture, every, pace, times, retimed);
    }

    public Conform withStartFrame(int frame) {
        return new Conform(frame, firstPicture, endPicture, every, pace, speed, retimed);
    }

    /**
     * Moved along with drawings.
     *
     * @param moved where frames of the shot have come to
     */
    public Conform retimed(FrameMap moved) {
        int start = (int) Math.round(moved.now(startFrame));
        FrameMap sinceStart = new FrameMap(moved.knots().stream()
                .map(knot -> new FrameMap.Knot(knot.frame() - start, knot.was() - startFrame))
                .toList());
        return new Conform(start, firstPicture, endPicture, every, pace, speed, retimed.then(sinceStart));
    }

    /** What moved it along, at a rate with some times as many frames a second; a picture for each frame stays that. */
    public Conform scaled(double ratio) {
        double pictures = pace == Pace.PICTURE_FOR_FRAME ? 1 : ratio;
        FrameMap scaled = new FrameMap(retimed.knots().stream()
                .map(knot -> new FrameMap.Knot(knot.frame() * ratio, knot.was() * pictures))
                .toList());
        return new Conform(startFrame, firstPicture, endPicture, every, pace, speed, scaled);
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
        int last = Math.min(endPicture, times.count()) - 1;
        double was = Math.max(0, retimed.was(sinceStart));
        double seconds = times.seconds(firstPicture)
                + (retimed.isNone() ? rate.seconds(sinceStart) : was / rate.framesPerSecond()) * speed;
        return OptionalInt.of(
                switch (pace) {
                    case PICTURE_FOR_FRAME ->
                        Math.min(
                                last - (last - firstPicture) % every,
                                firstPicture + (int) Math.floor(was + HARDLY) * every);
                    case NEAREST_TIME -> nearestTaken(seconds, times);
                    default -> startedTaken(seconds, speed / rate.framesPerSecond() / 2, times);
                });
    }

    /** When in the source a shot frame is, in seconds since its start; before that it is negative. For a source that has a picture at any time. */
    public double secondsAt(int frame, FrameRate rate) {
        int sinceStart = frame - startFrame;
        return speed * (retimed.isNone() ? rate.seconds(sinceStart) : retimed.was(sinceStart) / rate.framesPerSecond());
    }

    /** How many shot frames the taken pictures fill; a held picture counts as one. */
    public int frames(FrameRate rate, PictureTimes times) {
        int last = Math.min(endPicture, times.count()) - 1;
        int frames =
                switch (pace) {
                    case HELD -> 1;
                    case PICTURE_FOR_FRAME -> (last - firstPicture) / every + 1;
                    case KEEP_TIME, NEAREST_TIME ->
                        Math.max(1, rate.nearestFrame((times.endSeconds(last) - times.seconds(firstPicture)) / speed));
                };
        return pace == Pace.HELD ? frames : (int) Math.max(1, Math.round(retimed.now(frames)));
    }

    /** @param half of a frame, in seconds of the source */
    private int startedTaken(double seconds, double half, PictureTimes times) {
        int last = Math.min(endPicture, times.count()) - 1;
        int started = Math.max(firstPicture, Math.min(last, times.lastBefore(seconds + half - HARDLY)));
        int best = started - (started - firstPicture) % every;
        for (int n = best - every; n >= firstPicture && times.seconds(n) > seconds - half; n -= every) {
            if (Math.abs(times.seconds(n) - seconds) <= Math.abs(times.seconds(best) - seconds) + HARDLY) {
                best = n;
            }
        }
        return best;
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
