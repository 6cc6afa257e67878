package chalktrace.core.tree;

/** A field that is missing or has no sense; the message names it. */
public class WrongField extends Exception {

    private static final long serialVersionUID = 1;

    public WrongField(String message, Throwable cause) {
        super(message, cause);
    }
}
