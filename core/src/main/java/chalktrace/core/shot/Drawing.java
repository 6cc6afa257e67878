package chalktrace.core.shot;

import chalktrace.core.stroke.Stroke;
import java.util.ArrayList;
import java.util.List;

/**
 * One picture on a level.
 *
 * @param number counted from 1 within its level; it names the drawing for good
 * @param strokes in the order in which they were drawn
 */
public record Drawing(int number, List<Stroke> strokes) {

    public Drawing {
        if (number < 1) {
            throw new IllegalArgumentException("Drawings are numbered from 1.");
        }
        strokes = List.copyOf(strokes);
    }

    public static Drawing empty(int number) {
        return new Drawing(number, List.of());
    }

    public Drawing plus(Stroke stroke) {
        List<Stroke> more = new ArrayList<>(strokes);
        more.add(stroke);
        return new Drawing(number, more);
    }

    public Drawing without(List<Stroke> gone) {
        List<Stroke> rest = new ArrayList<>(strokes);
        // By identity: two equal strokes on top of each other are still two.
        rest.removeIf(stroke -> gone.stream().anyMatch(g -> g == stroke));
        return new Drawing(number, rest);
    }

    /** About how much memory the drawing takes. */
    public long bytes() {
        return 48 + strokes.stream().mapToLong(Stroke::bytes).sum();
    }
}
