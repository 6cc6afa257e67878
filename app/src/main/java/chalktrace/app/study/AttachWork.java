package chalktrace.app.study;

import chalktrace.app.session.Session;
import chalktrace.app.words.Words;
import chalktrace.core.edit.mouth.MouthLevels;
import chalktrace.core.edit.reference.AttachEdits;
import chalktrace.core.edit.reference.RideEdits;
import chalktrace.core.edit.selection.Pick;
import chalktrace.core.motion.Attached;
import chalktrace.core.motion.Track;
import chalktrace.core.motion.TrackPath;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Ride;
import chalktrace.core.shot.Shot;
import java.util.Collections;
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
            for (Ride ride : RideEdits.fromTheGround(after)) {
                out = ridden(work, before, out, ride);
            }
            for (Track track : after.tracks()) {
                if (!track.attached().isEmpty() && hasMoved(before, out, track)) {
                    for (Attached held : track.attached()) {
                        NavigableMap<Integer, Placement> was = before.track(track.id())
                                .map(old -> work.moves(before, old, held.frame(), held.turning()))
                                .orElse(Collections.emptyNavigableMap());
                        out = AttachEdits.placed(out, held, was, work.moves(out, track, held.frame(), held.turning()));
                    }
                }
            }
            return out;
        });
    }

    /** With a reference or a guide where its point takes it now. */
    private static Shot ridden(StudyWork work, Shot before, Shot after, Ride ride) {
        return after.track(ride.track())
                .filter(track -> hasMoved(before, after, track))
                .map(track -> work.moves(after, track, ride.frame(), ride.turning()))
                .filter(moves -> !moves.isEmpty())
                .map(moves -> after.withRides(after.rides().stream()
                        .map(other -> other.rider().equals(ride.rider()) ? ride.follow(moves) : other)
                        .toList()))
                .orElse(after);
    }

    private static boolean hasMoved(Shot before, Shot after, Track track) {
        boolean otherPath = before.tracks() != after.tracks()
                && !(path(before, track.id()).equals(path(after, track.id()))
                        && before.track(track.id()).map(Track::partner).equals(Optional.of(track.partner()))
                        && path(before, track.partner()).equals(path(after, track.partner())));
        return otherPath
                || !before.ride(track.footage()).equals(after.ride(track.footage()))
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
        if (isShown(level, frame)) {
            session.document().apply(AttachEdits.drawing(track.id(), level, frame, turning, moves.get()));
        } else {
            session.notices().problem(Words.STUDY.of("the-current-level-shows-no"));
        }
    }

    /** Lets a reference or a guide go along with a point, from where it lies on the frame. @param rider its id */
    void attachOther(Track track, String rider, boolean turning) {
        Shot shot = session.shot();
        if (RideEdits.carries(shot, rider, track)) {
            session.notices().problem(Words.STUDY.of("lies-on-this-reference-so", track.name()));
            return;
        }
        int frame = session.transport().frame();
        moves(track, turning).ifPresent(moves -> session.document()
                .apply(RideEdits.attach(new Ride(rider, track.id(), frame, turning, moves))));
    }

    /** Takes the arc and the timing chart of in-betweens about the frame from a point. */
    void chart(Track track) {
        work.onShot(track).ifPresent(on -> work.inBetweens().take(on::at, session.framesFromHere()));
    }

    /** Lets the mouths go along with a point. */
    void attachMouths(Track track, boolean turning) {
        Shot shot = session.shot();
        Optional<Level> mouths = MouthLevels.find(shot);
        if (mouths.isEmpty()) {
            session.notices().problem(Words.STUDY.of("there-is-no-mouth-level"));
            return;
        }
        attachLevel(track, mouths.get().id(), turning);
    }

    /** Lets all that the current level shows go along with a point; it lies on every frame as it does on this one. */
    void attachLevel(Track track, boolean turning) {
        attachLevel(track, session.selection().level(), turning);
    }

    private void attachLevel(Track track, String level, boolean turning) {
        int frame = session.transport().frame();
        if (!isShown(level, frame)) {
            session.notices().problem(Words.STUDY.of("that-level-shows-no-drawing"));
            return;
        }
        moves(track, turning).ifPresent(moves -> session.document()
                .apply(AttachEdits.level(track.id(), level, frame, turning, moves)));
    }

    /** Takes what is selected, such as the eyes, onto a level of its own that goes along with a point. */
    void attachSelection(Track track, boolean turning) {
        Pick pick = session.selection().pickProperty().get();
        if (pick == null || pick.isEmpty()) {
            session.notices().problem(Words.STUDY.of("nothing-is-selected-select-strokes"));
            return;
        }
        int frame = session.transport().frame();
        String name = pick.partNames(session.shot()).stream()
                .sorted()
                .findFirst()
                .orElse(Words.STUDY.of("with", track.name()));
        moves(track, turning).ifPresent(moves -> {
            session.selection().pickProperty().set(null);
            session.document().apply(AttachEdits.piece(track.id(), pick, name, turning, moves, frame));
        });
    }

    private boolean isShown(String level, int frame) {
        return session.shot()
                .level(level)
                .flatMap(l -> l.exposures().at(frame))
                .filter(run -> !run.isBlank())
                .isPresent();
    }

    /** What has happened to a point since the frame; empty, and said, where it is not known there. */
    private Optional<NavigableMap<Integer, Placement>> moves(Track track, boolean turning) {
        Optional<NavigableMap<Integer, Placement>> moves = Optional.of(work.moves(
                        session.document().shown(), track, session.transport().frame(), turning))
                .filter(m -> !m.isEmpty());
        if (moves.isEmpty()) {
            session.notices().problem(Words.STUDY.of("is-not-known-on-this", track.name()));
        }
        return moves;
    }
}
