package chalktrace.app.trace.rows;

import chalktrace.app.session.Session;
import chalktrace.app.trace.work.TraceWork;
import chalktrace.app.words.Words;
import chalktrace.core.edit.selection.Pick;
import javafx.geometry.Pos;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The named part of the figure that picked strokes belong to: a touch then picks all of it, on every drawing. */
final class PartRows extends VBox {

    private final TraceWork work;
    private final Session session;
    private final TextField name = new TextField();
    private final MenuButton others = new MenuButton(Words.TRACE.of("parts"));

    PartRows(TraceWork work) {
        super(6);
        this.work = work;
        this.session = work.session();
        name.setId("part-name");
        name.getStyleClass().add("part-field");
        name.setPromptText(Words.TRACE.of("name-of-the-part"));
        name.setFocusTraversable(false);
        HBox.setHgrow(name, Priority.ALWAYS);
        name.setOnAction(event -> {
            work.picking().name(name.getText());
            getParent().requestFocus();
        });
        others.setId("pick-part");
        others.setTooltip(new Tooltip(Words.TRACE.of("select-a-named-part-of")));
        others.setMinWidth(USE_PREF_SIZE);
        others.getStyleClass().add("small-menu");
        others.setFocusTraversable(false);
        others.setOnShowing(event -> list());
        // A menu button without an entry does not open.
        others.getItems().add(new MenuItem(""));
        HBox row = new HBox(6, name, others);
        row.setAlignment(Pos.CENTER_LEFT);
        getChildren().add(row);
    }

    void show(Pick pick) {
        name.setDisable(pick == null);
        if (!name.isFocused()) {
            name.setText(pick == null ? "" : String.join(", ", pick.partNames(session.shot())));
        }
    }

    private void list() {
        others.getItems().clear();
        for (String part : work.picking().partNames()) {
            MenuItem item = new MenuItem(part);
            item.setOnAction(event -> work.picking().pickPart(part));
            others.getItems().add(item);
        }
        if (others.getItems().isEmpty()) {
            MenuItem none = new MenuItem(Words.TRACE.of("no-part-of-this-level"));
            none.setDisable(true);
            others.getItems().add(none);
        }
    }
}
