package chalktrace.app.study;

import chalktrace.app.session.Session;
import chalktrace.app.session.View;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.MarkEdits;
import chalktrace.core.edit.TimingEdits;
import chalktrace.core.edit.TrackEdits;
import chalktrace.core.guide.Guide;
import chalktrace.core.motion.MotionProposal;
import chalktrace.core.motion.MovingPoint;
import chalktrace.core.motion.SpanAdvice;
import chalktrace.core.motion.Study;
import chalktrace.core.motion.StudySettings;
import chalktrace.core.motion.Track;
import chalktrace.core.motion.TrackPath;
import chalktrace.core.picture.PictureSource;
import chalktrace.core.render.DrawnPath;
import chalktrace.core.render.PairOnShot;
import chalktrace.core.render.TrackOnShot;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Shot;
import chalktrace.core.time.FrameRange;
import chalktrace.media.footage.Reference;
import java.awt.geom.Point2D;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
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

    /** Paths are smoothed over so many frames to each side. */
    private static final int SMOOTHED = 2;

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
    private final List<Drawn> drawn = new ArrayList<>();
    private Shot measuredOf;

    /** How often it was asked for; while a reference is dragged, only the last time counts. */
    private volatile int measurings;

    /** A shown point and its movement over the shot's frames, as it is and smoothed, and that of the point that it is paired with. */
    record MovingTrack(Track track, MovingPoint movement, MovingPoint smoothed, Optional<MovingPoint> partner) {

        /** Whether it is of a drawn part, and not of footage. */
        boolean isDrawn() {
            return track.footage().isEmpty();
        }
    }

    /** A drawn part whose way is shown. */
    record Drawn(String level, String part, DrawnPath.Anchor anchor) {}

    StudyWork(Session session) {
        this.session = session;
        session.document().whenOpened(() -> {
            chosen.set("");
            heldStill.set(false);
            refused.clear();
            drawn.clear();
        });
        session.document().shownProperty().addListener(changed -> measure());
        session.footages().opened().addListener((MapChangeListener<String, Reference>) changed -> measureAnew());
        session.view().stepProperty().addListener(changed -> showOnBench());
        coarse.addListener(changed -> judge());
        limit.addListener(changed -> judge());
        AttachWork.follow(this);
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
        return onShot(session.document().shown(), track);
    }

    /** As {@link #onShot(Track)}, of a point that the shot may not have yet. */
    Optional<TrackOnShot> onShot(Shot shot, Footage clip, Track track) {
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
                && (drawn.isEmpty() || measuredOf.levels() == shot.levels())
                && measuredOf.setup().equals(shot.setup())) {
            if (measuredOf.marks() != shot.marks() || measuredOf.guides() != shot.guides()) {
                measuredOf = shot;
                judge();
            }
            return;
        }
        measuredOf = shot;
        List<TrackOnShot> tracks = shot.tracks().stream()
                .filter(track -> isSeen(shot, track))
                .map(this::onShot)
                .flatMap(Optional::stream)
                .toList();
        List<Drawn> parts = List.copyOf(drawn);
        int asked = ++measurings;
        session.proposals().findQuietly(job -> asked == measurings ? movements(tracks, shot, parts) : null, found -> {
            if (asked == measurings && found != null) {
                moving.set(found);
                judge();
            }
        });
    }

    /** A point of footage that is hidden is hidden with it. */
    private static boolean isSeen(Shot shot, Track track) {
        return track.visible()
                && shot.footage(track.footage()).filter(Footage::visible).isPresent();
    }

    private static List<MovingTrack> movements(List<TrackOnShot> tracks, Shot shot, List<Drawn> drawn) {
        Map<String, MovingPoint> known = new LinkedHashMap<>();
        tracks.forEach(
                on -> on.movement().ifPresent(movement -> known.put(on.track().id(), movement)));
        List<MovingTrack> out = new ArrayList<>();
        for (TrackOnShot on : tracks) {
            MovingPoint movement = known.get(on.track().id());
            if (movement != null) {
                Optional<MovingPoint> partner =
                        Optional.ofNullable(known.get(on.track().partner()));
                out.add(new MovingTrack(on.track(), movement, movement.smoothed(SMOOTHED), partner));
            }
        }
        for (Drawn part : drawn) {
            shot.level(part.level())
                    .flatMap(level -> DrawnPath.of(
                            part.part(),
                            level,
                            part.part(),
                            part.anchor(),
                            shot.setup().size(),
                            shot.setup().length()))
                    .ifPresent(way -> out.add(new MovingTrack(
                            drawnTrack(part, shot.tracks().size() + out.size()),
                            way,
                            way.smoothed(SMOOTHED),
                            Optional.empty())));
        }
        return List.copyOf(out);
    }

    /** Stands for a drawn part among the points; it is of no footage. */
    private static Track drawnTrack(Drawn part, int color) {
        return new Track(
                "drawn " + part.level() + " " + part.part(),
                part.part() + ", drawn",
                Track.color(color),
                true,
                "",
                0,
                TrackPath.NONE);
    }

    /** The drawn parts whose ways are shown. */
    List<Drawn> drawn() {
        return List.copyOf(drawn);
    }

    /** Shows the way of a drawn part, or no longer. @param anchor empty to hide it */
    void showDrawn(String level, String part, Optional<DrawnPath.Anchor> anchor) {
        drawn.removeIf(other -> other.level().equals(level) && other.part().equals(part));
        anchor.ifPresent(what -> drawn.add(new Drawn(level, part, what)));
        measureAnew();
    }

    /** The point with which one is paired, as the shot shows it. */
    Optional<PairOnShot> pair(Track track) {
        return pair(session.document().shown(), track);
    }

    private Optional<PairOnShot> pair(Shot shot, Track track) {
        return onShot(shot, track).flatMap(on -> shot.track(track.partner())
                .flatMap(other -> onShot(shot, other))
                .map(second -> new PairOnShot(on, second)));
    }

    private Optional<TrackOnShot> onShot(Shot shot, Track track) {
        return shot.footage(track.footage()).flatMap(clip -> onShot(shot, clip, track));
    }

    /** What has happened to a point since a frame, as what lies on it has to be moved; empty where it is not known on that frame. */
    NavigableMap<Integer, Placement> moves(Shot shot, Track track, int frame, boolean turning) {
        return Optional.of(track)
                .filter(point -> turning)
                .flatMap(point -> pair(shot, point))
                .map(pair -> pair.movesSince(frame))
                .or(() -> onShot(shot, track).map(on -> on.movesSince(frame, turning)))
                .orElseGet(TreeMap::new);
    }

    private void judge() {
        Shot shot = session.document().shown();
        List<MovingPoint> points = filmed();
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
            if (points.equals(filmed())) {
                show(found);
            }
        });
    }

    /** Proposals are made from the footage; drawings follow them. */
    private List<MovingPoint> filmed() {
        return moving.get().stream()
                .filter(track -> !track.isDrawn())
                .map(MovingTrack::movement)
                .toList();
    }

    private void show(Study found) {
        Study left = new Study(
                open(found.keys()),
                open(found.breakdowns()),
                open(found.contacts()),
                open(found.smears()),
                found.spans());
        study.set(left);
        showOnBench();
    }

    /** Keys and breakdowns are proposed on the bench while one studies, and not while one draws. */
    private void showOnBench() {
        boolean studies = session.view().stepProperty().get() == View.Step.STUDY;
        session.view()
                .proposedMarksProperty()
                .set(
                        !studies
                                ? List.of()
                                : study.get().proposals().stream()
                                        .filter(proposal -> !isNote(proposal))
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

    /** Makes empty drawings on the current level where it shows nothing: on the keys and breakdowns that are marked or proposed, each held until the next. */
    void makeDrawingsOnKeys() {
        Shot shot = session.shot();
        List<Integer> frames = Stream.concat(
                        shot.marks().stream()
                                .filter(mark -> mark.isOfShot() && mark.isPose())
                                .map(Mark::frame),
                        study.get().proposals().stream()
                                .filter(proposal -> !isNote(proposal))
                                .map(MotionProposal::frame))
                .distinct()
                .sorted()
                .toList();
        List<SpanAdvice> spans = new ArrayList<>();
        for (int i = 0; i < frames.size(); i++) {
            int to = i + 1 < frames.size() ? frames.get(i + 1) : shot.setup().length();
            spans.add(new SpanAdvice(frames.get(i), to, Math.max(1, to - frames.get(i)), ""));
        }
        makeDrawings(spans);
    }

    /** Makes empty drawings on the current level where it shows nothing: on ones, twos or threes as is advised for each span. */
    void makeDrawingsAsAdvised() {
        List<SpanAdvice> spans = new ArrayList<>(study.get().spans());
        if (!spans.isEmpty()) {
            int last = spans.get(spans.size() - 1).to();
            int end = session.shot().setup().length();
            if (last < end) {
                spans.add(new SpanAdvice(last, end, end - last, ""));
            }
        }
        makeDrawings(spans);
    }

    private void makeDrawings(List<SpanAdvice> spans) {
        if (spans.isEmpty()) {
            session.notices().problem("No key is marked or proposed. Track a point first.");
            return;
        }
        String level = session.selection().levelProperty().get();
        session.document().apply(new Edit("make drawings", shot -> {
            Shot out = shot;
            for (SpanAdvice span : spans) {
                out = TimingEdits.drawings(
                                List.of(level), new FrameRange(span.from(), span.to()), Math.max(1, span.every()))
                        .change()
                        .apply(out);
            }
            return out;
        }));
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
            Optional<Point2D> at = isSeen(session.document().shown(), track)
                    ? onShot(track).flatMap(on -> on.at(frame))
                    : Optional.empty();
            if (at.isPresent() && at.get().distance(x, y) <= least) {
                least = at.get().distance(x, y);
                nearest = track;
            }
        }
        return Optional.ofNullable(nearest);
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
