package chalktrace.app.kernel;

import chalktrace.app.state.Preferences;
import chalktrace.app.words.Times;
import chalktrace.app.words.Words;
import chalktrace.core.edit.Edit;
import chalktrace.core.shot.Shot;
import chalktrace.media.UnwritableException;
import chalktrace.media.file.FileMark;
import chalktrace.media.file.Leftover;
import chalktrace.media.file.SavedShot;
import chalktrace.media.file.ShotFile;
import chalktrace.media.file.ShotLock;
import chalktrace.media.file.UnsavedWork;
import chalktrace.media.file.Versions;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;

/**
 * Takes shots from the disk and puts them there, in the background, and finds unsaved work that earlier sessions left. Lives on the FX thread.
 */
public final class Shelf {

    /** The name of a shot that has none yet. */
    public static final String UNTITLED = Words.DESK.of("untitled");

    private final ReadOnlyIntegerWrapper versionsKept = new ReadOnlyIntegerWrapper();
    private final Preferences preferences;
    private final Document document;
    private final Jobs jobs;
    private final Notices notices;
    private final Keeping keeping;
    private final OutsideMedia outside;

    /** Of shots that were never saved, and of those whose own folder can't be written to. */
    private final Path unsavedFolder;

    private final UnsavedWork unsaved;

    private final LeftWork left;

    /** Of the open shot, as it was when that was opened or saved last; null for one that was never saved. */
    private volatile ShotPlace place;

    /** What is being written; null for nothing. */
    private Shot saving;

    /** What waits for the end of that. */
    private final List<Runnable> afterSaving = new ArrayList<>();

    private Asking asking;

    /** The place of which it was told that it has gone. */
    private ShotPlace told;

    public Shelf(
            Document document,
            Jobs jobs,
            Notices notices,
            Keeping keeping,
            OutsideMedia outside,
            Preferences preferences,
            Path stateFolder) {
        this.preferences = preferences;
        this.outside = outside;
        this.document = document;
        this.jobs = jobs;
        this.notices = notices;
        this.keeping = keeping;
        this.unsavedFolder = stateFolder.resolve("unsaved");
        asking = (other, then) -> notices.problem(other);
        unsaved = new UnsavedWork(unsavedFolder);
        left = new LeftWork(document, jobs, notices, keeping, unsaved);
        keeping.begin(placeOf(Optional.empty()), asBegun(document.shot()));
        document.shotProperty().addListener(changed -> note());
        document.unsavedProperty().addListener(changed -> note());
    }

    private KeptPlace placeOf(Optional<Path> file) {
        return KeptPlace.of(file, unsavedFolder);
    }

    private static SavedShot asBegun(Shot shot) {
        return new SavedShot(shot, Optional.empty());
    }

    /**
     * Opens a shot file in place of the open shot. A file that can't be opened changes nothing.
     *
     * @param leftovers hears, after opening, of unsaved work of this shot that was found
     */
    public void open(Path path, Consumer<List<LeftWork.Found>> leftovers) {
        open(path, false, leftovers, () -> {});
    }

    /** Unsaved work that earlier sessions left. */
    public LeftWork left() {
        return left;
    }

    /** Opens unsaved work of any shot in place of the open one, on top of its shot where that is still there. */
    public void openLeft(LeftWork.Found found) {
        Optional<Path> file = found.file();
        if (file.isEmpty()) {
            found.shot().ifPresent(shot -> startNew(Shot.empty(shot.name(), shot.setup())));
            left.restore(found);
            return;
        }
        open(file.get(), false, others -> {}, () -> {
            if (document.whyReadOnlyProperty().get() == null) {
                left.restore(found);
            }
        });
    }

    private void open(Path path, boolean takesLock, Consumer<List<LeftWork.Found>> leftovers, Runnable then) {
        Path file = path.toAbsolutePath().normalize();
        // Opened again, it is still ours.
        Optional<ShotLock.Taken> mine = document.lock()
                .filter(lock -> file.equals(document.pathProperty().get()))
                .map(ShotLock.Taken::of);
        jobs.run(
                Words.DESK.of("open-file", file.getFileName()),
                job -> {
                    ShotFile.Opened opened = ShotFile.open(file);
                    ShotLock.Taken lock =
                            mine.orElseGet(() -> takesLock ? ShotLock.takeOver(file) : ShotLock.take(file));
                    lock.lock().ifPresent(held -> ShotFile.tidy(file));
                    return new Read(opened, lock, ShotPlace.of(file));
                },
                read -> {
                    opened(file, read, leftovers);
                    then.run();
                },
                notices::problem);
    }

    private record Read(ShotFile.Opened opened, ShotLock.Taken lock, ShotPlace place) {}

