package chalktrace.core.shot;

import chalktrace.core.time.FrameRange;
import java.util.Optional;

/** Frames of a level that are meant to be shown over and over: a walk, a wave. */
public record Cycle(String level, FrameRange frames) implements FrameBound<Cycle> {

    /** @throws IllegalArgumentException when there is nothing in it to repeat */
    public Cycle {
        if (frames.start() < 0 || frames.frames() < 2) {
            throw new IllegalArgumentException("A cycle has at least two frames: nothing was changed.");
        }
    }

    /** One of which fewer than two frames are left is none any more. */
    @Override
    public Optional<Cycle> moved(FrameChange change) {
        return change.reach().covers(Optional.of(level))
                ? change.range(frames).filter(range -> range.frames() >= 2).map(range -> new Cycle(level, range))
                : Optional.of(this);
    }
}
