package chalktrace.core.edit;

import chalktrace.core.shot.Chalk;
import java.util.stream.Stream;

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

    /** Another chalk with the settings of one, at the end of the box. */
    public static Edit addLike(Chalk chalk, String newId) {
        return new Edit(
                "another chalk",
                shot -> shot.withChalks(Stream.concat(
                                shot.chalks().stream(),
                                Stream.of(new Chalk(
                                        newId,
                                        chalk.name() + " 2",
                                        chalk.color(),
                                        chalk.line(),
                                        chalk.opacity(),
                                        chalk.role())))
                        .toList()));
    }
}
