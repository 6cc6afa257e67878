package chalktrace.core.shot;

import chalktrace.core.time.FrameRange;
import chalktrace.core.time.FrameRate;
import java.util.Optional;

/**
 * Frames taken out with what is on them; what starts within them comes to the cut.
 *
 * @param rate of the shot
 */
public record RemovedFrames(FrameRange gone, FrameRate rate, FrameReach reach) implements FrameChange {

    /** So much less than a moment is the moment itself, in seconds. */
    static final double HARDLY = 1e-9;

    @Override
    public boolean removes(int frame) {
        return gone.contains(frame);
    }

    @Override
    public int frame(int was) {
        return was >= gone.end() ? was - gone.frames() : Math.min(was, gone.start());
    }

    @Override
    public Optional<FrameRange> range(FrameRange was) {
        FrameRange left = new FrameRange(frame(was.start()), frame(was.end()));
        return left.isEmpty() ? Optional.empty() : Optional.of(left);
    }

    @Override
    public double seconds(double was) {
        double start = rate.seconds(gone.start());
        double end = rate.seconds(gone.end());
        return was < end - HARDLY ? Math.min(was, start) : was - (end - start);
    }
}
