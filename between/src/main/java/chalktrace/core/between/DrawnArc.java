package chalktrace.core.between;

import chalktrace.core.stroke.Curve;
import java.awt.geom.Point2D;
import java.util.function.DoubleFunction;

/** A drawn line taken as the way from one place to another. */
public final class DrawnArc {

    private static final int POINTS = 200;

    private DrawnArc() {}

    /**
     * The line turned, sized and moved so that its ends lie on two places; it is taken in the direction in which it needs less
     * moving. A line whose ends meet can't be sized so: it is only moved.
     *
     * @return the place at a share of its length
     */
    public static DoubleFunction<Point2D> between(Curve line, Point2D from, Point2D to) {
        Polyline drawn = Polyline.of(line, POINTS);
        int last = POINTS - 1;
        double asDrawn = from.distance(drawn.x()[0], drawn.y()[0]) + to.distance(drawn.x()[last], drawn.y()[last]);
        double reversed = from.distance(drawn.x()[last], drawn.y()[last]) + to.distance(drawn.x()[0], drawn.y()[0]);
        Polyline path = reversed < asDrawn ? drawn.reversed() : drawn;
        double dx = path.x()[last] - path.x()[0];
        double dy = path.y()[last] - path.y()[0];
        double square = dx * dx + dy * dy;
        double wantedX = to.getX() - from.getX();
        double wantedY = to.getY() - from.getY();
        boolean open = square > 1;
        // The turn and size that take the one chord to the other, as a complex quotient.
        double real = open ? (wantedX * dx + wantedY * dy) / square : 1;
        double imaginary = open ? (wantedY * dx - wantedX * dy) / square : 0;
        return share -> {
            double at = Math.max(0, Math.min(1, share)) * last;
            int i = Math.min(last - 1, (int) at);
            double x = path.x()[i] + (at - i) * (path.x()[i + 1] - path.x()[i]) - path.x()[0];
            double y = path.y()[i] + (at - i) * (path.y()[i + 1] - path.y()[i]) - path.y()[0];
            return new Point2D.Double(from.getX() + real * x - imaginary * y, from.getY() + imaginary * x + real * y);
        };
    }
}
