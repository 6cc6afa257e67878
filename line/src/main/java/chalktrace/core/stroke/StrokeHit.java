package chalktrace.core.stroke;

/** Whether the pen touches a stroke. */
public final class StrokeHit {

    private static final double TOLERANCE_PX = 0.25;

    private StrokeHit() {}

    /**
     * How far a place is from the ink of a stroke, in shot pixels: 0 or less when it lies on it.
     *
     * @param shape how thick the line is
     */
    public static double distance(Stroke stroke, LineShape shape, double x, double y) {
        Flattened line = Flattened.of(stroke.curve(), shape, TOLERANCE_PX);
        double nearest = Math.hypot(x - line.x()[0], y - line.y()[0]) - line.radius()[0];
        for (int i = 1; i < line.count(); i++) {
            double ax = line.x()[i - 1];
            double ay = line.y()[i - 1];
            double bx = line.x()[i];
            double by = line.y()[i];
            double share = Segments.share(x, y, ax, ay, bx, by);
            double radius = line.radius()[i - 1] + share * (line.radius()[i] - line.radius()[i - 1]);
            nearest = Math.min(nearest, Segments.distance(x, y, ax, ay, bx, by) - radius);
        }
        return nearest;
    }
}
