package chalktrace.app.session;

import chalktrace.core.picture.Picture;
import chalktrace.core.render.FootagePictures;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Shot;
import chalktrace.media.UnreadableException;
import chalktrace.media.footage.FootageReader;
import chalktrace.media.footage.FrameCache;
import chalktrace.media.footage.Reference;
import chalktrace.media.footage.References;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.stream.Collectors;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyLongProperty;
import javafx.beans.property.ReadOnlyLongWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.collections.FXCollections;
import javafx.collections.ObservableMap;

/**
 * The opened footage of the shot. A picture that is not at hand is asked for, and the last one shown stands in until it
 * comes, which the head says. Lives on the FX thread; files are opened and read on threads of their own.
 */
public final class Footages implements FootagePictures {

    /** Decoded pictures of all clips together: about 10 s of 720p, 4 s of 1080p. */
    private static final long CACHE_BYTES = 400L << 20;

    private final Document document;
    private final FrameCache cache = new FrameCache(CACHE_BYTES);
    private final Map<String, FootageReader> byFile = new HashMap<>();
    private final Map<String, Shown> lastShown = new HashMap<>();
    private final ObservableMap<String, String> problems = FXCollections.observableHashMap();
    private final ObservableMap<String, Reference> opened = FXCollections.observableHashMap();
    private final Map<String, Map<Integer, String>> missingPictures = new HashMap<>();
    private final ReadOnlyStringWrapper standIn = new ReadOnlyStringWrapper();
    private final ReadOnlyLongWrapper arrivals = new ReadOnlyLongWrapper();
    private final ReadOnlyBooleanWrapper settling = new ReadOnlyBooleanWrapper();
    private final ExecutorService opener = Executors.newSingleThreadExecutor(task -> {
        Thread made = new Thread(task, "open footage");
        made.setDaemon(true);
        return made;
    });

    Footages(Document document) {
        this.document = document;
        document.shownProperty().addListener((property, before, now) -> {
            if (before.footage() != now.footage()) {
                follow(now);
            }
        });
        follow(document.shown());
    }

    /** Rises whenever pictures that were asked for have come. */
    public ReadOnlyLongProperty arrivalsProperty() {
        return arrivals.getReadOnlyProperty();
    }

    /** Whether what was last shown had a stand-in in it. */
    public ReadOnlyBooleanProperty settlingProperty() {
        return settling.getReadOnlyProperty();
    }

    /** Why the picture before stands in for one that is missing or damaged; null when none does. */
    public ReadOnlyStringProperty standInProperty() {
        return standIn.getReadOnlyProperty();
    }

    /** What is wrong with a file, by its path. */
    public ObservableMap<String, String> problems() {
        return problems;
    }

    /** The opened footage, by the path of its file. */
    public ObservableMap<String, Reference> opened() {
        return opened;
    }

    /** Asks for what a frame shows; to be called before the frame is composed. */
    public void beginFrame() {
        settling.set(false);
        standIn.set(null);
    }

    @Override
    public Optional<Shown> at(Footage clip, int frame) {
        FootageReader reader = byFile.get(clip.file());
        if (reader == null) {
            if (!problems.containsKey(clip.file())) {
                settling.set(true);
            }
            return Optional.empty();
        }
        Reference reference = reader.reference();
        OptionalInt n = clip.conform().pictureAt(frame, document.shown().setup().rate(), reference.times());
        if (n.isEmpty()) {
            lastShown.remove(clip.id());
            return Optional.empty();
        }
        reader.want(n.getAsInt());
        Optional<Picture> picture = reader.atHand(n.getAsInt());
        picture.ifPresent(
                p -> lastShown.put(clip.id(), new Shown(p, reference.displaySize(), reference.turnDegrees())));
        if (picture.isEmpty()) {
            Map<Integer, String> allMissing = missingPictures.getOrDefault(clip.file(), Map.of());
            String missing = allMissing.get(n.getAsInt());
            Optional<Picture> before =
                    missing == null ? Optional.empty() : lastBefore(reader, allMissing, n.getAsInt());
            before.ifPresent(p -> {
                lastShown.put(clip.id(), new Shown(p, reference.displaySize(), reference.turnDegrees()));
                standIn.set(missing);
            });
            settling.set(settling.get() || before.isEmpty());
        }
        return Optional.ofNullable(lastShown.get(clip.id()));
    }

    /** The nearest picture before one that is not missing too; empty while it is still being read. */
    private static Optional<Picture> lastBefore(FootageReader reader, Map<Integer, String> missing, int n) {
        for (int k = n - 1; k >= Math.max(0, n - FootageReader.AHEAD); k--) {
            Optional<Picture> picture = reader.atHand(k);
            if (picture.isPresent() || !missing.containsKey(k)) {
                return picture;
            }
        }
        return Optional.empty();
    }

    void close() {
        opener.shutdownNow();
        byFile.values().forEach(FootageReader::close);
        byFile.clear();
    }

    private void follow(Shot shot) {
        Set<String> wanted = shot.footage().stream().map(Footage::file).collect(Collectors.toSet());
        for (String file : Set.copyOf(byFile.keySet())) {
            if (!wanted.contains(file)) {
                FootageReader gone = byFile.remove(file);
                opened.remove(file);
                opener.execute(gone::close);
            }
        }
        problems.keySet().retainAll(wanted);
        missingPictures.keySet().retainAll(wanted);
        lastShown.keySet().retainAll(shot.footage().stream().map(Footage::id).toList());
        for (String file : wanted) {
            if (!byFile.containsKey(file) && !problems.containsKey(file)) {
                opener.execute(() -> open(file));
            }
        }
    }

    /** Opens a file on the opener's thread and hands it over. */
    private void open(String file) {
        try {
            Reference reference = References.open(Path.of(file));
            Platform.runLater(() -> accept(file, reference));
        } catch (UnreadableException e) {
            Platform.runLater(() -> {
                problems.put(file, e.getMessage());
                arrivals.set(arrivals.get() + 1);
            });
        }
    }

    private void accept(String file, Reference reference) {
        boolean wanted =
                document.shown().footage().stream().anyMatch(clip -> clip.file().equals(file));
        if (!wanted || byFile.containsKey(file)) {
            opener.execute(reference::close);
            return;
        }
        byFile.put(file, new FootageReader(reference, cache, new FootageReader.Listener() {
            @Override
            public void arrived(int n) {
                Platform.runLater(() -> pictureArrived());
            }

            @Override
            public void missing(int n, String why) {
                Platform.runLater(() -> {
                    missingPictures.computeIfAbsent(file, f -> new HashMap<>()).put(n, why);
                    pictureArrived();
                });
            }
        }));
        opened.put(file, reference);
        arrivals.set(arrivals.get() + 1);
    }

    /** Only a picture that somebody looks for is news; those read ahead are not. */
    private void pictureArrived() {
        if (settling.get()) {
            arrivals.set(arrivals.get() + 1);
        }
    }
}
