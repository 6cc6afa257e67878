package chalktrace.media.footage;

import chalktrace.core.picture.PictureSource;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.space.Figure;
import chalktrace.core.time.FrameRate;
import java.util.List;
import java.util.Optional;

/** Opened footage of any kind: a video, one picture, a run of numbered pictures, or a model. Safe for threads; must be closed. */
public interface Reference extends PictureSource, AutoCloseable {

    /** What the footage is. */
    enum Kind {
        VIDEO,
        PICTURE,
        PICTURE_RUN,
        /** A model in space, seen by a camera of ours. */
        MODEL
    }

    Kind kind();

    /** The rate that the source states; 24 for pictures, which state none. */
    FrameRate rate();

    /** When its first picture is seen on the clock of its own sound, in seconds. */
    double startSeconds();

    /** The model that it is; none for pictures. */
    default Optional<Figure> figure() {
        return Optional.empty();
    }

    /** Its pictures as a shot uses it: its own, except for a model, which each use sees from elsewhere. */
    default PictureSource of(Footage use, ShotSetup setup) {
        return this;
    }

    /** What is odd about the source and worth knowing, one sentence each. */
    default List<String> notes() {
        return List.of();
    }

    @Override
    void close();
}
