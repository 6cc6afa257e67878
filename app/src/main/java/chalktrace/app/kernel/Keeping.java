package chalktrace.app.kernel;

import chalktrace.app.words.Words;
import chalktrace.core.shot.Shot;
import chalktrace.core.work.Workers;
import chalktrace.media.file.Journal;
import chalktrace.media.file.Leftover;
import chalktrace.media.file.SavedShot;
import java.io.IOException;
import java.nio.file.FileSystemException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.logging.Level;
import java.util.logging.Logger;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;

/**
 * Keeps unsaved work on the disk as it is made, on a thread of its own that waits for nothing else: where it belongs, and where that
 * can't be, in the state folder until it can. Told on the FX thread.
 */
public final class Keeping {

    private static final Logger LOG = Logger.getLogger(Keeping.class.getName());
    private static final int AGAIN_SECONDS = 5;

    /** A drive that takes longer for a few strokes hangs. */
    private static final int KEPT_SECONDS = 3;

    /** To begin, all of a file is copied, or all of a shot written. */
    private static final int BEGUN_SECONDS = 20;

    /** @param session of which open shot it is a state */
    private record State(Shot shot, boolean saved, int session) {}

    private final Notices notices;
    private final ScheduledExecutorService thread =
            Workers.scheduled(Words.DESK.of("keep-unsaved-work"), Thread.NORM_PRIORITY);
    private final Patiently drives = new Patiently();
    private final ReadOnlyStringWrapper problem = new ReadOnlyStringWrapper();
    private final ReadOnlyStringWrapper elsewhere = new ReadOnlyStringWrapper();

    /** The latest state that is not kept yet; null for none. Guarded by this. */
    private State wanted;

    /** Rises with each shot that is opened. Guarded by this. */
    private int session;

    /** The session of the journal. On the thread only, as is all that follows. */
    private int begun;

    private KeptPlace place;

    private Journal journal;

    /** The shot as it was opened or saved last. */
    private SavedShot inTheFile;

    /** The shot as it is kept; null while it is as in the file. */
    private State kept;

    /** Why it is not kept where it belongs; null while it is. */
    private String why;

    /** Those of the places that the shot had before, until it is kept at its new one. */
    private final List<Journal> before = new ArrayList<>();

    public Keeping(Notices notices) {
        this.notices = notices;
    }

    /** Why unsaved work can't be kept at present; null while it is kept. */
    public ReadOnlyStringProperty problemProperty() {
        return problem.getReadOnlyProperty();
    }

    /** Where unsaved work is kept at present and why not where it belongs; null while it is there. */
    public ReadOnlyStringProperty elsewhereProperty() {
        return elsewhere.getReadOnlyProperty();
    }

    /** Another shot is open: what was kept of the one before, which was saved or put away by choice, goes. */
    void begin(KeptPlace at, SavedShot opened) {
        int mine;
        synchronized (this) {
            wanted = null;
            mine = ++session;
        }
        thread.execute(() -> {
            end();
            begun = mine;
            place = at;
            inTheFile = opened;
            prepare();
        });
    }

    /** What a session left is in place of the shot: it is kept already, and goes on from there. */
    void restored(Leftover left, Shot recovered) {
        thread.execute(() -> {
            if (place == null) {
                return;
            }
            try {
                Journal fresh = drives.run(BEGUN_SECONDS, () -> place.continuing(left, recovered));
                goOnIn(fresh);
                kept = new State(recovered, false, begun);
                forgetBefore();
            } catch (IOException | RuntimeException e) {
                // All of it is written anew.
                LOG.log(Level.INFO, "what was left is not gone on with", e);
            }
        });
    }

    /** The shot has changed. */
    void note(Shot shot, boolean saved) {
        synchronized (this) {
            boolean waits = wanted != null;
            wanted = new State(shot, saved, session);
            if (waits) {
                return;
            }
        }
        thread.execute(this::keep);
    }

    /** It was saved into its own file like this, and has come to be as it is now meanwhile. */
    void saved(SavedShot shot, Shot now) {
        thread.execute(() -> {
            inTheFile = shot;
            kept = new State(now, now == shot.shot(), begun);
            boolean isKept = prepare()
                    && attempt(() -> drives.run(BEGUN_SECONDS, () -> {
                        journal.saved(shot, now);
                        return true;
                    }));
            if (!isKept) {
                tryAgain(kept);
            }
        });
    }

    /** It was saved into another file like this. What was kept goes once the shot as it is now is kept beside that one. */
    void moved(KeptPlace to, SavedShot saved, Shot now) {
        thread.execute(() -> {
            if (journal != null) {
                before.add(journal);
                journal = null;
            }
            place = to;
            why = null;
            inTheFile = saved;
            kept = new State(now, now == saved.shot(), begun);
            if (prepare() && attempt(() -> keepIn(journal, kept, BEGUN_SECONDS))) {
                forgetBefore();
            } else {
                tryAgain(kept);
            }
        });
    }

