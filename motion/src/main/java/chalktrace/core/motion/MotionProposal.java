package chalktrace.core.motion;

import java.util.List;

/**
 * A frame that the measured movement singles out, with the reason in words and figures.
 *
 * @param points the names of those that it was found in
 */
public record MotionProposal(int frame, Kind kind, String reason, List<String> points) {

    /** What is proposed. */
    public enum Kind {
        KEY,
        BREAKDOWN,
        /** The frame on which a foot or a thing meets what it stands on. */
        CONTACT,
        /** A frame whose jump is so large that it wants a smear. */
        SMEAR
    }

    public MotionProposal {
        points = List.copyOf(points);
    }
}
