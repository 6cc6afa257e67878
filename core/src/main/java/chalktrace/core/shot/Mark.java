package chalktrace.core.shot;

/** What an artist says of a frame of the shot. */
public record Mark(int frame, Kind kind) {

    /** The pose that tells the story or turns the motion, and the pose that says how one gets from key to key. */
    public enum Kind {
        KEY,
        BREAKDOWN
    }
}