    private void forgetBefore() {
        List.copyOf(before).forEach(journal -> drives.beside(journal::discard));
        before.clear();
    }

    private void keep() {
        State state;
        synchronized (this) {
            state = wanted;
            if (state == null || state.session != begun) {
                // That of the shot that was just opened waits for its own journal.
                return;
            }
            wanted = null;
        }
        kept = state;
        if (prepare() && attempt(() -> keepIn(journal, state, KEPT_SECONDS))) {
            forgetBefore();
        } else {
            tryAgain(state);
        }
    }

    private void tryAgain(State state) {
        synchronized (this) {
            wanted = wanted == null && state.session == session ? state : wanted;
        }
        thread.schedule(this::keep, AGAIN_SECONDS, TimeUnit.SECONDS);
    }

    private boolean keepIn(Journal in, State state, int seconds) throws IOException {
        return drives.run(seconds, () -> {
            in.keep(state.shot, state.saved);
            return true;
        });
    }

    /** Starts the journal where there is none yet. @return whether there is one */
    private boolean prepare() {
        return journal != null
                || place != null && attempt(() -> journal = drives.run(BEGUN_SECONDS, () -> place.begin(inTheFile)));
    }

    private interface Step {
        void run() throws IOException;
    }

    /** Does something where the work belongs, and where that fails, keeps it in the state folder. @return whether it is kept */
    private boolean attempt(Step step) {
        try {
            step.run();
            tell(null, why);
            return true;
        } catch (IOException | RuntimeException | Error e) {
            LOG.log(Level.WARNING, "unsaved work could not be kept where it belongs", e);
            return keepApart(reason(e));
        }
    }

    private boolean keepApart(String because) {
        try {
            Journal apart = withAll(() -> place.apart(inTheFile));
            goOnIn(apart);
            why = apart.isWhereItBelongs() ? null : because;
            if (why != null) {
                thread.schedule(this::moveBack, AGAIN_SECONDS, TimeUnit.SECONDS);
            }
            forgetBefore();
            tell(null, why);
            return true;
        } catch (IOException | RuntimeException | Error e) {
            LOG.log(Level.WARNING, "unsaved work could not be kept", e);
            tell(because, null);
            return false;
        }
    }

    /** A new journal that has all that is to be kept. */
    private Journal withAll(Callable<Journal> begin) throws IOException {
        Journal fresh = drives.run(BEGUN_SECONDS, begin);
        try {
            if (kept != null) {
                keepIn(fresh, kept, BEGUN_SECONDS);
            }
            return fresh;
        } catch (IOException e) {
            drives.beside(fresh::discard);
            throw e;
        }
    }

    private void goOnIn(Journal fresh) {
        if (journal != null) {
            before.add(journal);
        }
        journal = fresh;
    }

    /** Keeps it where it belongs again, if that can be. */
    private void moveBack() {
        if (why == null || journal == null) {
            return;
        }
        try {
            goOnIn(withAll(() -> place.begin(inTheFile)));
            why = null;
            forgetBefore();
            tell(null, null);
        } catch (IOException | RuntimeException e) {
            LOG.log(Level.FINE, "unsaved work stays in the state folder", e);
            thread.schedule(this::moveBack, AGAIN_SECONDS, TimeUnit.SECONDS);
        }
    }

    private void tell(String notKept, String notThere) {
        Path where = notThere == null ? null : journal.folder();
        Platform.runLater(() -> {
            boolean isNew = notKept != null && problem.get() == null;
            problem.set(notKept);
            String apart = notThere == null ? null : Words.DESK.of("kept-elsewhere", where, notThere);
            boolean isMoved = apart != null && elsewhere.get() == null;
            if (!Objects.equals(apart, elsewhere.get())) {
                elsewhere.set(apart);
            }
            if (isNew) {
                notices.problem(warning());
            } else if (isMoved) {
                notices.problem(apart);
            }
        });
    }

    /** What is to be said of it. */
    String warning() {
        return Words.DESK.of("recovery-is-off-unsaved-work", problem.get());
    }

    private static String reason(Throwable e) {
        if (e instanceof FileSystemException file && file.getReason() != null) {
            return file.getFile() + ": " + file.getReason();
        }
        return e.getMessage() == null ? e.toString() : e.getMessage();
    }

    private void end() {
        if (journal != null) {
            before.add(journal);
            journal = null;
        }
        place = null;
        kept = null;
        why = null;
        forgetBefore();
    }

    /** The program ends and all is saved or put away by choice. */
    CompletableFuture<Void> close() {
        thread.execute(this::end);
        return Workers.finish(thread).thenRun(drives::close);
    }
}
