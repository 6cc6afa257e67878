package chalktrace.app.kernel;

import chalktrace.app.words.Words;
import chalktrace.core.shot.Shot;
import chalktrace.media.UnreadableException;
import chalktrace.media.file.Leftover;
import chalktrace.media.file.ShotFile;
import chalktrace.media.file.UnsavedWork;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;

/** Unsaved work that earlier sessions left: found, restored, saved as a copy, put into the bin. Lives on the FX thread. */
public final class LeftWork {

    private final Document document;
    private final Jobs jobs;
    private final Notices notices;
    private final Keeping keeping;
    private final UnsavedWork unsaved;

    /** What stands in place of the open shot and was not saved yet. */
    private final List<Found> restored = new ArrayList<>();

    LeftWork(Document document, Jobs jobs, Notices notices, Keeping keeping, UnsavedWork unsaved) {
        this.document = document;
        this.jobs = jobs;
        this.notices = notices;
        this.keeping = keeping;
        this.unsaved = unsaved;
    }

    /**
     * Unsaved work that was left, with what could be read of it.
     *
     * @param shot empty where nothing could
     * @param file of the shot, also where it has another name by now; empty where it has none or has gone
     * @param words what is missing or wrong
     */
    public record Found(Leftover leftover, Optional<Shot> shot, Optional<Path> file, String words) {

        boolean isWhole() {
            return words.isEmpty();
        }
    }

    /** What was left of all shots, and what of it was discarded lately; the latest first. */
    public record AllFound(List<Found> left, List<Found> discarded) {}

    /** Looks for unsaved work of all shots. */
    public void findAll(Consumer<AllFound> then) {
        Document.Opening opening = document.opening();
        jobs.run(
                Words.DESK.of("look-for-unsaved-work"),
                job -> {
                    unsaved.emptyBin(Instant.now());
                    return new AllFound(read(unsaved.all()), read(unsaved.discarded()));
                },
                found -> {
                    if (document.isStill(opening)) {
                        then.accept(found);
                    }
                },
                notices::problem);
    }

    /** Looks for unsaved work of a shot; says nothing where there is none. */
    void find(Path file, Consumer<List<Found>> then) {
        Document.Opening opening = document.opening();
        jobs.run(
                Words.DESK.of("look-for-unsaved-work"),
                job -> read(unsaved.of(file)),
                found -> {
                    if (!found.isEmpty() && document.isStill(opening)) {
                        then.accept(found);
                    }
                },
                notices::problem);
    }

    private List<Found> read(List<Leftover> leftovers) {
        return leftovers.stream().map(this::read).toList();
    }

    private Found read(Leftover leftover) {
        Optional<Path> file = unsaved.fileOf(leftover);
        try {
            Leftover.Recovered recovered = leftover.recover();
            String missing = recovered.missing().isEmpty()
                    ? ""
                    : Words.DESK.of("missing", String.join(", ", recovered.missing()));
            return new Found(leftover, Optional.of(recovered.shot()), file, missing);
        } catch (UnreadableException e) {
            return new Found(leftover, Optional.empty(), file, e.getMessage());
        }
    }

    /** Puts unsaved work in place of the open shot, as a step that can be undone; it stays on the disk until that is saved. */
    public void restore(Found found) {
        found.shot().ifPresent(shot -> {
            if (found.isWhole()) {
                keeping.restored(found.leftover(), shot);
            }
            document.recover(shot);
        });
        restored.add(found);
    }

    /** Writes unsaved work to a file of its own; the open shot and what was left stay as they are. */
    public void saveCopy(Found found, Path target) {
        jobs.run(
                Words.DESK.of("save-file", target.getFileName()),
                job -> ShotFile.fresh().save(found.shot().orElseThrow(), target),
                written -> notices.say(Words.DESK.of("saved-a-copy", target)),
                notices::problem);
    }

    /** Puts unsaved work into the bin. */
    public void discard(Found found) {
        jobs.runQuietly(
                job -> {
                    unsaved.discard(found.leftover());
                    return true;
                },
                done -> {},
                notices::problem);
    }

    /** Work whose restoring was undone is not in what is saved now. */
    List<Leftover> savedNow() {
        return restored.stream()
                .filter(found -> found.shot().filter(document::hasBeen).isPresent())
                .map(Found::leftover)
                .toList();
    }

    /** Another shot is open, or this one was saved: nothing that was restored waits any more. */
    void begin() {
        restored.clear();
    }
}
