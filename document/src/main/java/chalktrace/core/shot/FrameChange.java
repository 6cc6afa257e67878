package chalktrace.core.shot;

import chalktrace.core.time.Conform;
import chalktrace.core.time.FrameRange;
import java.util.Optional;

/** Where frames of a shot come to when some are put in, taken out, stretched or counted at another rate. Frames keep their order. */
public interface FrameChange {

    /** What it moves. */
    FrameReach reach();

    /** Where a frame comes to; one that is taken out comes to where the cut is. */
    int frame(int was);

    /** Where seconds of the sound come to, in the same way. */
    double seconds(double was);

    /** Whether a frame is taken out. */
    default boolean removes(int frame) {
        return false;
    }

    /** Where frames that belong together come to: at least one, unless all of them are taken out. */
    default Optional<FrameRange> range(FrameRange was) {
        int start = frame(was.start());
        return Optional.of(new FrameRange(start, Math.max(start + 1, frame(was.end()))));
    }

    /** How a source that starts before, within or after goes on. */
    default Conform conform(Conform was) {
        return was.withStartFrame(frame(was.startFrame()));
    }
}
