package chalktrace.app.footage;

import chalktrace.app.footage.OpenSource.Found;
import chalktrace.app.footage.OpenSource.Origin;
import chalktrace.app.kernel.Document;
import chalktrace.app.kernel.OutsideMedia;
import chalktrace.core.picture.Picture;
import chalktrace.core.render.FootagePictures;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Region;
import chalktrace.core.space.Figure;
import chalktrace.core.space.Staging;
import chalktrace.core.work.Workers;
import chalktrace.media.UnreadableException;
import chalktrace.media.footage.FileStamp;
import chalktrace.media.footage.FrameCache;
import chalktrace.media.footage.Proxy;
import chalktrace.media.footage.Reference;
import chalktrace.media.footage.References;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyLongProperty;
import javafx.beans.property.ReadOnlyLongWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.collections.FXCollections;
import javafx.collections.MapChangeListener;
import javafx.collections.ObservableMap;
import javafx.collections.ObservableSet;
import javafx.util.Duration;

/**
 * The opened footage of the shot. A picture that is not at hand is asked for, and its proxy or the last one shown stands
 * in until it comes, which the head says. Lives on the FX thread; files are opened and read on threads of their own.
 */
public final class Footages implements FootagePictures {

    /** Decoded pictures of all clips and proxies together: about 9 s of 720p, 4 s of 1080p. */
    private static final long CACHE_BYTES = 400L << 20;

    /** Who stays on a frame for this long rests on it. */
    private static final Duration REST = Duration.millis(200);

    /** Which pictures the board shows. */
    public enum Seen {
        NOTHING,
        SOURCE,
        PROXY
    }

    private final Document document;
    private final OutsideMedia outside;
    private final Proxies proxies;
    private final FrameCache cache = new FrameCache(CACHE_BYTES);
    private final Map<String, OpenSource> byFile = new HashMap<>();
    private final Map<String, String> stamps = new HashMap<>();
    private final Map<String, Shown> lastShown = new HashMap<>();
    private final Set<String> awaited = new HashSet<>();
    private final ObservableMap<String, String> problems = FXCollections.observableHashMap();
    private final ObservableMap<String, Reference> opened = FXCollections.observableHashMap();
    private final ObservableSet<String> changed = FXCollections.observableSet();
    private final ReadOnlyStringWrapper doubt = new ReadOnlyStringWrapper();
    private final ReadOnlyLongWrapper arrivals = new ReadOnlyLongWrapper();
    private final ReadOnlyLongWrapper fitted = new ReadOnlyLongWrapper();
    private final ReadOnlyBooleanWrapper settling = new ReadOnlyBooleanWrapper();
    private final ReadOnlyObjectWrapper<ShownFootage> latest = new ReadOnlyObjectWrapper<>(ShownFootage.NONE);
    private final ReadOnlyObjectWrapper<Seen> seen = new ReadOnlyObjectWrapper<>(Seen.NOTHING);
    private final PauseTransition rest = new PauseTransition(REST);
    private int frameBefore = -1;
    private boolean running;
    private final ExecutorService opener = Workers.one("open footage");
    private final LentFigures lent = new LentFigures(opener, () -> {
        fitted.set(fitted.get() + 1);
        arrivals.set(arrivals.get() + 1);
    });

    public Footages(Document document, Proxies proxies, OutsideMedia outside) {
        this.document = document;
        this.outside = outside;
        this.proxies = proxies;
        document.shownProperty().addListener((property, before, now) -> {
            if (before.footage() != now.footage()) {
                follow();
            }
        });
        document.shotProperty().addListener((property, before, now) -> {
            if (before.footage() != now.footage()) {
                follow();
            }
        });
        proxies.made().addListener((MapChangeListener<String, Proxy>) change -> {
            OpenSource open = byFile.get(change.getKey());
            if (change.wasAdded() && open != null) {
                open.use(change.getValueAdded(), cache);
                arrivals.set(arrivals.get() + 1);
            }
        });
        outside.whenAllowed(() -> {
            problems.values().removeIf(OutsideMedia.HELD_BACK::equals);
            follow();
        });
        rest.setOnFinished(rested -> arrivals.set(arrivals.get() + 1));
        follow();
    }

