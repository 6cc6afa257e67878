package chalktrace.core.shot;

import chalktrace.core.tree.WrongField;

/** Gives what a shot's document only names, since it stands in files of its own. */
public interface Reading {

    /** @throws WrongField when it can't be read */
    Drawing drawing(int number, String name) throws WrongField;

    /** The path of a medium that was written so. */
    String path(String written);
}
