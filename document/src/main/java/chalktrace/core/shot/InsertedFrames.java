package chalktrace.core.shot;

import chalktrace.core.time.FrameRange;
import chalktrace.core.time.FrameRate;
import java.util.Optional;

/**
 * Frames put in before a frame: what starts there or later moves on, what lies across is longer by them.
 *
 * @param rate of the shot
 */
public record InsertedFrames(int at, int count, FrameRate rate, FrameReach reach) implements FrameChange {

    @Override
    public int frame(int was) {
        return was >= at ? was + count : was;
    }

    @Override
    public Optional<FrameRange> range(FrameRange was) {
        return Optional.of(new FrameRange(frame(was.start()), was.end() > at ? was.end() + count : was.end()));
    }

    @Override
    public double seconds(double was) {
        return was < rate.seconds(at) - RemovedFrames.HARDLY ? was : was + rate.seconds(count);
    }
}
