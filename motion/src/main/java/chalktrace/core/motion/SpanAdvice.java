package chalktrace.core.motion;

/**
 * For how many frames each drawing may stay between two keys.
 *
 * @param from the frame of the first key @param to that of the second
 * @param every 1 for ones, 2 for twos, 3 for threes; all of the span for a hold
 */
public record SpanAdvice(int from, int to, int every, String reason) {}
