package chalktrace.media.footage;

import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Shot;
import chalktrace.core.space.Borrowed;
import chalktrace.core.space.Staging;
import chalktrace.media.UnreadableException;
import java.nio.file.Path;
import java.util.Collection;
import java.util.List;
import java.util.Optional;

/** Opens footage by what it is. */
public final class References {

    /** The first that accepts a file takes it. */
    private static final List<FootageKind> KINDS =
            List.of(new ModelKind(), new WebpKind(), new PictureKind(), new VideoKind());

    private References() {}

    /** @throws UnreadableException when it can't be taken in */
    public static Reference open(Path file) throws UnreadableException {
        return kind(file).open(file);
    }

    /**
     * Opens footage as a shot uses it: a model with the animation that it borrows of another one.
     *
     * @throws UnreadableException when its file, or that of the lender, can't be taken in
     */
    public static Reference open(Footage clip, Shot shot) throws UnreadableException {
        Reference own = open(Path.of(clip.file()));
        Optional<Borrowed> borrowed = clip.staging().flatMap(Staging::borrowed);
        Optional<Footage> lender = borrowed.flatMap(lent -> shot.footage(lent.footage()));
        if (lender.isEmpty() || !(own instanceof ModelReference model)) {
            return own;
        }
        try (Reference from = open(Path.of(lender.get().file()))) {
            return from.figure()
                    .map(figure ->
                            model.borrowing(borrowed.get(), clip.staging().get().zUp(), figure))
                    .orElse(model);
        }
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
