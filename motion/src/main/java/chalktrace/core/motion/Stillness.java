package chalktrace.core.motion;

import java.util.ArrayList;
import java.util.List;

/** Finds where a point stands still. */
final class Stillness {

    /** So many frames at least are a rest, and not only the slow end of a movement. */
    static final int SHORTEST = 6;

    private Stillness() {}

    /**
     * The longest runs of frames, none overlapping, in which it stays within a box.
     *
     * @param px the box's diagonal
     */
    static List<MovingPoint.Stretch> of(MovingPoint point, MovingPoint.Stretch within, double px) {
        List<MovingPoint.Stretch> out = new ArrayList<>();
        int first = within.first();
        while (first <= within.last()) {
            int last = first;
            while (last < within.last() && point.extent(first, last + 1) <= px) {
                last++;
            }
            if (last - first + 1 >= SHORTEST) {
                out.add(new MovingPoint.Stretch(first, last));
                first = last + 1;
            } else {
                first++;
            }
        }
        return out;
    }
}
