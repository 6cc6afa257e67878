package chalktrace.core.space;

/** A point or a direction in space; x to the right, y up, z towards who looks from the front, as in glTF 2.0. */
public record Point3(double x, double y, double z) {

    public static final Point3 ZERO = new Point3(0, 0, 0);
    public static final Point3 UP = new Point3(0, 1, 0);

    public Point3 plus(Point3 p) {
        return new Point3(x + p.x, y + p.y, z + p.z);
    }

    public Point3 minus(Point3 p) {
        return new Point3(x - p.x, y - p.y, z - p.z);
    }

    public Point3 times(double factor) {
        return new Point3(x * factor, y * factor, z * factor);
    }

    public double dot(Point3 p) {
        return x * p.x + y * p.y + z * p.z;
    }

    public Point3 cross(Point3 p) {
        return new Point3(y * p.z - z * p.y, z * p.x - x * p.z, x * p.y - y * p.x);
    }

    public double length() {
        return Math.sqrt(dot(this));
    }

    /** Of length 1; of nothing, nothing. */
    public Point3 unit() {
        double length = length();
        return length == 0 ? ZERO : times(1 / length);
    }

    /** On the way to another: 0 for this one, 1 for that. */
    public Point3 towards(Point3 p, double share) {
        return plus(p.minus(this).times(share));
    }
}
