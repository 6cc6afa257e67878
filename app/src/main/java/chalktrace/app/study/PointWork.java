package chalktrace.app.study;

import chalktrace.app.kernel.Notices;
import chalktrace.app.kernel.Proposals;
import chalktrace.app.session.Session;
import chalktrace.app.words.Words;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.reference.TrackEdits;
import chalktrace.core.motion.Correction;
import chalktrace.core.motion.Track;
import chalktrace.core.motion.TrackPath;
import chalktrace.core.motion.Tracking;
import chalktrace.core.picture.PictureSource;
import chalktrace.core.picture.PictureUnavailableException;
import chalktrace.core.render.SourcePlace;
import chalktrace.core.render.TrackOnShot;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Region;
import chalktrace.core.shot.Shot;
import chalktrace.core.space.Figure;
import chalktrace.core.space.ModelTrack;
import chalktrace.media.footage.Reference;
import chalktrace.media.footage.References;
import java.awt.geom.Point2D;
import java.util.List;
import java.util.Optional;

/** Points made and put right: followed from a touch, corrected by a drag, set by hand. Lives on the FX thread. */
final class PointWork {

    private final StudyWork work;
    private final Session session;

    PointWork(StudyWork work) {
        this.work = work;
        this.session = work.session();
    }

    /** The footage in front that moves and shows something on the frame. */
    private Optional<Footage> footage(double x, double y) {
        Shot shot = session.shot();
        int frame = session.transport().frame();
        return shot.footage().stream()
                .filter(clip -> clip.visible() && !clip.isStill() && clip.where() != Footage.Where.BESIDE_BOARD)
                .filter(clip -> Optional.ofNullable(session.footages().opened().get(clip.file()))
                        .map(reference -> reference.of(clip, shot.setup()))
                        .filter(pictures -> clip.at(frame, shot.setup().rate(), pictures.times())
                                .isPresent())
                        .filter(pictures -> isOn(shot, clip, frame, pictures, x, y))
                        .isPresent())
                .findFirst();
    }

    private static boolean isOn(Shot shot, Footage clip, int frame, PictureSource pictures, double x, double y) {
        return SourcePlace.of(
                        shot.lying(clip, frame),
                        pictures.displaySize(),
                        Region.WHOLE,
                        shot.setup().size())
                .toSource(x, y)
                .filter(at -> at.getX() >= 0
                        && at.getY() >= 0
                        && at.getX() < pictures.displaySize().width()
                        && at.getY() < pictures.displaySize().height())
                .isPresent();
    }

    /** Follows a new point from the frame to both ends of its footage; by hand, sets the chosen one there and goes on. */
    void touch(double x, double y) {
        Optional<Footage> clip = footage(x, y);
        if (clip.isEmpty()) {
            session.notices().problem(Words.STUDY.of("no-moving-footage-shows-there"));
            return;
        }
        if (work.byHandProperty().get()) {
            setByHand(clip.get(), x, y);
            return;
        }
        if (work.goesOnProperty().get() && work.chosen().isPresent()) {
            work.goesOnProperty().set(false);
            correct(work.chosen().get(), x, y);
            return;
        }
        Shot shot = session.shot();
        Track track = new Track(
                shot.newId("track"),
                Words.STUDY.of("point", shot.tracks().size() + 1),
                Track.color(shot.tracks().size()),
                true,
                clip.get().id(),
                0,
                TrackPath.NONE);
        int frame = session.transport().frame();
        work.onShot(shot, clip.get(), track).ifPresent(on -> {
            Point2D at = on.placed(frame).toSource(x, y).orElseThrow();
            int picture = on.picture(frame).orElseThrow();
            session.proposals()
                    .proposeLong(
                            Words.STUDY.of("tracking", track.name()),
                            s -> List.of(s.footage(), s.setup()),
                            (s, job) -> {
                                try (Reference reference = References.open(clip.get(), s)) {
                                    TrackPath path = clip.get().staging().isPresent()
                                            ? onModel(reference.figure().orElseThrow(), clip.get(), s, picture, at)
                                            : followed(reference, picture, at, job::at);
                                    Track made = named(track, s).withPath(path);
                                    Optional<Point2D> better = isPoor(made)
                                                    && clip.get().staging().isEmpty()
                                            ? Tracking.betterNear(
                                                    reference, new Tracking.Start(picture, at.getX(), at.getY(), 0))
                                            : Optional.empty();
                                    return new Proposals.Outcome(TrackEdits.add(List.of(made)), () -> {
                                        work.chosenProperty().set(made.id());
                                        sayPoor(made, frame, better);
                                    });
                                }
                            });
        });
    }

