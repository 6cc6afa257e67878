package chalktrace.app.cli;

import chalktrace.media.UnreadableException;
import java.io.IOException;
import java.nio.charset.MalformedInputException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;

/** Text files that people wrote. */
final class Texts {

    private static final long LARGEST_BYTES = 4L << 20;

    private Texts() {}

    static String read(Path file) throws UnreadableException {
        try {
            if (Files.size(file) > LARGEST_BYTES) {
                throw UnreadableException.of(file, "is larger than 4 MB", "A script is not; choose another file.");
            }
            return Files.readString(file);
        } catch (MalformedInputException e) {
            throw UnreadableException.of(file, "is no text in UTF-8", "Save it as one.", e);
        } catch (NoSuchFileException e) {
            throw UnreadableException.of(file, "is not there", "Look at its name and folder.", e);
        } catch (IOException e) {
            throw UnreadableException.of(file, "can't be read", "Look whether it is a file that you may read.", e);
        }
    }
}
