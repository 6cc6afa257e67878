package chalktrace.app.board;

import chalktrace.app.keys.Action;
import chalktrace.app.session.View;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.Node;
import javafx.scene.input.MouseEvent;
import org.kordamp.ikonli.Ikon;

/** Something that the pen does on the board, chosen on the ledge. */
public interface BoardTool {

    /** By which it is chosen. */
    View.Tool tool();

    /** On its button on the ledge; empty where something else takes it in hand. */
    Optional<Ikon> icon();

    /** What it is for, as its button says it, in a sentence without an end. */
    String use();

    /** Whose key takes it in hand. */
    default Optional<Action> key() {
        return Optional.empty();
    }

    /** What the pen does with it on a board. */
    Hand hand(BoardView board);

    /** What lies over the board for it; touched by nothing. */
    default List<Node> overlay(BoardView board) {
        return List.of();
    }

    /** What lies over the board and can be taken hold of; hidden where it is not wanted. */
    default List<Node> grips(BoardView board) {
        return List.of();
    }

    /** Hears of the pointer over the board while it is in hand. */
    default void pointer(MouseEvent event, BoardView board) {}

    /** The radius of the ring that it shows under the pointer, in pixels of the board; empty for none. Asked again when the chalk, the view or the shot has changed. */
    default OptionalDouble ringPx(double scale) {
        return OptionalDouble.empty();
    }

    /** What stands on the ledge while it is chosen; made once. */
    default List<Node> options() {
        return List.of();
    }

    /** Whether it changes a drawing, and so needs one that can be changed under it. */
    default boolean draws() {
        return true;
    }
}
