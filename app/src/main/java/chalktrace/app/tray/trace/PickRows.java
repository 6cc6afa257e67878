package chalktrace.app.tray.trace;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.NumberField;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.session.Picking;
import chalktrace.app.session.Session;
import chalktrace.app.session.View.Tool;
import chalktrace.app.theme.Icons;
import chalktrace.core.edit.Pick;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** What can be done with what is picked: typed changes, turning over, order, chalk, copies. Shows while the pick tool is in hand. */
final class PickRows extends VBox {

    private final Session session;
    private final Label count = Rows.hint("");
    private final NumberField right = new NumberField("pick-right", 0, () -> {});
    private final NumberField down = new NumberField("pick-down", 0, () -> {});
    private final NumberField percent = new NumberField("pick-percent", 100, () -> {});
    private final NumberField degrees = new NumberField("pick-degrees", 0, () -> {});
    private final NumberField span = new NumberField("paste-frames", 12, () -> {});

    PickRows(Session session) {
        super(6);
        this.session = session;
        Picking picking = session.picking();
        CheckBox bend = new CheckBox("bend by a grid");
        bend.setId("bend");
        bend.setFocusTraversable(false);
        bend.selectedProperty().bindBidirectional(session.view().bendingProperty());
        FlowPane buttons = new FlowPane(
                4,
                4,
                Buttons.icon(Icons.MIRROR, "turn over, left to right", () -> picking.mirror(true)),
                Buttons.icon(Icons.TURN_OVER, "turn over, top to bottom", () -> picking.mirror(false)),
                Buttons.words("to the front", "in front of the drawing's other strokes", () -> picking.reorder(true)),
                Buttons.words("behind", "behind the drawing's other strokes", () -> picking.reorder(false)),
                Buttons.words("chalk in hand", "draw it with the chalk in hand", picking::rechalk),
                Buttons.words("duplicate", "duplicate in its place (Ctrl+D)", picking::duplicate));
        Node apply = Buttons.words("apply", "move, scale and turn by these", this::apply);
        apply.setId("pick-apply");
        Node each = Buttons.words(
                "each part", "scale each part about its own middle", () -> picking.scaleEach(percent.value()));
        getChildren()
                .addAll(
                        Rows.section("What is picked"),
                        count,
                        row(Rows.quiet("right"), right, Rows.quiet("down"), down),
                        row(Rows.quiet("size %"), percent, Rows.quiet("turn"), degrees),
                        row(apply, each),
                        buttons,
                        bend,
                        row(
                                Buttons.words(
                                        "paste on",
                                        "what was copied, on these frames, tied",
                                        () -> picking.pasteOnSpan((int) span.value())),
                                span,
                                Rows.quiet("frames, tied")));
        Refresh.on(
                this,
                this::show,
                session.selection().pickProperty(),
                session.view().toolProperty());
    }

    private void show() {
        boolean shown = session.view().toolProperty().get() == Tool.PICK;
        setVisible(shown);
        setManaged(shown);
        Pick pick = session.selection().pickProperty().get();
        count.setText(
                pick == null
                        ? "Nothing. Draw a loop round strokes, or touch one; with Shift, more."
                        : counted(pick.strokes().size(), "stroke") + ", "
                                + counted(pick.fills().size(), "painted area"));
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
