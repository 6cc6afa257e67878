package chalktrace.core.edit.selection;

import chalktrace.core.edit.drawing.DrawingEdits;
import chalktrace.core.edit.drawing.StrokeLanding;
import chalktrace.core.render.LiftedPiece;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.DrawingItem;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.stroke.StrokeSelection;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * What is taken hold of of the drawing that a level shows on a frame: some of its strokes, painted areas and pictures, by
 * their places in it. It stays good over edits that keep their count, such as a move and its undoing.
 *
 * @param drawing its number
 * @param placement of the showing through which it was picked
 */
public record Pick(
        String level,
        int drawing,
        Placement placement,
        Set<Integer> strokes,
        Set<Integer> fills,
        Set<Integer> pictures) {

    public Pick {
        strokes = Set.copyOf(strokes);
        fills = Set.copyOf(fills);
        pictures = Set.copyOf(pictures);
    }

    /** Which strokes a shape in shot pixels takes hold of. */
    public enum Rule {
        /** Those that lie at least half within it. */
        MOSTLY_WITHIN,
        /** Those that it touches. */
        TOUCHED
    }

    /** What a loop, or a box, takes hold of on a level; nothing where the level shows no drawing. */
    public static Optional<Pick> within(Shot shot, String levelId, int frame, Shape shape, Rule rule) {
        return of(shot, levelId, frame, (drawing, toDrawing) -> {
            Shape inDrawing = toDrawing.createTransformedShape(shape);
            Set<Integer> strokes = IntStream.range(0, drawing.strokes().size())
                    .filter(i -> rule == Rule.TOUCHED
                            ? StrokeSelection.touches(drawing.strokes().get(i), inDrawing)
                            : StrokeSelection.isMostlyWithin(drawing.strokes().get(i), inDrawing))
                    .boxed()
                    .collect(Collectors.toSet());
            Set<Integer> fills = IntStream.range(0, drawing.fills().size())
                    .filter(i ->
                            holdsMiddle(inDrawing, drawing.fills().get(i).area().path()))
                    .boxed()
                    .collect(Collectors.toSet());
            Set<Integer> pictures = IntStream.range(0, drawing.pictures().size())
                    .filter(i ->
                            holdsMiddle(inDrawing, drawing.pictures().get(i).edge()))
                    .boxed()
                    .collect(Collectors.toSet());
            return new Places(strokes, fills, pictures);
        });
    }

    /** The front stroke within reach of a place, else the front painted area there; nothing where there is neither. */
    public static Optional<Pick> at(Shot shot, String levelId, int frame, double x, double y, double reach) {
        List<Stroke> touched = DrawingEdits.touched(shot, levelId, frame, x, y, reach);
        return of(shot, levelId, frame, (drawing, toDrawing) -> {
            if (!touched.isEmpty()) {
                Stroke front = touched.get(touched.size() - 1);
                return new Places(
                        Set.of(IntStream.range(0, drawing.strokes().size())
                                .filter(i -> drawing.strokes().get(i) == front)
                                .findFirst()
                                .orElseThrow()),
                        Set.of(),
                        Set.of());
            }
            Point2D place = toDrawing.transform(new Point2D.Double(x, y), null);
            Set<Integer> fill = front(drawing.fills(), f -> f.area().contains(place.getX(), place.getY()));
            Set<Integer> picture =
                    fill.isEmpty() ? front(drawing.pictures(), p -> p.edge().contains(place)) : Set.of();
            return new Places(Set.of(), fill, picture);
        });
    }

    /** The strokes of a drawing that belong to a named part; nothing where the level shows none of it. */
    public static Optional<Pick> part(Shot shot, String levelId, int frame, String name) {
        return of(
                shot,
                levelId,
                frame,
                (drawing, toDrawing) -> new Places(
                        IntStream.range(0, drawing.strokes().size())
                                .filter(i -> drawing.strokes().get(i).part().equals(name))
                                .boxed()
                                .collect(Collectors.toSet()),
                        Set.of(),
                        Set.of()));
    }

    /** The names of the parts that picked strokes belong to, in the order of their alphabet. */
    public Set<String> partNames(Shot shot) {
        return drawingIn(shot).stream()
                .flatMap(d -> strokes.stream().map(i -> d.strokes().get(i).part()))
                .filter(name -> !name.isEmpty())
                .collect(Collectors.toCollection(TreeSet::new));
    }

    /** All that a drawing holds. */
    public static Optional<Pick> all(Shot shot, String levelId, int frame) {
        return of(
                shot,
                levelId,
                frame,
                (drawing, toDrawing) -> new Places(
                        places(drawing.strokes().size()),
                        places(drawing.fills().size()),
                        places(drawing.pictures().size())));
    }

    private record Places(Set<Integer> strokes, Set<Integer> fills, Set<Integer> pictures) {}

    @FunctionalInterface
    private interface Chooser {
        Places of(Drawing drawing, AffineTransform toDrawing);
    }

    private static Optional<Pick> of(Shot shot, String levelId, int frame, Chooser chooser) {
        Optional<Level> level = shot.level(levelId);
        Optional<Exposure> run = level.flatMap(l -> l.exposures().at(frame));
        Optional<Drawing> drawing = level.flatMap(l -> l.drawingAt(frame));
        if (run.isEmpty() || drawing.isEmpty()) {
            return Optional.empty();
        }
        Places places = chooser.of(
                drawing.get(), StrokeLanding.toDrawing(shot, run.get().placement()));
        Pick pick = new Pick(
                levelId, drawing.get().number(), run.get().placement(), places.strokes, places.fills, places.pictures);
        return pick.isEmpty() ? Optional.empty() : Optional.of(pick);
    }

    public boolean isEmpty() {
        return strokes.isEmpty() && fills.isEmpty() && pictures.isEmpty();
    }

    /** Together with another of the same drawing; the other alone where it is of another. */
    public Pick and(Pick other) {
        if (!level.equals(other.level) || drawing != other.drawing) {
            return other;
        }
        return new Pick(
                level,
                drawing,
                placement,
                both(strokes, other.strokes),
                both(fills, other.fills),
                both(pictures, other.pictures));
    }

    /** Whether the shot's drawing still has what is picked. */
    public boolean isIn(Shot shot) {
        return drawingIn(shot)
                .filter(d -> strokes.stream().allMatch(i -> i < d.strokes().size())
                        && fills.stream().allMatch(i -> i < d.fills().size())
                        && pictures.stream().allMatch(i -> i < d.pictures().size()))
                .isPresent();
    }

    /** The picked strokes and areas as they look on the picture. */
    public DrawingPiece lifted(Shot shot) {
        AffineTransform toShot = toShot(shot);
        Drawing from = drawingIn(shot).orElseThrow();
        return new DrawingPiece(
                some(from, true).stream().map(item -> item.transformed(toShot)).toList());
    }

    /** What is picked apart from the rest of its drawing, for showing it while it is dragged. */
    public LiftedPiece apart(Shot shot) {
        Drawing from = drawingIn(shot).orElseThrow();
        return new LiftedPiece(
                level, from.withItems(some(from, false)), from.withItems(some(from, true)), new AffineTransform());
    }

    /** The picked items of a drawing, or the others, in their order. */
    private List<DrawingItem> some(Drawing from, boolean those) {
        List<DrawingItem> out = new ArrayList<>();
        int line = 0;
        int paint = 0;
        int picture = 0;
        for (DrawingItem item : from.items()) {
            boolean chosen = item instanceof DrawingItem.Line
                    ? strokes.contains(line++)
                    : item instanceof DrawingItem.Paint ? fills.contains(paint++) : pictures.contains(picture++);
            if (chosen == those) {
                out.add(item);
            }
        }
        return out;
    }

    /** The box around what is picked, on the picture. */
    public Rectangle2D bounds(Shot shot) {
        return lifted(shot).bounds();
    }

    Optional<Drawing> drawingIn(Shot shot) {
        return shot.level(level).flatMap(l -> l.drawing(drawing));
    }

    AffineTransform toShot(Shot shot) {
        return placement.transform(
                shot.setup().size().width() / 2.0, shot.setup().size().height() / 2.0);
    }

    private static Set<Integer> places(int count) {
        return IntStream.range(0, count).boxed().collect(Collectors.toSet());
    }

    private static boolean holdsMiddle(Shape shape, Shape of) {
        Rectangle2D box = of.getBounds2D();
        return shape.contains(box.getCenterX(), box.getCenterY());
    }

    /** The place of the last, which lies in front, that fits; none where none does. */
    private static <T> Set<Integer> front(List<T> all, Predicate<T> fits) {
        return IntStream.range(0, all.size())
                .filter(i -> fits.test(all.get(i)))
                .boxed()
                .reduce((behind, front) -> front)
                .map(Set::of)
                .orElse(Set.of());
    }

    private static Set<Integer> both(Set<Integer> some, Set<Integer> others) {
        Set<Integer> all = new TreeSet<>(some);
        all.addAll(others);
        return all;
    }
}
