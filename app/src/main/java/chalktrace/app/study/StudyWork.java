package chalktrace.app.study;

import chalktrace.app.feature.TakesWay;
import chalktrace.app.session.Session;
import chalktrace.app.words.Words;
import chalktrace.core.edit.reference.TrackEdits;
import chalktrace.core.motion.MovingPart;
import chalktrace.core.motion.MovingPoint;
import chalktrace.core.motion.Track;
import chalktrace.core.motion.TrackPath;
import chalktrace.core.picture.PictureSource;
import chalktrace.core.render.DrawnPath;
import chalktrace.core.render.PairOnShot;
import chalktrace.core.render.TrackOnShot;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Shot;
import chalktrace.media.footage.Reference;
import java.awt.geom.Point2D;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import javafx.collections.MapChangeListener;

/** The points that are followed, what they measure, and what is proposed from it. Lives on the FX thread. */
final class StudyWork {

    /** Paths are smoothed over so many frames to each side. */
    private static final int SMOOTHED = 2;

    private final Session session;
    private final TakesWay inBetweens;
    private final StringProperty chosen = new SimpleStringProperty("");
    private final BooleanProperty byHand = new SimpleBooleanProperty();
    private final BooleanProperty goesOn = new SimpleBooleanProperty();
    private final BooleanProperty heldStill = new SimpleBooleanProperty();
    private final BooleanProperty largeGraph = new SimpleBooleanProperty();
    private final ObjectProperty<StudyMeasure> measure = new SimpleObjectProperty<>(StudyMeasure.SPACING);
    private final ReadOnlyObjectWrapper<List<MovingTrack>> moving = new ReadOnlyObjectWrapper<>(List.of());
    private final List<Drawn> drawn = new ArrayList<>();
    private Optional<Parts> parts = Optional.empty();
    private Shot measuredOf;

    /** How often it was asked for; while a reference is dragged, only the last time counts. */
    private volatile int measurings;

    /**
     * A shown point and its movement over the shot's frames.
     *
     * @param partner that of the point that it is paired with
     * @param patch how a patch is turned and grown, by frame; none of what is no patch
     * @param steady how a part that was found without a touch moves beside the camera; empty of all else
     */
    record MovingTrack(
            Track track,
            MovingPoint movement,
            MovingPoint smoothed,
            Optional<MovingPoint> partner,
            Map<Integer, TrackPath.Place> patch,
            Optional<MovingPoint> steady) {

        /** Whether it is of a drawn part, and not of footage. */
        boolean isDrawn() {
            return track.footage().isEmpty();
        }
    }

    /** What was found to move in a clip without a touch. */
    record Parts(Footage clip, List<MovingPart> found) {

        /** A part stands for a point that the shot does not have. */
        private Track track(int n, TrackPath path) {
            return new Track("part " + n, Words.STUDY.of("part", n + 1), Track.color(n), true, clip.id(), 0, path);
        }
    }

    /** As the shot shows a part. */
    private record PartOnShot(TrackOnShot seen, TrackOnShot steady) {

        Optional<MovingTrack> moving() {
            return seen.movement()
                    .map(movement -> new MovingTrack(
                            seen.track(),
                            movement,
                            movement.smoothed(SMOOTHED),
                            Optional.empty(),
                            Map.of(),
                            steady.movement()));
        }
    }

    /** A drawn part whose way is shown. */
    record Drawn(String level, String part, DrawnPath.Anchor anchor) {}

    StudyWork(Session session, TakesWay inBetweens) {
        this.session = session;
        this.inBetweens = inBetweens;
        session.document().whenOpened(() -> {
            chosen.set("");
            heldStill.set(false);
            drawn.clear();
            parts = Optional.empty();
        });
        session.document().shownProperty().addListener(changed -> measure());
        chosen.addListener(changed -> goesOn.set(false));
        byHand.addListener(changed -> goesOn.set(false));
        session.view().toolProperty().addListener(changed -> goesOn.set(false));
        session.footages().opened().addListener((MapChangeListener<String, Reference>) changed -> measureAnew());
        AttachWork.follow(this);
        measure();
    }

    Session session() {
        return session;
    }

    /** What in-betweens are made from. */
    TakesWay inBetweens() {
        return inBetweens;
    }

    /** The id of the point that was touched last. */
    StringProperty chosenProperty() {
        return chosen;
    }

    /** Whether a touch sets the chosen point on one frame and goes on to the next, and follows nothing. */
    BooleanProperty byHandProperty() {
        return byHand;
    }

    /** Whether the next touch says where the chosen point, which was lost, goes on. */
    BooleanProperty goesOnProperty() {
        return goesOn;
    }

    /** Where no point is chosen, chooses one that is known on the frame, or else any. */
    void chooseAny() {
        if (chosen.get().isEmpty()) {
            int frame = session.transport().frame();
            List<MovingTrack> shown = moving.get();
            shown.stream()
                    .filter(one -> one.movement().knows(frame))
                    .findFirst()
                    .or(() -> shown.stream().findFirst())
                    .ifPresent(one -> chosen.set(one.track().id()));
        }
    }

