package chalktrace.core.motion;

/**
 * A drawing that goes along with a point, and is placed anew when the point is.
 *
 * @param level the id of its level
 * @param drawing its number
 * @param frame on which it lies where it was put by hand
 * @param turning whether it turns and grows with what is around the point, or with its second point
 */
public record Attached(String level, int drawing, int frame, boolean turning) {

    public Attached withFrame(int other) {
        return new Attached(level, drawing, other, turning);
    }
}
