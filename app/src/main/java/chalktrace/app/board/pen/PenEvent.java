package chalktrace.app.board.pen;

import chalktrace.core.stroke.PenSample;

/** What a pen does at a moment; the sample is in shot pixels. */
public record PenEvent(Kind kind, PenSample sample) {

    /** What it does. */
    public enum Kind {
        DOWN,
        MOVE,
        UP,
        /** The stroke is given up, such as when the device is gone. */
        LOST
    }
}
