package chalktrace.app.kernel;

import java.util.List;
import java.util.concurrent.CancellationException;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/** The latest sentence that the program has for the artist. It stays until it is put away or another takes its place. */
public final class Notices {

    /** @param problem whether something could not be done */
    public record Notice(String text, boolean problem, List<Offer> offers) {}

    /** Something that can be done about it at a touch. */
    public record Offer(String text, Runnable does) {}

    private final ReadOnlyObjectWrapper<Notice> latest = new ReadOnlyObjectWrapper<>();

    /** Null for none. */
    public ReadOnlyObjectProperty<Notice> latestProperty() {
        return latest.getReadOnlyProperty();
    }

    public void say(String text) {
        latest.set(new Notice(text, false, List.of()));
    }

    public void problem(String text) {
        latest.set(new Notice(text, true, List.of()));
    }

    /** Says what has come up and what can be done. */
    public void offer(String text, Offer... offers) {
        latest.set(new Notice(text, false, List.of(offers)));
    }

    /** The sentence of an exception that was made for the person, or its kind and words. */
    public void problem(Exception e) {
        problem(e.getMessage() == null ? e.toString() : e.getMessage());
    }

    /** As {@link #problem(Exception)}, but nothing of work that was cancelled. */
    public void unlessCancelled(Exception e) {
        if (!(e instanceof CancellationException)) {
            problem(e);
        }
    }

    public void putAway() {
        latest.set(null);
    }
}
