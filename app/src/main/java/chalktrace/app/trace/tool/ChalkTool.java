package chalktrace.app.trace.tool;

import chalktrace.app.board.BoardTool;
import chalktrace.app.board.BoardView;
import chalktrace.app.board.Hand;
import chalktrace.app.controls.Buttons;
import chalktrace.app.keys.Action;
import chalktrace.app.session.Session;
import chalktrace.app.session.View.LineKind;
import chalktrace.app.session.View.Tool;
import chalktrace.app.theme.Icons;
import chalktrace.app.trace.work.TraceWork;
import chalktrace.app.words.Words;
import chalktrace.core.stroke.LineShape;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import org.kordamp.ikonli.Ikon;

/** Draws lines with the chalk in hand; taken by its stick. */
public final class ChalkTool implements BoardTool {

    private static final double SMALLEST_RING_PX = 2;

    private final TraceWork work;
    private final Session session;

    public ChalkTool(TraceWork work) {
        this.work = work;
        this.session = work.session();
    }

    @Override
    public Tool tool() {
        return Tool.CHALK;
    }

    @Override
    public Optional<Ikon> icon() {
        return Optional.empty();
    }

    @Override
    public String use() {
        return Words.TRACE.of("tool.chalk");
    }

    @Override
    public Hand hand(BoardView board) {
        return new ChalkHand(work, board);
    }

    @Override
    public OptionalDouble ringPx(double scale) {
        LineShape line =
                session.shot().chalk(session.selection().chalkProperty().get()).line();
        return OptionalDouble.of(Math.max(SMALLEST_RING_PX, line.radius(1) * scale));
    }

    @Override
    public List<Node> options() {
        HBox drawings = new HBox(2, new HoldMenu(session), on());
        drawings.setAlignment(Pos.CENTER_LEFT);
        return List.of(kinds(), ways(), drawings);
    }

    /** Goes on to where the next drawing is, or belongs. */
    private Button on() {
        Button on = session.keys()
                .named(
                        Buttons.icon(Icons.NEXT_DRAWING, "", work.onward()::next),
                        Words.TRACE.of("on-to-the-next-drawing"),
                        Action.DRAWING_ON);
        on.setId("next-drawing");
        return on;
    }

    private HBox ways() {
        ToggleButton snap = session.keys()
                .named(Buttons.toggle(Icons.SNAP, ""), Words.TRACE.of("follow-the-edges-of-the"), Action.SNAP);
        snap.setId("snap");
        snap.selectedProperty().bindBidirectional(work.snapping().onProperty());
        ToggleButton along = Buttons.toggle(Icons.ALONG_GUIDES, Words.TRACE.of("lines-that-start-near-a"));
        along.setId("along-guides");
        along.selectedProperty().bindBidirectional(session.view().snapToGuidesProperty());
        ToggleButton within = Buttons.toggle(Icons.WITHIN_PAINT, Words.TRACE.of("paint-only-on-what-is"));
        within.setId("within-paint");
        within.selectedProperty().bindBidirectional(session.view().withinPaintProperty());
        HBox ways = new HBox(2, snap, along, within);
        ways.setAlignment(Pos.CENTER_LEFT);
        return ways;
    }

    private HBox kinds() {
        ToggleGroup group = new ToggleGroup();
        HBox kinds = new HBox(
                kind(LineKind.FREE, Icons.FREE_LINE, Words.TRACE.of("free-line-with-shift-straight"), group),
                kind(LineKind.STRAIGHT, Icons.STRAIGHT_LINE, Words.TRACE.of("straight-line"), group),
                kind(LineKind.ELLIPSE, Icons.ELLIPSE, Words.TRACE.of("ellipse-with-shift-circle"), group),
                kind(LineKind.CLOSED, Icons.CLOSED_SHAPE, Words.TRACE.of("closed-shape-ends-where-it"), group));
        kinds.getStyleClass().add("edged-box");
        kinds.setMaxHeight(26);
        return kinds;
    }

    private ToggleButton kind(LineKind kind, Ikon icon, String use, ToggleGroup group) {
        ToggleButton one = Buttons.toggle(icon, use);
        one.setId("line-" + kind.name().toLowerCase(Locale.ROOT));
        one.setToggleGroup(group);
        one.setSelected(session.view().lineKindProperty().get() == kind);
        one.setOnAction(event -> {
            one.setSelected(true);
            session.view().lineKindProperty().set(kind);
        });
        return one;
    }
}
