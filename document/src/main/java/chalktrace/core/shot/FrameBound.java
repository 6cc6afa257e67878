package chalktrace.core.shot;

import java.util.Optional;

/**
 * What lies on frames, or on seconds that belong to frames, of a shot. Whatever a shot holds of this kind moves by {@link Shot#moved}, so that
 * no edit of frames can forget any of it.
 */
public interface FrameBound<T> {

    /** Where it has come to; empty when nothing of it is left. */
    Optional<T> moved(FrameChange change);
}
