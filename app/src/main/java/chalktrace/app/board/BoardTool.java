package chalktrace.app.board;

import chalktrace.app.session.View;
import java.util.List;
import javafx.scene.Node;
import org.kordamp.ikonli.Ikon;

/** Something that the pen does on the board, chosen on the ledge. */
public interface BoardTool {

    /** By which it is chosen. */
    View.Tool tool();

    Ikon icon();

    /** What it is for, as its button says it, in a sentence without an end. */
    String use();

    /** What the pen does with it on a board. */
    Hand hand(BoardView board);

    /** What lies over the board while it is chosen; touched by nothing. */
    default List<Node> overlay(BoardView board) {
        return List.of();
    }

    /** What stands on the ledge while it is chosen. */
    default List<Node> options() {
        return List.of();
    }

    /** Whether it changes a drawing, and so needs one that can be changed under it. */
    default boolean draws() {
        return true;
    }
}