    private void opened(Path file, Read read, Consumer<List<LeftWork.Found>> leftovers) {
        Shot shot = read.opened.shot();
        Optional<String> holder = read.lock.holder();
        String readOnly = read.opened
                .whyReadOnly()
                .or(() -> holder.map(who -> Words.DESK.of("is-open-by-you-can", file.getFileName(), who)))
                .orElse(null);
        keeping.begin(
                placeOf(Optional.of(file)),
                new SavedShot(shot, read.opened.file().mark()));
        left.begin();
        place = read.place;
        document.open(shot, read.opened.file(), file, read.lock.lock(), readOnly);
        notices.putAway();
        List<String> words = new ArrayList<>();
        List<Notices.Offer> offers = new ArrayList<>();
        if (readOnly != null) {
            words.add(readOnly);
        }
        if (read.lock.lock().filter(ShotLock::isBySign).isPresent()) {
            words.add(Words.DESK.of("no-locks-here", file.getFileName()));
        }
        if (readOnly != null
                && read.lock.mayBeLeft()
                && read.opened.whyReadOnly().isEmpty()) {
            words.add(Words.DESK.of("if-that-is-not-so"));
            offers.add(new Notices.Offer(Words.DESK.of("open-for-editing"), () -> takeOver(file, leftovers)));
        }
        if (!outside.folders().isEmpty()) {
            words.add(outside.question());
            offers.add(new Notices.Offer(Words.DESK.of("allow-and-read"), outside::allow));
        }
        if (!words.isEmpty()) {
            notices.offer(String.join(" ", words), offers.toArray(Notices.Offer[]::new));
        }
        if (readOnly == null) {
            left.find(file, leftovers);
        }
    }

    /** Opens the shot anew as one's own; what was drawn on it meanwhile would go with the one that is looked at. */
    private void takeOver(Path file, Consumer<List<LeftWork.Found>> leftovers) {
        if (document.unsavedProperty().get()) {
            notices.problem(Words.DESK.of("you-have-drawn-on-this", file.getFileName()));
        } else {
            open(file, true, leftovers, () -> {});
        }
    }

    /** Starts a new shot in place of the open one. */
    public void startNew(Shot shot) {
        keeping.begin(placeOf(Optional.empty()), asBegun(shot));
        left.begin();
        place = null;
        document.open(shot, ShotFile.fresh(), null, Optional.empty(), null);
        notices.putAway();
    }

    /** That a save would replace what another program has written, or has open by now. */
    public static final class InTheWay extends Exception {

        private final Path file;
        private final Optional<String> holder;

        private InTheWay(String message, Path file, Optional<String> holder) {
            super(message);
            this.file = file;
            this.holder = holder;
        }

        /** The file. */
        public Path file() {
            return file;
        }

        /** Who has it open, in words; empty where it was changed and nobody has it open. */
        public Optional<String> holder() {
            return holder;
        }
    }

    /** What asks how to go on where a save would replace what another program has written. */
    public interface Asking {

        /** @param then as it was given to the save */
        void inTheWay(InTheWay other, Runnable then);
    }

    /** From now on that is asked there. */
    public void asks(Asking asked) {
        asking = asked;
    }

    /** Saves to a place; {@code then} hears on the FX thread that it is done. */
    public void save(Path path, Runnable then) {
        save(path, false, then);
    }

    /** Saves to the place of the open shot also where another program has changed that. */
    public void replace(Path path, Runnable then) {
        save(path, true, then);
    }

    private void save(Path path, boolean replaces, Runnable then) {
        Path target = path.toAbsolutePath().normalize();
        nameAfter(target);
        Shot shot = document.shot();
        Document.Opening opening = document.opening();
        ShotFile itsFile = document.file();
        ShotPlace where = place;
        Optional<ShotLock> mine = document.lock();
        boolean isItsOwn = target.equals(document.pathProperty().get());
        boolean asks = !replaces && isItsOwn;
        Optional<Shot> inTheFile = isItsOwn && !replaces ? Optional.of(document.saved()) : Optional.empty();
        List<Leftover> done = left.savedNow();
        saving = shot;
        Jobs.Job save = jobs.run(
                Words.DESK.of("save-file", target.getFileName()),
                job -> {
                    requireThere(where, target);
                    if (asks && itsFile.isChangedByOthers(target)) {
                        throw inTheWay(target, Optional.empty());
                    }
                    Optional<ShotLock> lock = lock(target, mine);
                    Versions versions = new Versions(target);
                    Optional<Versions.Before> earlier = versions.before();
                    try {
                        FileMark mark = itsFile.save(shot, target);
                        done.forEach(unsaved::forget);
                        earlier.ifPresent(before -> keep(versions, before, inTheFile, shot));
                        return new Written(lock, mark, ShotPlace.of(target));
                    } catch (UnwritableException | RuntimeException e) {
                        earlier.ifPresent(Versions.Before::drop);
                        lock.filter(taken -> !mine.equals(lock)).ifPresent(ShotLock::close);
                        throw e;
                    }
                },
                written -> {
                    if (document.isStill(opening)) {
                        place = written.place;
                        saved(new SavedShot(shot, Optional.of(written.mark)), target, written.lock);
                        then.run();
                    } else if (!written.lock.equals(mine)) {
                        // Another shot has been opened: this one's file is whole, and not that one's.
                        written.lock.ifPresent(ShotLock::close);
                    }
                },
                failed -> {
                    if (failed instanceof InTheWay) {
                        asking.inTheWay((InTheWay) failed, then);
                    } else {
                        notices.problem(failed);
                    }
                });
        // Told before what came of it; what waits looks at that.
        save.whenEnded(() -> Platform.runLater(() -> endSaving(shot)));
    }

