package chalktrace.app.study;

import chalktrace.app.session.Session;
import chalktrace.core.edit.MouthLevels;
import chalktrace.core.edit.TrackEdits;
import chalktrace.core.motion.Attached;
import chalktrace.core.motion.Track;
import chalktrace.core.motion.TrackPath;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Shot;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;

/** What goes along with a tracked point: drawings, mouths, in-betweens. Lives on the FX thread. */
final class AttachWork {

    private final StudyWork work;
    private final Session session;

    AttachWork(StudyWork work) {
        this.work = work;
        this.session = work.session();
    }

    /** Places what is attached anew where its point, or the footage of that, was changed. */
    static void follow(StudyWork work) {
        work.session().document().follow((before, after) -> {
            Shot out = after;
            for (Track track : after.tracks()) {
                if (!track.attached().isEmpty() && hasMoved(before, after, track)) {
                    for (Attached held : track.attached()) {
                        out = TrackEdits.placed(out, held, work.moves(after, track, held.frame(), held.turning()));
                    }
                }
            }
            return out;
        });
    }

    private static boolean hasMoved(Shot before, Shot after, Track track) {
        boolean otherPath = before.tracks() != after.tracks()
                && !(path(before, track.id()).equals(path(after, track.id()))
                        && before.track(track.id()).map(Track::partner).equals(Optional.of(track.partner()))
                        && path(before, track.partner()).equals(path(after, track.partner())));
        return otherPath
                || before.footage() != after.footage()
                        && !before.footage(track.footage()).equals(after.footage(track.footage()));
    }

    private static Optional<TrackPath> path(Shot shot, String id) {
        return shot.track(id).map(Track::path);
    }

    /** Lets the current level's drawing go along with a point, from the frame on and back, for as long as it is shown. */
    void attachDrawing(Track track, boolean turning) {
        int frame = session.transport().frame();
        String level = session.selection().levelProperty().get();
        Optional<NavigableMap<Integer, Placement>> moves = moves(track, turning);
        if (moves.isEmpty()) {
            return;
        }
        boolean shown = session.shot()
                .level(level)
                .flatMap(l -> l.exposures().at(frame))
                .isPresent();
        if (shown) {
            session.document().apply(TrackEdits.attach(track.id(), level, frame, turning, moves.get()));
        } else {
            session.notices().problem("The current level shows no drawing on this frame. Draw one, or go to one.");
        }
    }

    /** Takes the arc and the timing chart of in-betweens about the frame from a point. */
    void chart(Track track) {
        work.onShot(track).ifPresent(on -> session.inBetweening()
                .takeFromPoint(on::at, session.view().holdFramesProperty().get()));
    }

    /** Lets the mouths go along with a point. */
    void attachMouths(Track track, boolean turning) {
        Shot shot = session.shot();
        if (MouthLevels.find(shot).isEmpty()) {
            session.notices().problem("There is no mouth level yet. Make one in Voice.");
            return;
        }
        moves(track, turning).ifPresent(moves -> {
            Placement own = MouthLevels.placementAt(shot, session.transport().frame());
            List<Placement> each = new ArrayList<>();
            for (int f = 0; f < shot.setup().length(); f++) {
                Map.Entry<Integer, Placement> known =
                        moves.floorEntry(f) != null ? moves.floorEntry(f) : moves.ceilingEntry(f);
                each.add(own.then(known.getValue()));
            }
            session.document().apply(MouthLevels.follow(each));
        });
    }

    /** What has happened to a point since the frame; empty, and said, where it is not known there. */
    private Optional<NavigableMap<Integer, Placement>> moves(Track track, boolean turning) {
        Optional<NavigableMap<Integer, Placement>> moves = Optional.of(work.moves(
                        session.document().shown(), track, session.transport().frame(), turning))
                .filter(m -> !m.isEmpty());
        if (moves.isEmpty()) {
            session.notices().problem(track.name() + " is not known on this frame. Go to one on its path.");
        }
        return moves;
    }
}
