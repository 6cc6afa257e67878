package chalktrace.core.shot;

import java.util.Optional;

/**
 * What an artist says of a frame.
 *
 * @param level whose frame it is, by its id; none for the shot's own
 * @param text of a note; empty for the others
 */
public record Mark(int frame, Kind kind, Optional<String> level, String text) implements FrameBound<Mark> {

    /** What a frame is. */
    public enum Kind {
        /** The pose that tells the story or turns the motion. */
        KEY,
        /** The pose that says how one gets from key to key. */
        BREAKDOWN,
        INBETWEEN,
        /** Words for this frame. */
        NOTE,
        /** Words for this frame that say what the camera does. */
        CAMERA
    }

    /** Of the shot, without words. */
    public Mark(int frame, Kind kind) {
        this(frame, kind, Optional.empty(), "");
    }

    @Override
    public Optional<Mark> moved(FrameChange change) {
        if (!change.reach().covers(level)) {
            return Optional.of(this);
        }
        return change.removes(frame) ? Optional.empty() : Optional.of(withFrame(change.frame(frame)));
    }

    public Mark withFrame(int other) {
        return new Mark(other, kind, level, text);
    }

    public boolean isOfShot() {
        return level.isEmpty();
    }

    /** Whether it says what a drawing is, and not only something about the frame. */
    public boolean isPose() {
        return kind != Kind.NOTE && kind != Kind.CAMERA;
    }
}
