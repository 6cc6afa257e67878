package chalktrace.core.edit;

import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Shot;
import chalktrace.core.time.FrameRange;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;

/** Edits of the same part, or the same showing, on many frames at once. */
public final class SpanEdits {

    private SpanEdits() {}

    /**
     * Changes the same part on each drawing that a level shows within a span: the strokes of the picked ones' part, or, where
     * they belong to none, what lies mostly in the box around what is picked. Each drawing is changed once, as on the first
     * frame of the span on which it shows, about the middle of what is changed. The drawings themselves change, so ties
     * outside the span show it too.
     */
    public static Edit movePart(Pick pick, FrameRange frames, SpanMove move) {
        return new Edit("move a part on " + frames.frames() + " frames", shot -> {
            Set<Integer> done = new HashSet<>();
            Shot out = shot;
            for (int frame = frames.start(); frame < frames.end(); frame++) {
                Optional<Pick> there = samePart(shot, pick, frame);
                if (there.isPresent() && done.add(there.get().drawing())) {
                    Rectangle2D box = there.get().bounds(shot);
                    out = PickEdits.transform(
                                    "move a part",
                                    there.get(),
                                    move.transformAt(frame, box.getCenterX(), box.getCenterY()))
                            .change()
                            .apply(out);
                }
            }
            return out;
        });
    }

    /** How many drawings {@link #movePart} would change. */
    public static long drawingsWithPart(Shot shot, Pick pick, FrameRange frames) {
        return IntStream.range(frames.start(), frames.end())
                .mapToObj(frame -> samePart(shot, pick, frame))
                .flatMap(Optional::stream)
                .map(Pick::drawing)
                .distinct()
                .count();
    }

    /**
     * Places the showings of a level within a span anew, on top of how they are placed: moved, scaled and turned about a
     * point of the picture, and faded, frame by frame. A drawing held over many frames is shown by one run for each frame on
     * which it differs; drawings are not changed, and ties stay.
     */
    public static Edit placeShowings(String levelId, FrameRange frames, SpanMove move, double aboutX, double aboutY) {
        return new Edit(
                "place on " + frames.frames() + " frames",
                shot -> shot.withLevel(levelId, level -> {
                    if (shot.isLocked(level) || level.style().held()) {
                        return level;
                    }
                    Exposures out = level.exposures();
                    for (int frame = frames.start(); frame < frames.end(); frame++) {
                        Optional<Exposure> run = level.exposures().at(frame);
                        if (run.isPresent() && !run.get().isBlank()) {
                            Placement placed = placed(shot, run.get().placement(), move, frame, aboutX, aboutY);
                            out = out.with(new Exposure(frame, 1, run.get().drawing(), placed));
                        }
                    }
                    return level.with(out.joined());
                }));
    }

    /** Moves all that a group's levels show, on all frames. */
    public static Edit moveGroup(String groupId, double right, double down) {
        return new Edit("move a group", shot -> {
            Shot out = shot;
            for (Level level : shot.levels()) {
                boolean inGroup = shot.groupOf(level.id())
                        .filter(group -> group.id().equals(groupId))
                        .isPresent();
                if (inGroup && !shot.isLocked(level)) {
                    out = out.withLevel(
                            level.id(),
                            l -> l.with(new Exposures(l.exposures().runs().stream()
                                    .map(run -> new Exposure(
                                            run.start(),
                                            run.frames(),
                                            run.drawing(),
                                            run.placement()
                                                    .withPosition(
                                                            run.placement().x() + right,
                                                            run.placement().y() + down)))
                                    .toList())));
                }
            }
            return out;
        });
    }

    private static Placement placed(
            Shot shot, Placement before, SpanMove move, int frame, double aboutX, double aboutY) {
        SpanMove.Key key = move.at(frame);
        double middleX = shot.setup().size().width() / 2.0;
        double middleY = shot.setup().size().height() / 2.0;
        // A placement turns about the picture's middle: where that middle comes to is the placement's own move.
        Point2D middle = move.transformAt(frame, aboutX, aboutY)
                .transform(new Point2D.Double(middleX + before.x(), middleY + before.y()), null);
        return new Placement(
                middle.getX() - middleX,
                middle.getY() - middleY,
                Math.max(1 / Placement.LARGEST_SCALE, Math.min(Placement.LARGEST_SCALE, before.scale() * key.scale())),
                before.degrees() + key.degrees(),
                before.opacity() * key.opacity());
    }

    private static Optional<Pick> samePart(Shot shot, Pick pick, int frame) {
        Set<String> names = pick.partNames(shot);
        if (names.size() == 1) {
            return Pick.part(shot, pick.level(), frame, names.iterator().next());
        }
        boolean same = shot.level(pick.level())
                .flatMap(level -> level.exposures().at(frame))
                .filter(run -> run.drawing() == pick.drawing())
                .isPresent();
        return same
                ? Optional.of(pick)
                : Pick.within(shot, pick.level(), frame, pick.bounds(shot), Pick.Rule.MOSTLY_WITHIN);
    }
}
