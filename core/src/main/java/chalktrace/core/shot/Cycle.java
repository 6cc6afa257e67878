package chalktrace.core.shot;

import chalktrace.core.time.FrameRange;

/** Frames of a level that are meant to be shown over and over: a walk, a wave. */
public record Cycle(String level, FrameRange frames) {

    /** @throws IllegalArgumentException when there is nothing in it to repeat */
    public Cycle {
        if (frames.start() < 0 || frames.frames() < 2) {
            throw new IllegalArgumentException("A cycle has at least two frames: nothing was changed.");
        }
    }

    public Cycle movedBy(int by) {
        return new Cycle(level, FrameRange.of(Math.max(0, frames.start() + by), frames.frames()));
    }
}
