package chalktrace.core.edit.selection;

import chalktrace.core.edit.Edit;
import chalktrace.core.edit.drawing.StrokeLanding;
import chalktrace.core.fill.Contours;
import chalktrace.core.fill.Fill;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.PastedPicture;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.stroke.StrokeSelection;
import chalktrace.core.stroke.Warp;
import chalktrace.core.time.FrameRange;
import chalktrace.core.words.EditWords;
import java.awt.geom.AffineTransform;
import java.awt.geom.NoninvertibleTransformException;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** Edits of what is picked of a drawing. A locked or hidden level is left as it is. */
public final class PickEdits {

    /** Strokes whose boxes come this close, in pixels, are one part. */
    private static final double ONE_PART_PX = 3;

    private PickEdits() {}

    /** Moves, scales, turns or mirrors, given as a change of places on the picture. */
    public static Edit transform(String name, Pick pick, AffineTransform onPicture) {
        return change(name, pick, (shot, drawing) -> {
            AffineTransform inDrawing = inDrawing(shot, pick, onPicture);
            return mapped(
                    drawing,
                    pick,
                    stroke -> stroke.withCurve(stroke.curve().transformed(inDrawing)),
                    fill -> fill.transformed(inDrawing),
                    picture -> picture.transformed(inDrawing));
        });
    }

    /**
     * Transforms each part that hangs together about its own middle, so that two eyes grow each in its place.
     *
     * @param aboutOrigin the change about the origin, such as a scale
     */
    public static Edit transformEach(String name, Pick pick, AffineTransform aboutOrigin) {
        return change(name, pick, (shot, drawing) -> {
            List<Stroke> out = new ArrayList<>(drawing.strokes());
            for (Set<Integer> part : parts(drawing, pick.strokes())) {
                Rectangle2D box = bounds(drawing, part);
                AffineTransform about = AffineTransform.getTranslateInstance(box.getCenterX(), box.getCenterY());
                about.concatenate(aboutOrigin);
                about.translate(-box.getCenterX(), -box.getCenterY());
                part.forEach(
                        i -> out.set(i, out.get(i).withCurve(out.get(i).curve().transformed(about))));
            }
            return drawing.withStrokes(out);
        });
    }

    /** Bends by a change of places on the picture. */
    public static Edit bend(Pick pick, Warp onPicture) {
        return change(EditWords.TEXTS.of("bend"), pick, (shot, drawing) -> {
            AffineTransform toShot = pick.toShot(shot);
            AffineTransform toDrawing = StrokeLanding.toDrawing(shot, pick.placement());
            return mapped(
                    drawing,
                    pick,
                    stroke -> stroke.withCurve(
                            onPicture.bend(stroke.curve().transformed(toShot)).transformed(toDrawing)),
                    fill -> fill.withArea(
                            bent(fill.area().transformed(toShot), onPicture).transformed(toDrawing)),
                    // Pixels are placed, not bent.
                    picture -> picture);
        });
    }

    public static Edit remove(Pick pick) {
        return change(EditWords.TEXTS.of("delete-selection"), pick, (shot, drawing) -> drawing.withStrokes(
                        kept(drawing.strokes(), pick.strokes()))
                .withFills(kept(drawing.fills(), pick.fills()))
                .withPictures(kept(drawing.pictures(), pick.pictures())));
    }

    /** Gives picked strokes to a named part of the figure; an empty name takes them out of any. */
    public static Edit name(Pick pick, String part) {
        return change(
                EditWords.TEXTS.of("name-a-part"),
                pick,
                (shot, drawing) ->
                        mapped(drawing, pick, stroke -> stroke.withPart(part), fill -> fill, picture -> picture));
    }

    /** Puts another curve in the place of a picked stroke's, given as it looks on the picture. */
    public static Edit reshape(Pick pick, int stroke, Curve onPicture) {
        return change(EditWords.TEXTS.of("move-a-point"), pick, (shot, drawing) -> {
            Curve inDrawing = onPicture.transformed(StrokeLanding.toDrawing(shot, pick.placement()));
            return drawing.withStrokes(mapped(drawing.strokes(), Set.of(stroke), s -> s.withCurve(inDrawing)));
        });
    }

