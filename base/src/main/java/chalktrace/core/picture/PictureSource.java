package chalktrace.core.picture;

import chalktrace.core.time.PictureTimes;
import java.util.Optional;
import java.util.function.IntPredicate;

/** Where pictures come from: the port through which the core reads footage. */
public interface PictureSource {

    /** The size at which the pictures are meant to be seen: turned upright, with square pixels. */
    PictureSize displaySize();

    /** When each picture starts; its count is the number of pictures. */
    PictureTimes times();

    /** How far a stored picture must be turned to stand upright, counter-clockwise: 0, 90, 180 or 270 degrees. */
    int turnDegrees();

    /**
     * Picture n of the source, counted from 0 in the order in which they are seen; exactly that one, in any order of
     * asking.
     *
     * @throws PictureUnavailableException when it can't be read, with a sentence for the person
     */
    Picture picture(int n) throws PictureUnavailableException;

    /** Whether picture n is there to be read; a source that is still being made has only some. */
    default boolean has(int n) {
        return n >= 0 && n < times().count();
    }

    /**
     * As {@link #picture(int)}; others that come up on the way, and are wanted, are handed over as well.
     *
     * @param also takes them, by their numbers
     */
    default Picture picture(int n, IntPredicate wanted, Sink also) throws PictureUnavailableException {
        return picture(n);
    }

    /** What is wrong with a picture that was read all the same, as a sentence; empty where all is well. */
    default Optional<String> doubt(int n) {
        return Optional.empty();
    }

    /** Takes pictures with their numbers. */
    @FunctionalInterface
    interface Sink {
        void take(int n, Picture picture);
    }
}