    /** Goes to where a point was lost, so that the next touch says where it goes on. */
    void findAgain(Track track, TrackPath.Lost loss) {
        chosen.set(track.id());
        onShot(track).flatMap(on -> on.frameOf(loss.picture())).ifPresent(session.transport()::go);
        byHand.set(false);
        session.view().toolProperty().set(TrackTool.TOOL);
        goesOn.set(true);
    }

    /** Whether the view moves along with the chosen point. */
    BooleanProperty heldStillProperty() {
        return heldStill;
    }

    /** Whether the graph also lies large over the board. */
    BooleanProperty largeGraphProperty() {
        return largeGraph;
    }

    ObjectProperty<StudyMeasure> measureProperty() {
        return measure;
    }

    /** The shown points that are known on some frame. */
    ReadOnlyObjectProperty<List<MovingTrack>> movingProperty() {
        return moving.getReadOnlyProperty();
    }

    /** Those of the shown that are of footage, and not of drawings. */
    List<MovingTrack> filmed() {
        return moving.get().stream().filter(track -> !track.isDrawn()).toList();
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
                && measuredOf.rides().equals(shot.rides())
                && (drawn.isEmpty() || measuredOf.levels() == shot.levels())
                && measuredOf.setup().equals(shot.setup())) {
            return;
        }
        measuredOf = shot;
        List<TrackOnShot> tracks = shot.tracks().stream()
                .filter(track -> isSeen(shot, track))
                .map(this::onShot)
                .flatMap(Optional::stream)
                .toList();
        List<Drawn> ways = List.copyOf(drawn);
        List<PartOnShot> moving = tracks.isEmpty() ? onShot(shot, parts) : List.of();
        int asked = ++measurings;
        session.proposals()
                .findQuietly(job -> asked == measurings ? movements(tracks, moving, shot, ways) : null, found -> {
                    if (asked == measurings && found != null) {
                        this.moving.set(found);
                    }
                });
    }

    /** None once their clip is gone, hidden or another file. */
    private List<PartOnShot> onShot(Shot shot, Optional<Parts> shown) {
        List<PartOnShot> out = new ArrayList<>();
        shown.filter(of -> shot.footage(of.clip().id())
                        .filter(clip ->
                                clip.visible() && clip.file().equals(of.clip().file()))
                        .isPresent())
                .ifPresent(of -> {
                    for (MovingPart part : of.found()) {
                        Optional<TrackOnShot> seen = onShot(shot, of.track(out.size(), part.seen()));
                        Optional<TrackOnShot> steady = onShot(shot, of.track(out.size(), part.steady()));
                        if (seen.isPresent() && steady.isPresent()) {
                            out.add(new PartOnShot(seen.get(), steady.get()));
                        }
                    }
                });
        return out;
    }

    /** A point of footage that is hidden is hidden with it. */
    private static boolean isSeen(Shot shot, Track track) {
        return track.visible()
                && shot.footage(track.footage()).filter(Footage::visible).isPresent();
    }

    private static List<MovingTrack> movements(
            List<TrackOnShot> tracks, List<PartOnShot> parts, Shot shot, List<Drawn> drawn) {
        Map<String, MovingPoint> known = new LinkedHashMap<>();
        tracks.forEach(
                on -> on.movement().ifPresent(movement -> known.put(on.track().id(), movement)));
        List<MovingTrack> out = new ArrayList<>();
        for (TrackOnShot on : tracks) {
            MovingPoint movement = known.get(on.track().id());
            if (movement != null) {
                Optional<MovingPoint> partner =
                        Optional.ofNullable(known.get(on.track().partner()));
                Map<Integer, TrackPath.Place> patch = on.track().isPatch() ? on.places() : Map.of();
                out.add(new MovingTrack(
                        on.track(), movement, movement.smoothed(SMOOTHED), partner, patch, Optional.empty()));
            }
        }
        parts.forEach(part -> part.moving().ifPresent(out::add));
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
                            Optional.empty(),
                            Map.of(),
                            Optional.empty())));
        }
        return List.copyOf(out);
    }

    /** Stands for a drawn part among the points; it is of no footage. */
    private static Track drawnTrack(Drawn part, int color) {
        return new Track(
                "drawn " + part.level() + " " + part.part(),
                Words.STUDY.of("drawn", part.part()),
                Track.color(color),
                true,
                "",
                0,
                TrackPath.NONE);
    }

    /** Shows what moves in a clip as long as no point is tracked; empty to show it no longer. */
    void showParts(Optional<Parts> found) {
        parts = found;
        measureAnew();
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

    void remove(String id) {
        session.document().apply(TrackEdits.remove(id));
    }

    void rename(String id, String name) {
        if (!name.isBlank()) {
            session.document()
                    .apply(TrackEdits.change(
                            Words.STUDY.of("rename-a-point"), id, track -> track.withName(name.strip())));
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
        change(
                Words.STUDY.of("bridge-gaps-edit"),
                id,
                track -> track.withPath(track.path().bridged(Integer.MAX_VALUE - 1)));
    }

    /** In words: on how many frames it was found, and why not on more. */
    static String words(Track track) {
        int count = track.path().places().size();
        String found = Words.STUDY.count("pictures", count);
        long guessed = track.path().places().stream()
                .filter(place -> place.origin() == TrackPath.Origin.GUESSED)
                .count();
        return guessed > 0 ? Words.STUDY.of("guessed", found, guessed) : found;
    }
}
