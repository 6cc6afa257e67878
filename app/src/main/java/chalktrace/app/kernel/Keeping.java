package chalktrace.app.kernel;

import chalktrace.app.words.Words;
import chalktrace.core.shot.Shot;
import chalktrace.media.file.Journal;
import java.io.IOException;
import java.nio.file.FileSystemException;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.logging.Level;
import java.util.logging.Logger;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;

/**
 * Keeps unsaved work on the disk as it is made, on a thread of its own that waits for nothing else. Told on the FX thread.
 */
public final class Keeping {

    private static final Logger LOG = Logger.getLogger(Keeping.class.getName());
    private static final int AGAIN_SECONDS = 5;

    /** Starts a journal. */
    interface Beginning {

        /** @param inTheFile the shot as it stands in its file, or as it was begun */
        Journal begin(Shot inTheFile) throws IOException;
    }

    /** @param session of which open shot it is a state */
    private record State(Shot shot, boolean saved, int session) {}

    private final Notices notices;
    private final ScheduledExecutorService thread =
            Workers.scheduled(Words.DESK.of("keep-unsaved-work"), Thread.NORM_PRIORITY);
    private final ReadOnlyStringWrapper problem = new ReadOnlyStringWrapper();

    /** The latest state that is not kept yet; null for none. Guarded by this. */
    private State wanted;

    /** Rises with each shot that is opened. Guarded by this. */
    private int session;

    /** The session of the journal. On the thread only, as are the next two. */
    private int begun;

    private Beginning beginning;

    private Journal journal;

    /** The shot as it was opened or saved last. On the thread only. */
    private Shot inTheFile;

    /** Those of the places that the shot had before, until it is kept at its new one. On the thread only. */
    private final List<Journal> before = new ArrayList<>();

    public Keeping(Notices notices) {
        this.notices = notices;
    }

    /** Why unsaved work can't be kept at present; null while it is kept. */
    public ReadOnlyStringProperty problemProperty() {
        return problem.getReadOnlyProperty();
    }

    /** Another shot is open: what was kept of the one before, which was saved or put away by choice, goes. */
    void begin(Beginning begins, Shot opened) {
        int mine;
        synchronized (this) {
            wanted = null;
            mine = ++session;
        }
        thread.execute(() -> {
            end();
            begun = mine;
            beginning = begins;
            inTheFile = opened;
            prepare();
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
    void saved(Shot shot, Shot now) {
        thread.execute(() -> {
            inTheFile = shot;
            if (prepare()) {
                attempt(() -> journal.saved(shot, now));
            }
        });
    }

    /** It was saved into another file like this. What was kept goes once the shot as it is now is kept beside that one. */
    void moved(Beginning begins, Shot saved, Shot now) {
        thread.execute(() -> {
            if (journal != null) {
                before.add(journal);
                journal = null;
            }
            beginning = begins;
            inTheFile = saved;
            if (prepare() && attempt(() -> journal.keep(now, now == saved))) {
                forgetBefore();
            }
        });
    }

    private void forgetBefore() {
        before.forEach(Journal::discard);
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
        boolean kept = prepare() && attempt(() -> journal.keep(state.shot, state.saved));
        if (kept) {
            forgetBefore();
        } else {
            synchronized (this) {
                wanted = wanted == null && state.session == session ? state : wanted;
            }
            thread.schedule(this::keep, AGAIN_SECONDS, TimeUnit.SECONDS);
        }
    }

    /** Starts the journal where there is none yet. @return whether there is one */
    private boolean prepare() {
        return journal != null || beginning != null && attempt(() -> journal = beginning.begin(inTheFile));
    }

    private interface Step {
        void run() throws IOException;
    }

    private boolean attempt(Step step) {
        try {
            step.run();
            tell(null);
            return true;
        } catch (IOException | RuntimeException | Error e) {
            LOG.log(Level.WARNING, "unsaved work could not be kept", e);
            tell(reason(e));
            return false;
        }
    }

    private void tell(String why) {
        Platform.runLater(() -> {
            boolean isNew = why != null && problem.get() == null;
            problem.set(why);
            if (isNew) {
                notices.problem(warning());
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
            journal.discard();
            journal = null;
        }
        beginning = null;
        forgetBefore();
    }

    /** The program ends and all is saved or put away by choice. */
    void close() {
        thread.execute(this::end);
        thread.shutdown();
        try {
            thread.awaitTermination(5, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
