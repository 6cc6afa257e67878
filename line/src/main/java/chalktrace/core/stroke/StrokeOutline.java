package chalktrace.core.stroke;

import java.awt.geom.Path2D;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * The area that a line of changing width covers: what a disc of that width sweeps on its way, with the caps and joins of SVG 2,
 * chapter 13. It is made of ribbons, each with its own two edges, that end where the line turns by more than its width lets an edge follow,
 * and of the joins there; all parts run the same way round, so that the non-zero rule joins them without seams or holes however
 * the line crosses itself. A line that ends exactly where it began is closed: a join stands there.
 */
public final class StrokeOutline {

    private static final double TOLERANCE_PX = 0.08;

    /** Up to this turn, in radians (12 degrees), both edges run on: what is cut or added is a fiftieth of the half width at most. */
    private static final double GENTLE = Math.toRadians(12);

    /** Up to this change of the half width a pixel of way, edges lie square to the line within a fiftieth. */
    private static final double GENTLE_GROWTH = 0.2;

    /** Steps of opacity that the eye does not tell apart. */
    static final int BANDS = 32;

    private static final int MOST_DISC_CORNERS = 96;

    private final Path2D.Double path;
    private final Flattened line;
    private final LineEnds ends;
    private final double detail;

    /** The direction of each piece, how long it is, and the growth of the half width along it. */
    private final double[] dirX;

    private final double[] dirY;
    private final double[] growth;
    private final double[] size;

    private StrokeOutline(Path2D.Double path, Flattened flattened, LineEnds ends, double detail) {
        this.path = path;
        this.line = flattened.distinct();
        this.ends = ends;
        this.detail = detail;
        int pieces = line.count() - 1;
        dirX = new double[pieces];
        dirY = new double[pieces];
        growth = new double[pieces];
        size = new double[pieces];
        for (int i = 0; i < pieces; i++) {
            double dx = line.x()[i + 1] - line.x()[i];
            double dy = line.y()[i + 1] - line.y()[i];
            size[i] = Math.hypot(dx, dy);
            dirX[i] = dx / size[i];
            dirY[i] = dy / size[i];
            growth[i] = (line.radius()[i + 1] - line.radius()[i]) / size[i];
        }
    }

    /**
     * @param shape how thick the line is
     * @param scale device pixels for a shot pixel: the outline is as fine as that needs
     * @return the outline in shot pixels, winding non-zero; a dot gives a disc
     */
    public static Path2D of(Curve curve, LineShape shape, double scale) {
        double detail = TOLERANCE_PX / Math.max(scale, 1e-3);
        Path2D.Double path = new Path2D.Double(Path2D.WIND_NON_ZERO);
        for (Flattened dash : Flattened.of(curve, shape, detail).dashes(shape.ends())) {
            boolean closed = shape.ends().dashes().isEmpty() && isClosed(curve);
            new StrokeOutline(path, dash, shape.ends(), detail)
                    .build(closed, shape.ends().cap(), shape.ends().cap());
        }
        return path;
    }

    private static boolean isClosed(Curve curve) {
        int last = curve.points() - 1;
        return curve.segments() > 1 && curve.x(0) == curve.x(last) && curve.y(0) == curve.y(last);
    }

    /** A piece of a line, of one opacity. @param opacity the share of the chalk's, 0 to 1 */
    public record Band(Path2D path, double opacity) {}

    /**
     * The outline of a line that pressure fades, in pieces of nearly one opacity, the faintest first: laid over each other
     * in place of what is there, they make one line without seams.
     */
    public static List<Band> bands(Curve curve, LineShape shape, double scale) {
        double detail = TOLERANCE_PX / Math.max(scale, 1e-3);
        List<Band> bands = new ArrayList<>();
        for (Flattened line : Flattened.of(curve, shape, detail).dashes(shape.ends())) {
            int start = 0;
            for (int i = 1; i <= line.count(); i++) {
                if (i == line.count() || band(line, i) != band(line, start)) {
                    // A piece reaches to the next one's start, so that nothing is left out between them.
                    int end = Math.min(i, line.count() - 1);
                    Path2D.Double path = new Path2D.Double(Path2D.WIND_NON_ZERO);
                    LineEnds.Cap cap = shape.ends().cap();
                    new StrokeOutline(path, line.between(start, end), shape.ends(), detail)
                            .build(
                                    false,
                                    start == 0 ? cap : LineEnds.Cap.ROUND,
                                    end == line.count() - 1 ? cap : LineEnds.Cap.ROUND);
                    bands.add(new Band(path, band(line, start) / (double) BANDS));
                    start = i;
                }
            }
        }
        bands.sort(Comparator.comparingDouble(Band::opacity));
        return bands;
    }

    private static long band(Flattened line, int point) {
        return Math.round(line.opacity()[point] * BANDS);
    }

