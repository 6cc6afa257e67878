package chalktrace.app.sound;

import chalktrace.app.kernel.Document;
import chalktrace.app.kernel.OutsideMedia;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.sound.PcmBuffer;
import chalktrace.core.sound.Peaks;
import chalktrace.core.sound.ShotMix;
import chalktrace.core.sound.SoundSource;
import chalktrace.core.work.Workers;
import chalktrace.media.UnreadableException;
import chalktrace.media.sound.SoundFiles;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.stream.Collectors;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.collections.FXCollections;
import javafx.collections.ObservableMap;

/** The read sounds of the shot, with their peaks, and the mix of them. Lives on the FX thread. */
public final class Sounds implements SoundSource {

    private final Document document;
    private final OutsideMedia outside;
    private final ObservableMap<String, Peaks> byFile = FXCollections.observableHashMap();
    private final ObservableMap<String, String> problems = FXCollections.observableHashMap();
    private final ReadOnlyObjectWrapper<ShotMix> mix = new ReadOnlyObjectWrapper<>();
    private final ExecutorService thread = Workers.one("read sound");

    /** Files that wait to be read, or are being read. */
    private final Set<String> reading = new HashSet<>();

    public Sounds(Document document, OutsideMedia outside) {
        this.document = document;
        this.outside = outside;
        document.shownProperty().addListener((property, before, now) -> {
            if (before.sounds() != now.sounds()) {
                follow(now);
            }
        });
        outside.whenAllowed(() -> {
            problems.values().removeIf(OutsideMedia.HELD_BACK::equals);
            follow(document.shown());
        });
        follow(document.shown());
    }

    /** The shot's sounds as far as they are read. */
    public ReadOnlyObjectProperty<ShotMix> mixProperty() {
        return mix.getReadOnlyProperty();
    }

    /** The read sounds, by the path of their file. */
    public ObservableMap<String, Peaks> peaks() {
        return byFile;
    }

    /** What is wrong with a file, by its path. */
    public ObservableMap<String, String> problems() {
        return problems;
    }

    @Override
    public Optional<PcmBuffer> of(SoundClip clip) {
        return Optional.ofNullable(byFile.get(clip.file())).map(Peaks::sound);
    }

    public void close() {
        Workers.stop(thread);
    }

    private void follow(Shot shot) {
        Set<String> wanted = shot.sounds().stream().map(SoundClip::file).collect(Collectors.toSet());
        byFile.keySet().retainAll(wanted);
        problems.keySet().retainAll(wanted);
        for (String file : wanted) {
            if (outside.isHeldBack(file)) {
                problems.put(file, OutsideMedia.HELD_BACK);
            } else if (!byFile.containsKey(file) && !problems.containsKey(file) && reading.add(file)) {
                thread.execute(() -> read(file));
            }
        }
        remix();
    }

    private void read(String file) {
        try {
            Peaks peaks = new Peaks(SoundFiles.read(Path.of(file)));
            Platform.runLater(() -> ended(file, () -> byFile.put(file, peaks)));
        } catch (UnreadableException e) {
            Platform.runLater(() -> ended(file, () -> problems.put(file, e.getMessage())));
        } catch (RuntimeException | Error e) {
            Platform.runLater(() -> reading.remove(file));
            throw e;
        }
    }

    /** The shot may have let go of a file while it was read. */
    private void ended(String file, Runnable taken) {
        reading.remove(file);
        if (isWanted(file)) {
            taken.run();
            remix();
        }
    }

    private boolean isWanted(String file) {
        return document.shown().sounds().stream().anyMatch(clip -> clip.file().equals(file));
    }

    private void remix() {
        mix.set(ShotMix.of(document.shown(), this));
    }
}
