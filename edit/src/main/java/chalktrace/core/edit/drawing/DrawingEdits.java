package chalktrace.core.edit.drawing;

import chalktrace.core.edit.Edit;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.FrameChange;
import chalktrace.core.shot.FrameReach;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.Showings;
import chalktrace.core.shot.StretchedFrames;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.stroke.StrokeCrossings;
import chalktrace.core.stroke.StrokeCut;
import chalktrace.core.stroke.StrokeHit;
import chalktrace.core.time.FrameRange;
import chalktrace.core.words.EditWords;
import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.IntUnaryOperator;
import java.util.function.UnaryOperator;

/** Edits of what is drawn and for how long it shows. */
public final class DrawingEdits {

    private DrawingEdits() {}

    /** The strokes of the shown drawing that a round duster touches, front ones last; none on a locked level. */
    public static List<Stroke> touched(Shot shot, String levelId, int frame, double x, double y, double radius) {
        Optional<Shown> shown = shown(shot, levelId, frame);
        if (shown.isEmpty()) {
            return List.of();
        }
        Point2D place = shown.get().toDrawing().transform(new Point2D.Double(x, y), null);
        double reach = radius / shown.get().placement().scale();
        return shown.get().drawing().strokes().stream()
                .filter(stroke ->
                        StrokeHit.distance(stroke, shot.chalk(stroke.chalk()).line(), place.getX(), place.getY())
                                <= reach)
                .toList();
    }

    /** Takes off the strokes that a round duster touches; where it touches none, the painted area in front there. */
    public static Optional<Edit> dustStrokes(Shot shot, String levelId, int frame, double x, double y, double radius) {
        List<Stroke> touched = touched(shot, levelId, frame, x, y, radius);
        if (!touched.isEmpty()) {
            return Optional.of(erase(levelId, frame, touched));
        }
        return shown(shot, levelId, frame)
                .flatMap(shown -> shown.drawing().fills().stream()
                        .filter(fill -> {
                            Point2D place = shown.toDrawing().transform(new Point2D.Double(x, y), null);
                            return fill.area().contains(place.getX(), place.getY());
                        })
                        .reduce((behind, front) -> front))
                .map(fill -> change(
                        EditWords.TEXTS.of("take-paint-off"),
                        levelId,
                        frame,
                        drawing -> drawing.withFills(drawing.fills().stream()
                                .filter(other -> other != fill)
                                .toList())));
    }

    /** Takes off what a round duster goes over from one place to another, exactly to its edge. */
    public static Optional<Edit> dustSweep(
            Shot shot, String levelId, int frame, double ax, double ay, double bx, double by, double radius) {
        return shown(shot, levelId, frame).flatMap(shown -> {
            double[] way = {ax, ay, bx, by};
            shown.toDrawing().transform(way, 0, way, 0, 2);
            double reach = radius / shown.placement().scale();
            Map<Stroke, List<Stroke>> cut = new IdentityHashMap<>();
            for (Stroke stroke : shown.drawing().strokes()) {
                List<Stroke> left = StrokeCut.sweep(stroke, way[0], way[1], way[2], way[3], reach);
                if (left.size() != 1 || left.get(0) != stroke) {
                    cut.put(stroke, left);
                }
            }
            return cut.isEmpty()
                    ? Optional.empty()
                    : Optional.of(change(
                            EditWords.TEXTS.of("dust-off"),
                            levelId,
                            frame,
                            drawing -> drawing.replacing(List.copyOf(cut.keySet()), cut::get)));
        });
    }

    /** Takes off the piece of the touched stroke in front, up to where it next crosses another on either side. */
    public static Optional<Edit> dustToCrossing(
            Shot shot, String levelId, int frame, double x, double y, double radius) {
        List<Stroke> touched = touched(shot, levelId, frame, x, y, radius);
        if (touched.isEmpty()) {
            return Optional.empty();
        }
        Stroke front = touched.get(touched.size() - 1);
        return shown(shot, levelId, frame).map(shown -> {
            Point2D place = shown.toDrawing().transform(new Point2D.Double(x, y), null);
            List<Stroke> left = StrokeCrossings.withoutPieceAt(
                    front, place.getX(), place.getY(), shown.drawing().strokes());
            return change(
                    EditWords.TEXTS.of("dust-off-to-the-next-crossing"),
                    levelId,
                    frame,
                    drawing -> drawing.replacing(List.of(front), stroke -> left));
        });
    }

    private record Shown(Drawing drawing, Placement placement, AffineTransform toDrawing) {}

    /** The drawing that shows on a level that can be drawn on. */
    private static Optional<Shown> shown(Shot shot, String levelId, int frame) {
        if (!StrokeLanding.of(shot, levelId, frame).canDraw()) {
            return Optional.empty();
        }
        Level level = shot.level(levelId).orElseThrow();
        Optional<Exposure> run = level.exposures().at(frame);
        return level.drawingAt(frame)
                .map(drawing -> new Shown(
                        drawing,
                        run.orElseThrow().placement(),
                        StrokeLanding.toDrawing(shot, run.orElseThrow().placement())));
    }

