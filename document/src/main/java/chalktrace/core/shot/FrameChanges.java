package chalktrace.core.shot;

import java.util.List;

/** Moves many things at once. */
final class FrameChanges {

    private FrameChanges() {}

    /** What is left of them, each where it has come to. */
    static <T extends FrameBound<T>> List<T> moved(List<T> all, FrameChange change) {
        return all.stream().flatMap(one -> one.moved(change).stream()).toList();
    }
}
