package chalktrace.app.feature;

import chalktrace.app.bench.LaneKind;
import chalktrace.app.board.BoardTool;
import chalktrace.app.board.BoardView;
import chalktrace.app.board.SceneLook;
import chalktrace.app.cards.CardRows;
import chalktrace.app.keys.Keys;
import chalktrace.app.tray.TrayRows;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.layout.Region;

/** Something that the window can do beyond its ground: it says what it adds, and the window finds places for it. */
public interface Feature {

    /** Tools for the board, each with its button on the ledge. */
    default List<BoardTool> tools() {
        return List.of();
    }

    /** What is composed with the frame on the board. */
    default List<SceneLook> looks() {
        return List.of();
    }

    /** Takes files that were dropped on the window, where they are its own. @return whether they are */
    default boolean takes(List<Path> dropped) {
        return false;
    }

    /** Rows on the card of a piece of footage. */
    default List<CardRows> cardRows() {
        return List.of();
    }

    /** What stands beside the board, from its left edge on. */
    default List<Region> beside() {
        return List.of();
    }

    /** What lies over the board, whichever tool is chosen; touched by nothing. */
    default List<Node> overlays(BoardView board) {
        return List.of();
    }

    /** Rows of the trays. */
    default List<TrayRows> trayRows() {
        return List.of();
    }

    /** Rows of the narrow tray, which is the same in every step; asked once, when it is first shown. */
    default List<Node> narrowRows() {
        return List.of();
    }

    /** Says what its commands do; called once, when its lanes and rows have their places. */
    default void actions(Keys keys) {}

    /** Ends what it does; the window closes. */
    default void close() {}

    /** Strips that lie over the board's lower edge, in line with those of the bench. */
    default List<LaneKind> overBoard() {
        return List.of();
    }

    /** Strips of the bench. */
    default List<LaneKind> lanes() {
        return List.of();
    }
}
