package chalktrace.core.shot;

import chalktrace.core.time.Conform;
import chalktrace.core.time.FrameRate;

/** Frames brought to those nearest to their seconds at another rate; seconds stay what they are. */
public record AnotherRate(FrameRate from, FrameRate to, FrameReach reach) implements FrameChange {

    @Override
    public int frame(int was) {
        return to.nearestFrame(from.seconds(was));
    }

    @Override
    public double seconds(double was) {
        return was;
    }

    @Override
    public Conform conform(Conform was) {
        return FrameChange.super.conform(was).scaled(to.framesPerSecond() / from.framesPerSecond());
    }
}
