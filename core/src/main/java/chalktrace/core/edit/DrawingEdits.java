package chalktrace.core.edit;

import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.stroke.StrokeHit;
import chalktrace.core.time.FrameRange;
import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/** Edits of what is drawn and for how long it shows. */
public final class DrawingEdits {

    private DrawingEdits() {}

    /** The strokes of the shown drawing that a round duster touches, front ones last; none on a locked level. */
    public static List<Stroke> touched(Shot shot, String levelId, int frame, double x, double y, double radius) {
        Optional<Level> level = shot.level(levelId);
        if (level.isEmpty() || !StrokeLanding.of(shot, levelId, frame, 1).canDraw()) {
            return List.of();
        }
        Optional<Exposure> run = level.get().exposures().at(frame);
        Optional<Drawing> drawing = level.get().drawingAt(frame);
        if (run.isEmpty() || drawing.isEmpty()) {
            return List.of();
        }
        AffineTransform toDrawing = StrokeLanding.toDrawing(shot, run.get().placement());
        Point2D place = toDrawing.transform(new Point2D.Double(x, y), null);
        double reach = radius / run.get().placement().scale();
        return drawing.get().strokes().stream()
                .filter(stroke ->
                        StrokeHit.distance(stroke, shot.chalk(stroke.chalk()).line(), place.getX(), place.getY())
                                <= reach)
                .toList();
    }

    /** Takes strokes off the drawing that shows on a frame. */
    public static Edit erase(String levelId, int frame, List<Stroke> strokes) {
        return new Edit(
                strokes.size() == 1 ? "dust a stroke off" : "dust " + strokes.size() + " strokes off",
                shot -> shot.withLevel(levelId, level -> level.drawingAt(frame)
                        .map(drawing -> level.with(drawing.without(strokes)))
                        .orElse(level)));
    }

    /** Holds the showing at a frame longer (or shorter, with a negative count); what follows moves along. */
    public static Edit hold(String levelId, int frame, int byFrames) {
        return timing(
                byFrames > 0 ? "hold longer" : "hold shorter", levelId, exposures -> exposures.held(frame, byFrames));
    }

    /** Ends the showing that starts at {@code start} before {@code newEnd}, over what follows. */
    public static Edit trim(String levelId, int start, int newEnd) {
        return timing("trim a drawing's hold", levelId, exposures -> exposures.trimmed(start, newEnd));
    }

    /** Moves a showing to another first frame, over what is there. */
    public static Edit moveShowing(String levelId, int start, int newStart) {
        return timing("move a drawing", levelId, exposures -> exposures
                .at(start)
                .filter(run -> run.start() == start)
                .map(run -> exposures
                        .cleared(run.range())
                        .with(new Exposure(Math.max(0, newStart), run.frames(), run.drawing(), run.placement())))
                .orElse(exposures));
    }

    /** Takes the showing at a frame away; the drawing stays in its level. */
    public static Edit clearShowing(String levelId, int frame) {
        return timing("take a drawing off its frames", levelId, exposures -> exposures
                .at(frame)
                .map(run -> exposures.cleared(run.range()))
                .orElse(exposures));
    }

    /** Shows nothing, on purpose, on a range of frames. */
    public static Edit blank(String levelId, FrameRange frames) {
        return timing(
                "blank",
                levelId,
                exposures -> exposures.with(Exposure.of(frames.start(), frames.frames(), Exposure.BLANK)));
    }

    /** A change of what a level shows when; a locked level keeps its timing. */
    private static Edit timing(String name, String levelId, UnaryOperator<Exposures> change) {
        return new Edit(
                name,
                shot -> shot.withLevel(
                        levelId, level -> shot.isLocked(level) ? level : level.with(change.apply(level.exposures()))));
    }
}
