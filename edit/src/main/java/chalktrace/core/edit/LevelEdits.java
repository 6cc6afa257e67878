package chalktrace.core.edit;

import chalktrace.core.shot.Level;
import chalktrace.core.shot.LevelStyle;
import chalktrace.core.words.EditWords;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/** Edits of the stack of levels. */
public final class LevelEdits {

    private LevelEdits() {}

    /** A new empty level in front of another, whose pace it takes, or in front of all when that is not there. */
    public static Edit add(String newId, String name, String behindIt) {
        return new Edit(EditWords.TEXTS.of("new-level"), shot -> {
            List<Level> levels = new ArrayList<>(shot.levels());
            int at = indexOf(levels, behindIt);
            Level made = Level.empty(newId, name)
                    .withStyle(LevelStyle.ROUGH.withDrawnOn(
                            at < 0 ? Optional.empty() : levels.get(at).style().drawnOn()));
            levels.add(Math.max(0, at), made);
            return shot.withLevels(levels);
        });
    }

    /** Moves a level towards the front (negative) or the back, as far as the stack reaches. */
    public static Edit reorder(String levelId, int by) {
        return new Edit(EditWords.TEXTS.of("reorder-levels"), shot -> {
            List<Level> levels = new ArrayList<>(shot.levels());
            int from = indexOf(levels, levelId);
            if (from < 0) {
                return shot;
            }
            int to = Math.max(0, Math.min(levels.size() - 1, from + by));
            levels.add(to, levels.remove(from));
            return shot.withLevels(levels);
        });
    }

    /** Removes a level with its drawings; the last one stays. */
    public static Edit remove(String levelId) {
        return new Edit(
                EditWords.TEXTS.of("remove-a-level"),
                shot -> shot.levels().size() < 2
                        ? shot
                        : shot.withLevels(shot.levels().stream()
                                .filter(level -> !level.id().equals(levelId))
                                .toList()));
    }

    /** Any change of one level's own settings. */
    public static Edit change(String name, String levelId, UnaryOperator<Level> change) {
        return new Edit(name, shot -> shot.withLevel(levelId, change));
    }

    private static int indexOf(List<Level> levels, String id) {
        for (int i = 0; i < levels.size(); i++) {
            if (levels.get(i).id().equals(id)) {
                return i;
            }
        }
        return -1;
    }
}
