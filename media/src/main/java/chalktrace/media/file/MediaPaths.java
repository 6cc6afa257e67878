package chalktrace.media.file;

import java.nio.file.InvalidPathException;
import java.nio.file.Path;

/** Paths of footage and sound: absolute in memory, relative to the shot file within it where that is possible. */
final class MediaPaths {

    private MediaPaths() {}

    static String toFile(String absolute, Path shotFile) {
        try {
            Path folder = shotFile.toAbsolutePath().normalize().getParent();
            return slashes(folder.relativize(Path.of(absolute).toAbsolutePath().normalize()));
        } catch (IllegalArgumentException e) {
            // On another drive, or no path of this machine's kind.
            return absolute;
        }
    }

    /** @throws IllegalArgumentException when the text can't be a path on this machine */
    static String toMemory(String written, Path shotFile) {
        try {
            return slashes(shotFile.toAbsolutePath()
                    .normalize()
                    .getParent()
                    .resolve(written)
                    .normalize());
        } catch (InvalidPathException e) {
            throw new IllegalArgumentException("\"" + written + "\" is no path of a file on this machine", e);
        }
    }

    private static String slashes(Path path) {
        return path.toString().replace('\\', '/');
    }
}
