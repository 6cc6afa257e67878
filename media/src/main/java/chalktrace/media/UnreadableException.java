package chalktrace.media;

import java.nio.file.Path;

/** A file that can't be taken in. The message is for the person: which file, where in it, what is wrong, what can be done. */
public class UnreadableException extends Exception {

    private static final long serialVersionUID = 1;

    private UnreadableException(String message, Throwable cause) {
        super(message, cause);
    }

    /**
     * @param what is wrong and where, as the rest of a sentence that starts with the file's name
     * @param mend what can be done, as a sentence
     */
    public static UnreadableException of(Path file, String what, String mend) {
        return of(file, what, mend, null);
    }

    public static UnreadableException of(Path file, String what, String mend, Throwable cause) {
        Path name = file.getFileName();
        return new UnreadableException((name == null ? file : name) + " " + what + ". " + mend, cause);
    }
}
