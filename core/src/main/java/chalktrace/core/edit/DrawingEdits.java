package chalktrace.core.edit;

import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.stroke.StrokeHit;
import chalktrace.core.time.FrameRange;
import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import java.util.List;
import java.util.Optional;

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
                        StrokeHit.distance(stroke, shot.chalk(stroke.chalk()).width(), place.getX(), place.getY())
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
        return new Edit(
                byFrames > 0 ? "hold longer" : "hold shorter",
                shot -> shot.withLevel(
                        levelId,
                        level -> shot.isLocked(level)
                                ? level
                                : level.with(level.exposures().held(frame, byFrames))));
    }

    /** Ends the showing that starts at {@code start} before {@code newEnd}, over what follows. */
    public static Edit trim(String levelId, int start, int newEnd) {
        return new Edit(
                "trim a drawing's hold",
                shot -> shot.withLevel(
                        levelId,
                        level -> shot.isLocked(level)
                                ? level
                                : level.with(level.exposures().trimmed(start, newEnd))));
    }

    /** Moves a showing to another first frame, over what is there. */
    public static Edit moveShowing(String levelId, int start, int newStart) {
        return new Edit(
                "move a drawing",
                shot -> shot.withLevel(levelId, level -> {
                    Optional<Exposure> run = level.exposures().at(start).filter(r -> r.start() == start);
                    if (run.isEmpty() || shot.isLocked(level)) {
                        return level;
                    }
                    Exposure moved = new Exposure(
                            Math.max(0, newStart),
                            run.get().frames(),
                            run.get().drawing(),
                            run.get().placement());
                    return level.with(
                            level.exposures().cleared(run.get().range()).with(moved));
                }));
    }

    /** Takes the showing at a frame away; the drawing stays in its level. */
    public static Edit clearShowing(String levelId, int frame) {
        return new Edit(
                "take a drawing off its frames",
                shot -> shot.withLevel(
                        levelId,
                        level -> shot.isLocked(level)
                                ? level
                                : level.exposures()
                                        .at(frame)
                                        .map(run -> level.with(level.exposures().cleared(run.range())))
                                        .orElse(level)));
    }

    /** Shows nothing, on purpose, on a range of frames. */
    public static Edit blank(String levelId, FrameRange frames) {
        return new Edit(
                "blank",
                shot -> shot.withLevel(
                        levelId,
                        level -> shot.isLocked(level)
                                ? level
                                : level.with(level.exposures()
                                        .with(Exposure.of(frames.start(), frames.frames(), Exposure.BLANK)))));
    }
}
