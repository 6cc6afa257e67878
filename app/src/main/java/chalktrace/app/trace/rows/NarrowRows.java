package chalktrace.app.trace.rows;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Colors;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.controls.ValueSlider;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Icons;
import chalktrace.app.theme.Theme;
import chalktrace.app.trace.work.TraceWork;
import chalktrace.app.words.Words;
import chalktrace.core.edit.LevelEdits;
import chalktrace.core.shot.Chalk;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.ColorPicker;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** The levels and the current chalk, in half the width of {@link TraceRows}. */
public final class NarrowRows extends VBox {

    private final Session session;
    private final VBox levels = new VBox(2);
    private final Label chalkName = new Label();
    private final ColorPicker color;
    private final ValueSlider width;
    private final ValueSlider strength;
    private List<Sheet> shown = List.of();

    /** What a row shows of a level: strokes that come and go make none anew. */
    private record Sheet(String id, String name, boolean visible, boolean current) {}

    public NarrowRows(TraceWork work) {
        this.session = work.session();
        getStyleClass().add("step-rows");
        CurrentChalk current = new CurrentChalk(session);
        color = current.color();
        color.getStyleClass().add("without-letters");
        width = current.width().stacked();
        strength = current.strength().stacked();
        chalkName.getStyleClass().add("section");
        getChildren().addAll(Rows.section(Words.TRACE.of("levels")), levels, chalkName, color, width, strength);
        Refresh.on(
                this,
                () -> show(current.get()),
                session.document().shotProperty(),
                session.selection().levelProperty(),
                session.selection().chalkProperty());
    }

    private void show(Chalk chalk) {
        chalkName.setText(chalk.name());
        color.setValue(Colors.of(chalk.color()));
        width.show(chalk.width());
        strength.show(chalk.opacity() * 100);
        String current = session.selection().level();
        List<Sheet> now = session.shot().levels().stream()
                .map(level -> new Sheet(
                        level.id(), level.name(), level.visible(), level.id().equals(current)))
                .toList();
        if (!now.equals(shown)) {
            shown = now;
            levels.getChildren().setAll(now.stream().map(this::row).toList());
        }
    }

    private HBox row(Sheet level) {
        Label name = new Label(level.name());
        name.setMinWidth(0);
        name.setTooltip(new Tooltip(level.name()));
        Button eye = Buttons.icon(Icons.SHOWN, Words.TRACE.of("show-or-hide-this-level"), () -> session.document()
                .apply(LevelEdits.change(
                        Words.TRACE.of("show-or-hide-a-level"), level.id(), l -> l.withVisible(!l.visible()))));
        eye.setGraphic(Theme.icon(level.visible() ? Icons.SHOWN : Icons.HIDDEN));
        HBox row = Rows.row(() -> session.selection().levelProperty().set(level.id()), name, Rows.space(), eye);
        row.getStyleClass().setAll("sheet-row");
        if (level.current()) {
            row.getStyleClass().add("current");
        }
        return row;
    }
}
