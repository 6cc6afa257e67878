package chalktrace.core.space;

/** How a node stands in the one above it: scaled, then turned, then moved. */
public record Stance(Point3 move, Quaternion turn, Point3 scale) {

    public static final Stance NONE = new Stance(Point3.ZERO, Quaternion.NONE, new Point3(1, 1, 1));

    public static Stance moved(double x, double y, double z) {
        return new Stance(new Point3(x, y, z), Quaternion.NONE, new Point3(1, 1, 1));
    }
}
