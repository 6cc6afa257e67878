package chalktrace.core.edit.drawing;

import chalktrace.core.edit.Edit;
import chalktrace.core.fill.Fill;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.DrawingItem;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.time.FrameRange;
import chalktrace.core.words.EditWords;
import java.awt.geom.AffineTransform;
import java.awt.geom.NoninvertibleTransformException;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.stream.Stream;

/**
 * Where the next stroke lands: said before the pen comes down, and used when it does.
 *
 * @param drawing the drawing that takes the stroke
 * @param frames of the showing that the artist looks at
 * @param tiedAt first frames of the drawing's other showings, which change as well
 */
public record StrokeLanding(Kind kind, String level, int drawing, FrameRange frames, List<Integer> tiedAt) {

    /** A blank of up to this many frames was made as the place of one drawing; a longer one is a stop. */
    private static final int LONGEST_KEPT_PLACE = 4;

    /** What happens to a stroke. */
    public enum Kind {
        /** A new drawing is made for it. */
        NEW_DRAWING,
        /** It goes onto the drawing that shows. */
        ONTO_DRAWING,
        /** The level or its group is locked. */
        LOCKED,
        /** The level or its group is hidden. */
        HIDDEN,
        /** There is no such level. */
        NO_LEVEL
    }

    /** A new drawing shows for as long as the level's do; shorter where the shot ends or the next frame is taken. */
    public static StrokeLanding of(Shot shot, String levelId, int frame) {
        Optional<Level> found = shot.level(levelId);
        if (found.isEmpty()) {
            return nowhere(Kind.NO_LEVEL, levelId, frame);
        }
        Level level = found.get();
        if (shot.isLocked(level)) {
            return nowhere(Kind.LOCKED, levelId, frame);
        }
        if (!shot.isShown(level)) {
            return nowhere(Kind.HIDDEN, levelId, frame);
        }
        Optional<Exposure> run = level.exposures().at(frame);
        if (run.isPresent() && !run.get().isBlank()) {
            List<Integer> ties = level.exposures().showing(run.get().drawing()).stream()
                    .map(Exposure::start)
                    .filter(start -> start != run.get().start())
                    .toList();
            return new StrokeLanding(
                    Kind.ONTO_DRAWING, levelId, run.get().drawing(), run.get().range(), ties);
        }
        return newDrawing(shot, level, frame, hold(shot, level, frame));
    }

    /** As {@link #of}, for a new drawing even where one shows: the one that shows ends before it. A held level has one drawing and gets no other. */
    public static StrokeLanding afresh(Shot shot, String levelId, int frame) {
        return afresh(
                shot,
                levelId,
                frame,
                shot.level(levelId).map(level -> hold(shot, level, frame)).orElse(1));
    }

    private static StrokeLanding afresh(Shot shot, String levelId, int frame, int hold) {
        StrokeLanding landing = of(shot, levelId, frame);
        boolean held = shot.level(levelId).map(level -> level.style().held()).orElse(false);
        return landing.kind != Kind.ONTO_DRAWING || held
                ? landing
                : newDrawing(shot, shot.level(levelId).orElseThrow(), frame, hold);
    }

    /** As {@link #afresh}, for all that is left of the hold that shows: the drawing that shows ends before it and does not come back after it. */
    public static StrokeLanding takingOver(Shot shot, String levelId, int frame) {
        return shot.level(levelId)
                .flatMap(level -> level.exposures().at(frame))
                .map(run -> afresh(shot, levelId, frame, run.end() - frame))
                .orElseGet(() -> afresh(shot, levelId, frame));
    }

    /**
     * As {@link #afresh}, on the place that the frame lies in, counted from the shot's first frame in the level's hold; from the frame itself where the
     * drawing that shows there would be left without a frame.
     *
     * @return empty where even so a drawing would show nowhere any more
     */
    public static Optional<StrokeLanding> onItsPlace(Shot shot, String levelId, int frame) {
        StrokeLanding here = afresh(shot, levelId, frame);
        if (here.kind != Kind.NEW_DRAWING) {
            return Optional.of(here);
        }
        Level level = shot.level(levelId).orElseThrow();
        FrameRange place = shot.drawnOn(levelId).placeAt(shot, frame);
        int start = Math.max(place.start(), beginning(level.exposures(), frame));
        return Stream.of(newDrawing(shot, level, start, place.end() - start), here)
                .filter(landing -> landing.leavesAllShown(level))
                .findFirst();
    }

    /** Where the run that a frame lies in begins, or the free frames. */
    private static int beginning(Exposures exposures, int frame) {
        return exposures.at(frame).map(Exposure::start).orElseGet(() -> exposures.runs().stream()
                .mapToInt(Exposure::end)
                .filter(end -> end <= frame)
                .max()
                .orElse(0));
    }

