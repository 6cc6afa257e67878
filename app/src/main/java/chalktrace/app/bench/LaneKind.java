package chalktrace.app.bench;

import chalktrace.app.session.Session;
import chalktrace.app.session.View.Step;
import chalktrace.core.shot.Shot;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.function.Predicate;

/**
 * A strip of the bench.
 *
 * @param order its place from top to bottom; see {@link Bench} for those of the ground
 * @param neededBy steps in which it is open at first; in others it is folded to a line
 * @param wanted whether a shot has anything to show on it; without, it is not there
 */
public record LaneKind(
        int order, Set<Step> neededBy, Predicate<Shot> wanted, BiFunction<Session, BenchScale, Lane> lane) {

    /** For every shot. */
    public LaneKind(int order, Set<Step> neededBy, BiFunction<Session, BenchScale, Lane> lane) {
        this(order, neededBy, shot -> true, lane);
    }
}
