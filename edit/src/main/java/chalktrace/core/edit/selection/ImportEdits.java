package chalktrace.core.edit.selection;

import chalktrace.core.edit.Edit;
import chalktrace.core.edit.drawing.StrokeLanding;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Shot;
import chalktrace.core.words.EditWords;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Takes drawings from outside into a shot. */
public final class ImportEdits {

    private ImportEdits() {}

    /** A piece whose chalks are the shot's own, and the shot with those that it lacked. */
    public record Settled(Shot shot, DrawingPiece piece) {}

    /**
     * Finds each chalk of a piece in the shot: the one that is equal in all but its id, else a new one. Of two that are equal
     * the one with the same id is taken.
     */
    public static Settled settle(Shot shot, DrawingPiece piece, List<Chalk> described) {
        Map<String, String> ids = new HashMap<>();
        Shot out = shot;
        for (Chalk chalk : described) {
            Shot before = out;
            String id = before.chalks().stream()
                    .filter(known -> isSame(known, chalk))
                    .min((a, b) -> Boolean.compare(b.id().equals(chalk.id()), a.id().equals(chalk.id())))
                    .map(Chalk::id)
                    .orElseGet(() -> before.newId("chalk"));
            if (before.chalks().stream().noneMatch(known -> known.id().equals(id))) {
                List<Chalk> more = new ArrayList<>(before.chalks());
                more.add(new Chalk(id, chalk.name(), chalk.color(), chalk.line(), chalk.opacity(), chalk.role()));
                out = before.withChalks(more);
            }
            ids.put(chalk.id(), id);
        }
        return new Settled(
                out,
                new DrawingPiece(piece.items().stream()
                        .map(item -> item.withChalk(chalk -> ids.getOrDefault(chalk, chalk)))
                        .toList()));
    }

    /** Puts what was settled on the drawing where strokes land, as one step. */
    public static Edit take(StrokeLanding landing, DrawingPiece piece, List<Chalk> described) {
        return new Edit(EditWords.TEXTS.of("import-drawing"), shot -> {
            Settled settled = settle(shot, piece, described);
            return PickEdits.paste(landing, settled.piece()).change().apply(settled.shot());
        });
    }

    private static boolean isSame(Chalk known, Chalk chalk) {
        return known.color().equals(chalk.color())
                && known.line().equals(chalk.line())
                && known.opacity() == chalk.opacity()
                && known.role() == chalk.role()
                && known.name().equals(chalk.name());
    }
}
