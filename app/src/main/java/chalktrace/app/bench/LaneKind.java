package chalktrace.app.bench;

import chalktrace.app.session.Session;
import chalktrace.app.session.View.Step;
import java.util.Set;
import java.util.function.BiFunction;

/**
 * A strip of the bench.
 *
 * @param order its place from top to bottom; see {@link Bench} for those of the ground
 * @param neededBy steps in which it is open at first; in others it is folded to a line
 */
public record LaneKind(int order, Set<Step> neededBy, BiFunction<Session, BenchScale, Lane> lane) {}
