package chalktrace.media.footage;

import chalktrace.media.UnreadableException;
import java.nio.file.Path;
import java.util.Collection;

/** A kind of footage. A new one is a class and a line in {@link References}. */
interface FootageKind {

    /** Whether a file, or a folder, is of this kind, by its name and what lies beside it. */
    boolean accepts(Path file) throws UnreadableException;

    /** All files that belong to it. */
    Collection<Path> files(Path file) throws UnreadableException;

    /** @throws UnreadableException when it can't be taken in */
    Reference open(Path file) throws UnreadableException;

    /** What tells its contents from those of other footage, as a part of a file's name: from its stamp, if nothing better is known. */
    default String cacheKey(Path file) {
        return FileStamp.of(file).substring(0, 32);
    }

    /** Whether sound may lie in the same file. */
    default boolean mayHaveSound() {
        return false;
    }
}
