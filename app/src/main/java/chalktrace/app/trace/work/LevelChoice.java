package chalktrace.app.trace.work;

import chalktrace.app.kernel.Document;
import chalktrace.app.kernel.Selection;
import chalktrace.app.session.View;
import chalktrace.app.words.Words;
import chalktrace.core.edit.LevelEdits;
import chalktrace.core.shot.Level;
import java.util.List;
import javafx.beans.property.StringProperty;

/** Goes from level to level, and shows the current one, or it alone. */
public final class LevelChoice {

    private final Document document;
    private final Selection selection;
    private final View view;

    LevelChoice(Document document, Selection selection, View view) {
        this.document = document;
        this.selection = selection;
        this.view = view;
    }

    /** @param direction below 0 to the one before this one, above 0 to the one behind it; nowhere past the last. What is shown alone goes along. */
    public void go(int direction) {
        List<String> ids = document.shot().levels().stream().map(Level::id).toList();
        int to = ids.indexOf(selection.level()) + direction;
        if (to < 0 || to >= ids.size()) {
            return;
        }
        boolean alone = selection.level().equals(view.aloneProperty().get());
        selection.levelProperty().set(ids.get(to));
        if (alone) {
            view.aloneProperty().set(ids.get(to));
        }
    }

    public void showOrHide() {
        document.shot()
                .level(String.valueOf(selection.level()))
                .ifPresent(level -> document.apply(LevelEdits.change(
                        Words.TRACE.of("show-or-hide-a-level"), level.id(), l -> l.withVisible(!l.visible()))));
    }

    /** Shows the current level alone, or all again. */
    public void alone() {
        StringProperty alone = view.aloneProperty();
        String level = selection.level();
        alone.set(level == null || level.equals(alone.get()) ? null : level);
    }
}
