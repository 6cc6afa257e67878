package chalktrace.core.edit.selection;

import chalktrace.core.fill.Fill;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.DrawingItem;
import chalktrace.core.shot.PastedPicture;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.stroke.StrokeSelection;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
import java.util.List;
import java.util.stream.Stream;

/**
 * Strokes, painted areas and pictures that were taken from a drawing, as they look on the picture; what copy and paste carry.
 *
 * @param items from back to front
 */
public record DrawingPiece(List<DrawingItem> items) {

    public DrawingPiece {
        items = List.copyOf(items);
    }

    /** Pictures behind, painted areas before them, lines in front. */
    public DrawingPiece(List<Stroke> strokes, List<Fill> fills, List<PastedPicture> pictures) {
        this(Drawing.inUsualOrder(strokes, fills, pictures));
    }

    public List<Stroke> strokes() {
        return DrawingItem.strokes(items);
    }

    public List<Fill> fills() {
        return DrawingItem.fills(items);
    }

    public List<PastedPicture> pictures() {
        return DrawingItem.pictures(items);
    }

    /** Together with another, that one in front. */
    public DrawingPiece and(DrawingPiece other) {
        return new DrawingPiece(
                Stream.concat(items.stream(), other.items.stream()).toList());
    }

    /** The box around all of it; empty when there is nothing. */
    public Rectangle2D bounds() {
        Rectangle2D box = null;
        for (Stroke stroke : strokes()) {
            box = union(box, StrokeSelection.bounds(stroke));
        }
        for (Fill fill : fills()) {
            box = union(box, fill.area().path().getBounds2D());
        }
        for (PastedPicture picture : pictures()) {
            box = union(box, picture.edge().getBounds2D());
        }
        return box == null ? new Rectangle2D.Double() : box;
    }

    private static Rectangle2D union(Rectangle2D a, Rectangle2D b) {
        return a == null ? b : a.createUnion(b);
    }

    /** Moved, scaled or turned. */
    public DrawingPiece transformed(AffineTransform change) {
        return new DrawingPiece(
                items.stream().map(item -> item.transformed(change)).toList());
    }

    /** Scaled down, if need be, from a drawing of one size to fit a picture of another, in its middle. */
    public DrawingPiece fitted(double width, double height, PictureSize into) {
        if (!(width > 0 && height > 0)) {
            return this;
        }
        double scale = Math.min(1, Math.min(into.width() / width, into.height() / height));
        AffineTransform place = AffineTransform.getTranslateInstance(
                (into.width() - scale * width) / 2, (into.height() - scale * height) / 2);
        place.scale(scale, scale);
        return transformed(place);
    }
}
