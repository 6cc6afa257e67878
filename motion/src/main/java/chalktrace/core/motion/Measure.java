package chalktrace.core.motion;

import java.util.Locale;

/** A straight line between two places of the picture, in shot pixels, y down. */
public record Measure(double x1, double y1, double x2, double y2) {

    /** The same line to another end. */
    public Measure to(double x, double y) {
        return new Measure(x1, y1, x, y);
    }

    public double lengthPx() {
        return Math.hypot(x2 - x1, y2 - y1);
    }

    /** Against the level, counterclockwise as seen, above -180 to 180; 0 for a line without a length. */
    public double degrees() {
        return lengthPx() == 0 ? 0 : Math.toDegrees(Math.atan2(y1 - y2, x2 - x1));
    }

    /** All of it: how long, how far across and down, and at which angle. */
    public String words() {
        return String.format(
                Locale.ROOT,
                "%.1f px   x %+.1f  y %+.1f   %.1f\u00b0",
                lengthPx(),
                x2 - x1,
                y2 - y1,
                degrees() == 0 ? 0.0 : degrees());
    }
}
