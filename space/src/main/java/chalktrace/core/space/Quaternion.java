package chalktrace.core.space;

/** A turn in space. */
public record Quaternion(double x, double y, double z, double w) {

    public static final Quaternion NONE = new Quaternion(0, 0, 0, 1);

    /** Closer together than this, a straight mix is as good as one along the arc. */
    private static final double NEARLY_SAME = 0.9995;

    /** @param degrees turned about an axis of length 1, as a right-handed screw */
    public static Quaternion about(Point3 axis, double degrees) {
        double half = Math.toRadians(degrees) / 2;
        double sine = Math.sin(half);
        return new Quaternion(axis.x() * sine, axis.y() * sine, axis.z() * sine, Math.cos(half));
    }

    /** The turn that takes the axes of space to three that are at right angles and of length 1. */
    static Quaternion ofAxes(Point3 a, Point3 b, Point3 c) {
        double trace = a.x() + b.y() + c.z();
        Quaternion q;
        if (trace > 0) {
            double s = 2 * Math.sqrt(trace + 1);
            q = new Quaternion((b.z() - c.y()) / s, (c.x() - a.z()) / s, (a.y() - b.x()) / s, s / 4);
        } else if (a.x() > b.y() && a.x() > c.z()) {
            double s = 2 * Math.sqrt(1 + a.x() - b.y() - c.z());
            q = new Quaternion(s / 4, (b.x() + a.y()) / s, (c.x() + a.z()) / s, (b.z() - c.y()) / s);
        } else if (b.y() > c.z()) {
            double s = 2 * Math.sqrt(1 + b.y() - a.x() - c.z());
            q = new Quaternion((b.x() + a.y()) / s, s / 4, (c.y() + b.z()) / s, (c.x() - a.z()) / s);
        } else {
            double s = 2 * Math.sqrt(1 + c.z() - a.x() - b.y());
            q = new Quaternion((c.x() + a.z()) / s, (c.y() + b.z()) / s, s / 4, (a.y() - b.x()) / s);
        }
        return q.unit();
    }

    /** Of length 1; of nothing, no turn. */
    public Quaternion unit() {
        double length = Math.sqrt(dot(this));
        return length == 0 || !Double.isFinite(length)
                ? NONE
                : new Quaternion(x / length, y / length, z / length, w / length);
    }

    public double dot(Quaternion q) {
        return x * q.x + y * q.y + z * q.z + w * q.w;
    }

    /** What turns as {@code first} does and then as this one. */
    public Quaternion times(Quaternion first) {
        return new Quaternion(
                w * first.x + x * first.w + y * first.z - z * first.y,
                w * first.y - x * first.z + y * first.w + z * first.x,
                w * first.z + x * first.y - y * first.x + z * first.w,
                w * first.w - x * first.x - y * first.y - z * first.z);
    }

    public Quaternion inverse() {
        return new Quaternion(-x, -y, -z, w);
    }

    /** On the shorter way to another turn: spherical linear interpolation, glTF 2.0, appendix C.4. */
    public Quaternion towards(Quaternion to, double share) {
        double cosine = dot(to);
        double sign = cosine < 0 ? -1 : 1;
        cosine = Math.abs(cosine);
        double here = 1 - share;
        double there = share;
        if (cosine < NEARLY_SAME) {
            double angle = Math.acos(cosine);
            here = Math.sin((1 - share) * angle) / Math.sin(angle);
            there = Math.sin(share * angle) / Math.sin(angle);
        }
        there *= sign;
        return new Quaternion(
                        here * x + there * to.x,
                        here * y + there * to.y,
                        here * z + there * to.z,
                        here * w + there * to.w)
                .unit();
    }
}
