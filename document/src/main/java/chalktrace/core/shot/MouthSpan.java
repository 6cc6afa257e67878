package chalktrace.core.shot;

import chalktrace.core.time.FrameRange;

/**
 * A mouth shown for a run of frames: one of the chart, or a drawing of the artist's own on the mouth level.
 *
 * @param shape the id of the shape in the mouth chart; empty for a drawing of the artist's own
 * @param drawing the number of the artist's own drawing on the mouth level; 0 for a mouth of the chart
 * @param byHand set by the artist: a change of words leaves it alone
 */
public record MouthSpan(FrameRange range, String shape, int drawing, boolean byHand) {

    /** How tables and older shot files name a drawing of the artist's own, before its number. */
    private static final String OWN = "drawing ";

    /** @throws IllegalArgumentException when it shows for no frame, or not exactly one of a mouth and a drawing */
    public MouthSpan {
        if (range.isEmpty() || range.start() < 0) {
            throw new IllegalArgumentException("A mouth shows for at least one frame, from frame 0 on.");
        }
        if (drawing < 0 || shape.isEmpty() != drawing > 0) {
            throw new IllegalArgumentException("A mouth is a shape of the chart or a drawing by its number from 1 on.");
        }
    }

    /** A mouth of the chart. */
    public MouthSpan(FrameRange range, String shape, boolean byHand) {
        this(range, shape, 0, byHand);
    }

    /** A mouth as a table names it: the id of a shape, or "drawing 31" for one of the artist's own. */
    public static MouthSpan named(FrameRange range, String name, boolean byHand) {
        if (name.startsWith(OWN) && name.substring(OWN.length()).matches("[1-9][0-9]{0,8}")) {
            return new MouthSpan(range, "", Integer.parseInt(name.substring(OWN.length())), byHand);
        }
        return new MouthSpan(range, name, byHand);
    }

    /** Its name in a table, as {@link #named} reads it. */
    public String name() {
        return isOwn() ? OWN + drawing : shape;
    }

    /** Whether it is a drawing of the artist's own. */
    public boolean isOwn() {
        return drawing > 0;
    }

    public boolean isSameMouth(MouthSpan other) {
        return shape.equals(other.shape) && drawing == other.drawing;
    }

    public MouthSpan withRange(FrameRange newRange) {
        return new MouthSpan(newRange, shape, drawing, byHand);
    }
}
