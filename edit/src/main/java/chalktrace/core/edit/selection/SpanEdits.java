package chalktrace.core.edit.selection;

import chalktrace.core.between.DragFollow;
import chalktrace.core.edit.Edit;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.Warp;
import chalktrace.core.time.FrameRange;
import chalktrace.core.words.EditWords;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;

/** Edits of the same part, or the same showing, on many frames at once. */
public final class SpanEdits {

    /** At so many distances from a root, and one more, its followers are worked out. */
    private static final int PLACES = 8;

    private SpanEdits() {}

    /**
     * Changes the same part on each drawing that a level shows within a span: the strokes of the picked ones' part, or, where
     * they belong to none, what lies mostly in the box around what is picked. Each drawing is changed once, as on the first
     * frame of the span on which it shows, about the middle of what is changed. The drawings themselves change, so ties
     * outside the span show it too.
     */
    public static Edit movePart(Pick pick, FrameRange frames, SpanMove move) {
        return new Edit(EditWords.TEXTS.count("move-a-part-on-frames", frames.frames()), shot -> {
            Set<Integer> done = new HashSet<>();
            Shot out = shot;
            for (int frame = frames.start(); frame < frames.end(); frame++) {
                Optional<Pick> there = samePart(shot, pick, frame);
                if (there.isPresent() && done.add(there.get().drawing())) {
                    Rectangle2D box = there.get().bounds(shot);
                    out = PickEdits.transform(
                                    EditWords.TEXTS.of("move-a-part"),
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
                EditWords.TEXTS.count("place-on-frames", frames.frames()),
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

    /**
     * Lets a loose part follow the rest of its level with a delay, on each drawing of a span: the place of it that is nearest to
     * the rest goes along at once, its far end as late as the delay, and beyond where the rest stops.
     *
     * @param overshoot 0 for none to 1 for much
     */
    public static Edit followThrough(Pick pick, FrameRange frames, double delayFrames, double overshoot) {
        return new Edit(EditWords.TEXTS.count("follow-through-on-frames", frames.frames()), shot -> {
            double[] rootX = new double[frames.frames()];
            double[] rootY = new double[frames.frames()];
            for (int i = 0; i < rootX.length; i++) {
                Point2D root = middleOfRest(shot, pick, frames.start() + i)
                        .orElse(new Point2D.Double(i == 0 ? 0 : rootX[i - 1], i == 0 ? 0 : rootY[i - 1]));
                rootX[i] = root.getX();
                rootY[i] = root.getY();
            }
            double[][] lateX = late(rootX, delayFrames, overshoot);
            double[][] lateY = late(rootY, delayFrames, overshoot);
            Shot out = shot;
            Set<Integer> done = new HashSet<>();
            for (int i = 0; i < rootX.length; i++) {
                Optional<Pick> there = samePart(shot, pick, frames.start() + i);
                if (there.isPresent() && done.add(there.get().drawing())) {
                    Warp late = behind(there.get().bounds(shot), rootX, rootY, lateX, lateY, i);
                    out = PickEdits.bend(there.get(), late).change().apply(out);
                }
            }
            return out;
        });
    }

    /** Where the root would be for places at some distances from it, on each frame; between them it goes evenly. */
    private static double[][] late(double[] root, double delayFrames, double overshoot) {
        double[][] late = new double[PLACES + 1][];
        for (int p = 0; p <= PLACES; p++) {
            late[p] = DragFollow.follow(root, delayFrames, overshoot, p / (double) PLACES);
        }
        return late;
    }

    private static Warp behind(
            Rectangle2D box, double[] rootX, double[] rootY, double[][] lateX, double[][] lateY, int frame) {
        double size = Math.max(1, Math.hypot(box.getWidth(), box.getHeight()));
        double nearX = Math.max(box.getMinX(), Math.min(box.getMaxX(), rootX[frame]));
        double nearY = Math.max(box.getMinY(), Math.min(box.getMaxY(), rootY[frame]));
        double[] behindX = new double[PLACES + 1];
        double[] behindY = new double[PLACES + 1];
        for (int p = 0; p <= PLACES; p++) {
            behindX[p] = lateX[p][frame] - rootX[frame];
            behindY[p] = lateY[p][frame] - rootY[frame];
        }
        return (x, y) -> {
            double at = Math.min(1, Math.hypot(x - nearX, y - nearY) / size) * PLACES;
            int p = Math.min(PLACES - 1, (int) at);
            double share = at - p;
            return new Point2D.Double(
                    x + behindX[p] + share * (behindX[p + 1] - behindX[p]),
                    y + behindY[p] + share * (behindY[p + 1] - behindY[p]));
        };
    }

    /** The middle of all strokes of a level's drawing that are not of the part. */
    private static Optional<Point2D> middleOfRest(Shot shot, Pick pick, int frame) {
        Set<Integer> part = samePart(shot, pick, frame).map(Pick::strokes).orElse(Set.of());
        return Pick.all(shot, pick.level(), frame)
                .map(all -> {
                    Set<Integer> rest = new HashSet<>(all.strokes());
                    rest.removeAll(part);
                    return new Pick(all.level(), all.drawing(), all.placement(), rest, Set.of(), Set.of());
                })
                .filter(rest -> !rest.strokes().isEmpty())
                .map(rest -> rest.bounds(shot))
                .map(box -> new Point2D.Double(box.getCenterX(), box.getCenterY()));
    }

    /** Moves all that a group's levels show, on all frames. */
    public static Edit moveGroup(String groupId, double right, double down) {
        return new Edit(EditWords.TEXTS.of("move-a-group"), shot -> {
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
