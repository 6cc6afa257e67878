package chalktrace.app.study;

import chalktrace.app.session.Proposals;
import chalktrace.app.session.Session;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.MarkEdits;
import chalktrace.core.edit.MouthLevels;
import chalktrace.core.edit.TrackEdits;
import chalktrace.core.guide.Guide;
import chalktrace.core.motion.Correction;
import chalktrace.core.motion.MotionProposal;
import chalktrace.core.motion.MovingPoint;
import chalktrace.core.motion.Study;
import chalktrace.core.motion.StudySettings;
import chalktrace.core.motion.Track;
import chalktrace.core.motion.TrackPath;
import chalktrace.core.motion.Tracking;
import chalktrace.core.picture.PictureSource;
import chalktrace.core.picture.PictureUnavailableException;
import chalktrace.core.render.SourcePlace;
import chalktrace.core.render.TrackOnShot;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Region;
import chalktrace.core.shot.Shot;
import chalktrace.core.space.Figure;
import chalktrace.core.space.ModelTrack;
import chalktrace.media.footage.Reference;
import chalktrace.media.footage.References;
import java.awt.geom.Point2D;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleDoubleProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import javafx.collections.MapChangeListener;

/** The points that are followed, what they measure, and what is proposed from it. Lives on the FX thread. */
final class StudyWork {

    /** A proposal that was refused stays away for this shot. */
    private record Refused(int frame, MotionProposal.Kind kind) {}

    private static final Study NOTHING = new Study(List.of(), List.of(), List.of(), List.of(), List.of());

    private final Session session;
    private final StringProperty chosen = new SimpleStringProperty("");
    private final DoubleProperty coarse = new SimpleDoubleProperty(StudySettings.USUAL_COARSE);
    private final DoubleProperty limit = new SimpleDoubleProperty(StudySettings.USUAL_LIMIT_PERCENT);
    private final BooleanProperty byHand = new SimpleBooleanProperty();
    private final BooleanProperty heldStill = new SimpleBooleanProperty();
    private final ObjectProperty<StudyMeasure> measure = new SimpleObjectProperty<>(StudyMeasure.SPACING);
    private final ReadOnlyObjectWrapper<List<MovingTrack>> moving = new ReadOnlyObjectWrapper<>(List.of());
    private final ReadOnlyObjectWrapper<Study> study = new ReadOnlyObjectWrapper<>(NOTHING);
    private final Set<Refused> refused = new HashSet<>();
    private Shot measuredOf;

    /** A shown point and its movement over the shot's frames, as it is and smoothed. */
    record MovingTrack(Track track, MovingPoint movement, MovingPoint smoothed) {}

    StudyWork(Session session) {
        this.session = session;
        session.document().whenOpened(() -> {
            chosen.set("");
            heldStill.set(false);
            refused.clear();
        });
        session.document().shownProperty().addListener(changed -> measure());
        session.footages().opened().addListener((MapChangeListener<String, Reference>) changed -> measureAnew());
        coarse.addListener(changed -> judge());
        limit.addListener(changed -> judge());
        measure();
    }

    Session session() {
        return session;
    }

    /** The id of the point that was touched last. */
    StringProperty chosenProperty() {
        return chosen;
    }

    /** 0 for every small turn, 1 for the great ones alone. */
    DoubleProperty coarseProperty() {
        return coarse;
    }

    /** In percent of the picture's height: a drawing may be so far from the one before it. */
    DoubleProperty limitProperty() {
        return limit;
    }

    /** Whether a touch sets the chosen point on one frame and goes on to the next, and follows nothing. */
    BooleanProperty byHandProperty() {
        return byHand;
    }

    /** Whether the view moves along with the chosen point. */
    BooleanProperty heldStillProperty() {
        return heldStill;
    }

    ObjectProperty<StudyMeasure> measureProperty() {
        return measure;
    }

    /** The shown points that are known on some frame. */
    ReadOnlyObjectProperty<List<MovingTrack>> movingProperty() {
        return moving.getReadOnlyProperty();
    }

    /** What the shown points propose, without what was refused or taken. */
    ReadOnlyObjectProperty<Study> studyProperty() {
        return study.getReadOnlyProperty();
    }

    Optional<Track> chosen() {
        return session.document().shown().track(chosen.get());
    }

