package chalktrace.app.kernel;

import chalktrace.app.bench.LaneKind;
import chalktrace.app.board.BoardTool;
import chalktrace.app.tray.gather.CardRows;
import java.util.List;
import javafx.scene.layout.Region;

/** Something that the window can do beyond its ground: it says what it adds, and the window finds places for it. */
public interface Feature {

    /** Tools for the board, each with its button on the ledge. */
    default List<BoardTool> tools() {
        return List.of();
    }

    /** Rows on the card of a piece of footage. */
    default List<CardRows> cardRows() {
        return List.of();
    }

    /** What stands beside the board, from its left edge on. */
    default List<Region> beside() {
        return List.of();
    }

    /** Ends what it does; the window closes. */
    default void close() {}

    /** Strips of the bench. */
    default List<LaneKind> lanes() {
        return List.of();
    }
}
