package chalktrace.app.kernel;

import chalktrace.app.words.Words;
import chalktrace.core.work.Workers;
import java.util.List;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Consumer;
import java.util.logging.Level;
import java.util.logging.Logger;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyDoubleProperty;
import javafx.beans.property.ReadOnlyDoubleWrapper;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;

/**
 * Work in the background, each piece with a name, a progress and a way to end it. Short work (opening, saving) runs on one
 * thread in turn, long work (exports) on another, and what nobody asked for (proxies) on a third, so that a save never
 * waits for an export and an export never for a proxy. Long work stands still while it is held.
 */
public final class Jobs {

    private static final Logger LOG = Logger.getLogger(Jobs.class.getName());

    /** Work that may fail with a sentence for the person. */
    @FunctionalInterface
    public interface Work<T> {
        T run(Job job) throws Exception;
    }

    /** One piece of work. */
    public final class Job {

        private final String name;
        private final boolean behind;
        private final ReadOnlyDoubleWrapper progress = new ReadOnlyDoubleWrapper(-1);
        private final AtomicBoolean cancelled = new AtomicBoolean();
        private Runnable ended = () -> {};

        private Job(String name, boolean behind) {
            this.name = name;
            this.behind = behind;
        }

        /** Whether nobody asked for it and nobody waits for it. */
        public boolean isBehind() {
            return behind;
        }

        /** What it does, as the artist would say it. */
        public String name() {
            return name;
        }

        /** 0 to 1; negative while nothing is known. */
        public ReadOnlyDoubleProperty progressProperty() {
            return progress.getReadOnlyProperty();
        }

        public void cancel() {
            cancelled.set(true);
            held.release();
        }

        /** Is told on the FX thread when it has ended, however that was. */
        public void whenEnded(Runnable told) {
            ended = told;
        }

        public boolean isCancelled() {
            return cancelled.get();
        }

        /** Says how far the work is, and waits while work is held. @return false when it should end */
        public boolean at(int done, int total) {
            Platform.runLater(() -> progress.set((double) done / total));
            held.waitWhile(this::isCancelled);
            return !isCancelled();
        }
    }

    private final ScheduledExecutorService shortWork = Workers.scheduled("jobs", Thread.NORM_PRIORITY - 1);
    private final ScheduledExecutorService longWork = Workers.scheduled("long jobs", Thread.NORM_PRIORITY - 1);
    private final ScheduledExecutorService behindWork = Workers.scheduled("jobs behind", Thread.MIN_PRIORITY);
    private final Hold held = new Hold();

    private final ObservableList<Job> running = FXCollections.observableArrayList();

    /** The jobs that wait or run, oldest first. */
    public ObservableList<Job> running() {
        return running;
    }

    /** Runs short work in the background; what comes of it is told on the FX thread. */
    public <T> Job run(String name, Work<T> work, Consumer<T> then, Consumer<Exception> failed) {
        return run(shortWork, new Job(name, false), work, then, failed);
    }

    /** As {@link #run}, for work that takes long. */
    public <T> Job runLong(String name, Work<T> work, Consumer<T> then, Consumer<Exception> failed) {
        return run(longWork, new Job(name, false), work, then, failed);
    }

    /** As {@link #runLong}, for what nobody asked for: it comes after all else. */
    public <T> Job runBehind(String name, Work<T> work, Consumer<T> then, Consumer<Exception> failed) {
        return run(behindWork, new Job(name, true), work, then, failed);
    }

    /** Lets long work stand still, as while frames are played. */
    public void hold(boolean still) {
        held.set(still);
    }

    /** Runs something small once, without showing it, and tells what came of it on the FX thread. */
    public <T> void runQuietly(Work<T> work, Consumer<T> then) {
        runQuietly(work, then, failed -> {});
    }

    /** As {@link #runQuietly(Work, Consumer)}; also what went wrong is told. */
    public <T> void runQuietly(Work<T> work, Consumer<T> then, Consumer<Exception> failed) {
        Job job = new Job("", true);
        shortWork.execute(() -> tell(work, job, then, failed, tell -> tell.run()));
    }

    /** Runs something small once, without showing it. */
    public void quietly(Runnable work) {
        shortWork.execute(() -> {
            try {
                work.run();
            } catch (RuntimeException | Error e) {
                LOG.log(Level.WARNING, "background work failed", e);
            }
        });
    }

    private <T> Job run(
            ScheduledExecutorService thread, Job job, Work<T> work, Consumer<T> then, Consumer<Exception> failed) {
        running.add(job);
        thread.execute(() -> tell(work, job, then, failed, tell -> {
            running.remove(job);
            job.ended.run();
            tell.run();
        }));
        return job;
    }

    /** Does the work and tells how it ended, whatever it ends with: a job never stays in the list. */
    private static <T> void tell(
            Work<T> work, Job job, Consumer<T> then, Consumer<Exception> failed, Consumer<Runnable> onWindow) {
        Runnable ending;
        try {
            T result = work.run(job);
            ending = () -> then.accept(result);
        } catch (Exception e) {
            LOG.log(Level.INFO, job.name() + " failed", e);
            ending = () -> failed.accept(e);
        } catch (Error e) {
            LOG.log(Level.WARNING, job.name() + " failed", e);
            ending = () -> failed.accept(new IllegalStateException(words(job.name(), e), e));
        }
        Runnable told = ending;
        Platform.runLater(() -> onWindow.accept(told));
    }

    private static String words(String name, Error e) {
        String what = name.isEmpty() ? "" : " " + Words.DESK.of("to", name);
        return e instanceof OutOfMemoryError
                ? Words.DESK.of("there-is-not-enough-memory", what)
                : Words.DESK.of("something-in-the-program-is", e, what);
    }

    /** Runs something small again and again, without showing it. */
    public void repeat(Runnable work, int everySeconds) {
        shortWork.scheduleWithFixedDelay(
                () -> {
                    try {
                        work.run();
                    } catch (RuntimeException | Error e) {
                        LOG.log(Level.WARNING, "background work failed", e);
                    }
                },
                everySeconds,
                everySeconds,
                TimeUnit.SECONDS);
    }

    public void close() {
        running.forEach(Job::cancel);
        List.of(behindWork, longWork, shortWork).forEach(Workers::finish);
    }
}
