package chalktrace.app.kernel;

import chalktrace.app.words.Words;
import chalktrace.core.edit.Edit;
import chalktrace.core.shot.Shot;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.Function;

/**
 * The one way by which work in the background changes the shot. What it made is committed only on the document that it came from, with all that
 * it read unchanged, while nothing is dragged or previewed and nothing was undone meanwhile that waits to be redone; otherwise it is offered,
 * to be taken or to be run again. Lives on the FX thread.
 */
public final class Proposals {

    /**
     * What came of the work.
     *
     * @param edit to commit; null where there is nothing to change
     * @param then told on the FX thread once that is done
     */
    public record Outcome(Edit edit, Runnable then) {

        public static Outcome of(Edit edit) {
            return new Outcome(edit, () -> {});
        }

        /** Changes nothing; only tells something. */
        public static Outcome only(Runnable then) {
            return new Outcome(null, then);
        }
    }

    /** Parts of a shot that work reads; it is unchanged while each of them is the same. */
    public interface Reads extends Function<Shot, List<?>> {

        Reads NOTHING = shot -> List.of();
        Reads WHOLE = List::of;
    }

    /** Work on a shot as it is when it starts. */
    public interface Work {
        Outcome run(Shot shot, Jobs.Job job) throws Exception;
    }

    /** How the work is started. */
    private interface Start {
        Jobs.Job start(Jobs.Work<Outcome> work, Consumer<Outcome> then, Consumer<Exception> failed);
    }

    /** How often work that takes a moment is run anew by itself. */
    private static final int AGAIN = 5;

    private final Document document;
    private final Jobs jobs;
    private final Notices notices;
    private final List<Runnable> waiting = new ArrayList<>();

    public Proposals(Document document, Jobs jobs, Notices notices) {
        this.document = document;
        this.jobs = jobs;
        this.notices = notices;
        document.shownProperty().addListener(changed -> {
            if (!waiting.isEmpty() && !document.isHeld()) {
                List<Runnable> now = List.copyOf(waiting);
                waiting.clear();
                now.forEach(Runnable::run);
            }
        });
    }

    /** Runs work that takes a moment, shown as a job by its name; where what it read has changed, it is run anew by itself. */
    public Jobs.Job propose(String name, Reads reads, Work work) {
        return new Proposal(name, reads, work, AGAIN, (w, then, failed) -> jobs.run(name, w, then, failed)).run();
    }

    /** As {@link #propose}, for work that takes long; it is run anew only when the artist says so. */
    public Jobs.Job proposeLong(String name, Reads reads, Work work) {
        return new Proposal(name, reads, work, 0, (w, then, failed) -> jobs.runLong(name, w, then, failed)).run();
    }

    /** Runs work that looks for something and changes nothing; what it found counts only on the document that it came from. */
    public <T> Jobs.Job find(String name, Jobs.Work<T> work, Consumer<T> then) {
        Document.Opening opening = document.opening();
        return jobs.runLong(
                name,
                work,
                found -> {
                    if (document.isStill(opening)) {
                        then.accept(found);
                    }
                },
                notices::unlessCancelled);
    }

    /** As {@link #find}, for something small that is not shown as a job. */
    public <T> void findQuietly(Jobs.Work<T> work, Consumer<T> then) {
        Document.Opening opening = document.opening();
        jobs.runQuietly(
                work,
                found -> {
                    if (document.isStill(opening)) {
                        then.accept(found);
                    }
                },
                notices::unlessCancelled);
    }

    private final class Proposal {

        private final String name;
        private final Reads reads;
        private final Work work;
        private final Start start;
        private int again;
        private Document.Opening opening;
        private List<?> read;
        private Object redo;

        Proposal(String name, Reads reads, Work work, int again, Start start) {
            this.name = name;
            this.reads = reads;
            this.work = work;
            this.again = again;
            this.start = start;
        }

        Jobs.Job run() {
            opening = document.opening();
            Shot shot = document.shot();
            read = reads.apply(shot);
            redo = document.redoable();
            return start.start(job -> work.run(shot, job), this::arrived, notices::unlessCancelled);
        }

        private void arrived(Outcome outcome) {
            if (!document.isStill(opening)) {
                return;
            }
            if (outcome.edit() == null) {
                outcome.then().run();
            } else if (!isUnchanged() && again > 0) {
                again--;
                run();
            } else if (!isUnchanged()) {
                notices.offer(
                        Words.DESK.of("what-looked-at-has-changed", name),
                        new Notices.Offer(Words.DESK.of("run-again"), this::run));
            } else if (document.isHeld()) {
                waiting.add(() -> arrived(outcome));
            } else if (document.redoable() != null && document.redoable() != redo) {
                notices.offer(
                        Words.DESK.of("is-ready-but-something-was", name),
                        new Notices.Offer(Words.DESK.of("apply"), () -> take(outcome)));
            } else {
                commit(outcome);
            }
        }

        /** As the artist asks for it, whatever was undone. */
        private void take(Outcome outcome) {
            if (document.isStill(opening) && isUnchanged()) {
                commit(outcome);
            } else {
                arrived(outcome);
            }
        }

        private void commit(Outcome outcome) {
            document.apply(outcome.edit());
            outcome.then().run();
        }

        /** Large parts are the same values; small ones, such as an optional sound, may be equal ones. */
        private boolean isUnchanged() {
            List<?> now = reads.apply(document.shot());
            for (int i = 0; i < now.size(); i++) {
                if (now.get(i) != read.get(i)
                        && !(isSmall(now.get(i)) && now.get(i).equals(read.get(i)))) {
                    return false;
                }
            }
            return true;
        }

        private static boolean isSmall(Object part) {
            return !(part instanceof Shot) && !(part instanceof List);
        }
    }
}