    /** Puts a point on another reference of the same moment too, such as a larger copy of the clip. */
    void copy(Track track, Footage to) {
        Shot shot = session.shot();
        Optional<TrackOnShot> own = work.onShot(track);
        Optional<TrackOnShot> other = work.onShot(shot, to, track);
        if (own.isEmpty() || other.isEmpty()) {
            session.notices().problem(Words.STUDY.of("one-of-the-two-references"));
            return;
        }
        TrackPath path = track.path()
                .onto(
                        own.get().times(),
                        other.get().times(),
                        (double) other.get().seen().width() / own.get().seen().width(),
                        (double) other.get().seen().height() / own.get().seen().height());
        if (path.isEmpty()) {
            session.notices().problem(Words.STUDY.of("shows-nothing-at-the-times", to.name(), track.name()));
            return;
        }
        Track copy = new Track(
                shot.newId("track"),
                Words.STUDY.of("on", track.name(), to.name()),
                Track.color(shot.tracks().size()),
                true,
                to.id(),
                track.radius(),
                path);
        session.document().apply(TrackEdits.add(List.of(copy)));
        work.chosenProperty().set(copy.id());
    }

    /** Where another was tracked meanwhile, with an id and a colour of its own. */
    private static Track named(Track track, Shot now) {
        int count = now.tracks().size();
        return now.track(track.id()).isEmpty()
                ? track
                : new Track(
                        now.newId("track"),
                        Words.STUDY.of("point", count + 1),
                        Track.color(count),
                        true,
                        track.footage(),
                        0,
                        track.path());
    }

    private static TrackPath onModel(Figure figure, Footage clip, Shot shot, int frame, Point2D at) {
        return ModelTrack.of(
                n -> clip.staged(figure, n, shot.setup()),
                frame,
                at.getX(),
                at.getY(),
                shot.setup().length());
    }

    private static TrackPath followed(Reference reference, int picture, Point2D at, Tracking.Progress progress)
            throws PictureUnavailableException {
        Tracking.Start start = new Tracking.Start(picture, at.getX(), at.getY(), 0);
        return Tracking.follow(reference, List.of(start), 0, reference.times().count(), progress)
                .get(0);
    }

    /** A place that can't be followed is said at once. */
    private void sayPoor(Track track, int frame, Optional<Point2D> better) {
        if (!isPoor(track)) {
            return;
        }
        String words = Words.STUDY.of(
                "could-not-be-followed",
                track.name(),
                track.path().lost().get(0).reason());
        Optional<Point2D> place = work.onShot(track)
                .flatMap(on -> better.map(at -> on.placed(frame).toShot(at.getX(), at.getY())));
        place.ifPresentOrElse(
                at -> session.notices()
                        .offer(
                                Words.STUDY.of("a-better-place-lies-near", words),
                                new Notices.Offer(Words.STUDY.of("track-that-place"), () -> {
                                    work.remove(track.id());
                                    session.transport().go(frame);
                                    touch(at.getX(), at.getY());
                                })),
                () -> session.notices().problem(Words.STUDY.of("drag-it-to-a-corner", words)));
    }

    private static boolean isPoor(Track track) {
        return track.path().places().size() == 1 && !track.path().lost().isEmpty();
    }