    /** Rises whenever pictures that were asked for have come. */
    public ReadOnlyLongProperty arrivalsProperty() {
        return arrivals.getReadOnlyProperty();
    }

    /** Whether what was last shown had a stand-in in it. */
    public ReadOnlyBooleanProperty settlingProperty() {
        return settling.getReadOnlyProperty();
    }

    /** Whether the source's own pictures or those of a proxy are seen. */
    public ReadOnlyObjectProperty<Seen> seenProperty() {
        return seen.getReadOnlyProperty();
    }

    /** What is wrong with a picture that is seen, or why the one before stands in for it; null when all is well. */
    public ReadOnlyStringProperty doubtProperty() {
        return doubt.getReadOnlyProperty();
    }

    /** What is wrong with a file, by its path. */
    public ObservableMap<String, String> problems() {
        return problems;
    }

    /** The opened footage, by the path of its file. */
    public ObservableMap<String, Reference> opened() {
        return opened;
    }

    /** The model that footage is, with the animation that it borrows as soon as that is fitted to it; empty of what is no model or not open. */
    public Optional<Figure> figure(Footage clip) {
        return Optional.ofNullable(opened.get(clip.file()))
                .flatMap(Reference::figure)
                .map(own -> clip.staging()
                        .flatMap(Staging::borrowed)
                        .flatMap(borrowed -> document.shown()
                                .footage(borrowed.footage())
                                .flatMap(lender -> Optional.ofNullable(opened.get(lender.file())))
                                .flatMap(Reference::figure)
                                .map(lender ->
                                        lent.of(clip.id(), own, clip.staging().get(), lender)))
                        .orElse(own));
    }

    /** Rises whenever a borrowed animation was fitted to its model. */
    public ReadOnlyLongProperty fittedProperty() {
        return fitted.getReadOnlyProperty();
    }

    /** The opened files that were changed on the disk since. */
    public ObservableSet<String> changed() {
        return changed;
    }

    /** Whether a file has a proxy, or a part of one. */
    public boolean hasProxy(String file) {
        return byFile.containsKey(file) && byFile.get(file).hasProxy();
    }

    /** Says whether frames follow each other by themselves; proxies serve then. */
    public void setRunning(boolean playing) {
        running = playing;
        arrivals.set(arrivals.get() + 1);
    }

    /** Opens a file anew, as it is on the disk now. */
    public void readAgain(String file) {
        letGo(file);
        problems.remove(file);
        follow();
    }

    /**
     * What a frame shows, once for all who show it; what is not at hand is asked for.
     *
     * @param clips the footage that is seen
     */
    public ShownFootage ask(List<Footage> clips, int frame) {
        if (frame != frameBefore) {
            frameBefore = frame;
            // Nobody rests in play, and a clock that runs lets the window look for changes sixty times a second.
            if (!running) {
                rest.playFromStart();
            }
        }
        Asking asking = new Asking(frame);
        clips.forEach(asking::ask);
        ShownFootage answer = asking.answer();
        settling.set(answer.settling());
        doubt.set(answer.doubt());
        seen.set(answer.seen());
        latest.set(answer);
        return answer;
    }

    /** What a frame would show, asking for nothing; empty when a picture of it is not at hand. */
    public Optional<ShownFootage> atHand(List<Footage> clips, int frame) {
        Map<String, Shown> pictures = new HashMap<>();
        for (Footage clip : clips) {
            OpenSource open = byFile.get(clip.file());
            Optional<Footage.Showing> showing = open == null ? Optional.empty() : showing(open, clip, frame);
            if (showing.isPresent()) {
                Optional<Picture> picture = open.atHand(clip, showing.get().picture(), running);
                if (picture.isEmpty()) {
                    return Optional.empty();
                }
                pictures.put(
                        clip.id(),
                        shown(open, clip, picture.get(), showing.get().region()));
            }
        }
        return Optional.of(new ShownFootage(pictures, false, null, Seen.NOTHING));
    }

