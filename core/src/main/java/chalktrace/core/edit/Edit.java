package chalktrace.core.edit;

import chalktrace.core.shot.Shot;
import java.util.function.UnaryOperator;

/**
 * One change of the document.
 *
 * @param name what it does, as shown beside undo: "draw", "move the word now"
 * @param change gives the new shot; it may give back the same one when there is nothing to do
 */
public record Edit(String name, UnaryOperator<Shot> change) {}
