package chalktrace.core.stroke;

import java.awt.geom.Rectangle2D;
import java.util.Optional;

/** A straight line from where the pen came down to where it is. */
public final class StraightLine implements StrokeMaker {

    /** A ruled line is seldom meant to be faint. */
    static final double LEAST_PRESSURE = 0.6;

    private final String chalk;
    private PenSample first;
    private PenSample last;

    public StraightLine(String chalk) {
        this.chalk = chalk;
    }

    @Override
    public void add(PenSample sample) {
        first = first == null ? sample : first;
        last = sample;
    }

    @Override
    public Stroke soFar() {
        return Stroke.straight(
                chalk, first.x(), first.y(), last.x(), last.y(), Math.max(LEAST_PRESSURE, last.pressure()));
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
