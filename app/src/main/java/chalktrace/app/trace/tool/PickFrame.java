package chalktrace.app.trace.tool;

import chalktrace.app.board.BoardView;
import chalktrace.app.controls.WhileWanted;
import chalktrace.app.kernel.Selection;
import chalktrace.app.session.Session;
import chalktrace.app.session.View;
import chalktrace.app.trace.work.TraceWork;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.selection.Pick;
import chalktrace.core.edit.selection.PickEdits;
import chalktrace.core.edit.selection.PickGrip;
import chalktrace.core.render.LiftedPiece;
import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.UnaryOperator;
import javafx.animation.PauseTransition;
import javafx.scene.Cursor;
import javafx.scene.Node;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.util.Duration;

/**
 * Lies round what is picked: drag it to move it, a corner to scale it, a side to stretch it (with Shift: to skew it), the
 * knob to turn it; the cross is the middle about which all that happens, and can be dragged itself.
 */
final class PickFrame extends Pane {

    private static final double KNOB_ABOVE = 26;
    private static final double AROUND = 6;
    private static final Duration RESTS_AFTER = Duration.millis(160);

    private final TraceWork work;
    private final Session session;
    private final BoardView board;
    private final Polygon edge = new Polygon();
    private final List<Circle> corners = new ArrayList<>();
    private final List<Circle> sides = new ArrayList<>();
    private final Circle knob = grip(6);
    private final Line stem = new Line();
    private final Circle middle = grip(5);
    private Optional<Point2D> chosenMiddle = Optional.empty();
    private Pick pickOfMiddle;
    private final PauseTransition resting = new PauseTransition(RESTS_AFTER);
    private Optional<PickGrip> grip = Optional.empty();
    private Optional<Edit> dragged = Optional.empty();

    PickFrame(TraceWork work, BoardView board) {
        this.work = work;
        this.session = work.session();
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
        resting.setOnFinished(rested -> settle());
        drags(edge, "move", (hold, event) -> hold.movedTo(at(event)));
        drags(knob, "turn", (hold, event) -> hold.turnedTo(at(event), event.isShiftDown()));
        middle.setOnMouseDragged(event -> {
            chosenMiddle = Optional.of(at(event));
            show();
            event.consume();
        });
        middle.setOnMousePressed(MouseEvent::consume);
        Selection selection = session.selection();
        View view = session.view();
        // Whatever changes the picture or the view comes on screen as a composed frame.
        WhileWanted.show(
                this::isWanted,
                List.of(
                        selection.pickProperty(),
                        view.toolProperty(),
                        view.handlingProperty(),
                        selection.alsoPickedProperty()),
                this::show,
                board.framesShownProperty());
    }

    private boolean isWanted() {
        return session.selection().pickProperty().get() != null
                && session.view().toolProperty().get().equals(View.Tool.PICK)
                && session.view().handlingProperty().get() == View.Handling.WHOLE;
    }

    private void show() {
        Pick pick = session.selection().pickProperty().get();
        boolean shown = isWanted() && pick.isIn(session.document().shown());
        setVisible(shown);
        if (pick == null || !pick.equals(pickOfMiddle)) {
            chosenMiddle = Optional.empty();
            pickOfMiddle = pick;
        }
        if (shown) {
            List<LiftedPiece> lifted = session.view().liftedProperty().get();
            show(
                    work.picking().bounds(session.document().shown()),
                    lifted.isEmpty() ? new AffineTransform() : lifted.get(0).change());
        }
    }

