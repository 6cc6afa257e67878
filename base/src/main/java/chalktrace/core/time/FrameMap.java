package chalktrace.core.time;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import java.util.function.DoubleUnaryOperator;

/**
 * Frames that were moved apart or together: which frame each one was before. Between two knots frames go in proportion, before
 * the first and after the last as they go.
 *
 * @param knots in rising order of both their numbers
 */
public record FrameMap(List<Knot> knots) {

    public static final FrameMap NONE = new FrameMap(List.of());

    private static final double SAME = 1e-9;

    /** A frame and the one that it was. */
    public record Knot(double frame, double was) {}

    /** @throws IllegalArgumentException when the knots are not in rising order */
    public FrameMap {
        knots = List.copyOf(knots);
        for (int i = 0; i < knots.size(); i++) {
            Knot knot = knots.get(i);
            boolean rises = i == 0
                    || knot.frame() > knots.get(i - 1).frame()
                            && knot.was() > knots.get(i - 1).was();
            if (!rises || !Double.isFinite(knot.frame()) || !Double.isFinite(knot.was())) {
                throw new IllegalArgumentException("Frames that were moved keep their order.");
            }
        }
    }

    public boolean isNone() {
        return knots.isEmpty();
    }

    /** Which frame a frame was before. */
    public double was(double frame) {
        return between(frame, true);
    }

    /** Where a frame has come to. */
    public double now(double was) {
        return between(was, false);
    }

    private double between(double value, boolean back) {
        if (knots.isEmpty()) {
            return value;
        }
        int after = 0;
        while (after < knots.size() && from(after, back) < value) {
            after++;
        }
        if (after == 0 || after == knots.size()) {
            int near = after == 0 ? 0 : after - 1;
            return value - from(near, back) + to(near, back);
        }
        double share = (value - from(after - 1, back)) / (from(after, back) - from(after - 1, back));
        return to(after - 1, back) + share * (to(after, back) - to(after - 1, back));
    }

    private double from(int knot, boolean back) {
        return back ? knots.get(knot).frame() : knots.get(knot).was();
    }

    private double to(int knot, boolean back) {
        return back ? knots.get(knot).was() : knots.get(knot).frame();
    }

    /** This map and then another one: frames that were moved are moved again. */
    public FrameMap then(FrameMap next) {
        TreeSet<Double> frames = new TreeSet<>();
        next.knots.forEach(knot -> frames.add(knot.frame()));
        knots.forEach(knot -> frames.add(next.now(knot.frame())));
        DoubleUnaryOperator was = frame -> was(next.was(frame));
        List<Knot> out = new ArrayList<>();
        for (double frame : frames) {
            Knot before = out.isEmpty() ? null : out.get(out.size() - 1);
            Knot knot = new Knot(frame, was.applyAsDouble(frame));
            if (before == null || frame > before.frame() + SAME && knot.was() > before.was() + SAME) {
                out.add(knot);
            }
        }
        return new FrameMap(out);
    }
}
