package chalktrace.app.trace.rows;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Fold;
import chalktrace.app.controls.NumberField;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.session.Session;
import chalktrace.app.session.View;
import chalktrace.app.session.View.Tool;
import chalktrace.app.theme.Icons;
import chalktrace.app.trace.work.Picking;
import chalktrace.app.trace.work.TraceWork;
import chalktrace.app.words.Words;
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

    private final TraceWork work;
    private final Session session;
    private static final double TWO_LINES_PX = 34;

    private final Label count = Rows.hint("");
    private final NumberField right = new NumberField("pick-right", 0, () -> {});
    private final NumberField down = new NumberField("pick-down", 0, () -> {});
    private final NumberField percent = new NumberField("pick-percent", 100, () -> {});
    private final NumberField degrees = new NumberField("pick-degrees", 0, () -> {});
    private final PartRows parts;
    private final NumberField span = new NumberField("paste-frames", 12, () -> {});

    PickRows(TraceWork work) {
        super(6);
        this.work = work;
        this.session = work.session();
        Picking picking = work.picking();
        parts = new PartRows(work);
        FlowPane buttons = new FlowPane(
                4,
                4,
                Buttons.icon(Icons.MIRROR, Words.TRACE.of("turn-over-left-to-right"), () -> picking.mirror(true)),
                Buttons.icon(Icons.TURN_OVER, Words.TRACE.of("turn-over-top-to-bottom"), () -> picking.mirror(false)),
                Buttons.words(
                        Words.TRACE.of("to-the-front"),
                        Words.TRACE.of("in-front-of-the-drawings"),
                        () -> picking.reorder(true)),
                Buttons.words(
                        Words.TRACE.of("behind"),
                        Words.TRACE.of("behind-the-drawings-other-strokes"),
                        () -> picking.reorder(false)),
                Buttons.words(
                        Words.TRACE.of("use-current-chalk"),
                        Words.TRACE.of("redraw-the-selection-with-the"),
                        picking::rechalk),
                Buttons.words(
                        Words.TRACE.of("duplicate"),
                        Words.TRACE.of("duplicate-in-its-place-ctrl"),
                        picking::duplicate));
        Node apply = Buttons.words(Words.TRACE.of("apply"), Words.TRACE.of("move-scale-and-turn-by"), this::apply);
        apply.setId("pick-apply");
        Node each = Buttons.words(
                Words.TRACE.of("each-part"),
                Words.TRACE.of("scale-each-part-about-its"),
                () -> picking.scaleEach(percent.value()));
        // What is said while nothing is selected takes two lines: the buttons below stay where they are.
        count.setMinHeight(TWO_LINES_PX);
        count.setAlignment(Pos.TOP_LEFT);
        getChildren()
                .addAll(
                        Rows.section(Words.TRACE.of("selection")),
                        count,
                        row(Rows.quiet(Words.TRACE.of("right")), right, Rows.quiet(Words.TRACE.of("down")), down),
                        row(Rows.quiet(Words.TRACE.of("size")), percent, Rows.quiet(Words.TRACE.of("turn")), degrees),
                        row(apply, each),
                        buttons,
                        handling(),
                        parts,
                        new Fold(Words.TRACE.of("on-many-frames"), false, new SpanRows(work)),
                        new Fold(Words.TRACE.of("squash-stretch-follow"), false, new ElasticRows(work)),
                        row(
                                Buttons.words(
                                        Words.TRACE.of("paste-on"),
                                        Words.TRACE.of("paste-on-these-frames-as"),
                                        () -> picking.pasteOnSpan((int) span.value())),
                                span,
                                Rows.quiet(Words.TRACE.of("frames-linked"))));
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
                        ? Words.TRACE.of("nothing-draw-a-loop-round")
                        : Words.TRACE.count("picked-strokes", pick.strokes().size()) + ", "
                                + Words.TRACE.count("picked-areas", pick.fills().size())
                                + (pick.pictures().isEmpty()
                                        ? ""
                                        : ", "
                                                + Words.TRACE.count(
                                                        "picked-pictures",
                                                        pick.pictures().size()))
                                + others());
    }

    private String others() {
        int more = session.selection().alsoPickedProperty().get().size();
        return more == 0 ? "" : Words.TRACE.count("and-on-levels", more);
    }

    /** How what is picked is taken hold of on the board. */
    private HBox handling() {
        HBox box = new HBox();
        box.getStyleClass().add("edged-box");
        box.setMaxHeight(26);
        ToggleGroup group = new ToggleGroup();
        Map<View.Handling, String> uses = new EnumMap<>(Map.of(
                View.Handling.WHOLE, Words.TRACE.of("move-scale-turn-and-skew"),
                View.Handling.CORNERS, Words.TRACE.of("drag-its-four-corners-freely"),
                View.Handling.GRID, Words.TRACE.of("bend-it-by-a-grid"),
                View.Handling.POINTS, Words.TRACE.of("points-and-handles-of-one")));
        uses.forEach((handling, use) -> {
            ToggleButton one = Buttons.toggle(Words.TRACE.name(handling), use);
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

    private void apply() {
        if (!(percent.value() > 0)) {
            session.notices().problem(Words.TRACE.of("a-size-is-above-0"));
            return;
        }
        work.picking().change(right.value(), down.value(), percent.value(), degrees.value());
    }

    private static HBox row(Node... parts) {
        HBox row = new HBox(6, parts);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }
}