    private static Shown shown(OpenSource open, Footage clip, Picture picture, Region region) {
        return new Shown(picture, open.displaySize(clip), open.reference().turnDegrees(), region);
    }

    /** What the board shows now. */
    public ReadOnlyObjectProperty<ShownFootage> latestProperty() {
        return latest.getReadOnlyProperty();
    }

    /** What was shown of footage last. */
    @Override
    public Optional<Shown> at(Footage clip, int frame) {
        OpenSource open = byFile.get(clip.file());
        return open == null || showing(open, clip, frame).isEmpty()
                ? Optional.empty()
                : Optional.ofNullable(lastShown.get(clip.id()));
    }

    private Optional<Footage.Showing> showing(OpenSource open, Footage clip, int frame) {
        return clip.at(frame, document.shown().setup().rate(), open.reference().times());
    }

    /** One frame's question. */
    private final class Asking {

        private final int frame;
        private final boolean atRest = rest.getStatus() != PauseTransition.Status.RUNNING;
        private final Map<String, Shown> pictures = new HashMap<>();
        private boolean standsIn;
        private String wrong;
        private Seen from = Seen.NOTHING;

        Asking(int frame) {
            this.frame = frame;
        }

        void ask(Footage clip) {
            OpenSource open = byFile.get(clip.file());
            if (open == null) {
                standsIn |= !problems.containsKey(clip.file());
                return;
            }
            Optional<Footage.Showing> showing = showing(open, clip, frame);
            if (showing.isEmpty()) {
                awaited.remove(clip.id());
                lastShown.remove(clip.id());
                return;
            }
            Optional<Found> found = open.find(clip, showing.get().picture(), atRest, running);
            if (found.isPresent()) {
                awaited.remove(clip.id());
                see(open, found.get());
                lastShown.put(
                        clip.id(),
                        shown(open, clip, found.get().picture(), showing.get().region()));
            } else {
                awaited.add(clip.id());
                standsIn = true;
            }
            Optional.ofNullable(lastShown.get(clip.id())).ifPresent(shown -> pictures.put(clip.id(), shown));
        }

        private void see(OpenSource open, Found found) {
            if (!found.why().isEmpty()) {
                wrong = found.why();
            }
            if (found.origin() == Origin.PROXY) {
                from = Seen.PROXY;
            } else if (open.hasProxy() && from == Seen.NOTHING) {
                from = Seen.SOURCE;
            }
        }

        ShownFootage answer() {
            return new ShownFootage(pictures, standsIn, wrong, from);
        }
    }

    /** A picture of footage, whole, as far as it is at hand; asks for it otherwise. */
    public Optional<Shown> whole(Footage clip, int picture) {
        OpenSource open = byFile.get(clip.file());
        Optional<Found> found = open == null ? Optional.empty() : open.find(clip, picture, true, running);
        if (found.isEmpty()) {
            awaited.add(clip.id());
        }
        return found.map(f ->
                new Shown(f.picture(), open.displaySize(clip), open.reference().turnDegrees()));
    }

    /** Looks on the disk which of the opened files were changed. On any thread. */
    public void lookForChanges() {
        Platform.runLater(() -> Map.copyOf(stamps)
                .forEach((file, stamp) -> opener.execute(() -> {
                    String now = FileStamp.of(Path.of(file));
                    if (!now.equals(stamp)) {
                        Platform.runLater(() -> noteChange(file, stamp, now));
                    }
                })));
    }

