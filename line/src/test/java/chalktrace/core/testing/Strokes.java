package chalktrace.core.testing;

import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.Stroke;

/** Plain strokes for tests. */
public final class Strokes {

    private Strokes() {}

    /** A straight stroke of the first chalk at full pressure. */
    public static Stroke line(double x1, double y1, double x2, double y2) {
        return new Stroke(
                "chalk-1",
                Curve.of(
                        x1,
                        y1,
                        1,
                        x1 + (x2 - x1) / 3,
                        y1 + (y2 - y1) / 3,
                        1,
                        x1 + (x2 - x1) * 2 / 3,
                        y1 + (y2 - y1) * 2 / 3,
                        1,
                        x2,
                        y2,
                        1));
    }
}
