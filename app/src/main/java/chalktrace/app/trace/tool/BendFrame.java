package chalktrace.app.trace.tool;

import chalktrace.app.board.BoardView;
import chalktrace.app.controls.WhileWanted;
import chalktrace.app.session.Session;
import chalktrace.app.session.View;
import chalktrace.app.trace.work.TraceWork;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.selection.Pick;
import chalktrace.core.edit.selection.PickEdits;
import chalktrace.core.stroke.GridWarp;
import java.awt.geom.Point2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.scene.Cursor;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;

/** A grid over what is picked, whose points bend it when they are dragged; with four points, its corners. */
final class BendFrame extends Pane {

    private final View.Handling handling;
    private final int columns;
    private final int rows;

    private final TraceWork work;
    private final Session session;
    private final BoardView board;
    private final List<Circle> points = new ArrayList<>();
    private final List<Line> lines = new ArrayList<>();
    private GridWarp grid;
    private Pick pickOfGrid;
    private Edit dragged;

    /** @param handling the way of handling that it serves */
    BendFrame(TraceWork work, BoardView board, View.Handling handling, int columns, int rows) {
        this.handling = handling;
        this.columns = columns;
        this.rows = rows;
        this.work = work;
        this.session = work.session();
        this.board = board;
        for (int i = 0; i < rows * (columns - 1) + columns * (rows - 1); i++) {
            Line line = new Line();
            line.getStyleClass().add("bend-line");
            lines.add(line);
        }
        getChildren().addAll(lines);
        for (int row = 0; row < rows; row++) {
            for (int column = 0; column < columns; column++) {
                points.add(point(column, row));
            }
        }
        getChildren().addAll(points);
        setPickOnBounds(false);
        session.document().shotProperty().addListener(changed -> {
            grid = null;
            show();
        });
        View view = session.view();
        WhileWanted.show(
                this::isWanted,
                List.of(session.selection().pickProperty(), view.toolProperty(), view.handlingProperty()),
                this::show,
                board.framesShownProperty());
    }

    private boolean isWanted() {
        return session.selection().pickProperty().get() != null
                && session.view().toolProperty().get().equals(View.Tool.PICK)
                && session.view().handlingProperty().get() == handling;
    }

    private Circle point(int column, int row) {
        Circle point = new Circle(6);
        point.getStyleClass().add("placing-grip");
        point.setId(handling.name().toLowerCase(Locale.ROOT) + "-" + column + "-" + row);
        point.setCursor(Cursor.HAND);
        point.setOnMousePressed(event -> event.consume());
        point.setOnMouseDragged(event -> {
            var place = sceneToLocal(event.getSceneX(), event.getSceneY());
            Point2D to = board.toShot(place.getX(), place.getY());
            grid = grid.with(column, row, to.getX(), to.getY());
            dragged = work.picking().all(pick -> PickEdits.bend(pick, grid));
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
        boolean shown = isWanted() && pick.isIn(session.shot());
        setVisible(shown);
        if (!shown) {
            grid = null;
            return;
        }
        if (grid == null || !pick.equals(pickOfGrid)) {
            grid = GridWarp.atRest(work.picking().bounds(session.shot()), columns, rows);
            pickOfGrid = pick;
        }
        placePoints();
    }

    private void placePoints() {
        int line = 0;
        for (int row = 0; row < rows; row++) {
            for (int column = 0; column < columns; column++) {
                Point2D here = onBoard(column, row);
                Circle point = points.get(row * columns + column);
                point.setCenterX(here.getX());
                point.setCenterY(here.getY());
                if (column + 1 < columns) {
                    join(lines.get(line++), here, onBoard(column + 1, row));
                }
                if (row + 1 < rows) {
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
