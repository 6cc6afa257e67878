package chalktrace.app.trace.tool;

import chalktrace.app.board.BoardTool;
import chalktrace.app.board.BoardView;
import chalktrace.app.board.Hand;
import chalktrace.app.keys.Action;
import chalktrace.app.session.Session;
import chalktrace.app.session.View;
import chalktrace.app.session.View.Tool;
import chalktrace.app.theme.Icons;
import chalktrace.app.trace.work.TraceWork;
import chalktrace.app.words.Words;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.layout.HBox;
import org.kordamp.ikonli.Ikon;

/** Selects strokes, and takes hold of what is selected: whole, by its corners, by a grid, or by the points of one stroke. */
public final class PickTool implements BoardTool {

    private static final int BEND_COLUMNS = 4;
    private static final int BEND_ROWS = 3;

    private final TraceWork work;
    private final Session session;
    private final DrawnLoop loop = new DrawnLoop();

    /** Made with the board. */
    private PointsFrame points;

    public PickTool(TraceWork work) {
        this.work = work;
        this.session = work.session();
    }

    @Override
    public Tool tool() {
        return Tool.PICK;
    }

    @Override
    public Optional<Ikon> icon() {
        return Optional.of(Icons.PICK);
    }

    @Override
    public String use() {
        return Words.TRACE.of("select-strokes-to-move-bend");
    }

    @Override
    public Optional<Action> key() {
        return Optional.of(Action.PICK);
    }

    @Override
    public Hand hand(BoardView board) {
        return new PickHand(session, board, loop);
    }

    @Override
    public List<Node> overlay(BoardView board) {
        return List.of(new PickLoop(loop.shownProperty(), board));
    }

    @Override
    public List<Node> grips(BoardView board) {
        points = new PointsFrame(session, board);
        return List.of(
                new PickFrame(work, board),
                new BendFrame(work, board, View.Handling.GRID, BEND_COLUMNS, BEND_ROWS),
                new BendFrame(work, board, View.Handling.CORNERS, 2, 2),
                points);
    }

    @Override
    public List<Node> options() {
        HBox out = new HBox(
                8,
                OptionBox.choice(
                        session.view().pickByBoxProperty().asObject(),
                        Map.of(false, Words.TRACE.of("by-a-loop"), true, Words.TRACE.of("by-a-box"))),
                OptionBox.choice(
                        session.view().pickAcrossProperty().asObject(),
                        Map.of(false, Words.TRACE.of("on-this-level"), true, Words.TRACE.of("on-all-levels"))));
        out.setAlignment(Pos.CENTER_LEFT);
        return List.of(out);
    }

    /** Whether something is selected that {@link #remove} takes away. */
    public boolean canRemove() {
        return session.view().toolProperty().get().equals(Tool.PICK)
                && (points.hasTouched() || !work.picking().picks().isEmpty());
    }

    /** Takes the point that was touched last out of the selected stroke, or else all that is selected out of the drawing. */
    public void remove() {
        if (points.hasTouched()) {
            points.removeTouched();
        } else {
            work.picking().remove();
        }
    }
}