    private boolean leavesAllShown(Level level) {
        Exposures after = level.exposures().cleared(frames);
        return level.exposures().runs().stream()
                .filter(run -> !run.isBlank() && run.range().overlaps(frames))
                .noneMatch(run -> after.showing(run.drawing()).isEmpty());
    }

    public boolean canDraw() {
        return kind == Kind.NEW_DRAWING || kind == Kind.ONTO_DRAWING;
    }

    /** The edit that puts a stroke, given as it looks on the picture, onto its drawing. */
    public Edit draw(Stroke stroke) {
        return add(
                kind == Kind.NEW_DRAWING ? EditWords.TEXTS.of("draw-drawing", drawing) : EditWords.TEXTS.of("draw"),
                (to, inDrawing) -> to.plus(stroke.withCurve(stroke.curve().transformed(inDrawing))));
    }

    /** The edit that puts a painted area, given as it looks on the picture, onto its drawing. */
    public Edit paint(Fill fill) {
        return add(EditWords.TEXTS.of("paint"), (to, inDrawing) -> to.plus(fill.transformed(inDrawing)));
    }

    /** The edit that puts items, given as they look on the picture, in front of all that its drawing holds. */
    public Edit put(List<DrawingItem> items) {
        return add(
                EditWords.TEXTS.of("put-there"),
                (to, inDrawing) -> to.plus(
                        items.stream().map(item -> item.transformed(inDrawing)).toList()));
    }

    /** As {@link #put}, for a new drawing that starts as a copy of another. */
    public Edit copy(List<DrawingItem> items) {
        return add(
                EditWords.TEXTS.of("draw-drawing-as-a-copy", drawing),
                (to, inDrawing) -> to.plus(
                        items.stream().map(item -> item.transformed(inDrawing)).toList()));
    }

    private Edit add(String name, BiFunction<Drawing, AffineTransform, Drawing> add) {
        return new Edit(name, shot -> canDraw() ? shot.withLevel(level, l -> place(shot, l, add)) : shot);
    }

    /** The edit that makes the new drawing without a stroke yet; on a drawing that shows it does nothing. */
    public Edit make() {
        return new Edit(
                EditWords.TEXTS.of("new-drawing", drawing),
                shot -> kind == Kind.NEW_DRAWING
                        ? shot.withLevel(level, l -> exposeNew(l, Drawing.empty(drawing)))
                        : shot);
    }

    /** @param add adds to a drawing, given the way from the picture to the drawing's own places */
    private Level place(Shot shot, Level to, BiFunction<Drawing, AffineTransform, Drawing> add) {
        if (kind == Kind.NEW_DRAWING) {
            return exposeNew(to, add.apply(Drawing.empty(drawing), new AffineTransform()));
        }
        Placement placement =
                to.exposures().at(frames.start()).map(Exposure::placement).orElse(Placement.AS_IS);
        return to.with(add.apply(to.drawing(drawing).orElse(Drawing.empty(drawing)), toDrawing(shot, placement)));
    }

    private Level exposeNew(Level to, Drawing made) {
        return to.with(made).with(to.exposures().with(Exposure.of(frames.start(), frames.frames(), drawing)));
    }

    /** From the picture, where a showing may be moved, scaled and turned, to the drawing's own place. */
    public static AffineTransform toDrawing(Shot shot, Placement placement) {
        try {
            return placement
                    .transform(
                            shot.setup().size().width() / 2.0,
                            shot.setup().size().height() / 2.0)
                    .createInverse();
        } catch (NoninvertibleTransformException e) {
            throw new AssertionError("a placement's scale is never 0", e);
        }
    }

    private static int hold(Shot shot, Level level, int frame) {
        return shot.drawnOn(level.id()).framesFrom(shot, frame);
    }

    private static StrokeLanding newDrawing(Shot shot, Level level, int frame, int hold) {
        return new StrokeLanding(
                Kind.NEW_DRAWING,
                level.id(),
                level.nextNumber(),
                room(shot, level.exposures(), frame, hold),
                List.of());
    }

    private static FrameRange room(Shot shot, Exposures exposures, int frame, int hold) {
        int end = Math.min(frame + hold, shot.setup().length());
        Optional<Exposure> run = exposures.at(frame);
        if (run.isEmpty()) {
            end = Math.min(end, exposures.nextTaken(frame, end));
        } else if (run.get().isBlank()
                && run.get().start() == frame
                && run.get().frames() <= LONGEST_KEPT_PLACE) {
            end = run.get().end();
        } else {
            end = Math.min(end, run.get().end());
        }
        return new FrameRange(frame, Math.max(frame + 1, end));
    }

    private static StrokeLanding nowhere(Kind kind, String level, int frame) {
        return new StrokeLanding(kind, level, 0, FrameRange.of(frame, 1), List.of());
    }
}
