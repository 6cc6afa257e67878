package chalktrace.core.render;

import chalktrace.core.fill.Fill;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Level;
import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.Stroke;
import java.awt.geom.Area;
import java.awt.geom.Path2D;
import java.awt.geom.PathIterator;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * How much of the picture a drawing takes in, to tell squash and stretch that keeps its volume from that which does not. Of a form that turns it is no
 * measure.
 */
public final class DrawnArea {

    /** Curves are taken as chords that lie so close, in pixels. */
    private static final double FLATNESS_PX = 0.1;

    /** A line is closed when its ends lie within this share of its box's diagonal, as a hand closes it. */
    private static final double CLOSED_SHARE = 0.08;

    private DrawnArea() {}

    /** The area of what a level shows on a frame, in px² as it is seen there; empty where nothing is closed or shown. */
    public static OptionalDouble on(Level level, int frame) {
        Optional<Exposure> shown = level.exposures().at(frame).filter(run -> !run.isBlank());
        if (shown.isEmpty()) {
            return OptionalDouble.empty();
        }
        OptionalDouble own =
                level.drawing(shown.get().drawing()).map(DrawnArea::of).orElse(OptionalDouble.empty());
        double scale = shown.get().placement().scale();
        return own.isPresent() ? OptionalDouble.of(own.getAsDouble() * scale * scale) : own;
    }

    /** The area within the closed lines and painted areas of a drawing together, in px²; empty where it has none. */
    public static OptionalDouble of(Drawing drawing) {
        Area all = new Area();
        for (Fill fill : drawing.fills()) {
            all.add(new Area(fill.area().path()));
        }
        for (Stroke stroke : drawing.strokes()) {
            if (isClosed(stroke.curve())) {
                Path2D outline = stroke.curve().path();
                outline.closePath();
                outline.setWindingRule(Path2D.WIND_NON_ZERO);
                all.add(new Area(outline));
            }
        }
        return all.isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(size(all));
    }

    private static boolean isClosed(Curve curve) {
        int last = curve.points() - 1;
        var box = curve.path().getBounds2D();
        double apart = Math.hypot(curve.x(last) - curve.x(0), curve.y(last) - curve.y(0));
        return apart <= CLOSED_SHARE * Math.hypot(box.getWidth(), box.getHeight());
    }

    /** Holes count against it, as their rings run the other way (shoelace formula). */
    private static double size(Area area) {
        double[] at = new double[6];
        double startX = 0;
        double startY = 0;
        double x = 0;
        double y = 0;
        double twice = 0;
        for (PathIterator i = area.getPathIterator(null, FLATNESS_PX); !i.isDone(); i.next()) {
            int kind = i.currentSegment(at);
            double nextX = kind == PathIterator.SEG_CLOSE ? startX : at[0];
            double nextY = kind == PathIterator.SEG_CLOSE ? startY : at[1];
            if (kind == PathIterator.SEG_MOVETO) {
                startX = nextX;
                startY = nextY;
            } else {
                twice += x * nextY - nextX * y;
            }
            x = nextX;
            y = nextY;
        }
        return Math.abs(twice) / 2;
    }
}
