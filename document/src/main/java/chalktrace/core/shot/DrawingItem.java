package chalktrace.core.shot;

import chalktrace.core.fill.Fill;
import chalktrace.core.stroke.Stroke;
import java.awt.geom.AffineTransform;
import java.util.List;
import java.util.function.UnaryOperator;

/** One thing of a drawing: a line, a painted area or a picture that was put into it. */
public sealed interface DrawingItem {

    /** A line. */
    record Line(Stroke stroke) implements DrawingItem {

        @Override
        public DrawingItem transformed(AffineTransform change) {
            return new Line(stroke.withCurve(stroke.curve().transformed(change)));
        }

        @Override
        public DrawingItem withChalk(UnaryOperator<String> other) {
            return new Line(stroke.withChalk(other.apply(stroke.chalk())));
        }

        @Override
        public long bytes() {
            return stroke.bytes();
        }
    }

    /** A painted area. */
    record Paint(Fill fill) implements DrawingItem {

        @Override
        public DrawingItem transformed(AffineTransform change) {
            return new Paint(fill.transformed(change));
        }

        @Override
        public DrawingItem withChalk(UnaryOperator<String> other) {
            return new Paint(fill.withChalks(other));
        }

        @Override
        public long bytes() {
            return fill.bytes();
        }
    }

    /** Pixels. */
    record Picture(PastedPicture picture) implements DrawingItem {

        @Override
        public DrawingItem transformed(AffineTransform change) {
            return new Picture(picture.transformed(change));
        }

        @Override
        public DrawingItem withChalk(UnaryOperator<String> other) {
            return this;
        }

        @Override
        public long bytes() {
            return picture.pixels().bytes();
        }
    }

    /** Moved, scaled or turned. */
    DrawingItem transformed(AffineTransform change);

    /** With another chalk, where it has one. @param other from the id of one to that of the other */
    DrawingItem withChalk(UnaryOperator<String> other);

    /** About how much memory it takes. */
    long bytes();

    /** The lines among some items, in their order. */
    static List<Stroke> strokes(List<DrawingItem> items) {
        return items.stream()
                .filter(Line.class::isInstance)
                .map(item -> ((Line) item).stroke())
                .toList();
    }

    /** The painted areas among some items, in their order. */
    static List<Fill> fills(List<DrawingItem> items) {
        return items.stream()
                .filter(Paint.class::isInstance)
                .map(item -> ((Paint) item).fill())
                .toList();
    }

    /** The pictures among some items, in their order. */
    static List<PastedPicture> pictures(List<DrawingItem> items) {
        return items.stream()
                .filter(Picture.class::isInstance)
                .map(item -> ((Picture) item).picture())
                .toList();
    }
}