    /** A point as the shot shows it; empty while its footage is not open. */
    Optional<TrackOnShot> onShot(Track track) {
        Shot shot = session.document().shown();
        return shot.footage(track.footage()).flatMap(clip -> onShot(shot, clip, track));
    }

    private Optional<TrackOnShot> onShot(Shot shot, Footage clip, Track track) {
        return Optional.ofNullable(session.footages().opened().get(clip.file())).map(reference -> {
            PictureSource pictures = reference.of(clip, shot.setup());
            return new TrackOnShot(shot, clip, pictures.times(), pictures.displaySize(), track);
        });
    }

    /** Where the chosen point is on the frame. */
    Optional<Point2D> chosenPlace() {
        return chosen().flatMap(this::onShot)
                .flatMap(on -> on.at(session.transport().frame()));
    }

    private void measureAnew() {
        measuredOf = null;
        measure();
    }

    /** Only what the paths hang on makes them be measured anew, and not each stroke. */
    private void measure() {
        Shot shot = session.document().shown();
        if (measuredOf != null
                && measuredOf.tracks() == shot.tracks()
                && measuredOf.footage() == shot.footage()
                && measuredOf.setup().equals(shot.setup())) {
            if (measuredOf.marks() != shot.marks() || measuredOf.guides() != shot.guides()) {
                measuredOf = shot;
                judge();
            }
            return;
        }
        measuredOf = shot;
        List<MovingTrack> out = new ArrayList<>();
        for (Track track : shot.tracks()) {
            if (track.visible()) {
                onShot(track)
                        .flatMap(TrackOnShot::movement)
                        .ifPresent(movement -> out.add(new MovingTrack(track, movement, movement.smoothed(2))));
            }
        }
        moving.set(List.copyOf(out));
        judge();
    }

    private void judge() {
        Shot shot = session.document().shown();
        List<MovingPoint> points =
                moving.get().stream().map(MovingTrack::movement).toList();
        if (points.isEmpty()) {
            show(NOTHING);
            return;
        }
        int last = shot.setup().length() - 1;
        StudySettings settings = new StudySettings(
                coarse.get(),
                shot.setup().size().height(),
                limit.get(),
                shot.guides().stream()
                        .filter(guide -> guide.kind() == Guide.Kind.FLOOR)
                        .mapToDouble(guide -> guide.point(0).y())
                        .findFirst());
        session.proposals().findQuietly(job -> Study.of(points, 0, last, settings), found -> {
            if (points.equals(moving.get().stream().map(MovingTrack::movement).toList())) {
                show(found);
            }
        });
    }

    private void show(Study found) {
        Study left = new Study(
                open(found.keys()),
                open(found.breakdowns()),
                open(found.contacts()),
                open(found.smears()),
                found.spans());
        study.set(left);
        session.view()
                .proposedMarksProperty()
                .set(left.proposals().stream()
                        .filter(proposal -> proposal.kind() == MotionProposal.Kind.KEY
                                || proposal.kind() == MotionProposal.Kind.BREAKDOWN)
                        .map(proposal -> new Mark(proposal.frame(), markKind(proposal)))
                        .toList());
    }

    /** Neither refused nor on a frame that has its mark. */
    private List<MotionProposal> open(List<MotionProposal> all) {
        Shot shot = session.document().shown();
        return all.stream()
                .filter(proposal -> !refused.contains(new Refused(proposal.frame(), proposal.kind())))
                .filter(proposal -> isNote(proposal)
                        ? shot.marks().stream()
                                .noneMatch(mark -> mark.kind() == Mark.Kind.NOTE && mark.frame() == proposal.frame())
                        : shot.markAt(proposal.frame()).isEmpty())
                .toList();
    }

    private static boolean isNote(MotionProposal proposal) {
        return proposal.kind() == MotionProposal.Kind.CONTACT || proposal.kind() == MotionProposal.Kind.SMEAR;
    }

    private static Mark.Kind markKind(MotionProposal proposal) {
        return proposal.kind() == MotionProposal.Kind.KEY ? Mark.Kind.KEY : Mark.Kind.BREAKDOWN;
    }

