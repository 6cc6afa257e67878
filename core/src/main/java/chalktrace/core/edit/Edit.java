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
}
