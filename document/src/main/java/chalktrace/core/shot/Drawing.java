package chalktrace.core.shot;

import chalktrace.core.fill.Fill;
import chalktrace.core.stroke.Stroke;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;

/**
 * One picture on a level: lines, painted areas and pictures in one order, from back to front. Its number is counted from 1 within its
 * level and names it for good.
 */
public final class Drawing {

    private final int number;
    private final List<DrawingItem> items;
    private final List<Stroke> strokes;
    private final List<Fill> fills;
    private final List<PastedPicture> pictures;

    private Drawing(List<DrawingItem> items, int number) {
        if (number < 1) {
            throw new IllegalArgumentException("Drawings are numbered from 1.");
        }
        this.number = number;
        this.items = List.copyOf(items);
        strokes = DrawingItem.strokes(items);
        fills = DrawingItem.fills(items);
        pictures = DrawingItem.pictures(items);
    }

    /** @param items from back to front */
    public static Drawing of(int number, List<DrawingItem> items) {
        return new Drawing(items, number);
    }

    /** Pictures behind, painted areas before them, lines in front, as drawings are made here. */
    public Drawing(int number, List<Stroke> strokes, List<Fill> fills, List<PastedPicture> pictures) {
        this(inUsualOrder(strokes, fills, pictures), number);
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

    /** Pictures, then painted areas, then lines. */
    public static List<DrawingItem> inUsualOrder(List<Stroke> strokes, List<Fill> fills, List<PastedPicture> pictures) {
        List<DrawingItem> items = new ArrayList<>();
        pictures.forEach(picture -> items.add(new DrawingItem.Picture(picture)));
        fills.forEach(fill -> items.add(new DrawingItem.Paint(fill)));
        strokes.forEach(stroke -> items.add(new DrawingItem.Line(stroke)));
        return items;
    }

    public int number() {
        return number;
    }

    /** From back to front. */
    public List<DrawingItem> items() {
        return items;
    }

    /** Its lines, from back to front. */
    public List<Stroke> strokes() {
        return strokes;
    }

    /** Its painted areas, from back to front. */
    public List<Fill> fills() {
        return fills;
    }

    /** Its pictures, from back to front. */
    public List<PastedPicture> pictures() {
        return pictures;
    }

    public Drawing withNumber(int newNumber) {
        return new Drawing(items, newNumber);
    }

    public Drawing withItems(List<DrawingItem> newItems) {
        return new Drawing(newItems, number);
    }

    /** With a line in front of all. */
    public Drawing plus(Stroke stroke) {
        return plus(List.of(new DrawingItem.Line(stroke)));
    }

    /** With some items in front of all. */
    public Drawing plus(List<DrawingItem> more) {
        List<DrawingItem> out = new ArrayList<>(items);
        out.addAll(more);
        return withItems(out);
    }

    /** With paint in front of what is painted, but behind the lowest line. */
    public Drawing plus(Fill fill) {
        return before(new DrawingItem.Paint(fill), DrawingItem.Line.class::isInstance);
    }

    /** With a picture in front of the pictures behind all lines and paint. */
    public Drawing plus(PastedPicture picture) {
        return before(new DrawingItem.Picture(picture), item -> !(item instanceof DrawingItem.Picture));
    }

    private Drawing before(DrawingItem item, Predicate<DrawingItem> first) {
        List<DrawingItem> out = new ArrayList<>(items);
        int at = 0;
        while (at < out.size() && !first.test(out.get(at))) {
            at++;
        }
        out.add(at, item);
        return withItems(out);
    }

    /**
     * With other lines in the place of its own. As many as there were take each other's places; else those that stay keep theirs, and new
     * ones lie in front of the one before them.
     */
    public Drawing withStrokes(List<Stroke> newStrokes) {
        return replaced(
                newStrokes,
                item -> item instanceof DrawingItem.Line
                        ? Optional.of(((DrawingItem.Line) item).stroke())
                        : Optional.empty(),
                DrawingItem.Line::new);
    }

    /** As {@link #withStrokes}, of painted areas. */
    public Drawing withFills(List<Fill> newFills) {
        return replaced(
                newFills,
                item -> item instanceof DrawingItem.Paint
                        ? Optional.of(((DrawingItem.Paint) item).fill())
                        : Optional.empty(),
                DrawingItem.Paint::new);
    }

    /** As {@link #withStrokes}, of pictures. */
    public Drawing withPictures(List<PastedPicture> newPictures) {
        return replaced(
                newPictures,
                item -> item instanceof DrawingItem.Picture
                        ? Optional.of(((DrawingItem.Picture) item).picture())
                        : Optional.empty(),
                DrawingItem.Picture::new);
    }

    private <T> Drawing replaced(List<T> by, Function<DrawingItem, Optional<T>> own, Function<T, DrawingItem> asItem) {
        List<T> before =
                items.stream().flatMap(item -> own.apply(item).stream()).toList();
        Set<T> old = Collections.newSetFromMap(new IdentityHashMap<>());
        old.addAll(before);
        List<DrawingItem> out = new ArrayList<>();
        int next = 0;
        for (DrawingItem item : items) {
            Optional<T> mine = own.apply(item);
            if (mine.isEmpty()) {
                out.add(item);
                continue;
            }
            int end = next;
            if (by.size() == before.size()) {
                end = next + 1;
            } else {
                int stays = indexOf(by, mine.get(), next);
                if (stays >= 0) {
                    end = stays + 1;
                }
                while (end < by.size() && !old.contains(by.get(end))) {
                    end++;
                }
            }
            for (; next < end; next++) {
                out.add(asItem.apply(by.get(next)));
            }
        }
        Drawing drawn = withItems(out);
        for (; next < by.size(); next++) {
            drawn = drawn.plusNew(asItem.apply(by.get(next)));
        }
        return drawn;
    }

    private Drawing plusNew(DrawingItem item) {
        if (item instanceof DrawingItem.Paint) {
            return plus(((DrawingItem.Paint) item).fill());
        }
        return item instanceof DrawingItem.Picture ? plus(((DrawingItem.Picture) item).picture()) : plus(List.of(item));
    }

    private static <T> int indexOf(List<T> all, T one, int from) {
        for (int i = from; i < all.size(); i++) {
            if (all.get(i) == one) {
                return i;
            }
        }
        return -1;
    }

    public boolean isEmpty() {
        return items.isEmpty();
    }

    public Drawing without(List<Stroke> gone) {
        return replacing(gone, stroke -> List.of());
    }

    /** With others in the place of some strokes, by identity: two equal strokes on top of each other are still two. */
    public Drawing replacing(List<Stroke> some, Function<Stroke, List<Stroke>> by) {
        Set<Stroke> chosen = Collections.newSetFromMap(new IdentityHashMap<>());
        chosen.addAll(some);
        List<DrawingItem> out = new ArrayList<>();
        for (DrawingItem item : items) {
            if (item instanceof DrawingItem.Line && chosen.contains(((DrawingItem.Line) item).stroke())) {
                by.apply(((DrawingItem.Line) item).stroke()).forEach(stroke -> out.add(new DrawingItem.Line(stroke)));
            } else {
                out.add(item);
            }
        }
        return withItems(out);
    }

    /** About how much memory the drawing takes. */
    public long bytes() {
        return 96 + items.stream().mapToLong(item -> 32 + item.bytes()).sum();
    }

    /** What it holds in memory besides what another holds as well, as that is made of the same items. */
    public long bytesBeside(Drawing other) {
        Set<DrawingItem> shared = Collections.newSetFromMap(new IdentityHashMap<>());
        shared.addAll(other.items);
        return 96
                + 8L * items.size()
                + items.stream()
                        .filter(item -> !shared.contains(item))
                        .mapToLong(item -> 24 + item.bytes())
                        .sum();
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Drawing drawing && number == drawing.number && items.equals(drawing.items);
    }

    @Override
    public int hashCode() {
        return Objects.hash(number, items);
    }

    @Override
    public String toString() {
        return "Drawing[number=" + number + ", items=" + items + "]";
    }
}
