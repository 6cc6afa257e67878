package chalktrace.app.kernel;

import chalktrace.app.words.Words;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.Optional;

/**
 * Where an open shot lies. Its folder may be moved or renamed meanwhile, and another made in its place: it is known again by the key that the disk
 * gives it, where the system has such keys.
 */
record ShotPlace(Path file, Optional<Object> folderKey) {

    static ShotPlace of(Path file) {
        return new ShotPlace(file, key(file.toAbsolutePath().getParent()));
    }

    private static Optional<Object> key(Path folder) {
        try {
            return Optional.ofNullable(
                    Files.readAttributes(folder, BasicFileAttributes.class).fileKey());
        } catch (IOException e) {
            return Optional.empty();
        }
    }

    boolean isStillThere() {
        Path folder = file.toAbsolutePath().getParent();
        return folderKey.isEmpty() ? Files.isDirectory(folder) : folderKey.equals(key(folder));
    }

    /** What has happened when it is no longer there. */
    String gone() {
        return Words.DESK.of(
                "the-folder-was-moved-renamed", file.toAbsolutePath().getParent(), file.getFileName());
    }
}
