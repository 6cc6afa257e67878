package chalktrace.app.trace.tool;

import chalktrace.core.stroke.PenSample;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/** The places that a pen has gone through since it came down, in shot pixels, and what of them is shown as a loop. */
final class DrawnLoop {

    private final ReadOnlyObjectWrapper<List<Point2D>> shown = new ReadOnlyObjectWrapper<>(List.of());
    private final List<Point2D> places = new ArrayList<>();

    /** The corners of the loop that is shown; none while none is. */
    ReadOnlyObjectProperty<List<Point2D>> shownProperty() {
        return shown.getReadOnlyProperty();
    }

    void add(PenSample sample) {
        places.add(new Point2D.Double(sample.x(), sample.y()));
    }

    void show(List<Point2D> corners) {
        shown.set(corners);
    }

    List<Point2D> places() {
        return List.copyOf(places);
    }

    /** The box around all places. */
    Rectangle2D box() {
        Rectangle2D.Double box =
                new Rectangle2D.Double(places.get(0).getX(), places.get(0).getY(), 0, 0);
        places.forEach(box::add);
        return box;
    }

    /** The box from the first place to the last. */
    Rectangle2D dragged() {
        Rectangle2D.Double box =
                new Rectangle2D.Double(places.get(0).getX(), places.get(0).getY(), 0, 0);
        box.add(places.get(places.size() - 1));
        return box;
    }

    /** Whether the pen has hardly moved. @param px of the board, at so many board pixels for a shot pixel */
    boolean isTouch(double px, double scale) {
        return Math.max(box().getWidth(), box().getHeight()) * scale < px;
    }

    boolean isEmpty() {
        return places.isEmpty();
    }

    void clear() {
        places.clear();
        shown.set(List.of());
    }
}
