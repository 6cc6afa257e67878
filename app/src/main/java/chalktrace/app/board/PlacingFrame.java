package chalktrace.app.board;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.WhileWanted;
import chalktrace.app.session.Placing;
import chalktrace.app.session.Placing.Lie;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Icons;
import chalktrace.app.words.Words;
import chalktrace.core.edit.Edit;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.PlacementGrip;
import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.stream.Stream;
import javafx.beans.property.ObjectProperty;
import javafx.scene.Cursor;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;

/** Lies over the board while something is placed by hand: drag it to move it, a corner to scale it, the knob to turn it. */
final class PlacingFrame extends Pane {

    private static final double KNOB_ABOVE = 28;

    /** What is more than so many buttons high has room for one in its middle. */
    private static final double LARGE = 3;

    private final Session session;
    private final BoardView board;
    private final Polygon edge = new Polygon();
    private final List<Circle> corners =
            Stream.generate(PlacingFrame::grip).limit(4).toList();
    private final Circle knob = grip();
    private final Line stem = new Line();
    private final Button done;
    private PlacementGrip grip;
    private Placement dragged;

    PlacingFrame(Session session, BoardView board) {
        this.session = session;
        this.board = board;
        done = Buttons.edged(Icons.DONE, Words.TRACE.of("done"), () -> session.view()
                .placingProperty()
                .set(null));
        done.setId("placed");
        done.getStyleClass().add("placed");
        edge.getStyleClass().add("placing-edge");
        stem.getStyleClass().add("placing-edge");
        edge.setCursor(Cursor.MOVE);
        knob.setCursor(Cursor.HAND);
        getChildren().addAll(edge, stem, knob);
        getChildren().addAll(corners);
        getChildren().add(done);
        setPickOnBounds(false);
        drags(edge, (hold, event) -> hold.movedTo(at(event)));
        drags(knob, (hold, event) -> hold.turnedTo(at(event), event.isShiftDown()));
        for (Circle corner : corners) {
            corner.setCursor(Cursor.NW_RESIZE);
            drags(corner, (hold, event) -> hold.scaledTo(at(event)));
        }
        // Whatever changes the picture or the view comes on screen as a composed frame.
        ObjectProperty<Placing> placing = session.view().placingProperty();
        WhileWanted.hear(() -> placing.get() != null, List.of(placing), this::show, board.framesShownProperty());
        placing.addListener(changed -> placeAnother());
        show();
    }

    /** What was being dragged is given up when something else, or nothing, is placed. */
    private void placeAnother() {
        if (grip != null) {
            grip = null;
            session.document().preview(null);
        }
        show();
    }

    private void show() {
        Optional<Lie> lie = lie();
        setVisible(lie.isPresent());
        lie.ifPresent(this::show);
    }

    private void show(Lie lie) {
        PictureSize size = session.shot().setup().size();
        Rectangle2D r = lie.unplaced();
        AffineTransform placing = lie.placement().transform(size.width() / 2.0, size.height() / 2.0);
        double[][] unplaced = {
            {r.getMinX(), r.getMinY()},
            {r.getMaxX(), r.getMinY()},
            {r.getMaxX(), r.getMaxY()},
            {r.getMinX(), r.getMaxY()}
        };
        Double[] points = new Double[8];
        for (int i = 0; i < 4; i++) {
            Point2D place = onBoard(placing, unplaced[i][0], unplaced[i][1]);
            points[2 * i] = place.getX();
            points[2 * i + 1] = place.getY();
            corners.get(i).setCenterX(place.getX());
            corners.get(i).setCenterY(place.getY());
        }
        edge.getPoints().setAll(points);
        Point2D top = onBoard(placing, r.getCenterX(), r.getMinY());
        Point2D middle = onBoard(placing, r.getCenterX(), r.getCenterY());
        double away = Math.max(1, top.distance(middle));
        double knobX = top.getX() + (top.getX() - middle.getX()) / away * KNOB_ABOVE;
        double knobY = top.getY() + (top.getY() - middle.getY()) / away * KNOB_ABOVE;
        boolean above = knobX >= 0 && knobX <= getWidth() && knobY >= 8;
        knob.setCenterX(above ? knobX : 2 * top.getX() - knobX);
        knob.setCenterY(above ? knobY : 2 * top.getY() - knobY);
        stem.setStartX(top.getX());
        stem.setStartY(top.getY());
        stem.setEndX(knob.getCenterX());
        stem.setEndY(knob.getCenterY());
        knob.setVisible(lie.turns());
        stem.setVisible(lie.turns());
        done.autosize();
        // In the middle of what is large, below what is small.
        double half = Math.abs(middle.getY() - top.getY());
        double doneY =
                half > LARGE * done.getHeight() ? middle.getY() - done.getHeight() / 2 : middle.getY() + half + 16;
        done.relocate(
                Math.max(8, Math.min(getWidth() - done.getWidth() - 8, middle.getX() - done.getWidth() / 2)),
                Math.max(8, Math.min(getHeight() - done.getHeight() - 8, doneY)));
    }

    private Point2D onBoard(AffineTransform placing, double x, double y) {
        Point2D placed = placing.transform(new Point2D.Double(x, y), null);
        return board.toBoard(placed.getX(), placed.getY());
    }

    private Optional<Lie> lie() {
        Placing placing = session.view().placingProperty().get();
        return placing == null || session.document().isLooking()
                ? Optional.empty()
                : placing.at(session, session.transport().frame());
    }

    private Point2D at(MouseEvent event) {
        var place = sceneToLocal(event.getSceneX(), event.getSceneY());
        return board.toShot(place.getX(), place.getY());
    }

    private void drags(Node node, BiFunction<PlacementGrip, MouseEvent, Placement> drag) {
        node.setOnMousePressed(event -> {
            PictureSize size = session.shot().setup().size();
            lie().ifPresent(lie -> grip = new PlacementGrip(
                    lie.placement(),
                    new Point2D.Double(size.width() / 2.0, size.height() / 2.0),
                    new Point2D.Double(
                            lie.unplaced().getCenterX(), lie.unplaced().getCenterY()),
                    at(event)));
            dragged = null;
            event.consume();
        });
        node.setOnMouseDragged(event -> {
            if (grip != null) {
                dragged = drag.apply(grip, event);
                session.document().preview(edit());
            }
            event.consume();
        });
        node.setOnMouseReleased(event -> {
            session.document().preview(null);
            if (grip != null && dragged != null) {
                session.document().apply(edit());
            }
            grip = null;
            event.consume();
        });
    }

    private Edit edit() {
        return session.view().placingProperty().get().to(session, grip.start(), dragged);
    }

    private static Circle grip() {
        Circle grip = new Circle(7);
        grip.getStyleClass().add("placing-grip");
        return grip;
    }
}
