package chalktrace.app.tray.trace;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Fold;
import chalktrace.app.controls.NumberField;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.session.Picking;
import chalktrace.app.session.Session;
import chalktrace.app.session.View;
import chalktrace.app.session.View.Tool;
import chalktrace.app.theme.Icons;
import chalktrace.core.edit.selection.Pick;
import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** What can be done with what is picked: typed changes, turning over, order, chalk, copies. Shows while the pick tool is in hand. */
final class PickRows extends VBox {

    private final Session session;
    private final Label count = Rows.hint("");
    private final NumberField right = new NumberField("pick-right", 0, () -> {});
    private final NumberField down = new NumberField("pick-down", 0, () -> {});
    private final NumberField percent = new NumberField("pick-percent", 100, () -> {});
    private final NumberField degrees = new NumberField("pick-degrees", 0, () -> {});
    private final PartRows parts;
    private final NumberField span = new NumberField("paste-frames", 12, () -> {});

    PickRows(Session session) {
        super(6);
        this.session = session;
        Picking picking = session.picking();
        parts = new PartRows(session);
        FlowPane buttons = new FlowPane(
                4,
                4,
                Buttons.icon(Icons.MIRROR, "turn over, left to right", () -> picking.mirror(true)),
                Buttons.icon(Icons.TURN_OVER, "turn over, top to bottom", () -> picking.mirror(false)),
                Buttons.words("To the front", "in front of the drawing's other strokes", () -> picking.reorder(true)),
                Buttons.words("Behind", "behind the drawing's other strokes", () -> picking.reorder(false)),
                Buttons.words("Use current chalk", "redraw the selection with the current chalk", picking::rechalk),
                Buttons.words("Duplicate", "duplicate in its place (Ctrl+D)", picking::duplicate));
        Node apply = Buttons.words("Apply", "move, scale and turn by these", this::apply);
        apply.setId("pick-apply");
        Node each = Buttons.words(
                "Each part", "scale each part about its own centre", () -> picking.scaleEach(percent.value()));
        getChildren()
                .addAll(
                        Rows.section("Selection"),
                        count,
                        row(Rows.quiet("Right"), right, Rows.quiet("down"), down),
                        row(Rows.quiet("Size %"), percent, Rows.quiet("Turn"), degrees),
                        row(apply, each),
                        buttons,
                        handling(),
                        parts,
                        new Fold("On many frames", false, new SpanRows(session)),
                        new Fold("Squash, stretch, follow", false, new ElasticRows(session)),
                        row(
                                Buttons.words(
                                        "Paste on",
                                        "paste on these frames as linked copies",
                                        () -> picking.pasteOnSpan((int) span.value())),
                                span,
                                Rows.quiet("frames, linked")));
        Refresh.on(
                this,
                this::show,
                session.selection().pickProperty(),
                session.selection().alsoPickedProperty(),
                session.document().shotProperty(),
                session.view().toolProperty());
    }

    private void show() {
        boolean shown = session.view().toolProperty().get().equals(Tool.PICK);
        Rows.show(this, shown);
        Pick pick = session.selection().pickProperty().get();
        parts.show(pick);
        count.setText(
                pick == null
                        ? "Nothing. Draw a loop round strokes, or touch one; with Shift, more."
                        : counted(pick.strokes().size(), "stroke") + ", "
                                + counted(pick.fills().size(), "painted area")
                                + (pick.pictures().isEmpty()
                                        ? ""
                                        : ", " + counted(pick.pictures().size(), "picture"))
                                + others());
    }

    private String others() {
        int more = session.selection().alsoPickedProperty().get().size();
        return more == 0 ? "" : ", and on " + counted(more, "other level");
    }

    /** How what is picked is taken hold of on the board. */
    private HBox handling() {
        HBox box = new HBox();
        box.getStyleClass().add("edged-box");
        box.setMaxHeight(26);
        ToggleGroup group = new ToggleGroup();
        Map<View.Handling, String> uses = new EnumMap<>(Map.of(
                View.Handling.WHOLE, "move, scale, turn and skew it",
                View.Handling.CORNERS, "drag its four corners freely",
                View.Handling.GRID, "bend it by a grid",
                View.Handling.POINTS,
                        "points and handles of one stroke: drag them; double-click the line for another, Ctrl+click"
                                + " takes one out"));
        uses.forEach((handling, use) -> {
            ToggleButton one = Buttons.toggle(handling.name().toLowerCase(Locale.ROOT), use);
            one.setId("handling-" + handling.name().toLowerCase(Locale.ROOT));
            one.setToggleGroup(group);
            one.setMinWidth(Region.USE_PREF_SIZE);
            one.setSelected(session.view().handlingProperty().get() == handling);
            session.view().handlingProperty().addListener((property, before, now) -> one.setSelected(now == handling));
            one.setOnAction(event -> {
                one.setSelected(true);
                session.view().handlingProperty().set(handling);
            });
            box.getChildren().add(one);
        });
        return box;
    }

    private static String counted(int count, String what) {
        return count + " " + what + (count == 1 ? "" : "s");
    }

    private void apply() {
        if (!(percent.value() > 0)) {
            session.notices().problem("A size is above 0 %: nothing was changed.");
            return;
        }
        session.picking().change(right.value(), down.value(), percent.value(), degrees.value());
    }

    private static HBox row(Node... parts) {
        HBox row = new HBox(6, parts);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }
}
