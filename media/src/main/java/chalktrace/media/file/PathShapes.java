package chalktrace.media.file;

import chalktrace.core.stroke.Curve;
import java.awt.Shape;
import java.awt.geom.Area;
import java.awt.geom.Path2D;
import java.awt.geom.PathIterator;
import java.awt.geom.Rectangle2D;
import java.awt.geom.RoundRectangle2D;
import java.util.ArrayList;
import java.util.List;

/** Shapes of Java2D as curves of strokes and edges of painted areas. */
final class PathShapes {

    /** Places farther out than this are no drawing. */
    static final double FARTHEST = 1e6;

    private static final double FLATNESS_PX = 0.1;

    /** The winding of larger shapes is not worked out; theirs counts as even-odd. */
    private static final int MOST_WOUND = 4000;

    /** Handles of a quarter of an ellipse, in shares of its radii. */
    private static final double QUARTER = 4.0 / 3 * (Math.sqrt(2) - 1);

    /** What nobody sees, and what makes a line's ends two places. */
    private static final double APART_PX = 1e-3;

    private PathShapes() {}

    /** @throws IllegalArgumentException when a shape lies too far out to be part of a drawing */
    static void checkPlaces(Shape shape) {
        Rectangle2D box = shape.getBounds2D();
        boolean near = Math.abs(box.getMinX()) <= FARTHEST
                && Math.abs(box.getMinY()) <= FARTHEST
                && Math.abs(box.getMaxX()) <= FARTHEST
                && Math.abs(box.getMaxY()) <= FARTHEST;
        if (!near) {
            throw new IllegalArgumentException("a shape lies more than a million pixels away");
        }
    }

    /** A shape whose inside is the same by the even-odd rule. */
    static Shape evenOdd(Shape shape) {
        PathIterator path = shape.getPathIterator(null);
        int pieces = 0;
        for (; !path.isDone(); path.next()) {
            pieces++;
        }
        boolean alike = shape.getPathIterator(null).getWindingRule() == PathIterator.WIND_EVEN_ODD;
        return alike || pieces > MOST_WOUND ? shape : new Area(shape);
    }

    /** Started where SVG 1.1, 9.2, starts it, which its dashes show: after the upper left corner, to the right. */
    static Shape fromUpperLeft(RoundRectangle2D box) {
        double x = box.getX();
        double y = box.getY();
        double right = box.getMaxX();
        double bottom = box.getMaxY();
        double rx = Math.min(box.getArcWidth(), box.getWidth()) / 2;
        double ry = Math.min(box.getArcHeight(), box.getHeight()) / 2;
        double kx = rx * (1 - QUARTER);
        double ky = ry * (1 - QUARTER);
        Path2D.Double path = new Path2D.Double();
        path.moveTo(x + rx, y);
        path.lineTo(right - rx, y);
        path.curveTo(right - kx, y, right, y + ky, right, y + ry);
        path.lineTo(right, bottom - ry);
        path.curveTo(right, bottom - ky, right - kx, bottom, right - rx, bottom);
        path.lineTo(x + rx, bottom);
        path.curveTo(x + kx, bottom, x, bottom - ky, x, bottom - ry);
        path.lineTo(x, y + ry);
        path.curveTo(x, y + ky, x + kx, y, x + rx, y);
        path.closePath();
        return path;
    }

    /** The corners of a shape's closed lines. */
    static List<double[]> rings(Shape shape) {
        List<double[]> rings = new ArrayList<>();
        List<Double> ring = new ArrayList<>();
        double[] at = new double[6];
        for (PathIterator path = shape.getPathIterator(null, FLATNESS_PX); !path.isDone(); path.next()) {
            int type = path.currentSegment(at);
            if (type == PathIterator.SEG_MOVETO) {
                keep(ring, rings);
                ring = new ArrayList<>();
            }
            if (type != PathIterator.SEG_CLOSE) {
                ring.add(at[0]);
                ring.add(at[1]);
            }
        }
        keep(ring, rings);
        return rings;
    }

    private static void keep(List<Double> ring, List<double[]> rings) {
        if (ring.size() >= 6) {
            rings.add(ring.stream().mapToDouble(v -> v).toArray());
        }
    }

    /** A path as curves of full pressure, one for each piece that hangs together. */
    static List<Curve> curves(Shape shape) {
        List<Curve> curves = new ArrayList<>();
        List<Double> points = new ArrayList<>();
        double[] at = new double[6];
        double startX = 0;
        double startY = 0;
        boolean isClosed = false;
        for (PathIterator path = shape.getPathIterator(null); !path.isDone(); path.next()) {
            int type = path.currentSegment(at);
            double x = points.isEmpty() ? 0 : points.get(points.size() - 3);
            double y = points.isEmpty() ? 0 : points.get(points.size() - 2);
            switch (type) {
                case PathIterator.SEG_MOVETO -> {
                    end(points, curves, isClosed);
                    isClosed = false;
                    points = new ArrayList<>();
                    startX = at[0];
                    startY = at[1];
                    add(points, startX, startY);
                }
                case PathIterator.SEG_LINETO -> line(points, x, y, at[0], at[1]);
                case PathIterator.SEG_QUADTO -> {
                    add(points, x + (at[0] - x) * 2 / 3, y + (at[1] - y) * 2 / 3);
                    add(points, at[2] + (at[0] - at[2]) * 2 / 3, at[3] + (at[1] - at[3]) * 2 / 3);
                    add(points, at[2], at[3]);
                }
                case PathIterator.SEG_CUBICTO -> {
                    add(points, at[0], at[1]);
                    add(points, at[2], at[3]);
                    add(points, at[4], at[5]);
                }
                default -> {
                    isClosed = true;
                    if (Math.hypot(x - startX, y - startY) > 1e-6) {
                        line(points, x, y, startX, startY);
                    }
                }
            }
        }
        end(points, curves, isClosed);
        return curves;
    }

    private static void line(List<Double> points, double x0, double y0, double x1, double y1) {
        add(points, x0 + (x1 - x0) / 3, y0 + (y1 - y0) / 3);
        add(points, x0 + (x1 - x0) * 2 / 3, y0 + (y1 - y0) * 2 / 3);
        add(points, x1, y1);
    }

    private static void add(List<Double> points, double x, double y) {
        points.add(x);
        points.add(y);
        points.add(1.0);
    }

    private static void end(List<Double> points, List<Curve> curves, boolean isClosed) {
        if (points.size() <= 3) {
            return;
        }
        double[] values = points.stream().mapToDouble(v -> v).toArray();
        int last = values.length - 3;
        if (!isClosed && values[0] == values[last] && values[1] == values[last + 1]) {
            // It only comes back to its start: there are two ends, and no join.
            values[last] += APART_PX;
        }
        curves.add(Curve.of(values));
    }
}
