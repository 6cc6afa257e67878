package chalktrace.app.footage;

import chalktrace.core.space.Borrowed;
import chalktrace.core.space.Figure;
import chalktrace.core.space.Staging;
import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.Executor;
import java.util.logging.Level;
import java.util.logging.Logger;
import javafx.application.Platform;

/** Models with animations that they borrow of others, fitted to them once, behind the window. Lives on the FX thread. */
final class LentFigures {

    private static final Logger LOG = Logger.getLogger(LentFigures.class.getName());

    /** What a figure is made of. */
    private record Recipe(Figure own, boolean zUp, Figure lender, Borrowed borrowed) {

        boolean isOf(Recipe other) {
            return own == other.own && zUp == other.zUp && lender == other.lender && borrowed.equals(other.borrowed);
        }
    }

    private record Made(Recipe recipe, Figure figure) {}

    private final Executor worker;
    private final Runnable arrived;
    private final Map<String, Made> made = new HashMap<>();
    private final Map<String, Recipe> wanted = new HashMap<>();

    /** @param arrived told on the FX thread when another figure is there */
    LentFigures(Executor worker, Runnable arrived) {
        this.worker = worker;
        this.arrived = arrived;
    }

    /** The figure with its borrowed animation; until that is fitted the one before, or the own. */
    Figure of(String use, Figure own, Staging staging, Figure lender) {
        Recipe recipe =
                new Recipe(own, staging.zUp(), lender, staging.borrowed().orElseThrow());
        Made before = made.get(use);
        if (before != null && before.recipe().isOf(recipe)) {
            return before.figure();
        }
        if (!wanted.containsKey(use) || !wanted.get(use).isOf(recipe)) {
            wanted.put(use, recipe);
            worker.execute(() -> make(use, recipe));
        }
        return before != null && before.recipe().own() == own ? before.figure() : own;
    }

    private void make(String use, Recipe recipe) {
        Figure figure;
        try {
            figure = recipe.borrowed().on(recipe.own(), recipe.zUp(), recipe.lender());
        } catch (RuntimeException | OutOfMemoryError e) {
            LOG.log(Level.WARNING, "a borrowed animation", e);
            figure = recipe.own();
        }
        Figure fitted = figure;
        Platform.runLater(() -> {
            if (recipe == wanted.get(use)) {
                made.put(use, new Made(recipe, fitted));
                arrived.run();
            }
        });
    }

    /** Forgets all other uses. */
    void retain(Collection<String> uses) {
        made.keySet().retainAll(uses);
        wanted.keySet().retainAll(uses);
    }
}
