package chalktrace.media.export;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;

/** A file that is written beside its place and comes into it whole, or not at all. */
final class WrittenFile implements AutoCloseable {

    /** What is said of a target that could not be written. */
    static final String KEPT = "Nothing was left half written.";

    private final Path target;
    private final Path temporary;

    WrittenFile(Path target) {
        this.target = target;
        this.temporary = target.resolveSibling("." + target.getFileName() + ".writing");
    }

    /** Where to write. */
    Path path() {
        return temporary;
    }

    /** It is whole. */
    void done() throws IOException {
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
