package chalktrace.core.speech;

import chalktrace.core.stroke.Curve;
import java.awt.geom.Path2D;
import java.util.List;

/**
 * One mouth of a chart, drawn about (0, 0) so that a mouth at rest is 1 wide.
 *
 * @param id names it in a shot
 * @param sounds the sounds that it stands for, as shown to people
 * @param parts back to front
 */
public record MouthShape(String id, String sounds, List<Part> parts) {

    /** What a part is, which gives its colour. */
    public enum Role {
        /** The dark inside, filled. */
        CAVITY,
        /** Filled. */
        TONGUE,
        /** Filled. */
        TEETH,
        /** The edge of the lips, a line. */
        LIPS
    }

    /** A part of the mouth: its edge as a curve, closed when the role is filled. */
    public record Part(Role role, Curve edge) {

        /** The edge as a path, about (0, 0), with the unit of the chart. */
        public Path2D path() {
            Path2D path = edge.path();
            if (role != Role.LIPS) {
                path.closePath();
            }
            return path;
        }
    }

    public MouthShape {
        parts = List.copyOf(parts);
    }
}
