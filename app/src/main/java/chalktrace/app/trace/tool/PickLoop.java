package chalktrace.app.trace.tool;

import chalktrace.app.board.BoardView;
import java.awt.geom.Point2D;
import java.util.List;
import javafx.beans.value.ObservableValue;
import javafx.scene.shape.Polyline;

/** The loop or box that is being drawn round strokes. */
final class PickLoop extends Polyline {

    PickLoop(ObservableValue<List<Point2D>> loop, BoardView board) {
        getStyleClass().add("pick-loop");
        setMouseTransparent(true);
        setManaged(false);
        loop.addListener((property, before, corners) -> {
            getPoints().clear();
            corners.forEach(corner -> add(corner, board));
            if (!corners.isEmpty()) {
                add(corners.get(0), board);
            }
        });
    }

    private void add(Point2D corner, BoardView board) {
        Point2D place = board.toBoard(corner.getX(), corner.getY());
        getPoints().addAll(place.getX(), place.getY());
    }
}
