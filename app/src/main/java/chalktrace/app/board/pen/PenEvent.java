package chalktrace.app.board.pen;

import chalktrace.core.stroke.PenSample;

/**
 * What a pen does at a moment.
 *
 * @param sample in shot pixels
 * @param eraser whether it is the pen's other end
 */
public record PenEvent(Kind kind, PenSample sample, boolean eraser) {

    /** With the end that draws. */
    public PenEvent(Kind kind, PenSample sample) {
        this(kind, sample, false);
    }

    /** What it does. */
    public enum Kind {
        DOWN,
        MOVE,
        UP,
        /** The device is gone in the middle of a stroke. */
        LOST
    }
}
