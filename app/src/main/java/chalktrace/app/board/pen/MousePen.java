package chalktrace.app.board.pen;

import chalktrace.core.stroke.PenSample;
import chalktrace.core.stroke.SpeedPressure;
import java.awt.geom.Point2D;
import java.util.function.BiFunction;
import java.util.function.Consumer;
import java.util.function.Predicate;
import javafx.event.EventHandler;
import javafx.scene.Node;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;

/** The mouse as a pen: its pressure comes from its speed. */
public final class MousePen implements PenSource {

    private final Node board;
    private final BiFunction<Double, Double, Point2D> toShot;
    private final Predicate<MouseEvent> draws;
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
    }

    @Override
    public void start(Consumer<PenEvent> to) {
        listener = to;
        board.addEventHandler(MouseEvent.MOUSE_PRESSED, pressed);
        board.addEventHandler(MouseEvent.MOUSE_DRAGGED, dragged);
        board.addEventHandler(MouseEvent.MOUSE_RELEASED, released);
    }

    @Override
    public void stop() {
        board.removeEventHandler(MouseEvent.MOUSE_PRESSED, pressed);
        board.removeEventHandler(MouseEvent.MOUSE_DRAGGED, dragged);
        board.removeEventHandler(MouseEvent.MOUSE_RELEASED, released);
    }

    private void pressed(MouseEvent event) {
        if (event.getButton() == MouseButton.PRIMARY && draws.test(event)) {
            pressure = new SpeedPressure();
            tell(PenEvent.Kind.DOWN, event);
        }
    }

    private void dragged(MouseEvent event) {
        if (pressure != null) {
            tell(PenEvent.Kind.MOVE, event);
        }
    }

    private void released(MouseEvent event) {
        if (pressure != null && event.getButton() == MouseButton.PRIMARY) {
            tell(PenEvent.Kind.UP, event);
            pressure = null;
        }
    }

    private void tell(PenEvent.Kind kind, MouseEvent event) {
        Point2D place = toShot.apply(event.getX(), event.getY());
        double seconds = System.nanoTime() / 1e9;
        listener.accept(new PenEvent(
                kind,
                new PenSample(place.getX(), place.getY(), pressure.at(place.getX(), place.getY(), seconds), seconds)));
    }
}
