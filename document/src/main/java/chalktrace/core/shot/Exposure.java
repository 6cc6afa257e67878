package chalktrace.core.shot;

import chalktrace.core.time.FrameRange;

/**
 * A drawing of a level shown for a run of frames.
 *
 * @param drawing the drawing's number, or {@link #BLANK}
 * @param placement how it is put in this showing only
 */
public record Exposure(int start, int frames, int drawing, Placement placement) {

    /** In place of a drawing's number: nothing is shown. */
    public static final int BLANK = 0;

    public Exposure {
        if (start < 0 || frames < 1 || drawing < 0) {
            throw new IllegalArgumentException("An exposure starts at frame 0 or later and lasts a frame or more.");
        }
    }

    public static Exposure of(int start, int frames, int drawing) {
        return new Exposure(start, frames, drawing, Placement.AS_IS);
    }

    public int end() {
        return start + frames;
    }

    public int last() {
        return start + frames - 1;
    }

    public FrameRange range() {
        return FrameRange.of(start, frames);
    }

    public boolean isBlank() {
        return drawing == BLANK;
    }

    Exposure between(int from, int to) {
        return new Exposure(from, to - from, drawing, placement);
    }

    Exposure movedBy(int by) {
        return new Exposure(start + by, frames, drawing, placement);
    }
}
