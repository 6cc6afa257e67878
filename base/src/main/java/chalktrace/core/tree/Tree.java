package chalktrace.core.tree;

import java.util.List;

/** A value as a file holds it. */
public sealed interface Tree permits Branch, Tree.Flag, Tree.Items, Tree.Nothing, Tree.Number, Tree.Text, Tree.Whole {

    record Text(String value) implements Tree {}

    /** A number that is written without a fraction. */
    record Whole(long value) implements Tree {}

    record Number(double value) implements Tree {}

    record Flag(boolean value) implements Tree {}

    /** Says of a known field that it has no value. */
    record Nothing() implements Tree {}

    record Items(List<Tree> all) implements Tree {

        public Items {
            all = List.copyOf(all);
        }
    }
}