    private void noteChange(String file, String before, String now) {
        if (!before.equals(stamps.get(file))) {
            return;
        }
        stamps.put(file, now);
        if (problems.containsKey(file)) {
            readAgain(file);
        } else if (FileStamp.isGone(now)) {
            letGo(file);
            stamps.put(file, now);
            problems.put(file, "This file was moved or taken away while it was open.");
            arrivals.set(arrivals.get() + 1);
        } else {
            changed.add(file);
        }
    }

    /** @return done when nothing is read any more */
    public CompletableFuture<Void> close() {
        Workers.stop(opener);
        CompletableFuture<Void> unread = CompletableFuture.allOf(
                byFile.values().stream().map(OpenSource::end).toArray(CompletableFuture[]::new));
        byFile.clear();
        return unread;
    }

    private void follow() {
        Set<String> inShot =
                document.shot().footage().stream().map(Footage::file).collect(Collectors.toSet());
        Set<String> wanted = Stream.concat(
                        inShot.stream(), document.shown().footage().stream().map(Footage::file))
                .collect(Collectors.toSet());
        for (String file : Set.copyOf(byFile.keySet())) {
            if (!wanted.contains(file)) {
                letGo(file);
            }
        }
        problems.keySet().retainAll(wanted);
        stamps.keySet().retainAll(wanted);
        List<String> shown =
                document.shown().footage().stream().map(Footage::id).toList();
        lastShown.keySet().retainAll(shown);
        awaited.retainAll(shown);
        lent.retain(shown);
        for (String file : wanted) {
            if (byFile.containsKey(file)) {
                considerProxy(file);
            } else if (outside.isHeldBack(file)) {
                problems.put(file, OutsideMedia.HELD_BACK);
            } else if (!problems.containsKey(file)) {
                opener.execute(() -> open(file));
            }
        }
    }

    private void letGo(String file) {
        OpenSource gone = byFile.remove(file);
        stamps.remove(file);
        changed.remove(file);
        opened.remove(file);
        if (gone != null) {
            // The proxy may only be closed when nobody reads from it any more.
            opener.execute(() -> {
                gone.end().join();
                proxies.release(file);
            });
        }
    }

    /** Opens a file on the opener's thread and hands it over. */
    private void open(String file) {
        String stamp = FileStamp.of(Path.of(file));
        try {
            Reference reference = References.open(Path.of(file));
            Platform.runLater(() -> accept(file, stamp, reference));
        } catch (UnreadableException e) {
            Platform.runLater(() -> {
                problems.put(file, e.getMessage());
                stamps.put(file, stamp);
                arrivals.set(arrivals.get() + 1);
            });
        }
    }

    private void accept(String file, String stamp, Reference reference) {
        boolean wanted = Stream.concat(document.shown().footage().stream(), document.shot().footage().stream())
                .anyMatch(clip -> clip.file().equals(file));
        if (!wanted || byFile.containsKey(file)) {
            opener.execute(reference::close);
            return;
        }
        byFile.put(file, opened(reference));
        stamps.put(file, stamp);
        considerProxy(file);
        opened.put(file, reference);
        arrivals.set(arrivals.get() + 1);
    }

    private OpenSource opened(Reference reference) {
        return reference.figure().isPresent()
                ? new OpenModel(
                        reference,
                        clip -> figure(clip).orElseThrow(),
                        () -> document.shown().setup(),
                        this::pictureArrived)
                : new OpenFootage(reference, cache, this::pictureArrived);
    }

    /** A proxy is made for what is in the shot, not for what is only looked at. */
    private void considerProxy(String file) {
        if (byFile.get(file).reference().figure().isEmpty()
                && document.shot().footage().stream()
                        .anyMatch(clip -> clip.file().equals(file))) {
            proxies.consider(file, byFile.get(file).reference());
        }
    }

    /** Only a picture that somebody looks for is news; those read ahead are not. */
    private void pictureArrived() {
        if (!awaited.isEmpty() || (seen.get() == Seen.PROXY && !running)) {
            arrivals.set(arrivals.get() + 1);
        }
    }
}
