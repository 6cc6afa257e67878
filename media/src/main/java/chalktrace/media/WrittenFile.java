package chalktrace.media;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;

/** A file that is written beside its place and comes into it whole, or not at all. */
public final class WrittenFile implements AutoCloseable {

    /** What is said of a target that could not be written. */
    public static final String KEPT = "Nothing was left half written.";

    private final Path target;
    private final Path temporary;

    public WrittenFile(Path target) {
        this.target = target;
        this.temporary = target.resolveSibling("." + target.getFileName() + ".writing");
    }

    /** Where to write. */
    public Path path() {
        return temporary;
    }

    /** It is whole. */
    public void done() throws IOException {
        Files.move(temporary, target, StandardCopyOption.REPLACE_EXISTING);
    }

    @Override
    public void close() {
        try {
            Files.deleteIfExists(temporary);
        } catch (IOException e) {
            // A hidden leftover; the sentence about the export matters more.
        }
    }
}
