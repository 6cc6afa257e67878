package chalktrace.app.kernel;

import chalktrace.app.words.Words;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.History;
import chalktrace.core.shot.Shot;
import chalktrace.media.file.ShotFile;
import chalktrace.media.file.ShotLock;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.BinaryOperator;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;

/** The open shot: its history, where it is saved, and whether it differs from that. Lives on the FX thread. */
public final class Document {

    private static final long UNDO_BYTES = 256L << 20;

    private final ReadOnlyObjectWrapper<Shot> shot = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyObjectWrapper<Shot> shown = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyBooleanWrapper unsaved = new ReadOnlyBooleanWrapper();
    private final ReadOnlyObjectWrapper<Path> path = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyStringWrapper whyReadOnly = new ReadOnlyStringWrapper();
    private final List<Runnable> whenOpened = new ArrayList<>();

    private Opening opening = new Opening();
    private History history;
    private ShotFile file = ShotFile.fresh();
    private Optional<ShotLock> lock = Optional.empty();
    private final Notices notices;
    private final List<BinaryOperator<Shot>> followers = new ArrayList<>();
    private Shot saved;
    private Shot looked;

    public Document(Shot start, Notices notices) {
        this.notices = notices;
        startWith(start);
        saved = start;
        update();
    }

    public Shot shot() {
        return shot.get();
    }

    /** The shot as it is seen: see {@link #shownProperty}. */
    public Shot shown() {
        return shown.get();
    }

    public ReadOnlyObjectProperty<Shot> shotProperty() {
        return shot.getReadOnlyProperty();
    }

    /** The shot as it is seen: the present one, or that with the edit of a drag that has not ended. */
    public ReadOnlyObjectProperty<Shot> shownProperty() {
        return shown.getReadOnlyProperty();
    }

    /** One time that a document was opened: work that belongs to it belongs to no later one. */
    public static final class Opening {

        private Opening() {}
    }

    /** The present one. */
    public Opening opening() {
        return opening;
    }

    /** Whether the document that was open then is open still. */
    public boolean isStill(Opening then) {
        return opening == then;
    }

    /** Is told each time that another document has been opened in place of this one. */
    public void whenOpened(Runnable told) {
        whenOpened.add(told);
    }

    /** Is told once, the next time. */
    public void whenNextOpened(Runnable told) {
        Runnable[] once = new Runnable[1];
        once[0] = () -> {
            whenOpened.remove(once[0]);
            told.run();
        };
        whenOpened.add(once[0]);
    }

    /** Whether an edit would come in between: something is dragged or previewed, or another shot is looked at. */
    public boolean isHeld() {
        return shown.get() != shot.get();
    }

    /** Whether the shot is this one, or came from it by the steps that can be undone. */
    boolean hasBeen(Shot earlier) {
        return history.hasBeen(earlier);
    }

    /** What would be redone first; null for nothing. */
    Object redoable() {
        return history.redoable();
    }

    public ReadOnlyBooleanProperty unsavedProperty() {
        return unsaved.getReadOnlyProperty();
    }

    /** Where it is saved; null before the first save. */
    public ReadOnlyObjectProperty<Path> pathProperty() {
        return path.getReadOnlyProperty();
    }

    /** Why it can't be saved to its own place; null when it can. */
    public ReadOnlyStringProperty whyReadOnlyProperty() {
        return whyReadOnly.getReadOnlyProperty();
    }

    /** The shot as it was opened or saved last. */
    Shot saved() {
        return saved;
    }

    /** Whether another shot is looked at in place of this one: then nothing is edited. */
    public boolean isLooking() {
        return looked != null;
    }

    /** Shows another shot in place of this one, such as footage that may be taken in; null ends it. */
    public void look(Shot other) {
        looked = other;
        shown.set(other == null ? history.present() : other);
    }

    /** Applies an edit as one step of the history; not while another shot is looked at. */
    public void apply(Edit edit) {
        if (isLooking()) {
            notices.say(Words.DESK.of("previewing-not-imported-import-it"));
            return;
        }
        history.apply(followers.isEmpty() ? edit : new Edit(edit.name(), shot -> followed(shot, edit)));
        update();
    }

    private Shot followed(Shot before, Edit edit) {
        Shot after = edit.change().apply(before);
        for (BinaryOperator<Shot> follower : followers) {
            after = follower.apply(before, after);
        }
        return after;
    }

    /** Lets what hangs on other things follow each edit, in the same step of the history. @param follower given the shot before and after, gives what comes of it */
    public void follow(BinaryOperator<Shot> follower) {
        followers.add(follower);
    }

    /** Shows what an edit would do; the next edit, or null, ends it. */
    public void preview(Edit edit) {
        if (isLooking()) {
            return;
        }
        shown.set(edit == null ? history.present() : edit.change().apply(history.present()));
    }

    public void undo() {
        if (!isLooking() && history.undo()) {
            update();
        }
    }

    public void redo() {
        if (!isLooking() && history.redo()) {
            update();
        }
    }

    public Optional<String> undoName() {
        return history.undoName();
    }

    public Optional<String> redoName() {
        return history.redoName();
    }

    Optional<ShotLock> lock() {
        return lock;
    }

    public ShotFile file() {
        return file;
    }

    /** Puts another shot in place of this one. */
    void open(Shot opened, ShotFile itsFile, Path itsPath, Optional<ShotLock> itsLock, String readOnlyBecause) {
        if (!lock.equals(itsLock)) {
            lock.ifPresent(ShotLock::close);
        }
        lock = itsLock;
        file = itsFile;
        path.set(itsPath);
        whyReadOnly.set(readOnlyBecause);
        looked = null;
        startWith(opened);
        saved = opened;
        opening = new Opening();
        update();
        List.copyOf(whenOpened).forEach(Runnable::run);
    }

    /** Puts work that was not saved in place, as a step that can be undone. */
    void recover(Shot unsavedWork) {
        apply(new Edit(Words.DESK.of("restore-unsaved-work"), before -> unsavedWork));
    }

    void savedAs(Shot written, Path target, Optional<ShotLock> itsLock) {
        if (!lock.equals(itsLock)) {
            lock.ifPresent(ShotLock::close);
            lock = itsLock;
        }
        path.set(target);
        whyReadOnly.set(null);
        saved = written;
        update();
    }

    /** Lets go of the shot. @param kept when nothing of it is written any more */
    void close(CompletableFuture<Void> kept) {
        lock.ifPresent(mine -> kept.thenRun(mine::close));
        lock = Optional.empty();
    }

    private void startWith(Shot start) {
        history = new History(start, UNDO_BYTES);
    }

    private void update() {
        shot.set(history.present());
        shown.set(looked == null ? history.present() : looked);
        unsaved.set(history.present() != saved);
    }
}