    private void keep(Versions versions, Versions.Before before, Optional<Shot> then, Shot now) {
        if (EarlierState.keep(versions, before, then, now, preferences.versionLimitBytes())) {
            Platform.runLater(() -> versionsKept.set(versionsKept.get() + 1));
        }
    }

    /** Changes when a version was kept. */
    public ReadOnlyIntegerProperty versionsKeptProperty() {
        return versionsKept.getReadOnlyProperty();
    }

    private void endSaving(Shot shot) {
        if (saving == shot) {
            saving = null;
            List<Runnable> waiting = List.copyOf(afterSaving);
            afterSaving.clear();
            waiting.forEach(Runnable::run);
        }
    }

    /** Whether the shot as it is now is just being written. On the FX thread. */
    public boolean isSavingAll() {
        return saving != null && saving == document.shot();
    }

    /** Hears on the FX thread when what is being written is saved, or could not be. */
    public void whenSavingEnds(Runnable then) {
        afterSaving.add(then);
    }

    /** A shot that nobody has named goes by the name of its file. */
    private void nameAfter(Path target) {
        Path before = document.pathProperty().get();
        String name = document.shot().name();
        boolean unnamed = name.equals(UNTITLED) || before != null && name.equals(nameOf(before));
        if (unnamed && !name.equals(nameOf(target)) && !document.isLooking()) {
            document.apply(new Edit(Words.DESK.of("name-the-shot"), shot -> shot.withName(nameOf(target))));
        }
    }

    private static String nameOf(Path file) {
        String name = file.getFileName().toString();
        return name.endsWith(ShotFile.ENDING) ? name.substring(0, name.length() - ShotFile.ENDING.length()) : name;
    }

    private record Written(Optional<ShotLock> lock, FileMark mark, ShotPlace place) {}

    /** @throws UnwritableException when the folder of the open shot is not the one it was opened from */
    private static void requireThere(ShotPlace before, Path target) throws UnwritableException {
        if (before != null && target.equals(before.file()) && !before.isStillThere()) {
            throw UnwritableException.of(
                    target, "saved", Words.DESK.of("choose-save-as-and-where"), new IOException(before.gone()));
        }
    }

    /** Says when the folder of the open shot has gone from where it was. On any thread. */
    public void lookForPlace() {
        ShotPlace open = place;
        if (open != null && !open.isStillThere()) {
            Platform.runLater(() -> {
                if (place == open && told != open) {
                    told = open;
                    notices.problem(
                            Words.DESK.of("is-not-where-it-was", open.file().getFileName(), open.gone()));
                }
            });
        }
    }

    /** @throws InTheWay when someone else has the shot open */
    private static Optional<ShotLock> lock(Path target, Optional<ShotLock> mine) throws InTheWay, IOException {
        Optional<ShotLock> moved = mine.flatMap(lock -> lock.movedTo(target));
        if (moved.isPresent()) {
            return moved;
        }
        ShotLock.Taken taken = ShotLock.take(target);
        if (taken.holder().isPresent()) {
            throw inTheWay(target, taken.holder());
        }
        return taken.lock();
    }

    private static InTheWay inTheWay(Path target, Optional<String> holder) throws IOException {
        Instant changed =
                Files.exists(target) ? Files.getLastModifiedTime(target).toInstant() : Instant.now();
        String message = holder.map(who -> Words.DESK.of("was-opened-by-another", target.getFileName(), who))
                .orElseGet(() -> Words.DESK.of("was-changed-by-another", target.getFileName(), Times.of(changed)));
        return new InTheWay(message, target, holder);
    }

    private void saved(SavedShot written, Path target, Optional<ShotLock> lock) {
        boolean sameFile = target.equals(document.pathProperty().get());
        List<Path> held = outside.folders();
        left.begin();
        if (sameFile) {
            keeping.saved(written, document.shot());
        } else {
            keeping.moved(placeOf(Optional.of(target)), written, document.shot());
        }
        document.savedAs(written.shot(), target, lock);
        // What was read before may be read from the new place.
        outside.allow(outside.folders().stream()
                .filter(folder -> !held.contains(folder))
                .toList());
        note();
        if (keeping.problemProperty().get() != null) {
            notices.problem(Words.DESK.of("saved", keeping.warning()));
        }
    }

    public void close() {
        document.close(keeping.close());
    }

    private void note() {
        keeping.note(document.shot(), !document.unsavedProperty().get());
    }
}
