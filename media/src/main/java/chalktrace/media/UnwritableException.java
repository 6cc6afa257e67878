package chalktrace.media;

import chalktrace.core.words.Sentences;
import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Locale;

/** A file that can't be written. The message is for the person: which file, what is wrong, what can be done. */
public class UnwritableException extends Exception {

    private static final long serialVersionUID = 1;

    private static final int LONGEST_NAME = 80;
    private static final int LONGEST_WHY = 160;

    private UnwritableException(String message, Throwable cause) {
        super(message, cause);
    }

    /**
     * @param what was being done, such as "saved"
     * @param kept what is still whole, as a sentence
     */
    public static UnwritableException of(Path file, String what, String kept, IOException cause) {
        return new UnwritableException(
                Sentences.plain(String.valueOf(file.getFileName()), LONGEST_NAME) + " could not be " + what + ": "
                        + Sentences.plain(why(cause), LONGEST_WHY) + ". " + kept,
                cause);
    }

    /** What was asked for can't be written. @param message in whole sentences: what is wrong and what can be done */
    public static UnwritableException saying(String message) {
        return new UnwritableException(message, null);
    }

    private static String why(IOException cause) {
        if (cause instanceof NoSuchFileException missing) {
            return "the folder " + Path.of(missing.getFile()).toAbsolutePath().getParent() + " is not there";
        }
        if (cause instanceof AccessDeniedException) {
            return "this user may not write in that folder";
        }
        String words = String.valueOf(cause.getMessage());
        return words.toLowerCase(Locale.ROOT).contains("no space") ? "the disk is full" : words;
    }
}
