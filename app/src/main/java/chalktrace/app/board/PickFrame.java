package chalktrace.app.board;

import chalktrace.app.session.Session;
import chalktrace.app.session.View;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.Pick;
import chalktrace.core.edit.PickEdits;
import chalktrace.core.edit.PickGrip;
import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import javafx.beans.InvalidationListener;
import javafx.scene.Cursor;
import javafx.scene.Node;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;

/**
 * Lies round what is picked: drag it to move it, a corner to scale it, a side to stretch it (with Shift: to skew it), the
 * knob to turn it; the cross is the middle about which all that happens, and can be dragged itself.
 */
final class PickFrame extends Pane {

    private static final double KNOB_ABOVE = 26;
    private static final double AROUND = 6;

    private final Session session;
    private final BoardView board;
    private final Rectangle edge = new Rectangle();
    private final List<Circle> corners = new ArrayList<>();
    private final List<Circle> sides = new ArrayList<>();
    private final Circle knob = grip(6);
    private final Line stem = new Line();
    private final Circle middle = grip(5);
    private Optional<Point2D> chosenMiddle = Optional.empty();
    private Pick pickOfMiddle;
    private Optional<PickGrip> grip = Optional.empty();
    private Optional<Edit> dragged = Optional.empty();

    PickFrame(Session session, BoardView board) {
        this.session = session;
        this.board = board;
        edge.getStyleClass().add("pick-edge");
        edge.setCursor(Cursor.MOVE);
        stem.getStyleClass().add("placing-edge");
        middle.getStyleClass().add("pick-middle");
        knob.setCursor(Cursor.HAND);
        getChildren().addAll(edge, stem, knob, middle);
        for (int i = 0; i < 4; i++) {
            Circle corner = grip(6);
            corner.setCursor(i % 2 == 0 ? Cursor.NW_RESIZE : Cursor.NE_RESIZE);
            corners.add(corner);
            drags(corner, "scale", (hold, event) -> hold.scaledTo(at(event)));
            boolean sideways = i % 2 == 1;
            Circle side = grip(5);
            side.setCursor(sideways ? Cursor.H_RESIZE : Cursor.V_RESIZE);
            sides.add(side);
            drags(
                    side,
                    "stretch",
                    (hold, event) -> event.isShiftDown()
                            ? hold.skewedTo(at(event), !sideways)
                            : hold.stretchedTo(at(event), sideways));
        }
        getChildren().addAll(corners);
        getChildren().addAll(sides);
        setPickOnBounds(false);
        drags(edge, "move", (hold, event) -> hold.movedTo(at(event)));
        drags(knob, "turn", (hold, event) -> hold.turnedTo(at(event), event.isShiftDown()));
        middle.setOnMouseDragged(event -> {
            chosenMiddle = Optional.of(at(event));
            show();
            event.consume();
        });
        middle.setOnMousePressed(MouseEvent::consume);
        InvalidationListener all = changed -> show();
        session.selection().pickProperty().addListener(all);
        session.view().toolProperty().addListener(all);
        session.view().bendingProperty().addListener(all);
        // Whatever changes the picture or the view comes on screen as a composed frame.
        board.framesShownProperty().addListener(all);
        show();
    }

    private void show() {
        Pick pick = session.selection().pickProperty().get();
        boolean shown = pick != null
                && session.view().toolProperty().get() == View.Tool.PICK
                && !session.view().bendingProperty().get()
                && pick.isIn(session.document().shown());
        setVisible(shown);
        if (pick == null || !pick.equals(pickOfMiddle)) {
            chosenMiddle = Optional.empty();
            pickOfMiddle = pick;
        }
        if (shown) {
            show(pick.bounds(session.document().shown()));
        }
    }

    private void show(Rectangle2D box) {
        Point2D start = board.toBoard(box.getMinX(), box.getMinY());
        Point2D end = board.toBoard(box.getMaxX(), box.getMaxY());
        double left = Math.min(start.getX(), end.getX()) - AROUND;
        double top = Math.min(start.getY(), end.getY()) - AROUND;
        double right = Math.max(start.getX(), end.getX()) + AROUND;
        double bottom = Math.max(start.getY(), end.getY()) + AROUND;
        edge.setX(left);
        edge.setY(top);
        edge.setWidth(right - left);
        edge.setHeight(bottom - top);
        double[] xs = {left, right, right, left};
        double[] ys = {top, top, bottom, bottom};
        for (int i = 0; i < 4; i++) {
            place(corners.get(i), xs[i], ys[i]);
            place(sides.get(i), (xs[i] + xs[(i + 1) % 4]) / 2, (ys[i] + ys[(i + 1) % 4]) / 2);
        }
        double centre = (left + right) / 2;
        double away = top - KNOB_ABOVE < 4 ? bottom + KNOB_ABOVE : top - KNOB_ABOVE;
        place(knob, centre, away);
        stem.setStartX(centre);
        stem.setStartY(away < top ? top : bottom);
        stem.setEndX(centre);
        stem.setEndY(away);
        Point2D about = middleOf(box);
        Point2D onBoard = board.toBoard(about.getX(), about.getY());
        place(middle, onBoard.getX(), onBoard.getY());
    }

    private Point2D middleOf(Rectangle2D box) {
        return chosenMiddle.orElse(new Point2D.Double(box.getCenterX(), box.getCenterY()));
    }

    private Point2D at(MouseEvent event) {
        var place = sceneToLocal(event.getSceneX(), event.getSceneY());
        return board.toShot(place.getX(), place.getY());
    }

    private void drags(Node node, String name, BiFunction<PickGrip, MouseEvent, AffineTransform> drag) {
        node.setOnMousePressed(event -> {
            Pick pick = session.selection().pickProperty().get();
            grip = Optional.of(new PickGrip(middleOf(pick.bounds(session.shot())), at(event)));
            dragged = Optional.empty();
            event.consume();
        });
        node.setOnMouseDragged(event -> {
            grip.ifPresent(hold -> {
                Pick pick = session.selection().pickProperty().get();
                dragged = Optional.of(PickEdits.transform(name, pick, drag.apply(hold, event)));
                session.document().preview(dragged.get());
            });
            event.consume();
        });
        node.setOnMouseReleased(event -> {
            session.document().preview(null);
            dragged.ifPresent(session.document()::apply);
            dragged = Optional.empty();
            grip = Optional.empty();
            event.consume();
        });
    }

    private static void place(Circle circle, double x, double y) {
        circle.setCenterX(x);
        circle.setCenterY(y);
    }

    private static Circle grip(double radius) {
        Circle grip = new Circle(radius);
        grip.getStyleClass().add("placing-grip");
        return grip;
    }
}
