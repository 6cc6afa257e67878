package chalktrace.app.board.pen;

import chalktrace.core.stroke.PenSample;
import chalktrace.core.stroke.SpeedPressure;
import java.awt.geom.Point2D;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Consumer;
import java.util.function.Predicate;
import javafx.event.EventHandler;
import javafx.scene.Node;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;

/** The mouse as a pen: its pressure comes from its speed. What it does between the toolkit's events is read beside them. */
public final class MousePen implements PenSource {

    private final Node board;
    private final BiFunction<Double, Double, Point2D> toShot;
    private final Predicate<MouseEvent> draws;
    private final PointerTrail trail;
    private final EventHandler<MouseEvent> moved = event -> wake();
    private final EventHandler<MouseEvent> pressed = this::pressed;
    private final EventHandler<MouseEvent> dragged = this::dragged;
    private final EventHandler<MouseEvent> released = this::released;
    private Consumer<PenEvent> listener = event -> {};
    private SpeedPressure pressure;

    /**
     * @param toShot from places of the board to shot pixels
     * @param draws whether a press is meant for the pen, and not for moving the view
     */
    public MousePen(Node board, BiFunction<Double, Double, Point2D> toShot, Predicate<MouseEvent> draws) {
        this.board = board;
        this.toShot = toShot;
        this.draws = draws;
        this.trail = new PointerTrail(new XPointer(this::screenScale));
    }

    @Override
    public void start(Consumer<PenEvent> to) {
        listener = to;
        board.addEventHandler(MouseEvent.MOUSE_MOVED, moved);
        board.addEventHandler(MouseEvent.MOUSE_PRESSED, pressed);
        board.addEventHandler(MouseEvent.MOUSE_DRAGGED, dragged);
        board.addEventHandler(MouseEvent.MOUSE_RELEASED, released);
    }

    @Override
    public void stop() {
        board.removeEventHandler(MouseEvent.MOUSE_MOVED, moved);
        board.removeEventHandler(MouseEvent.MOUSE_PRESSED, pressed);
        board.removeEventHandler(MouseEvent.MOUSE_DRAGGED, dragged);
        board.removeEventHandler(MouseEvent.MOUSE_RELEASED, released);
    }

    private void wake() {
        trail.wake();
    }

    private void pressed(MouseEvent event) {
        if (event.getButton() == MouseButton.PRIMARY && draws.test(event)) {
            trail.wake();
            pressure = new SpeedPressure();
            tell(PenEvent.Kind.DOWN, event.getX(), event.getY(), trail.begin(event.getScreenX(), event.getScreenY()));
        }
    }

    private void dragged(MouseEvent event) {
        if (pressure != null) {
            trail.wake();
            if (!followed(event)) {
                tell(PenEvent.Kind.MOVE, event.getX(), event.getY(), System.nanoTime());
            }
        }
    }

    private void released(MouseEvent event) {
        if (pressure != null && event.getButton() == MouseButton.PRIMARY) {
            followed(event);
            tell(PenEvent.Kind.UP, event.getX(), event.getY(), System.nanoTime());
            pressure = null;
        }
    }

    /** Goes where the pointer has gone; false if only the event is known of it. */
    private boolean followed(MouseEvent event) {
        Optional<List<PointerTrail.Spot>> spots = trail.through(event.getScreenX(), event.getScreenY());
        spots.ifPresent(all -> all.forEach(spot -> {
            var place = board.screenToLocal(spot.x(), spot.y());
            tell(PenEvent.Kind.MOVE, place.getX(), place.getY(), spot.nanos());
        }));
        return spots.isPresent();
    }

    private double screenScale() {
        return board.getScene() == null || board.getScene().getWindow() == null
                ? 1
                : board.getScene().getWindow().getOutputScaleX();
    }

    private void tell(PenEvent.Kind kind, double x, double y, long nanos) {
        Point2D place = toShot.apply(x, y);
        double seconds = nanos / 1e9;
        listener.accept(new PenEvent(
                kind,
                new PenSample(place.getX(), place.getY(), pressure.at(place.getX(), place.getY(), seconds), seconds)));
    }
}
