package chalktrace.core.edit.reference;

import chalktrace.core.edit.Edit;
import chalktrace.core.motion.Track;
import chalktrace.core.words.EditWords;
import java.util.List;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;

/** Edits of the points that are followed. */
public final class TrackEdits {

    private TrackEdits() {}

    public static Edit add(List<Track> added) {
        return new Edit(
                EditWords.TEXTS.count("track-points", added.size()),
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

    public static Edit remove(String id) {
        return new Edit(
                EditWords.TEXTS.of("remove-a-tracked-point"),
                shot -> shot.withTracks(shot.tracks().stream()
                        .filter(track -> !track.id().equals(id))
                        .map(track -> track.partner().equals(id) ? track.withPartner("") : track)
                        .toList()));
    }
}
