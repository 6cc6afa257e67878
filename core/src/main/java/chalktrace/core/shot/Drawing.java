package chalktrace.core.shot;

import chalktrace.core.fill.Fill;
import chalktrace.core.stroke.Stroke;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;
import java.util.function.Function;

/**
 * One picture on a level: lines over painted areas over pictures that were put into it.
 *
 * @param number counted from 1 within its level; it names the drawing for good
 * @param strokes in the order in which they were drawn
 * @param fills in the order in which they were painted, all under the strokes
 * @param pictures in the order in which they were put there, all under the fills
 */
public record Drawing(int number, List<Stroke> strokes, List<Fill> fills, List<PastedPicture> pictures) {

    public Drawing {
        if (number < 1) {
            throw new IllegalArgumentException("Drawings are numbered from 1.");
        }
        strokes = List.copyOf(strokes);
        fills = List.copyOf(fills);
        pictures = List.copyOf(pictures);
    }

    /** Without pictures. */
    public Drawing(int number, List<Stroke> strokes, List<Fill> fills) {
        this(number, strokes, fills, List.of());
    }

    /** Lines only. */
    public Drawing(int number, List<Stroke> strokes) {
        this(number, strokes, List.of());
    }

    public static Drawing empty(int number) {
        return new Drawing(number, List.of());
    }

    public Drawing plus(Stroke stroke) {
        List<Stroke> more = new ArrayList<>(strokes);
        more.add(stroke);
        return withStrokes(more);
    }

    public Drawing plus(Fill fill) {
        List<Fill> more = new ArrayList<>(fills);
        more.add(fill);
        return withFills(more);
    }

    public Drawing plus(PastedPicture picture) {
        List<PastedPicture> more = new ArrayList<>(pictures);
        more.add(picture);
        return withPictures(more);
    }

    public Drawing withStrokes(List<Stroke> newStrokes) {
        return new Drawing(number, newStrokes, fills, pictures);
    }

    public Drawing withFills(List<Fill> newFills) {
        return new Drawing(number, strokes, newFills, pictures);
    }

    public Drawing withPictures(List<PastedPicture> newPictures) {
        return new Drawing(number, strokes, fills, newPictures);
    }

    public boolean isEmpty() {
        return strokes.isEmpty() && fills.isEmpty() && pictures.isEmpty();
    }

    public Drawing without(List<Stroke> gone) {
        return replacing(gone, stroke -> List.of());
    }

    /** With others in the place of some strokes, by identity: two equal strokes on top of each other are still two. */
    public Drawing replacing(List<Stroke> some, Function<Stroke, List<Stroke>> by) {
        Set<Stroke> chosen = Collections.newSetFromMap(new IdentityHashMap<>());
        chosen.addAll(some);
        List<Stroke> out = new ArrayList<>();
        for (Stroke stroke : strokes) {
            if (chosen.contains(stroke)) {
                out.addAll(by.apply(stroke));
            } else {
                out.add(stroke);
            }
        }
        return withStrokes(out);
    }

    /** About how much memory the drawing takes. */
    public long bytes() {
        return 48
                + strokes.stream().mapToLong(Stroke::bytes).sum()
                + fills.stream().mapToLong(Fill::bytes).sum()
                + pictures.stream()
                        .mapToLong(picture -> picture.pixels().bytes())
                        .sum();
    }
}
