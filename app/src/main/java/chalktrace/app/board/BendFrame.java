package chalktrace.app.board;

import chalktrace.app.session.Session;
import chalktrace.app.session.View;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.Pick;
import chalktrace.core.edit.PickEdits;
import chalktrace.core.stroke.GridWarp;
import java.awt.geom.Point2D;
import java.util.ArrayList;
import java.util.List;
import javafx.beans.InvalidationListener;
import javafx.scene.Cursor;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;

/** A grid over what is picked, whose points bend it when they are dragged. */
final class BendFrame extends Pane {

    private static final int COLUMNS = 4;
    private static final int ROWS = 3;

    private final Session session;
    private final BoardView board;
    private final List<Circle> points = new ArrayList<>();
    private final List<Line> lines = new ArrayList<>();
    private GridWarp grid;
    private Pick pickOfGrid;
    private Edit dragged;

    BendFrame(Session session, BoardView board) {
        this.session = session;
        this.board = board;
        for (int i = 0; i < ROWS * (COLUMNS - 1) + COLUMNS * (ROWS - 1); i++) {
            Line line = new Line();
            line.getStyleClass().add("bend-line");
            lines.add(line);
        }
        getChildren().addAll(lines);
        for (int row = 0; row < ROWS; row++) {
            for (int column = 0; column < COLUMNS; column++) {
                points.add(point(column, row));
            }
        }
        getChildren().addAll(points);
        setPickOnBounds(false);
        InvalidationListener all = changed -> show();
        session.selection().pickProperty().addListener(all);
        session.view().toolProperty().addListener(all);
        session.view().bendingProperty().addListener(all);
        session.document().shotProperty().addListener(changed -> {
            grid = null;
            show();
        });
        board.framesShownProperty().addListener(all);
        show();
    }

    private Circle point(int column, int row) {
        Circle point = new Circle(6);
        point.getStyleClass().add("placing-grip");
        point.setId("bend-" + column + "-" + row);
        point.setCursor(Cursor.HAND);
        point.setOnMousePressed(event -> event.consume());
        point.setOnMouseDragged(event -> {
            var place = sceneToLocal(event.getSceneX(), event.getSceneY());
            Point2D to = board.toShot(place.getX(), place.getY());
            grid = grid.with(column, row, to.getX(), to.getY());
            dragged = PickEdits.bend(session.selection().pickProperty().get(), grid);
            session.document().preview(dragged);
            placePoints();
            event.consume();
        });
        point.setOnMouseReleased(event -> {
            Edit edit = dragged;
            dragged = null;
            session.document().preview(null);
            if (edit != null) {
                session.document().apply(edit);
            }
            event.consume();
        });
        return point;
    }

    private void show() {
        Pick pick = session.selection().pickProperty().get();
        boolean shown = pick != null
                && session.view().toolProperty().get() == View.Tool.PICK
                && session.view().bendingProperty().get()
                && pick.isIn(session.shot());
        setVisible(shown);
        if (!shown) {
            grid = null;
            return;
        }
        if (grid == null || !pick.equals(pickOfGrid)) {
            grid = GridWarp.atRest(pick.bounds(session.shot()), COLUMNS, ROWS);
            pickOfGrid = pick;
        }
        placePoints();
    }

    private void placePoints() {
        int line = 0;
        for (int row = 0; row < ROWS; row++) {
            for (int column = 0; column < COLUMNS; column++) {
                Point2D here = onBoard(column, row);
                Circle point = points.get(row * COLUMNS + column);
                point.setCenterX(here.getX());
                point.setCenterY(here.getY());
                if (column + 1 < COLUMNS) {
                    join(lines.get(line++), here, onBoard(column + 1, row));
                }
                if (row + 1 < ROWS) {
                    join(lines.get(line++), here, onBoard(column, row + 1));
                }
            }
        }
    }

    private Point2D onBoard(int column, int row) {
        Point2D place = grid.point(column, row);
        return board.toBoard(place.getX(), place.getY());
    }

    private static void join(Line line, Point2D from, Point2D to) {
        line.setStartX(from.getX());
        line.setStartY(from.getY());
        line.setEndX(to.getX());
        line.setEndY(to.getY());
    }
}
