package chalktrace.media.footage;

import java.nio.file.Path;

/** Paths as a shot holds them: absolute, with {@code /} between the parts on every system. */
public final class MediaPath {

    private MediaPath() {}

    public static String of(Path file) {
        return file.toAbsolutePath().normalize().toString().replace('\\', '/');
    }
}
