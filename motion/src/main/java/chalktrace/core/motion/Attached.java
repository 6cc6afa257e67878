package chalktrace.core.motion;

/**
 * A drawing, or a whole level, that goes along with a point and is placed anew when the point is.
 *
 * @param level the id of its level
 * @param drawing its number, or {@link #ALL}
 * @param frame on which it lies where it was put by hand
 * @param turning whether it turns and grows with what is around the point, or with its second point
 */
public record Attached(String level, int drawing, int frame, boolean turning) {

    /** Every drawing that the level shows, such as the mouths. */
    public static final int ALL = 0;

    public boolean isWholeLevel() {
        return drawing == ALL;
    }

    /** Whether a shown drawing goes along. */
    public boolean holds(int shown) {
        return isWholeLevel() ? shown != 0 : shown == drawing;
    }

    public Attached withFrame(int other) {
        return new Attached(level, drawing, other, turning);
    }
}
