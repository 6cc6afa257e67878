package chalktrace.core.edit;

import chalktrace.core.fill.Fill;
import chalktrace.core.shot.Drawing;
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
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * What is taken hold of of the drawing that a level shows on a frame: some of its strokes and painted areas, by their places
 * in it. It stays good over edits that keep their count, such as a move and its undoing.
 *
 * @param drawing its number
 * @param placement of the showing through which it was picked
 */
public record Pick(String level, int drawing, Placement placement, Set<Integer> strokes, Set<Integer> fills) {

    public Pick {
        strokes = Set.copyOf(strokes);
        fills = Set.copyOf(fills);
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
                    .filter(i -> inDrawing.contains(
                            drawing.fills().get(i).area().path().getBounds2D().getCenterX(),
                            drawing.fills().get(i).area().path().getBounds2D().getCenterY()))
                    .boxed()
                    .collect(Collectors.toSet());
            return new Places(strokes, fills);
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
                        Set.of());
            }
            Point2D place = toDrawing.transform(new Point2D.Double(x, y), null);
            return new Places(
                    Set.of(),
                    IntStream.range(0, drawing.fills().size())
                            .filter(i -> drawing.fills().get(i).area().contains(place.getX(), place.getY()))
                            .boxed()
                            .reduce((behind, front) -> front)
                            .map(Set::of)
                            .orElse(Set.of()));
        });
    }

    /** All that a drawing holds. */
    public static Optional<Pick> all(Shot shot, String levelId, int frame) {
        return of(
                shot,
                levelId,
                frame,
                (drawing, toDrawing) -> new Places(
                        places(drawing.strokes().size()), places(drawing.fills().size())));
    }

    private record Places(Set<Integer> strokes, Set<Integer> fills) {}

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
        Pick pick = new Pick(levelId, drawing.get().number(), run.get().placement(), places.strokes, places.fills);
        return pick.isEmpty() ? Optional.empty() : Optional.of(pick);
    }

    public boolean isEmpty() {
        return strokes.isEmpty() && fills.isEmpty();
    }

    /** Together with another of the same drawing; the other alone where it is of another. */
    public Pick and(Pick other) {
        if (!level.equals(other.level) || drawing != other.drawing) {
            return other;
        }
        Set<Integer> allStrokes = new TreeSet<>(strokes);
        allStrokes.addAll(other.strokes);
        Set<Integer> allFills = new TreeSet<>(fills);
        allFills.addAll(other.fills);
        return new Pick(level, drawing, placement, allStrokes, allFills);
    }

    /** Whether the shot's drawing still has what is picked. */
    public boolean isIn(Shot shot) {
        return drawingIn(shot)
                .filter(d -> strokes.stream().allMatch(i -> i < d.strokes().size())
                        && fills.stream().allMatch(i -> i < d.fills().size()))
                .isPresent();
    }

    /** The picked strokes and areas as they look on the picture. */
    public DrawingPiece lifted(Shot shot) {
        AffineTransform toShot = toShot(shot);
        Drawing from = drawingIn(shot).orElseThrow();
        return new DrawingPiece(
                strokes.stream()
                        .sorted()
                        .map(i -> from.strokes().get(i))
                        .map(s -> new Stroke(s.chalk(), s.curve().transformed(toShot)))
                        .toList(),
                fills.stream()
                        .sorted()
                        .map(i -> from.fills().get(i))
                        .map(f -> new Fill(f.chalk(), f.area().transformed(toShot)))
                        .toList());
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
}
