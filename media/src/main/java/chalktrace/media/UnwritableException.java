package chalktrace.media;

import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Locale;

/** A file that can't be written. The message is for the person: which file, what is wrong, what can be done. */
public class UnwritableException extends Exception {

    private static final long serialVersionUID = 1;

    private UnwritableException(String message, Throwable cause) {
        super(message, cause);
    }

    /**
     * @param what was being done, such as "saved"
     * @param kept what is still whole, as a sentence
     */
    public static UnwritableException of(Path file, String what, String kept, IOException cause) {
        return new UnwritableException(
                file.getFileName() + " could not be " + what + ": " + why(cause) + ". " + kept, cause);
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
