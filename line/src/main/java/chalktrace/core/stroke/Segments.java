package chalktrace.core.stroke;

/** Plane geometry of straight segments. */
final class Segments {

    private Segments() {}

    /** The distance of a point from a segment from a to b. */
    static double distance(double x, double y, double ax, double ay, double bx, double by) {
        double share = share(x, y, ax, ay, bx, by);
        return Math.hypot(x - ax - share * (bx - ax), y - ay - share * (by - ay));
    }

    /** How far along a segment, 0 to 1, the point of it lies that is nearest to (x, y). */
    static double share(double x, double y, double ax, double ay, double bx, double by) {
        double lengthSquared = (bx - ax) * (bx - ax) + (by - ay) * (by - ay);
        if (lengthSquared == 0) {
            return 0;
        }
        double along = ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / lengthSquared;
        return Math.max(0, Math.min(1, along));
    }
}