    /** Marks their frames: keys and breakdowns as such, contacts and smears with a note. */
    void take(List<MotionProposal> proposals) {
        session.document().apply(new Edit(proposals.size() == 1 ? "take a proposal" : "take proposals", shot -> {
            Shot out = shot;
            for (MotionProposal proposal : proposals) {
                out = taken(out, proposal);
            }
            return out;
        }));
    }

    private static Shot taken(Shot shot, MotionProposal proposal) {
        if (isNote(proposal)) {
            String what = proposal.kind() == MotionProposal.Kind.CONTACT ? "contact" : "smear";
            return MarkEdits.note(proposal.frame(), what + ": " + String.join(", ", proposal.points()))
                    .change()
                    .apply(shot);
        }
        if (shot.markAt(proposal.frame()).isPresent()) {
            return shot;
        }
        List<Mark> marks = new ArrayList<>(shot.marks());
        marks.add(new Mark(proposal.frame(), markKind(proposal)));
        return shot.withMarks(marks);
    }

    void refuse(List<MotionProposal> proposals) {
        proposals.forEach(proposal -> refused.add(new Refused(proposal.frame(), proposal.kind())));
        show(study.get());
    }

    void remove(String id) {
        session.document().apply(TrackEdits.remove(id));
    }

    void rename(String id, String name) {
        if (!name.isBlank()) {
            session.document().apply(TrackEdits.change("rename a point", id, track -> track.withName(name.strip())));
        }
    }

    void change(String name, String id, UnaryOperator<Track> change) {
        session.document().apply(TrackEdits.change(name, id, change));
    }

