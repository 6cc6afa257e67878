package chalktrace.core.edit.reference;

import chalktrace.core.edit.Edit;
import chalktrace.core.edit.selection.Pick;
import chalktrace.core.edit.selection.PickEdits;
import chalktrace.core.motion.Attached;
import chalktrace.core.motion.Track;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Ride;
import chalktrace.core.shot.Shot;
import chalktrace.core.time.FrameRange;
import chalktrace.core.words.EditWords;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.NavigableMap;

/**
 * Edits that let drawings go along with a point. The movement of a point is given by frame, as what has happened to it since the frame on which the
 * drawing lies as it should; where it is not known, the drawing stays as it was next to there.
 */
public final class AttachEdits {

    /** Closer than this, in pixels and degrees, a showing lies where its point took it. */
    private static final double SAME = 1e-6;

    private AttachEdits() {}

    /**
     * Lets the drawing that a level shows on a frame go along with a point, on each frame for which it stays there, and again when the point is put
     * right.
     */
    public static Edit drawing(
            String trackId, String levelId, int frame, boolean turning, NavigableMap<Integer, Placement> moves) {
        return new Edit(EditWords.TEXTS.of("attach-a-drawing"), shot -> shot.level(levelId)
                .flatMap(level -> level.exposures().at(frame))
                .map(shown -> attach(shot, trackId, new Attached(levelId, shown.drawing(), frame, turning), moves))
                .orElse(shot));
    }

    /** As {@link #drawing}, of all that a level shows; it lies on every frame as it does on this one. */
    public static Edit level(
            String trackId, String levelId, int frame, boolean turning, NavigableMap<Integer, Placement> moves) {
        return new Edit(
                EditWords.TEXTS.of("attach-a-level"),
                shot -> attach(shot, trackId, new Attached(levelId, Attached.ALL, frame, turning), moves));
    }

    /**
     * Takes what is picked, such as the eyes, out of its drawing onto a level of its own in front of it, shows it on every frame that its point is known
     * on, and lets it go along there.
     */
    public static Edit piece(
            String trackId,
            Pick pick,
            String name,
            boolean turning,
            NavigableMap<Integer, Placement> moves,
            int frame) {
        return new Edit(EditWords.TEXTS.of("attach-what-is-selected"), shot -> {
            FrameRange known = new FrameRange(
                    Math.max(0, moves.firstKey()), Math.min(shot.setup().length(), moves.lastKey() + 1));
            Level made = Level.empty(shot.newId("level"), name)
                    .with(Drawing.of(1, pick.lifted(shot).items()))
                    .with(Exposures.of(Exposure.of(known.start(), known.frames(), 1)));
            Shot without = PickEdits.remove(pick).change().apply(shot);
            List<Level> levels = new ArrayList<>(without.levels());
            levels.add(index(levels, pick.level()), made);
            return attach(without.withLevels(levels), trackId, new Attached(made.id(), 1, frame, turning), moves);
        });
    }

    private static int index(List<Level> levels, String id) {
        return levels.stream().map(Level::id).toList().indexOf(id);
    }

    /** Lets what is attached stay where it is, whatever becomes of the point. */
    public static Edit detach(String trackId, Attached held) {
        return TrackEdits.change(
                EditWords.TEXTS.of("detach-a-drawing"),
                trackId,
                track -> track.withAttached(track.attached().stream()
                        .filter(other -> !other.equals(held))
                        .toList()));
    }

    private static Shot attach(Shot shot, String trackId, Attached held, NavigableMap<Integer, Placement> moves) {
        return placed(shot, held, Collections.emptyNavigableMap(), moves)
                .withTracks(shot.tracks().stream()
                        .map(track -> attached(track, held, track.id().equals(trackId)))
                        .toList());
    }

    /** A drawing goes along with one point. */
    private static Track attached(Track track, Attached held, boolean isIts) {
        List<Attached> kept = new ArrayList<>(track.attached().stream()
                .filter(other -> !other.level().equals(held.level())
                        || other.drawing() != held.drawing() && !held.isWholeLevel() && !other.isWholeLevel())
                .toList());
        if (isIts) {
            kept.add(held);
        }
        return kept.equals(track.attached()) ? track : track.withAttached(kept);
    }

    /**
     * With what is attached placed anew; as it is where another drawing shows on its frame meanwhile. What was moved by hand on a frame stays so much
     * beside its new place.
     *
     * @param before how the point moved when it was placed last; empty where it was not
     * @param moves how it moves now
     */
    public static Shot placed(
            Shot shot, Attached held, NavigableMap<Integer, Placement> before, NavigableMap<Integer, Placement> moves) {
        return shot.level(held.level())
                .flatMap(level -> level.exposures().at(held.frame()))
                .filter(shown -> held.holds(shown.drawing()) && !moves.isEmpty())
                .map(shown -> shot.withLevel(
                        held.level(),
                        level -> level.with(placed(level.exposures(), shown.placement(), held, before, moves))))
                .orElse(shot);
    }

    private static Exposures placed(
            Exposures exposures,
            Placement base,
            Attached held,
            NavigableMap<Integer, Placement> before,
            NavigableMap<Integer, Placement> moves) {
        FrameRange frames = frames(exposures, held);
        List<Exposure> out = new ArrayList<>();
        for (Exposure run : exposures.runs()) {
            if (!frames.overlaps(run.range()) || !held.holds(run.drawing())) {
                out.add(run);
                continue;
            }
            for (int f = run.start(); f < run.end(); f++) {
                Placement due = base.then(Ride.near(moves, f, held.frame()));
                Placement was = before.isEmpty() ? run.placement() : base.then(Ride.near(before, f, held.frame()));
                boolean byHand = !before.isEmpty() && !isSame(was, run.placement());
                out.add(new Exposure(f, 1, run.drawing(), byHand ? beside(due, was, run.placement()) : due));
            }
        }
        return new Exposures(out).joined();
    }

    /** A drawing goes along for as long as it stays; a level on all its frames. */
    private static FrameRange frames(Exposures exposures, Attached held) {
        if (held.isWholeLevel()) {
            return new FrameRange(0, exposures.end());
        }
        int from = held.frame();
        while (isShown(exposures, from - 1, held)) {
            from--;
        }
        int to = held.frame() + 1;
        while (isShown(exposures, to, held)) {
            to++;
        }
        return new FrameRange(from, to);
    }

    private static boolean isShown(Exposures exposures, int frame, Attached held) {
        return frame >= 0
                && exposures.at(frame).filter(run -> held.holds(run.drawing())).isPresent();
    }

    private static boolean isSame(Placement a, Placement b) {
        return Math.abs(a.x() - b.x()) < SAME
                && Math.abs(a.y() - b.y()) < SAME
                && Math.abs(a.scale() - b.scale()) < SAME
                && Math.abs(a.degrees() - b.degrees()) < SAME;
    }

    /** As far beside a new place as {@code now} is beside the old one, in the drawing's own measure. */
    private static Placement beside(Placement due, Placement was, Placement now) {
        return now.then(was.inverse()).then(due).withOpacity(now.opacity());
    }
}