    /** Draws what is picked with another chalk. */
    public static Edit rechalk(Pick pick, String chalk) {
        return change(
                EditWords.TEXTS.of("change-the-chalk-of-the-selection"),
                pick,
                (shot, drawing) -> mapped(
                        drawing,
                        pick,
                        stroke -> stroke.withChalk(chalk),
                        fill -> fill.withChalk(chalk),
                        picture -> picture));
    }

    /** Brings strokes in front of all others of their drawing, or behind them. */
    public static Edit reorder(Pick pick, boolean toFront) {
        return change(
                toFront ? EditWords.TEXTS.of("bring-to-the-front") : EditWords.TEXTS.of("put-behind"),
                pick,
                (shot, drawing) -> {
                    List<Stroke> chosen = pick.strokes().stream()
                            .sorted()
                            .map(i -> drawing.strokes().get(i))
                            .toList();
                    List<Stroke> out = new ArrayList<>(kept(drawing.strokes(), pick.strokes()));
                    out.addAll(toFront ? out.size() : 0, chosen);
                    return drawing.withStrokes(out);
                });
    }

    /** Where strokes are after {@link #reorder}. */
    public static Pick reordered(Pick pick, Shot before, boolean toFront) {
        int count = pick.drawingIn(before).map(d -> d.strokes().size()).orElse(0);
        int first = toFront ? count - pick.strokes().size() : 0;
        return new Pick(
                pick.level(),
                pick.drawing(),
                pick.placement(),
                IntStream.range(first, first + pick.strokes().size()).boxed().collect(Collectors.toSet()),
                pick.fills(),
                pick.pictures());
    }

    /** Puts a piece onto the drawing where strokes land now, in its place on the picture. */
    public static Edit paste(StrokeLanding landing, DrawingPiece piece) {
        return new Edit(
                EditWords.TEXTS.of("paste"),
                shot -> onto(shot, landing).put(piece.items()).change().apply(shot));
    }

    /** What a paste has put there, in the shot after it. */
    public static Pick pasted(Shot after, StrokeLanding landing, DrawingPiece piece) {
        Level level = after.level(landing.level()).orElseThrow();
        Drawing drawing = level.drawing(landing.drawing()).orElseThrow();
        Placement placement = level.exposures()
                .at(landing.frames().start())
                .map(Exposure::placement)
                .orElse(Placement.AS_IS);
        return new Pick(
                landing.level(),
                landing.drawing(),
                placement,
                last(drawing.strokes().size(), piece.strokes().size()),
                last(drawing.fills().size(), piece.fills().size()),
                last(drawing.pictures().size(), piece.pictures().size()));
    }

    /**
     * Puts a piece on every frame of a span of a level as one new drawing, tied, over what shows there: each showing can be
     * placed by itself and one correction mends them all.
     */
    public static Edit pasteOnSpan(String levelId, FrameRange frames, DrawingPiece piece) {
        return new Edit(
                EditWords.TEXTS.count("paste-on-frames", frames.frames()),
                shot -> shot.withLevel(levelId, level -> {
                    if (shot.isLocked(level)) {
                        return level;
                    }
                    Drawing made = Drawing.of(level.nextNumber(), piece.items());
                    Exposures exposures = level.exposures();
                    for (int frame = frames.start(); frame < frames.end(); frame++) {
                        exposures = exposures.with(Exposure.of(frame, 1, made.number()));
                    }
                    return level.with(made).with(exposures);
                }));
    }

    private static StrokeLanding onto(Shot shot, StrokeLanding landing) {
        StrokeLanding now =
                StrokeLanding.of(shot, landing.level(), landing.frames().start());
        // The first piece makes the drawing, the others go onto it.
        return now.kind() == StrokeLanding.Kind.ONTO_DRAWING ? now : landing;
    }

