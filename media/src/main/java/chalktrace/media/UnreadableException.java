package chalktrace.media;

import chalktrace.core.words.Sentences;
import java.nio.file.Path;

/** A file that can't be taken in. The message is for the person: which file, where in it, what is wrong, what can be done. */
public class UnreadableException extends Exception {

    private static final long serialVersionUID = 1;

    /** Of all, without what joins its parts; what is wrong has the room that name and mend leave. */
    private static final int LONGEST = 296;

    private static final int LONGEST_NAME = 60;
    private static final int LONGEST_MEND = 170;

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
        String called = Sentences.plain(String.valueOf(name == null ? file : name), LONGEST_NAME);
        String mended = Sentences.plain(mend, LONGEST_MEND);
        String wrong = Sentences.plain(what, LONGEST - called.length() - mended.length());
        return new UnreadableException(called + " " + wrong + ". " + mended, cause);
    }
}
