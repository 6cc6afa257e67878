package chalktrace.core.edit;

import chalktrace.core.motion.Attached;
import chalktrace.core.motion.Track;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Shot;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;

/** Edits of the points that are followed. */
public final class TrackEdits {

    private TrackEdits() {}

    public static Edit add(List<Track> added) {
        return new Edit(
                added.size() == 1 ? "track a point" : "track points",
                shot -> shot.withTracks(
                        Stream.concat(shot.tracks().stream(), added.stream()).toList()));
    }

    /** An id that is not there changes nothing. */
    public static Edit change(String name, String id, UnaryOperator<Track> change) {
        return new Edit(
                name,
                shot -> shot.withTracks(shot.tracks().stream()
                        .map(track -> track.id().equals(id) ? change.apply(track) : track)
                        .toList()));
    }

    /**
     * Lets a drawing go along with a point: the drawing that a level shows on a frame is placed anew on each frame for which it stays there, and again when the
     * point is put right.
     *
     * @param frame on which it lies as it should
     * @param moves what has happened to the point since, by frame; where that is not known, the drawing stays as it was next to there
     */
    public static Edit attach(
            String trackId, String levelId, int frame, boolean turning, NavigableMap<Integer, Placement> moves) {
        return new Edit("attach a drawing", shot -> shot.level(levelId)
                .flatMap(level -> level.exposures().at(frame))
                .map(shown -> {
                    Attached held = new Attached(levelId, shown.drawing(), frame, turning);
                    return placed(shot, held, moves)
                            .withTracks(shot.tracks().stream()
                                    .map(track ->
                                            attached(track, held, track.id().equals(trackId)))
                                    .toList());
                })
                .orElse(shot));
    }

    /** A drawing goes along with one point. */
    private static Track attached(Track track, Attached held, boolean isIts) {
        List<Attached> kept = new ArrayList<>(track.attached().stream()
                .filter(other -> !(other.level().equals(held.level()) && other.drawing() == held.drawing()))
                .toList());
        if (isIts) {
            kept.add(held);
        }
        return kept.equals(track.attached()) ? track : track.withAttached(kept);
    }

    /** Lets a drawing stay where it is, whatever becomes of the point. */
    public static Edit detach(String trackId, Attached held) {
        return change(
                "detach a drawing",
                trackId,
                track -> track.withAttached(track.attached().stream()
                        .filter(other -> !other.equals(held))
                        .toList()));
    }

    /**
     * With an attached drawing placed anew; as it is where another one shows on its frame meanwhile.
     *
     * @param moves what has happened to the point since its frame, by frame
     */
    public static Shot placed(Shot shot, Attached held, NavigableMap<Integer, Placement> moves) {
        return shot.level(held.level())
                .flatMap(level -> level.exposures().at(held.frame()))
                .filter(shown -> shown.drawing() == held.drawing() && !moves.isEmpty())
                .map(shown -> shot.withLevel(
                        held.level(), level -> level.with(attached(level.exposures(), shown, held.frame(), moves))))
                .orElse(shot);
    }

    private static Exposures attached(
            Exposures exposures, Exposure shown, int frame, NavigableMap<Integer, Placement> moves) {
        int from = frame;
        while (isSame(exposures, from - 1, shown)) {
            from--;
        }
        int to = frame + 1;
        while (isSame(exposures, to, shown)) {
            to++;
        }
        Exposures out = exposures;
        for (int f = from; f < to; f++) {
            Map.Entry<Integer, Placement> known = f >= frame ? moves.floorEntry(f) : moves.ceilingEntry(f);
            if (known != null) {
                out = out.with(
                        new Exposure(f, 1, shown.drawing(), shown.placement().then(known.getValue())));
            }
        }
        return out.joined();
    }

    private static boolean isSame(Exposures exposures, int frame, Exposure shown) {
        return frame >= 0
                && exposures
                        .at(frame)
                        .filter(run -> run.drawing() == shown.drawing())
                        .isPresent();
    }

    public static Edit remove(String id) {
        return new Edit(
                "remove a tracked point",
                shot -> shot.withTracks(shot.tracks().stream()
                        .filter(track -> !track.id().equals(id))
                        .map(track -> track.partner().equals(id) ? track.withPartner("") : track)
                        .toList()));
    }
}
