package chalktrace.app.trace.rows;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.NumberField;
import chalktrace.app.controls.Rows;
import chalktrace.app.controls.ShownAs;
import chalktrace.app.session.Session;
import chalktrace.app.trace.work.TraceWork;
import chalktrace.app.words.Words;
import chalktrace.core.between.SquashAndStretch;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** Squash and stretch of what is picked, and loose parts that follow late. */
final class ElasticRows extends VBox {

    private final TraceWork work;
    private final Session session;
    private final NumberField direction = new NumberField("squash-direction", 0, () -> {});
    private final NumberField factor = new NumberField("squash-percent", 130, () -> {});
    private final CheckBox area = new CheckBox(Words.TRACE.of("keeps-its-area"));
    private final ComboBox<SquashAndStretch.Stays> stays = new ComboBox<>();
    private final NumberField delay = new NumberField("follow-delay", 2, () -> {});
    private final NumberField overshoot = new NumberField("follow-overshoot", 40, () -> {});
    private final NumberField frames = new NumberField("follow-frames", 24, () -> {});

    ElasticRows(TraceWork work) {
        super(6);
        this.work = work;
        this.session = work.session();
        area.setSelected(true);
        area.setFocusTraversable(false);
        stays.getItems().setAll(SquashAndStretch.Stays.values());
        stays.setValue(SquashAndStretch.Stays.MIDDLE);
        stays.setFocusTraversable(false);
        stays.setConverter(ShownAs.names(Words.TRACE));
        for (NumberField field : new NumberField[] {direction, factor, delay, overshoot, frames}) {
            field.setPrefWidth(52);
            field.setMinWidth(52);
        }
        getChildren()
                .addAll(
                        row(
                                Rows.quiet(Words.TRACE.of("along")),
                                direction,
                                Rows.quiet(Words.TRACE.of("degrees-to-percent")),
                                factor),
                        area,
                        row(Rows.quiet(Words.TRACE.of("stays")), stays),
                        Buttons.words(
                                Words.TRACE.of("squash-or-stretch"),
                                Words.TRACE.of("the-selection-along-that-direction"),
                                this::squash),
                        row(Rows.quiet(Words.TRACE.of("late-by")), delay, Rows.quiet(Words.TRACE.of("frames-lower"))),
                        row(Rows.quiet(Words.TRACE.of("overshoots")), overshoot),
                        row(
                                Buttons.words(
                                        Words.TRACE.of("follow-through"),
                                        Words.TRACE.of("the-selected-part-follows-the"),
                                        () -> work.picking()
                                                .followThrough(
                                                        (int) frames.value(), delay.value(), overshoot.value() / 100)),
                                Rows.quiet(Words.TRACE.of("on")),
                                frames));
    }

    private void squash() {
        try {
            work.picking().squash(direction.value(), factor.value(), area.isSelected(), stays.getValue());
        } catch (IllegalArgumentException e) {
            session.notices().problem(e.getMessage());
        }
    }

    private static HBox row(Node... parts) {
        HBox row = new HBox(6, parts);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }
}