    private void setByHand(Footage clip, double x, double y) {
        int frame = session.transport().frame();
        Shot shot = session.shot();
        Optional<Track> before = work.chosen().filter(track -> track.footage().equals(clip.id()));
        Track track = before.orElseGet(() -> new Track(
                shot.newId("track"),
                Words.STUDY.of("point", shot.tracks().size() + 1),
                Track.color(shot.tracks().size()),
                true,
                clip.id(),
                0,
                TrackPath.NONE));
        work.onShot(shot, clip, track).ifPresent(on -> {
            Point2D at = on.placed(frame).toSource(x, y).orElseThrow();
            Track set = track.withPath(
                    track.path().with(TrackPath.Place.byHand(on.picture(frame).orElseThrow(), at.getX(), at.getY())));
            session.document()
                    .apply(
                            before.isPresent()
                                    ? TrackEdits.change(Words.STUDY.of("set-a-point-by-hand"), set.id(), old -> set)
                                    : TrackEdits.add(List.of(set)));
            work.chosenProperty().set(set.id());
            session.transport().step(1);
        });
    }

    /** What a drag shows before it is let go: the point elsewhere on this frame alone. */
    Optional<Edit> moved(Track track, double x, double y) {
        int frame = session.transport().frame();
        return work.onShot(track).flatMap(on -> on.picture(frame).flatMap(picture -> on.placed(frame)
                .toSource(x, y)
                .map(at -> TrackEdits.change(
                        Words.STUDY.of("correct-a-point"),
                        track.id(),
                        old -> old.withPath(old.path().with(TrackPath.Place.byHand(picture, at.getX(), at.getY())))))));
    }

    /** Looks at a patch of another size around a point, and follows it anew from where it was set by hand. @param radius in px of the source; 0 for the usual */
    void lookAt(Track track, double radius) {
        Optional<Footage> clip = session.shot().footage(track.footage());
        if (clip.isEmpty() || radius == track.radius()) {
            return;
        }
        session.proposals()
                .proposeLong(
                        Words.STUDY.of("tracking", track.name()),
                        s -> List.of(s.footage(), s.setup(), s.tracks()),
                        (s, job) -> {
                            TrackPath path = s.track(track.id()).orElseThrow().path();
                            try (Reference reference = References.open(clip.get(), s)) {
                                TrackPath anew = Correction.anew(reference, path, radius, job::at);
                                return Proposals.Outcome.of(TrackEdits.change(
                                        Words.STUDY.of("size-of-a-patch"), track.id(), old -> old.withRadius(radius)
                                                .withPath(anew)));
                            }
                        });
    }

    /** Puts a point right on the frame and follows it anew from there. */
    void correct(Track track, double x, double y) {
        work.chosenProperty().set(track.id());
        int frame = session.transport().frame();
        Optional<Footage> clip = session.shot().footage(track.footage());
        Optional<TrackOnShot> on = work.onShot(track);
        if (clip.isEmpty() || on.isEmpty() || on.get().picture(frame).isEmpty()) {
            return;
        }
        Point2D at = on.get().placed(frame).toSource(x, y).orElseThrow();
        TrackPath.Place hand = TrackPath.Place.byHand(on.get().picture(frame).get(), at.getX(), at.getY());
        if (work.byHandProperty().get() || clip.get().staging().isPresent()) {
            work.change(
                    Words.STUDY.of("correct-a-point"),
                    track.id(),
                    old -> old.withPath(old.path().with(hand)));
            return;
        }
        session.proposals()
                .proposeLong(
                        Words.STUDY.of("tracking", track.name()),
                        s -> List.of(s.footage(), s.setup(), s.tracks()),
                        (s, job) -> {
                            TrackPath path = s.track(track.id()).orElseThrow().path();
                            try (Reference reference = References.open(clip.get(), s)) {
                                TrackPath right = Correction.of(reference, path, hand, track.radius(), job::at);
                                return Proposals.Outcome.of(TrackEdits.change(
                                        Words.STUDY.of("correct-a-point"), track.id(), old -> old.withPath(right)));
                            }
                        });
    }
}
