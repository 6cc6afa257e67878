package chalktrace.app.trace.tool;

import chalktrace.app.board.BoardTool;
import chalktrace.app.board.BoardView;
import chalktrace.app.board.Hand;
import chalktrace.app.controls.Rows;
import chalktrace.app.keys.Action;
import chalktrace.app.session.View.Tool;
import chalktrace.app.theme.Icons;
import chalktrace.app.trace.work.TraceWork;
import chalktrace.app.words.Words;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.input.MouseEvent;
import org.kordamp.ikonli.Ikon;

/** Paints between lines. */
public final class FillTool implements BoardTool {

    private final TraceWork work;
    private final DrawnLoop loop = new DrawnLoop();

    /** Made with the board. */
    private FillLook look;

    public FillTool(TraceWork work) {
        this.work = work;
    }

    @Override
    public Tool tool() {
        return Tool.FILL;
    }

    @Override
    public Optional<Ikon> icon() {
        return Optional.of(Icons.FILL);
    }

    @Override
    public String use() {
        return Words.TRACE.of("fill-between-lines");
    }

    @Override
    public Optional<Action> key() {
        return Optional.of(Action.FILL);
    }

    @Override
    public Hand hand(BoardView board) {
        return new FillHand(work.painting(), board, loop);
    }

    @Override
    public List<Node> overlay(BoardView board) {
        look = new FillLook(work, board);
        return List.of(look, new PickLoop(loop.shownProperty(), board));
    }

    @Override
    public void pointer(MouseEvent event, BoardView board) {
        look.pointerAt(event);
    }

    /** What bounds a region that would be painted. */
    @Override
    public List<Node> options() {
        Label words = Rows.quiet("");
        words.textProperty()
                .bind(work.painting()
                        .paintBoundsProperty()
                        .map(paint -> paint
                                ? Words.TRACE.of("touch-between-lines-or-dark")
                                : Words.TRACE.of("touch-between-lines-of-this")));
        return List.of(words);
    }
}
