package chalktrace.core.edit;

import chalktrace.core.fill.Fill;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.stroke.StrokeSelection;
import java.awt.geom.Rectangle2D;
import java.util.List;

/** Strokes and painted areas that were taken from a drawing, as they look on the picture; what copy and paste carry. */
public record DrawingPiece(List<Stroke> strokes, List<Fill> fills) {

    public DrawingPiece {
        strokes = List.copyOf(strokes);
        fills = List.copyOf(fills);
    }

    /** The box around all of it; empty when there is nothing. */
    public Rectangle2D bounds() {
        Rectangle2D box = null;
        for (Stroke stroke : strokes) {
            box = union(box, StrokeSelection.bounds(stroke));
        }
        for (Fill fill : fills) {
            box = union(box, fill.area().path().getBounds2D());
        }
        return box == null ? new Rectangle2D.Double() : box;
    }

    private static Rectangle2D union(Rectangle2D a, Rectangle2D b) {
        return a == null ? b : a.createUnion(b);
    }
}