    /** The point that lies at a place of the picture on the frame, within a reach in px of the shot. */
    Optional<Track> near(double x, double y, double reach) {
        int frame = session.transport().frame();
        Track nearest = null;
        double least = reach;
        for (Track track : session.document().shown().tracks()) {
            Optional<Point2D> at = track.visible() ? onShot(track).flatMap(on -> on.at(frame)) : Optional.empty();
            if (at.isPresent() && at.get().distance(x, y) <= least) {
                least = at.get().distance(x, y);
                nearest = track;
            }
        }
        return Optional.ofNullable(nearest);
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
                        .filter(pictures -> isOn(shot, clip, pictures, x, y))
                        .isPresent())
                .findFirst();
    }

    private static boolean isOn(Shot shot, Footage clip, PictureSource pictures, double x, double y) {
        return SourcePlace.of(
                        clip, pictures.displaySize(), Region.WHOLE, shot.setup().size())
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
            session.notices().problem("No moving footage shows there on this frame. Go to a frame that has some.");
            return;
        }
        if (byHand.get()) {
            setByHand(clip.get(), x, y);
            return;
        }
        Shot shot = session.shot();
        Track track = new Track(
                shot.newId("track"),
                "point " + (shot.tracks().size() + 1),
                Track.color(shot.tracks().size()),
                true,
                clip.get().id(),
                0,
                TrackPath.NONE);
        int frame = session.transport().frame();
        onShot(shot, clip.get(), track).ifPresent(on -> {
            Point2D at = on.placed(frame).toSource(x, y).orElseThrow();
            int picture = on.picture(frame).orElseThrow();
            session.proposals()
                    .proposeLong("Tracking " + track.name(), s -> List.of(s.footage(), s.setup()), (s, job) -> {
                        try (Reference reference =
                                References.open(Path.of(clip.get().file()))) {
                            TrackPath path = clip.get().staging().isPresent()
                                    ? onModel(reference.figure().orElseThrow(), clip.get(), s, picture, at)
                                    : followed(reference, picture, at, job::at);
                            Track made = named(track, s).withPath(path);
                            return new Proposals.Outcome(TrackEdits.add(List.of(made)), () -> {
                                chosen.set(made.id());
                                sayPoor(made);
                            });
                        }
                    });
        });
    }

    /** Where another was tracked meanwhile, with an id and a colour of its own. */
    private static Track named(Track track, Shot now) {
        int count = now.tracks().size();
        return now.track(track.id()).isEmpty()
                ? track
                : new Track(
                        now.newId("track"),
                        "point " + (count + 1),
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
    private void sayPoor(Track track) {
        List<TrackPath.Lost> lost = track.path().lost();
        if (track.path().places().size() == 1 && !lost.isEmpty()) {
            session.notices()
                    .problem(track.name() + " could not be followed: "
                            + lost.get(0).reason() + ". Drag it to a corner or a spot near it.");
        }
    }

    private void setByHand(Footage clip, double x, double y) {
        int frame = session.transport().frame();
        Shot shot = session.shot();
        Optional<Track> before = chosen().filter(track -> track.footage().equals(clip.id()));
        Track track = before.orElseGet(() -> new Track(
                shot.newId("track"),
                "point " + (shot.tracks().size() + 1),
                Track.color(shot.tracks().size()),
                true,
                clip.id(),
                0,
                TrackPath.NONE));
        onShot(shot, clip, track).ifPresent(on -> {
            Point2D at = on.placed(frame).toSource(x, y).orElseThrow();
            Track set = track.withPath(
                    track.path().with(TrackPath.Place.byHand(on.picture(frame).orElseThrow(), at.getX(), at.getY())));
            session.document()
                    .apply(
                            before.isPresent()
                                    ? TrackEdits.change("set a point by hand", set.id(), old -> set)
                                    : TrackEdits.add(List.of(set)));
            chosen.set(set.id());
            session.transport().step(1);
        });
    }

    /** What a drag shows before it is let go: the point elsewhere on this frame alone. */
    Optional<Edit> moved(Track track, double x, double y) {
        int frame = session.transport().frame();
        return onShot(track).flatMap(on -> on.picture(frame).flatMap(picture -> on.placed(frame)
                .toSource(x, y)
                .map(at -> TrackEdits.change(
                        "correct a point",
                        track.id(),
                        old -> old.withPath(old.path().with(TrackPath.Place.byHand(picture, at.getX(), at.getY())))))));
    }

    /** Puts a point right on the frame and follows it anew from there. */
    void correct(Track track, double x, double y) {
        chosen.set(track.id());
        int frame = session.transport().frame();
        Optional<Footage> clip = session.shot().footage(track.footage());
        Optional<TrackOnShot> on = onShot(track);
        if (clip.isEmpty() || on.isEmpty() || on.get().picture(frame).isEmpty()) {
            return;
        }
        Point2D at = on.get().placed(frame).toSource(x, y).orElseThrow();
        TrackPath.Place hand = TrackPath.Place.byHand(on.get().picture(frame).get(), at.getX(), at.getY());
        if (byHand.get() || clip.get().staging().isPresent()) {
            change("correct a point", track.id(), old -> old.withPath(old.path().with(hand)));
            return;
        }
        session.proposals()
                .proposeLong("Tracking " + track.name(), s -> List.of(s.footage(), s.setup(), s.tracks()), (s, job) -> {
                    TrackPath path = s.track(track.id()).orElseThrow().path();
                    try (Reference reference =
                            References.open(Path.of(clip.get().file()))) {
                        TrackPath right = Correction.of(reference, path, hand, track.radius(), job::at);
                        return Proposals.Outcome.of(
                                TrackEdits.change("correct a point", track.id(), old -> old.withPath(right)));
                    }
                });
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
            session.document().apply(TrackEdits.attach(level, frame, moves.get()));
        } else {
            session.notices().problem("The current level shows no drawing on this frame. Draw one, or go to one.");
        }
    }

    /** Takes the arc and the timing chart of in-betweens about the frame from a point. */
    void chart(Track track) {
        onShot(track).ifPresent(on -> session.inBetweening()
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
        Optional<NavigableMap<Integer, Placement>> moves = onShot(track)
                .map(on -> on.movesSince(session.transport().frame(), turning))
                .filter(m -> !m.isEmpty());
        if (moves.isEmpty()) {
            session.notices().problem(track.name() + " is not known on this frame. Go to one on its path.");
        }
        return moves;
    }

    /** Puts guesses where the chosen point was covered. */
    void bridge(String id) {
        change("bridge gaps", id, track -> track.withPath(track.path().bridged(Integer.MAX_VALUE - 1)));
    }

    /** In words: on how many frames it was found, and why not on more. */
    static String words(Track track) {
        int count = track.path().places().size();
        String found = count == 1 ? "1 picture" : count + " pictures";
        long guessed = track.path().places().stream()
                .filter(place -> place.origin() == TrackPath.Origin.GUESSED)
                .count();
        return found + (guessed > 0 ? String.format(Locale.ROOT, ", %d guessed", guessed) : "");
    }
}