    /** @param moved how what is picked is moved for now */
    private void show(Rectangle2D box, AffineTransform moved) {
        double around = AROUND / board.scale();
        double[] xs = {box.getMinX() - around, box.getMaxX() + around, box.getMaxX() + around, box.getMinX() - around};
        double[] ys = {box.getMinY() - around, box.getMinY() - around, box.getMaxY() + around, box.getMaxY() + around};
        edge.getPoints().clear();
        Point2D[] onBoard = new Point2D[4];
        for (int i = 0; i < 4; i++) {
            Point2D corner = moved.transform(new Point2D.Double(xs[i], ys[i]), null);
            onBoard[i] = board.toBoard(corner.getX(), corner.getY());
            edge.getPoints().addAll(onBoard[i].getX(), onBoard[i].getY());
            place(corners.get(i), onBoard[i]);
        }
        for (int i = 0; i < 4; i++) {
            place(sides.get(i), between(onBoard[i], onBoard[(i + 1) % 4]));
        }
        // The view may be turned: the knob stands outside the box's own upper side, or its lower one where that is cut
        // off.
        Point2D top = between(onBoard[0], onBoard[1]);
        Point2D bottom = between(onBoard[2], onBoard[3]);
        Point2D above = beyond(bottom, top);
        boolean cut = !getLayoutBounds().isEmpty() && !isOnBoard(above);
        Point2D stands = cut ? beyond(top, bottom) : above;
        Point2D from = cut ? bottom : top;
        place(knob, stands);
        stem.setStartX(from.getX());
        stem.setStartY(from.getY());
        stem.setEndX(stands.getX());
        stem.setEndY(stands.getY());
        Point2D about = middleOf(box);
        place(middle, board.toBoard(about.getX(), about.getY()));
    }

    private boolean isOnBoard(Point2D place) {
        return place.getX() > 4 && place.getY() > 4 && place.getX() < getWidth() - 4 && place.getY() < getHeight() - 4;
    }

    private static Point2D between(Point2D a, Point2D b) {
        return new Point2D.Double((a.getX() + b.getX()) / 2, (a.getY() + b.getY()) / 2);
    }

    /** A little way on from one place through another. */
    private static Point2D beyond(Point2D from, Point2D through) {
        double length = Math.max(1e-9, from.distance(through));
        return new Point2D.Double(
                through.getX() + (through.getX() - from.getX()) / length * KNOB_ABOVE,
                through.getY() + (through.getY() - from.getY()) / length * KNOB_ABOVE);
    }

    private Point2D middleOf(Rectangle2D box) {
        return chosenMiddle.orElse(new Point2D.Double(box.getCenterX(), box.getCenterY()));
    }

    private Point2D at(MouseEvent event) {
        var place = sceneToLocal(event.getSceneX(), event.getSceneY());
        return board.toShot(place.getX(), place.getY());
    }

    private List<LiftedPiece> lifted(UnaryOperator<LiftedPiece> change) {
        List<LiftedPiece> now = session.view().liftedProperty().get();
        List<LiftedPiece> pieces = now.isEmpty()
                ? work.picking().picks().stream()
                        .map(pick -> pick.apart(session.shot()))
                        .toList()
                : now;
        return pieces.stream().map(change).toList();
    }

    /** Where a drag rests, exact lines are shown. */
    private void settle() {
        dragged.ifPresent(edit -> {
            session.view().liftedProperty().set(List.of());
            session.document().preview(edit);
        });
    }

    private void drags(Node node, String name, BiFunction<PickGrip, MouseEvent, AffineTransform> drag) {
        node.setOnMousePressed(event -> {
            grip = Optional.of(new PickGrip(middleOf(work.picking().bounds(session.shot())), at(event)));
            dragged = Optional.empty();
            // Both parts are made ready before the drag begins.
            session.view()
                    .liftedProperty()
                    .set(work.picking().picks().stream()
                            .map(pick -> pick.apart(session.shot()))
                            .toList());
            event.consume();
        });
        node.setOnMouseDragged(event -> {
            grip.ifPresent(hold -> {
                AffineTransform change = drag.apply(hold, event);
                dragged = Optional.of(work.picking().all(pick -> PickEdits.transform(name, pick, change)));
                session.document().preview(null);
                session.view().liftedProperty().set(lifted(piece -> piece.withChange(change)));
                resting.playFromStart();
            });
            event.consume();
        });
        node.setOnMouseReleased(event -> {
            resting.stop();
            session.view().liftedProperty().set(List.of());
            session.document().preview(null);
            dragged.ifPresent(session.document()::apply);
            dragged = Optional.empty();
            grip = Optional.empty();
            event.consume();
        });
    }

    private static void place(Circle circle, Point2D at) {
        circle.setCenterX(at.getX());
        circle.setCenterY(at.getY());
    }

    private static Circle grip(double radius) {
        Circle grip = new Circle(radius);
        grip.getStyleClass().add("placing-grip");
        return grip;
    }
}
