package chalktrace.app.trace.tool;

import chalktrace.app.board.BoardView;
import chalktrace.app.controls.WhileWanted;
import chalktrace.app.session.Session;
import chalktrace.app.session.View;
import chalktrace.core.edit.selection.Pick;
import chalktrace.core.edit.selection.PickEdits;
import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.CurvePoints;
import java.awt.geom.Point2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import javafx.scene.Cursor;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.CubicCurveTo;
import javafx.scene.shape.Line;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import javafx.scene.shape.PathElement;

/**
 * The points and handles of one picked stroke: drag a point or a handle to bend the line, double-click the line for another
 * point, click a point with Ctrl or Alt, or press Delete after touching it, to take it out.
 */
final class PointsFrame extends Pane {

    private static final double POINT_PX = 5;
    private static final double HANDLE_PX = 4;

    /** A longer line shows the handles of the touched point only. */
    private static final int MOST_HANDLES = 24;

    private final Session session;
    private final BoardView board;
    private final Path line = new Path();

    /** As the line, but as wide as a hand can hit. */
    private final Path reach = new Path();

    private int touched = -1;
    private Curve dragged;

    PointsFrame(Session session, BoardView board) {
        this.session = session;
        this.board = board;
        line.getStyleClass().add("points-line");
        line.setMouseTransparent(true);
        reach.getStyleClass().add("points-reach");
        reach.setPickOnBounds(false);
        reach.setOnMousePressed(MouseEvent::consume);
        reach.setOnMouseClicked(event -> {
            if (event.getClickCount() == 2) {
                addPoint(event);
            }
            event.consume();
        });
        setPickOnBounds(false);
        session.selection().pickProperty().addListener((property, before, now) -> touched = -1);
        View view = session.view();
        WhileWanted.show(
                this::isWanted,
                List.of(session.selection().pickProperty(), view.toolProperty(), view.handlingProperty()),
                this::show,
                board.framesShownProperty());
    }

    private boolean isWanted() {
        Pick pick = session.selection().pickProperty().get();
        return pick != null
                && pick.strokes().size() == 1
                && session.view().toolProperty().get().equals(View.Tool.PICK)
                && session.view().handlingProperty().get() == View.Handling.POINTS;
    }

    private Optional<Pick> pick() {
        return Optional.ofNullable(session.selection().pickProperty().get())
                .filter(pick -> isWanted() && pick.isIn(session.shot()));
    }

    private Optional<Curve> curve() {
        return dragged != null
                ? Optional.of(dragged)
                : pick().map(pick ->
                        pick.lifted(session.shot()).strokes().get(0).curve());
    }

    private void show() {
        Optional<Curve> curve = curve();
        setVisible(curve.isPresent());
        // While a point is dragged it must stay the node that hears the drag.
        if (dragged == null) {
            getChildren().clear();
            curve.ifPresent(this::build);
        }
    }

    private void build(Curve curve) {
        List<PathElement> elements = new ArrayList<>();
        Point2D start = board.toBoard(curve.x(0), curve.y(0));
        elements.add(new MoveTo(start.getX(), start.getY()));
        for (int p = 1; p + 2 < curve.points(); p += 3) {
            Point2D a = board.toBoard(curve.x(p), curve.y(p));
            Point2D b = board.toBoard(curve.x(p + 1), curve.y(p + 1));
            Point2D c = board.toBoard(curve.x(p + 2), curve.y(p + 2));
            elements.add(new CubicCurveTo(a.getX(), a.getY(), b.getX(), b.getY(), c.getX(), c.getY()));
        }
        line.getElements().setAll(elements);
        reach.getElements().setAll(elements);
        getChildren().addAll(line, reach);
        boolean few = curve.segments() < MOST_HANDLES;
        for (int point = 0; point <= curve.segments(); point++) {
            if (few || Math.abs(point - touched) <= 1) {
                handle(curve, point, false);
                handle(curve, point, true);
            }
        }
        for (int point = 0; point <= curve.segments(); point++) {
            Circle grip = circle(curve.x(3 * point), curve.y(3 * point), POINT_PX, "placing-grip");
            grip.setId("point-" + point);
            if (point == touched) {
                grip.getStyleClass().add("touched");
            }
            int at = point;
            drags(grip, point, (before, to) -> CurvePoints.moved(before, at, to.getX(), to.getY()));
            getChildren().add(grip);
        }
    }

    private void handle(Curve curve, int point, boolean after) {
        int at = 3 * point + (after ? 1 : -1);
        if (at < 0 || at >= curve.points()) {
            return;
        }
        Point2D from = board.toBoard(curve.x(3 * point), curve.y(3 * point));
        Point2D to = board.toBoard(curve.x(at), curve.y(at));
        Line stem = new Line(from.getX(), from.getY(), to.getX(), to.getY());
        stem.getStyleClass().add("bend-line");
        stem.setMouseTransparent(true);
        Circle grip = circle(curve.x(at), curve.y(at), HANDLE_PX, "point-handle");
        grip.setId("handle-" + point + (after ? "-after" : "-before"));
        drags(
                grip,
                point,
                (before, place) -> CurvePoints.handleMoved(before, point, after, place.getX(), place.getY()));
        getChildren().addAll(stem, grip);
    }

    private Circle circle(double x, double y, double radius, String style) {
        Point2D place = board.toBoard(x, y);
        Circle circle = new Circle(place.getX(), place.getY(), radius);
        circle.getStyleClass().add(style);
        circle.setCursor(Cursor.HAND);
        return circle;
    }

    private void drags(Circle grip, int point, BiFunction<Curve, Point2D, Curve> change) {
        Curve[] before = new Curve[1];
        grip.setOnMousePressed(event -> {
            touched = point;
            before[0] = curve().orElse(null);
            event.consume();
        });
        grip.setOnMouseDragged(event -> {
            pick().ifPresent(pick -> {
                dragged = change.apply(before[0], at(event));
                Point2D there = at(event);
                Point2D onBoard = board.toBoard(there.getX(), there.getY());
                grip.setCenterX(onBoard.getX());
                grip.setCenterY(onBoard.getY());
                session.document().preview(PickEdits.reshape(pick, stroke(pick), dragged));
            });
            event.consume();
        });
        grip.setOnMouseReleased(event -> {
            Curve changed = dragged;
            dragged = null;
            if (changed != null) {
                session.document().preview(null);
                apply(changed);
            } else if (event.isShortcutDown() || event.isAltDown()) {
                removeTouched();
            } else {
                show();
            }
            event.consume();
        });
    }

    /** Whether the point that was touched last is still there. */
    boolean hasTouched() {
        return touched >= 0
                && curve().filter(curve -> touched <= curve.segments()).isPresent();
    }

    /** Takes the touched point out, where there is one. */
    void removeTouched() {
        if (hasTouched()) {
            Curve curve = curve().orElseThrow();
            int gone = touched;
            touched = -1;
            apply(CurvePoints.removed(curve, gone));
        }
    }

    private void addPoint(MouseEvent event) {
        Point2D place = at(event);
        curve().ifPresent(curve ->
                apply(CurvePoints.added(curve, CurvePoints.nearest(curve, place.getX(), place.getY()))));
    }

    private void apply(Curve changed) {
        pick().ifPresent(pick -> session.document().apply(PickEdits.reshape(pick, stroke(pick), changed)));
        show();
    }

    private static int stroke(Pick pick) {
        return pick.strokes().iterator().next();
    }

    private Point2D at(MouseEvent event) {
        var place = sceneToLocal(event.getSceneX(), event.getSceneY());
        return board.toShot(place.getX(), place.getY());
    }
}
