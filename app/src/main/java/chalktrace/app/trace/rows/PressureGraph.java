package chalktrace.app.trace.rows;

import chalktrace.app.controls.Rows;
import chalktrace.app.words.Words;
import chalktrace.core.stroke.PressureCurve;
import java.util.function.Consumer;
import javafx.scene.Cursor;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Circle;
import javafx.scene.shape.CubicCurve;
import javafx.scene.shape.Line;

/** The curve by which a chalk answers to pressure, with two handles to drag; a double click makes it even again. */
final class PressureGraph extends VBox {

    private static final double WIDTH = 120;
    private static final double HEIGHT = 84;
    private static final double MARGIN = 8;

    private final Consumer<PressureCurve> previewed;
    private final Consumer<PressureCurve> settled;
    private final CubicCurve line = new CubicCurve();
    private final Line[] stems = {new Line(), new Line()};
    private final Circle[] handles = {new Circle(6), new Circle(6)};
    private PressureCurve curve = PressureCurve.EVEN;
    private boolean dragging;

    PressureGraph(Consumer<PressureCurve> previewed, Consumer<PressureCurve> settled) {
        super(2);
        this.previewed = previewed;
        this.settled = settled;
        Pane field = new Pane();
        field.getStyleClass().add("pressure-graph");
        field.setMinSize(WIDTH + 2 * MARGIN, HEIGHT + 2 * MARGIN);
        field.setMaxSize(WIDTH + 2 * MARGIN, HEIGHT + 2 * MARGIN);
        field.setOnMouseClicked(event -> {
            if (event.getClickCount() == 2) {
                settled.accept(PressureCurve.EVEN);
            }
        });
        line.getStyleClass().add("points-line");
        for (int i = 0; i < 2; i++) {
            int handle = i;
            stems[i].getStyleClass().add("bend-line");
            handles[i].getStyleClass().add("placing-grip");
            handles[i].setId("pressure-handle-" + i);
            handles[i].setCursor(Cursor.HAND);
            handles[i].setOnMouseDragged(event -> drag(field, handle, event));
            handles[i].setOnMouseReleased(event -> {
                if (dragging) {
                    dragging = false;
                    settled.accept(curve);
                }
                event.consume();
            });
        }
        field.getChildren().addAll(line, stems[0], stems[1], handles[0], handles[1]);
        getChildren().addAll(Rows.hint(Words.TRACE.of("across-the-pens-pressure-up")), field);
        place();
    }

    void show(PressureCurve shown) {
        if (!dragging) {
            curve = shown;
            place();
        }
    }

    private void drag(Pane field, int handle, MouseEvent event) {
        var place = field.sceneToLocal(event.getSceneX(), event.getSceneY());
        dragging = true;
        curve = curve.withHandle(handle, (place.getX() - MARGIN) / WIDTH, 1 - (place.getY() - MARGIN) / HEIGHT);
        place();
        previewed.accept(curve);
        event.consume();
    }

    private void place() {
        line.setStartX(x(0));
        line.setStartY(y(0));
        line.setControlX1(x(curve.x1()));
        line.setControlY1(y(curve.y1()));
        line.setControlX2(x(curve.x2()));
        line.setControlY2(y(curve.y2()));
        line.setEndX(x(1));
        line.setEndY(y(1));
        place(0, 0, 0, curve.x1(), curve.y1());
        place(1, 1, 1, curve.x2(), curve.y2());
    }

    private void place(int handle, double fromX, double fromY, double toX, double toY) {
        stems[handle].setStartX(x(fromX));
        stems[handle].setStartY(y(fromY));
        stems[handle].setEndX(x(toX));
        stems[handle].setEndY(y(toY));
        handles[handle].setCenterX(x(toX));
        handles[handle].setCenterY(y(toY));
    }

    private static double x(double pressure) {
        return MARGIN + WIDTH * pressure;
    }

    private static double y(double counts) {
        return MARGIN + HEIGHT * (1 - counts);
    }
}
