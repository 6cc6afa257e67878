package chalktrace.core.shot;

import chalktrace.core.time.FrameRange;

/**
 * A mouth of the chart shown for a run of frames.
 *
 * @param shape the id of the shape in the mouth chart
 * @param byHand set by the artist: a change of words leaves it alone
 */
public record MouthSpan(FrameRange range, String shape, boolean byHand) {

    public MouthSpan {
        if (range.isEmpty() || range.start() < 0) {
            throw new IllegalArgumentException("A mouth shows for at least one frame, from frame 0 on.");
        }
    }
}
