package chalktrace.app.session;

import chalktrace.core.shot.Shot;
import chalktrace.media.file.Recovery;
import chalktrace.media.file.ShotFile;
import chalktrace.media.file.ShotLock;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import java.util.logging.Level;
import java.util.logging.Logger;

/**
 * Takes shots from the disk and puts them there, in the background; and keeps unsaved work in a recovery folder while it
 * is open. Lives on the FX thread.
 */
public final class Shelf {

    private static final Logger LOG = Logger.getLogger(Shelf.class.getName());

    private static final int KEEP_EVERY_SECONDS = 4;

    private final Document document;
    private final Jobs jobs;
    private final Notices notices;
    private final Path unsavedFolder;

    /** What is to be kept for recovery: null when all is saved. Read by the background thread. */
    private final AtomicReference<Shot> toKeep = new AtomicReference<>();

    /** Set on the FX thread, read by the background thread. */
    private volatile Recovery recovery;

    private volatile Shot kept;

    Shelf(Document document, Jobs jobs, Notices notices, Path stateFolder) {
        this.document = document;
        this.jobs = jobs;
        this.notices = notices;
        this.unsavedFolder = stateFolder.resolve("unsaved");
        this.recovery = Recovery.in(unsavedFolder);
        document.shotProperty().addListener(changed -> noteChange());
        document.unsavedProperty().addListener(changed -> noteChange());
        jobs.repeat(this::keep, KEEP_EVERY_SECONDS);
    }

    /** Whether work of a shot that was never saved is left from an earlier run. */
    public boolean hasUnsavedLeftover() {
        return Recovery.in(unsavedFolder).exists();
    }

    /**
     * Opens a shot file in place of the open shot. A file that can't be opened changes nothing.
     *
     * @param leftover hears, after opening, that unsaved work of this shot was found
     */
    public void open(Path path, Runnable leftover) {
        Path file = path.toAbsolutePath().normalize();
        // Opened again, it is still ours.
        Optional<ShotLock.Taken> mine = document.lock()
                .filter(lock -> file.equals(document.pathProperty().get()))
                .map(lock -> new ShotLock.Taken(Optional.of(lock), Optional.empty()));
        jobs.run(
                "open " + file.getFileName(),
                job -> new Read(ShotFile.open(file), mine.orElseGet(() -> ShotLock.take(file)), Recovery.beside(file)),
                read -> {
                    String readOnly = read.opened
                            .whyReadOnly()
                            .or(() -> read.lock
                                    .holder()
                                    .map(who -> file.getFileName() + " is open by " + who
                                            + ". You can look and draw; save under another name."))
                            .orElse(null);
                    leaveRecovery();
                    document.open(read.opened.shot(), read.opened.file(), file, read.lock.lock(), readOnly);
                    recovery = read.recovery;
                    notices.putAway();
                    if (readOnly != null) {
                        notices.say(readOnly);
                    } else if (recovery.exists()) {
                        leftover.run();
                    }
                },
                notices::problem);
    }

    private record Read(ShotFile.Opened opened, ShotLock.Taken lock, Recovery recovery) {}

    /** Takes up the unsaved work that was found beside the open shot, or left from a shot that was never saved. */
    public void recover() {
        Recovery from = recovery;
        jobs.run("take up unsaved work", job -> from.read(), document::recover, notices::problem);
    }

    /** Removes the unsaved work that was found. */
    public void forgetLeftover() {
        recovery.discard();
    }

    /** Starts a new shot in place of the open one. */
    public void startNew(Shot shot) {
        leaveRecovery();
        document.open(shot, ShotFile.fresh(), null, Optional.empty(), null);
        recovery = Recovery.in(unsavedFolder);
        notices.putAway();
    }

    /** Saves to a place; {@code then} hears on the FX thread that it is done. */
    public void save(Path path, Runnable then) {
        Path target = path.toAbsolutePath().normalize();
        Shot shot = document.shot();
        Recovery old = recovery;
        ShotFile itsFile = document.file();
        boolean elsewhere = !target.equals(document.pathProperty().get());
        jobs.run(
                "save " + target.getFileName(),
                job -> {
                    itsFile.save(shot, target);
                    old.discard();
                    return elsewhere ? ShotLock.take(target).lock() : Optional.<ShotLock>empty();
                },
                lock -> {
                    document.savedAs(shot, target, lock);
                    if (!document.unsavedProperty().get()) {
                        // It may have been kept once more between the save and now.
                        tidyUp(old);
                    }
                    recovery = Recovery.beside(target);
                    kept = null;
                    noteChange();
                    then.run();
                },
                notices::problem);
    }

    void close() {
        leaveRecovery();
        document.close();
    }

    private void noteChange() {
        toKeep.set(document.unsavedProperty().get() ? document.shot() : null);
    }

    /** The open shot is put away by choice, so what was kept of it is not wanted any more. */
    private void leaveRecovery() {
        toKeep.set(null);
        kept = null;
        tidyUp(recovery);
    }

    private void tidyUp(Recovery gone) {
        jobs.run(
                "tidy up",
                job -> {
                    gone.discard();
                    return null;
                },
                nothing -> {},
                problem -> LOG.log(Level.INFO, "recovery folder stays", problem));
    }

    private void keep() {
        Shot shot = toKeep.get();
        if (shot == null || shot == kept) {
            return;
        }
        try {
            recovery.keep(shot);
            kept = shot;
        } catch (IOException e) {
            LOG.log(Level.WARNING, "unsaved work could not be kept", e);
        }
    }
}
