package chalktrace.media.footage;

import chalktrace.media.UnreadableException;
import java.nio.file.Path;
import java.util.Collection;
import java.util.List;

/** Opens footage by what it is. */
public final class References {

    /** The first that accepts a file takes it. */
    private static final List<FootageKind> KINDS = List.of(new ModelKind(), new PictureKind(), new VideoKind());

    private References() {}

    /** @throws UnreadableException when it can't be taken in */
    public static Reference open(Path file) throws UnreadableException {
        return kind(file).open(file);
    }

    /**
     * All files of footage: those of a run, or the one file.
     *
     * @throws UnreadableException when its folder can't be listed
     */
    static Collection<Path> files(Path file) throws UnreadableException {
        return kind(file).files(file);
    }

    /** Whether sound may lie in the same file. */
    static boolean mayHaveSound(Path file) throws UnreadableException {
        return kind(file).mayHaveSound();
    }

    /** What tells its contents from those of other footage. */
    static String cacheKey(Path file) throws UnreadableException {
        return kind(file).cacheKey(file);
    }

    private static FootageKind kind(Path file) throws UnreadableException {
        for (FootageKind kind : KINDS) {
            if (kind.accepts(file)) {
                return kind;
            }
        }
        throw UnreadableException.of(file, "is no footage", "Choose a video, a picture or a folder of pictures.");
    }
}