    private static Edit change(String name, String levelId, int frame, UnaryOperator<Drawing> change) {
        return new Edit(
                name,
                shot -> shot.withLevel(levelId, level -> level.drawingAt(frame)
                        .map(drawing -> level.with(change.apply(drawing)))
                        .orElse(level)));
    }

    /** Takes strokes off the drawing that shows on a frame. */
    public static Edit erase(String levelId, int frame, List<Stroke> strokes) {
        return change(
                EditWords.TEXTS.count("dust-strokes-off", strokes.size()),
                levelId,
                frame,
                drawing -> drawing.without(strokes));
    }

    /** Holds the showing at a frame longer (or shorter, with a negative count); what follows moves along. */
    public static Edit hold(String levelId, int frame, int byFrames) {
        return new Edit(byFrames > 0 ? EditWords.TEXTS.of("hold-longer") : EditWords.TEXTS.of("hold-shorter"), shot -> {
            Shot out = shot;
            for (String id : shot.retimedWith(levelId)) {
                Level level = shot.level(id).orElse(null);
                Optional<Exposure> run =
                        level == null || shot.isLocked(level) || level.style().held()
                                ? Optional.empty()
                                : level.exposures().at(frame);
                out = run.isEmpty() ? out : out.moved(held(id, run.get(), byFrames));
            }
            return out;
        });
    }

    /** A showing keeps at least one frame. */
    private static FrameChange held(String level, Exposure run, int byFrames) {
        TreeMap<Integer, Integer> to = new TreeMap<>(Map.of(0, 0));
        to.put(run.start(), run.start());
        to.put(run.end(), Math.max(run.start() + 1, run.end() + byFrames));
        return new StretchedFrames(to, FrameReach.of(List.of(level)));
    }

    /** Ends the showing that starts at {@code start} before {@code newEnd}, over what follows. */
    public static Edit trim(String levelId, int start, int newEnd) {
        return new Edit(EditWords.TEXTS.of("trim-a-drawings-hold"), shot -> {
            int end = shot.level(levelId)
                    .flatMap(level -> level.exposures().at(start))
                    .map(Exposure::end)
                    .orElse(start);
            // In a group that is retimed together, what ends with it ends with it still.
            return timingOfGroup("", levelId, exposures -> exposures
                            .at(Math.max(0, end - 1))
                            .filter(run -> run.end() == end && run.start() < newEnd)
                            .map(run -> exposures.trimmed(run.start(), newEnd))
                            .orElse(exposures))
                    .change()
                    .apply(shot);
        });
    }

    /** Moves a showing to another first frame, over what is there. */
    public static Edit moveShowing(String levelId, int start, int newStart) {
        return timing(
                EditWords.TEXTS.of("move-a-drawing"),
                levelId,
                exposures -> exposures
                        .at(start)
                        .filter(run -> run.start() == start)
                        .map(run -> exposures
                                .cleared(run.range())
                                .with(new Exposure(
                                        Math.max(0, newStart), run.frames(), run.drawing(), run.placement())))
                        .orElse(exposures),
                frame -> frame == start ? newStart : frame);
    }

    /** Takes the showing at a frame away; the drawing stays in its level. */
    public static Edit clearShowing(String levelId, int frame) {
        return timing(EditWords.TEXTS.of("take-a-drawing-off-its-frames"), levelId, exposures -> exposures
                .at(frame)
                .map(run -> exposures.cleared(run.range()))
                .orElse(exposures));
    }

    /** Shows nothing, on purpose, on a range of frames. */
    public static Edit blank(String levelId, FrameRange frames) {
        return timing(
                EditWords.TEXTS.of("blank"),
                levelId,
                exposures -> exposures.with(Exposure.of(frames.start(), frames.frames(), Exposure.BLANK)));
    }

    /** A change of what a level shows when; what belongs to a showing stays with it, and a locked level keeps its timing. */
    private static Edit timing(String name, String levelId, UnaryOperator<Exposures> change, IntUnaryOperator frame) {
        return new Edit(
                name,
                shot -> Showings.followed(
                        shot,
                        shot.withLevel(
                                levelId,
                                level -> shot.isLocked(level) ? level : level.with(change.apply(level.exposures()))),
                        frame));
    }

    private static Edit timing(String name, String levelId, UnaryOperator<Exposures> change) {
        return timing(name, levelId, change, IntUnaryOperator.identity());
    }

    /** On a level and on those that are retimed with it. */
    private static Edit timingOfGroup(String name, String levelId, UnaryOperator<Exposures> change) {
        return new Edit(name, shot -> {
            Shot out = shot;
            for (String id : shot.retimedWith(levelId)) {
                out = timing(name, id, change).change().apply(out);
            }
            return out;
        });
    }
}
