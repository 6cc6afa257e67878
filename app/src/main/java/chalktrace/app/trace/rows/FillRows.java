package chalktrace.app.trace.rows;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.NumberField;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.session.Session;
import chalktrace.app.session.View.Tool;
import chalktrace.app.trace.work.Painting;
import chalktrace.app.trace.work.TraceWork;
import chalktrace.app.words.Words;
import javafx.beans.property.DoubleProperty;
import javafx.geometry.Pos;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** How regions are found and painted. Shows while the fill tool is in hand. */
final class FillRows extends VBox {

    private final TraceWork work;
    private final Session session;

    FillRows(TraceWork work) {
        super(6);
        this.work = work;
        this.session = work.session();
        Painting painting = work.painting();
        NumberField frames = new NumberField("fill-frames", 1, () -> {});
        frames.textProperty().addListener(changed -> painting.spanProperty().set(Math.max(1, (int) frames.value())));
        CheckBox bounds = new CheckBox(Words.TRACE.of("dark-or-thin-paint-counts"));
        bounds.setId("paint-bounds");
        bounds.setFocusTraversable(false);
        bounds.setTooltip(new Tooltip(Words.TRACE.of("for-art-that-is-drawn")));
        bounds.selectedProperty().bindBidirectional(painting.paintBoundsProperty());
        var silhouette = Buttons.words(
                Words.TRACE.of("paint-the-silhouette"),
                Words.TRACE.of("all-that-lies-within-the"),
                painting::silhouette);
        silhouette.setId("silhouette");
        getChildren()
                .addAll(
                        Rows.section(Words.TRACE.of("filling")),
                        row(
                                Words.TRACE.of("gaps-up-to"),
                                number("fill-gap", painting.gapProperty()),
                                Words.TRACE.of("px-are-closed")),
                        row(
                                Words.TRACE.of("grows"),
                                number("fill-grow", painting.growProperty()),
                                Words.TRACE.of("px-under-the-line")),
                        row(Words.TRACE.of("paints"), frames, Words.TRACE.of("frames-from-here")),
                        bounds,
                        silhouette,
                        Rows.hint(Words.TRACE.of("paint-goes-to-a-level")));
        Refresh.on(this, this::show, session.view().toolProperty());
    }

    private void show() {
        boolean shown = session.view().toolProperty().get().equals(Tool.FILL);
        Rows.show(this, shown);
    }

    private static NumberField number(String name, DoubleProperty value) {
        NumberField[] field = new NumberField[1];
        field[0] = new NumberField(name, value.get(), () -> value.set(Math.max(0, field[0].value())));
        value.addListener((property, before, now) -> field[0].set(now.doubleValue()));
        return field[0];
    }

    private static HBox row(String before, NumberField field, String after) {
        Label label = Rows.quiet(before);
        label.setMinWidth(64);
        HBox row = new HBox(6, label, field, Rows.quiet(after));
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }
}