    private void build(boolean closed, LineEnds.Cap atStart, LineEnds.Cap atEnd) {
        int last = line.count() - 1;
        if (last == 0) {
            dot(atStart);
            return;
        }
        int start = 0;
        for (int i = 1; i <= last; i++) {
            if (i == last || !runsOn(i)) {
                ribbon(start, i);
                if (i < last) {
                    join(i - 1, i, i);
                }
                start = i;
            }
        }
        if (closed && last > 1) {
            join(last - 1, 0, 0);
        } else {
            cap(0, 0, -1, atStart);
            cap(last, last - 1, 1, atEnd);
        }
    }

    /** Whether both edges run on past a point: it turns gently, and the inner edge does not have to go back for it. */
    private boolean runsOn(int point) {
        int in = point - 1;
        double sin = dirX[in] * dirY[point] - dirY[in] * dirX[point];
        double cos = dirX[in] * dirX[point] + dirY[in] * dirY[point];
        double turn = Math.abs(Math.atan2(sin, cos));
        return turn <= GENTLE
                && Math.abs(growth[in]) <= GENTLE_GROWTH
                && Math.abs(growth[point]) <= GENTLE_GROWTH
                && line.radius()[point] * Math.tan(turn / 2) <= Math.min(size[in], size[point]) / 2;
    }

    /** From one point to another, with one edge on each side. */
    private void ribbon(int first, int last) {
        if (last == first + 1 && Math.abs(growth[first]) >= 1) {
            // The one end's disc covers the other's.
            disc(line.radius()[first] > line.radius()[last] ? first : last);
            return;
        }
        edge(first, last, 1);
        // An edge of a line that grows starts beside its disc's middle, so that only both middles make the ribbon's
        // ends meet others'.
        path.lineTo(line.x()[last], line.y()[last]);
        edge(last, first, -1);
        path.lineTo(line.x()[first], line.y()[first]);
        path.closePath();
    }

    /** Along one side of the line: 1 forward on the left, -1 back on the right. */
    private void edge(int from, int to, int side) {
        for (int i = from; i != to + side; i += side) {
            int in = i == Math.min(from, to) ? i : i - 1;
            int out = i == Math.max(from, to) ? i - 1 : i;
            double[] a = square(in, side);
            double[] b = square(out, side);
            double x = a[0] + b[0];
            double y = a[1] + b[1];
            // The edges of both pieces meet on the bisector, farther out than the half width.
            double farther = 2 * line.radius()[i] / (x * x + y * y);
            point(i == from && side > 0, line.x()[i] + x * farther, line.y()[i] + y * farther);
        }
    }

    /** From a piece's middle line straight to one of its edges, of length one: where a disc that grows on its way touches its edge. */
    private double[] square(int piece, int side) {
        double back = Math.max(-1, Math.min(1, growth[piece]));
        double out = side * Math.sqrt(1 - back * back);
        return new double[] {-dirY[piece] * out - dirX[piece] * back, dirX[piece] * out - dirY[piece] * back};
    }

    private void point(boolean first, double x, double y) {
        if (first) {
            path.moveTo(x, y);
        } else {
            path.lineTo(x, y);
        }
    }

    /** On the outside of the corner at a point where one piece ends and another begins. */
    private void join(int in, int out, int point) {
        double sin = dirX[in] * dirY[out] - dirY[in] * dirX[out];
        double cos = dirX[in] * dirX[out] + dirY[in] * dirY[out];
        double radius = line.radius()[point];
        if (Math.max(Math.abs(growth[in]), Math.abs(growth[out])) > GENTLE_GROWTH) {
            if (Math.abs(Math.atan2(sin, cos)) > GENTLE || Math.max(Math.abs(growth[in]), Math.abs(growth[out])) >= 1) {
                disc(point);
            } else {
                // The edges of both pieces lie along tangents of the disc between them; where these part, a piece of it
                // shows.
                gap(point, in, out, 1);
                gap(point, in, out, -1);
            }
            return;
        }
        int side = sin > 0 ? -1 : 1;
        if (growth[in] > growth[out]) {
            gap(point, in, out, -side);
        }
        double[] a = square(in, side);
        double[] b = square(out, side);
        double turn = Math.abs(Math.atan2(sin, cos));
        // Where a curve is flattened there is no corner, however tight it is.
        LineEnds.Join join = line.joint()[point] || point == 0 ? ends.join() : LineEnds.Join.ROUND;
        boolean mitered = join == LineEnds.Join.MITER && 1 <= ends.miterLimit() * Math.cos(turn / 2);
        boolean wholeDisc = ends.cap() == LineEnds.Cap.ROUND || !line.joint()[point] && isFarFromEnds(point);
        if (join == LineEnds.Join.ROUND
                && wholeDisc
                && radius * Math.tan(turn / 2) > Math.min(size[in], size[out]) / 2) {
            // The inside of the disc reaches past such short pieces too.
            disc(point);
        } else if (join == LineEnds.Join.ROUND) {
            double between = Math.atan2(a[0] * b[1] - a[1] * b[0], a[0] * b[0] + a[1] * b[1]);
            // Where the line turns straight back, left and right are one.
            wedge(point, Math.atan2(a[1], a[0]), turn > Math.PI / 2 ? -side * Math.abs(between) : between);
        } else if (mitered) {
            double x = a[0] + b[0];
            double y = a[1] + b[1];
            double farther = 2 / (x * x + y * y);
            polygon(point, radius, a, new double[] {x * farther, y * farther}, b);
        } else {
            polygon(point, radius, a, b);
        }
    }

