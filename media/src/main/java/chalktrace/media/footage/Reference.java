package chalktrace.media.footage;

import chalktrace.core.picture.PictureSource;
import chalktrace.core.time.FrameRate;
import java.util.List;

/** Opened footage of any kind: a video, one picture, or a run of numbered pictures. Safe for threads; must be closed. */
public interface Reference extends PictureSource, AutoCloseable {

    /** What the footage is. */
    enum Kind {
        VIDEO,
        PICTURE,
        PICTURE_RUN
    }

    Kind kind();

    /** The rate that the source states; 24 for pictures, which state none. */
    FrameRate rate();

    /** When its first picture is seen on the clock of its own sound, in seconds. */
    double startSeconds();

    /** What is odd about the source and worth knowing, one sentence each. */
    default List<String> notes() {
        return List.of();
    }

    @Override
    void close();
}
