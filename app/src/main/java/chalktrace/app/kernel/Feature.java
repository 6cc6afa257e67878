package chalktrace.app.kernel;

import chalktrace.app.bench.LaneKind;
import chalktrace.app.board.BoardTool;
import java.util.List;

/** Something that the window can do beyond its ground: it says what it adds, and the window finds places for it. */
public interface Feature {

    /** Tools for the board, each with its button on the ledge. */
    default List<BoardTool> tools() {
        return List.of();
    }

    /** Strips of the bench. */
    default List<LaneKind> lanes() {
        return List.of();
    }
}
