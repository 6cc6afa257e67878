package chalktrace.core.space;

/** The smallest box along the axes that holds something. */
public record Bounds(Point3 low, Point3 high) {

    /** Of vertices, three numbers each; of none, the point zero. */
    static Bounds of(float[] positions) {
        if (positions.length == 0) {
            return new Bounds(Point3.ZERO, Point3.ZERO);
        }
        float lowX = positions[0];
        float lowY = positions[1];
        float lowZ = positions[2];
        float highX = lowX;
        float highY = lowY;
        float highZ = lowZ;
        for (int i = 3; i < positions.length; i += 3) {
            lowX = Math.min(lowX, positions[i]);
            lowY = Math.min(lowY, positions[i + 1]);
            lowZ = Math.min(lowZ, positions[i + 2]);
            highX = Math.max(highX, positions[i]);
            highY = Math.max(highY, positions[i + 1]);
            highZ = Math.max(highZ, positions[i + 2]);
        }
        return new Bounds(new Point3(lowX, lowY, lowZ), new Point3(highX, highY, highZ));
    }

    /** The smallest that holds this and another. */
    Bounds with(Bounds other) {
        return new Bounds(
                new Point3(
                        Math.min(low.x(), other.low.x()),
                        Math.min(low.y(), other.low.y()),
                        Math.min(low.z(), other.low.z())),
                new Point3(
                        Math.max(high.x(), other.high.x()),
                        Math.max(high.y(), other.high.y()),
                        Math.max(high.z(), other.high.z())));
    }

    /** One of the eight corners. */
    Point3 corner(int index) {
        return new Point3(
                (index & 1) == 0 ? low.x() : high.x(),
                (index & 2) == 0 ? low.y() : high.y(),
                (index & 4) == 0 ? low.z() : high.z());
    }

    public Point3 middle() {
        return low.towards(high, 0.5);
    }

    public Point3 size() {
        return high.minus(low);
    }

    /** Of the ball round it. */
    public double radius() {
        return size().length() / 2;
    }
}
