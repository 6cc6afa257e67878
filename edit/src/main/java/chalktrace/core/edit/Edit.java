package chalktrace.core.edit;

import chalktrace.core.shot.Shot;
import java.util.function.UnaryOperator;

/**
 * One change of the document.
 *
 * @param name what it does, as shown beside undo: "draw", "move the word now"
 * @param change gives the new shot; it may give back the same one when there is nothing to do
 */
public record Edit(String name, UnaryOperator<Shot> change) {

    /** Both as one step, by the name of this one. */
    public Edit then(Edit next) {
        return new Edit(name, shot -> next.change.apply(change.apply(shot)));
    }

    /** The same, worked out already for a shot, so that it costs nothing there; on any other it is worked out anew. */
    public Edit workedOutFor(Shot shot) {
        Shot changed = change.apply(shot);
        return new Edit(name, now -> now == shot ? changed : change.apply(now));
    }
}
