package chalktrace.core.stroke;

import java.awt.geom.Rectangle2D;
import java.util.Optional;

/** An ellipse in the box between where the pen came down and where it is. */
public final class DraggedEllipse implements StrokeMaker {

    private static final double SMALLEST_PX = 0.5;

    private final String chalk;
    private final boolean circle;
    private PenSample first;
    private PenSample last;

    /** @param circle whether it is as wide as it is high */
    public DraggedEllipse(String chalk, boolean circle) {
        this.chalk = chalk;
        this.circle = circle;
    }

    @Override
    public void add(PenSample sample) {
        first = first == null ? sample : first;
        last = sample;
    }

    @Override
    public Stroke soFar() {
        double width = last.x() - first.x();
        double height = last.y() - first.y();
        if (circle) {
            double side = Math.max(Math.abs(width), Math.abs(height));
            width = Math.copySign(side, width);
            height = Math.copySign(side, height);
        }
        return Stroke.ellipse(
                chalk,
                first.x() + width / 2,
                first.y() + height / 2,
                Math.max(SMALLEST_PX, Math.abs(width) / 2),
                Math.max(SMALLEST_PX, Math.abs(height) / 2),
                0,
                Math.max(StraightLine.LEAST_PRESSURE, last.pressure()));
    }

    @Override
    public Stroke finish() {
        return soFar();
    }

    @Override
    public Optional<Rectangle2D> changed() {
        return Optional.empty();
    }
}