    @FunctionalInterface
    private interface DrawingChange {
        Drawing apply(Shot shot, Drawing drawing);
    }

    private static Edit change(String name, Pick pick, DrawingChange change) {
        return new Edit(
                name,
                shot -> shot.withLevel(
                        pick.level(),
                        level -> shot.isLocked(level) || !shot.isShown(level) || !pick.isIn(shot)
                                ? level
                                : level.with(change.apply(
                                        shot, level.drawing(pick.drawing()).orElseThrow()))));
    }

    private static Drawing mapped(
            Drawing drawing,
            Pick pick,
            UnaryOperator<Stroke> strokes,
            UnaryOperator<Fill> fills,
            UnaryOperator<PastedPicture> pictures) {
        return drawing.withStrokes(mapped(drawing.strokes(), pick.strokes(), strokes))
                .withFills(mapped(drawing.fills(), pick.fills(), fills))
                .withPictures(mapped(drawing.pictures(), pick.pictures(), pictures));
    }

    private static <T> List<T> mapped(List<T> all, Set<Integer> chosen, UnaryOperator<T> change) {
        return IntStream.range(0, all.size())
                .mapToObj(i -> chosen.contains(i) ? change.apply(all.get(i)) : all.get(i))
                .toList();
    }

    private static <T> List<T> kept(List<T> all, Set<Integer> gone) {
        return IntStream.range(0, all.size())
                .filter(i -> !gone.contains(i))
                .mapToObj(all::get)
                .toList();
    }

    private static Set<Integer> last(int count, int some) {
        return IntStream.range(count - some, count).boxed().collect(Collectors.toSet());
    }

    private static Contours bent(Contours area, Warp warp) {
        List<double[]> rings = new ArrayList<>();
        for (int r = 0; r < area.rings(); r++) {
            double[] ring = area.ring(r);
            for (int i = 0; i < ring.length; i += 2) {
                Point2D place = warp.at(ring[i], ring[i + 1]);
                ring[i] = place.getX();
                ring[i + 1] = place.getY();
            }
            rings.add(ring);
        }
        return Contours.of(rings);
    }

    /** The change of places on the picture as one of the drawing's own places. */
    private static AffineTransform inDrawing(Shot shot, Pick pick, AffineTransform onPicture) {
        try {
            AffineTransform out = pick.toShot(shot).createInverse();
            out.concatenate(onPicture);
            out.concatenate(pick.toShot(shot));
            return out;
        } catch (NoninvertibleTransformException e) {
            throw new AssertionError("a placement's scale is never 0", e);
        }
    }

    /** Strokes that come close to each other, directly or by way of others, are one part. */
    private static List<Set<Integer>> parts(Drawing drawing, Set<Integer> strokes) {
        List<Set<Integer>> parts = new ArrayList<>();
        for (int i : new TreeSet<>(strokes)) {
            Set<Integer> mine = new TreeSet<>(Set.of(i));
            Rectangle2D box = grown(StrokeSelection.bounds(drawing.strokes().get(i)));
            for (Set<Integer> part : List.copyOf(parts)) {
                boolean close = part.stream().anyMatch(j -> grown(
                                StrokeSelection.bounds(drawing.strokes().get(j)))
                        .intersects(box));
                if (close) {
                    mine.addAll(part);
                    parts.remove(part);
                }
            }
            parts.add(mine);
        }
        return parts;
    }

    private static Rectangle2D bounds(Drawing drawing, Set<Integer> part) {
        return part.stream()
                .map(i -> StrokeSelection.bounds(drawing.strokes().get(i)))
                .reduce(Rectangle2D::createUnion)
                .orElseThrow();
    }

    private static Rectangle2D grown(Rectangle2D box) {
        return new Rectangle2D.Double(
                box.getX() - ONE_PART_PX / 2,
                box.getY() - ONE_PART_PX / 2,
                box.getWidth() + ONE_PART_PX,
                box.getHeight() + ONE_PART_PX);
    }
}
