package chalktrace.app.feature;

import java.awt.geom.Point2D;
import java.util.Optional;
import java.util.function.IntFunction;

/** Whoever lets in-betweens follow the way of something that moves. */
@FunctionalInterface
public interface TakesWay {

    /**
     * Takes arc and spacing of the keys about the gate from a way.
     *
     * @param place where it is on a frame, in shot pixels; empty where it is not known
     * @param every on ones (1), twos (2) ...
     */
    void take(IntFunction<Optional<Point2D>> place, int every);
}
