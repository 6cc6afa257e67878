package chalktrace.app.trace.rows;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Rows;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Icons;
import chalktrace.app.theme.Theme;
import chalktrace.app.words.Words;
import chalktrace.core.edit.LevelEdits;
import chalktrace.core.shot.Level;
import java.util.Locale;
import java.util.function.UnaryOperator;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;

/** One level of the stack in one line: its name, how strong it is, whether it is shown and locked. */
final class LevelSheet extends HBox {

    private static final double DIAL_WIDTH = 52;

    private final Session session;
    private final String id;
    private final RowName name;
    private final Button eye;
    private final Button lock;
    private final ToggleButton alone = Buttons.toggle(Icons.ALONE, Words.TRACE.of("show-this-level-alone"));
    private final Slider opacity = new Slider(0, 100, 100);
    private final Label faded = Rows.quiet("");

    LevelSheet(Session session, String id) {
        super(2);
        this.session = session;
        this.id = id;
        getStyleClass().add("sheet-row");
        setAlignment(Pos.CENTER_LEFT);
        eye = Buttons.icon(
                Icons.SHOWN,
                Words.TRACE.of("show-or-hide-this-level"),
                () -> change(Words.TRACE.of("show-or-hide-a-level"), l -> l.withVisible(!l.visible())));
        lock = Buttons.icon(
                Icons.UNLOCKED,
                Words.TRACE.of("lock-or-unlock-this-level"),
                () -> change(Words.TRACE.of("lock-or-unlock-a-level"), l -> l.withLocked(!l.locked())));
        name = new RowName(
                () -> session.shot().level(id).map(Level::name).orElse(""),
                typed -> change(Words.TRACE.of("rename-a-level"), l -> l.withName(typed)));
        setOnMousePressed(event -> session.selection().levelProperty().set(id));
        alone.setOnAction(event -> session.view().aloneProperty().set(alone.isSelected() ? id : null));
        session.view().aloneProperty().addListener((property, before, now) -> alone.setSelected(id.equals(now)));
        getChildren().addAll(name, strength(), alone, eye, lock);
    }

    /** How strong the level is: a number where it is faded, and a dial while the pointer is over the row. */
    private StackPane strength() {
        opacity.getStyleClass().add("row-dial");
        opacity.setAccessibleText(Words.TRACE.of("opacity"));
        opacity.setTooltip(new Tooltip(Words.TRACE.of("opacity-of-this-level")));
        opacity.setFocusTraversable(false);
        opacity.visibleProperty().bind(hoverProperty().or(opacity.pressedProperty()));
        faded.visibleProperty()
                .bind(opacity.visibleProperty()
                        .not()
                        .and(opacity.valueProperty().lessThan(99.5)));
        faded.textProperty().bind(opacity.valueProperty().asString(Locale.ROOT, "%.0f %%"));
        opacity.valueProperty().addListener((property, before, now) -> {
            if (opacity.isPressed()) {
                session.document()
                        .preview(LevelEdits.change(
                                Words.TRACE.of("fade-a-level"), id, l -> l.withOpacity(now.doubleValue() / 100)));
            }
        });
        opacity.setOnMouseReleased(event -> {
            session.document().preview(null);
            change(Words.TRACE.of("fade-a-level"), l -> l.withOpacity(opacity.getValue() / 100));
        });
        StackPane both = new StackPane(faded, opacity);
        both.setMinWidth(DIAL_WIDTH);
        both.setPrefWidth(DIAL_WIDTH);
        StackPane.setAlignment(faded, Pos.CENTER_RIGHT);
        return both;
    }

    void show(Level level) {
        name.show(level.name());
        eye.setGraphic(Theme.icon(level.visible() ? Icons.SHOWN : Icons.HIDDEN));
        lock.setGraphic(Theme.icon(level.locked() ? Icons.LOCKED : Icons.UNLOCKED));
        if (!opacity.isPressed()) {
            opacity.setValue(level.opacity() * 100);
        }
        getStyleClass().removeAll("current", "grouped");
        if (session.shot().groupOf(id).isPresent()) {
            getStyleClass().add("grouped");
        }
        if (id.equals(session.selection().level())) {
            getStyleClass().add("current");
        }
    }

    private void change(String what, UnaryOperator<Level> change) {
        session.document().apply(LevelEdits.change(what, id, change));
    }
}
