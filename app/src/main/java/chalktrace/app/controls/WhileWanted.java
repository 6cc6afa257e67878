package chalktrace.app.controls;

import java.util.List;
import java.util.function.BooleanSupplier;
import javafx.beans.InvalidationListener;
import javafx.beans.Observable;

/** Hears of changes only while somebody wants to: what is not shown costs nothing on the way of a step. */
public final class WhileWanted {

    private final BooleanSupplier wanted;
    private final InvalidationListener heard;
    private final List<Observable> changes;
    private boolean hears;

    private WhileWanted(BooleanSupplier wanted, Runnable run, Observable... changes) {
        this.wanted = wanted;
        this.heard = any -> run.run();
        this.changes = List.of(changes);
    }

    /**
     * Runs something when any of the changes comes while it is wanted.
     *
     * @param deciding all that {@code wanted} depends on
     */
    public static void hear(
            BooleanSupplier wanted, List<? extends Observable> deciding, Runnable run, Observable... changes) {
        WhileWanted made = new WhileWanted(wanted, run, changes);
        deciding.forEach(one -> one.addListener((InvalidationListener) any -> made.decide()));
        made.decide();
    }

    /** As {@link #hear}, and now, and on each change of what decides, so that what is shown can come and go. */
    public static void show(
            BooleanSupplier wanted, List<? extends Observable> deciding, Runnable show, Observable... changes) {
        hear(wanted, deciding, show, changes);
        deciding.forEach(one -> one.addListener((InvalidationListener) any -> show.run()));
        show.run();
    }

    private void decide() {
        boolean now = wanted.getAsBoolean();
        if (now != hears) {
            hears = now;
            changes.forEach(change -> {
                if (now) {
                    change.addListener(heard);
                } else {
                    change.removeListener(heard);
                }
            });
        }
    }
}
