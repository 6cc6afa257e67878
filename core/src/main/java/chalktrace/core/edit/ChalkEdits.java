package chalktrace.core.edit;

import chalktrace.core.shot.Chalk;

/** Edits of chalks. */
public final class ChalkEdits {

    private ChalkEdits() {}

    /** Puts another chalk in the place of the one with its id: all drawings follow. */
    public static Edit change(Chalk changed) {
        return new Edit(
                "change the chalk " + changed.name(),
                shot -> shot.withChalks(shot.chalks().stream()
                        .map(chalk -> chalk.id().equals(changed.id()) ? changed : chalk)
                        .toList()));
    }
}