    /** Whether a disc at a point stays behind the straight ends of the line. */
    private boolean isFarFromEnds(int point) {
        return isLonger(0, point, line.radius()[point]) && isLonger(point, size.length, line.radius()[point]);
    }

    private boolean isLonger(int from, int to, double length) {
        double sum = 0;
        for (int i = from; i < to && sum < length; i++) {
            sum += size[i];
        }
        return sum >= length;
    }

    /** On the inside of a corner, where the line grows before it and shrinks after. */
    private void gap(int point, int in, int out, int side) {
        double[] a = square(in, side);
        double[] b = square(out, side);
        double between = Math.atan2(a[0] * b[1] - a[1] * b[0], a[0] * b[0] + a[1] * b[1]);
        if (side * between < 0) {
            wedge(point, Math.atan2(a[1], a[0]), between);
        }
    }

    /** A sector of a point's disc, from an angle on by so much. */
    private void wedge(int point, double from, double by) {
        double radius = line.radius()[point];
        int steps = (int) Math.max(1, Math.ceil(discCorners(radius) * Math.abs(by) / (2 * Math.PI)));
        double[][] places = new double[steps + 1][];
        for (int k = 0; k <= steps; k++) {
            double angle = from + by * k / steps;
            places[k] = new double[] {Math.cos(angle), Math.sin(angle)};
        }
        polygon(point, radius, places);
    }

    /** A polygon of a point and places about it, in half widths, whichever way round they are given. */
    private void polygon(int point, double radius, double[]... about) {
        double doubledArea = 0;
        for (int k = 0; k + 1 < about.length; k++) {
            doubledArea += about[k][0] * about[k + 1][1] - about[k][1] * about[k + 1][0];
        }
        double x = line.x()[point];
        double y = line.y()[point];
        path.moveTo(x, y);
        for (int k = 0; k < about.length; k++) {
            double[] place = about[doubledArea < 0 ? k : about.length - 1 - k];
            path.lineTo(x + radius * place[0], y + radius * place[1]);
        }
        path.closePath();
    }

    /** @param direction 1 at the end of a piece, -1 at its start */
    private void cap(int point, int piece, int direction, LineEnds.Cap cap) {
        if (cap == LineEnds.Cap.BUTT || line.radius()[point] <= 0) {
            return;
        }
        if (Math.abs(growth[piece]) > GENTLE_GROWTH && cap == LineEnds.Cap.ROUND) {
            disc(point);
            return;
        }
        double[] left = square(piece, 1);
        if (cap == LineEnds.Cap.ROUND) {
            // A little more than half a disc where the line grows towards its end.
            double more = Math.asin(Math.max(-1, Math.min(1, growth[piece])));
            double by = direction > 0 ? -(Math.PI + 2 * more) : Math.PI - 2 * more;
            wedge(point, Math.atan2(left[1], left[0]), by);
        } else {
            double[] right = square(piece, -1);
            double outX = direction * dirX[piece];
            double outY = direction * dirY[piece];
            polygon(
                    point,
                    line.radius()[point],
                    left,
                    new double[] {left[0] + outX, left[1] + outY},
                    new double[] {right[0] + outX, right[1] + outY},
                    right);
        }
    }

    /** A line without length. */
    private void dot(LineEnds.Cap cap) {
        if (cap == LineEnds.Cap.ROUND) {
            disc(0);
        } else if (cap == LineEnds.Cap.SQUARE) {
            polygon(
                    0,
                    line.radius()[0],
                    new double[] {1, 1},
                    new double[] {1, -1},
                    new double[] {-1, -1},
                    new double[] {-1, 1},
                    new double[] {1, 1});
        }
    }

    private void disc(int point) {
        if (line.radius()[point] > 0) {
            wedge(point, 0, 2 * Math.PI);
        }
    }

    /** A polygon of k corners strays from its circle by radius x (1 - cos(pi / k)). */
    private int discCorners(double radius) {
        double halfAngle = Math.acos(Math.max(0, 1 - detail / Math.max(radius, detail)));
        return (int) Math.max(6, Math.min(MOST_DISC_CORNERS, Math.ceil(Math.PI / halfAngle)));
    }
}
