package chalktrace.core.render;

import chalktrace.core.motion.MovingPoint;
import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Mark;
import java.awt.geom.Point2D;
import java.util.List;
import java.util.Map;

/**
 * Where points go for some frames before and after one: a tick a frame, so that spacing is seen, that of the frame itself large, keys circled, breakdowns underlined;
 * the smoothed arc broken and faint beside the measured one. It is no part of the shot.
 *
 * @param marks what the frames near it are marked as
 * @param edge of lines and ticks, so that they are seen over any picture
 * @param unit device pixels of a pixel as a person sees it: lines are as wide at any zoom
 */
public record PathLayer(List<Path> paths, int frame, Map<Integer, Mark.Kind> marks, Rgb edge, double unit)
        implements SceneLayer {

    /** So many frames before and after. */
    public static final int SPAN = 24;

    private static final double TICK = 2.2;
    private static final double PRESENT = 5.5;
    private static final double KEY = 7;
    private static final double MARK_LINE = 1.4;
    private static final double LINE = 1.2;
    private static final double STRONG_LINE = 1.8;
    private static final double EDGE = 1.2;

    private static final double DASH = 3;
    private static final double SMOOTHED_LINE = 0.8;

    /** Of 256. */
    private static final int SMOOTHED_SHARE = 180;

    /**
     * One point's way, in pixels of the shot.
     *
     * @param drawn with square ticks, which tell what is drawn from footage
     * @param strong with a broader line
     * @param whole with the line's edge and the smoothed arc
     */
    public record Path(
            MovingPoint measured, MovingPoint smoothed, Rgb color, boolean drawn, boolean strong, boolean whole) {}

    public PathLayer {
        paths = List.copyOf(paths);
        marks = Map.copyOf(marks);
    }

    @Override
    public void paint(Surface surface, PixelTile tile) {
        LinePixels pixels = new LinePixels(tile);
        for (Path path : paths) {
            paint(pixels, path, places(path.measured(), surface));
            if (path.whole()) {
                broken(pixels, places(path.smoothed(), surface), faint(path.color()));
            }
        }
    }

    /** In device pixels, from {@link #SPAN} frames before the frame on; null where it is not known. */
    private Point2D[] places(MovingPoint point, Surface surface) {
        Point2D[] out = new Point2D[2 * SPAN + 1];
        for (int i = 0; i < out.length; i++) {
            int at = frame - SPAN + i;
            if (point.knows(at)) {
                out[i] = surface.view().toDevice().transform(new Point2D.Double(point.x(at), point.y(at)), null);
            }
        }
        return out;
    }

    private void paint(LinePixels pixels, Path path, Point2D[] places) {
        int color = path.color().argb();
        double width = path.strong() ? STRONG_LINE : LINE;
        if (path.whole()) {
            line(pixels, places, width + 1.5 * EDGE, edge.argb());
        }
        line(pixels, places, width, color);
        for (int i = 0; i < places.length; i++) {
            if (places[i] != null) {
                double radius = i == SPAN ? PRESENT : TICK;
                tick(pixels, path, places[i], radius);
                mark(pixels, marks.get(frame - SPAN + i), places[i], color);
            }
        }
    }

    private void tick(LinePixels pixels, Path path, Point2D at, double radius) {
        int color = path.color().argb();
        if (path.drawn()) {
            pixels.square(at.getX(), at.getY(), (radius + EDGE) * unit, edge.argb());
            pixels.square(at.getX(), at.getY(), radius * unit, color);
        } else {
            pixels.dot(at.getX(), at.getY(), radius * unit, color, EDGE * unit, edge.argb());
        }
    }

    private void mark(LinePixels pixels, Mark.Kind kind, Point2D at, int color) {
        double reach = KEY * unit;
        if (kind == Mark.Kind.KEY) {
            pixels.ring(at.getX(), at.getY(), reach, MARK_LINE * unit, color);
        } else if (kind == Mark.Kind.BREAKDOWN) {
            double foot = at.getY() + reach;
            pixels.line(at.getX() - reach, foot, at.getX() + reach, foot, MARK_LINE * unit, color);
        }
    }

    private void line(LinePixels pixels, Point2D[] places, double width, int color) {
        for (int i = 1; i < places.length; i++) {
            if (places[i - 1] != null && places[i] != null) {
                part(pixels, places[i - 1], places[i], 0, 1, width, color);
            }
        }
    }

    /** @param from share of the way between two places, @param to likewise */
    private void part(LinePixels pixels, Point2D a, Point2D b, double from, double to, double width, int color) {
        double dx = b.getX() - a.getX();
        double dy = b.getY() - a.getY();
        pixels.line(
                a.getX() + from * dx,
                a.getY() + from * dy,
                a.getX() + to * dx,
                a.getY() + to * dy,
                width * unit,
                color);
    }

    private void broken(LinePixels pixels, Point2D[] places, int color) {
        double dash = DASH * unit;
        double walked = 0;
        for (int i = 1; i < places.length; i++) {
            if (places[i - 1] == null || places[i] == null) {
                continue;
            }
            double length = places[i - 1].distance(places[i]);
            double start = walked % (2 * dash);
            for (double at = -start; at < length; at += 2 * dash) {
                double from = Math.max(0, at) / length;
                double to = Math.min(length, at + dash) / length;
                if (to > from) {
                    part(pixels, places[i - 1], places[i], from, to, SMOOTHED_LINE, color);
                }
            }
            walked += length;
        }
    }

    /** Lighter and half clear. */
    private static int faint(Rgb color) {
        return Blend.scale(Blend.mix(color.argb(), Rgb.WHITE.argb(), 64), SMOOTHED_SHARE);
    }
}
