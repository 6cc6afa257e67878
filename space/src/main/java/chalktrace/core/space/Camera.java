package chalktrace.core.space;

/**
 * A camera before a picture: takes points of space to pixels. Pixels count from the picture's upper left corner, so that (0.5, 0.5) is the
 * middle of the first.
 */
public final class Camera {

    private final Point3 eye;
    private final Point3 right;
    private final Point3 up;
    private final Point3 back;
    private final double focalPx;
    private final double middleX;
    private final double middleY;

    private Camera(Point3 eye, Point3 right, Point3 up, Point3 back, double focalPx, double middleX, double middleY) {
        this.eye = eye;
        this.right = right;
        this.up = up;
        this.back = back;
        this.focalPx = focalPx;
        this.middleX = middleX;
        this.middleY = middleY;
    }

    /** @param width of the picture in px; the lens' 36 mm lie on it */
    public static Camera of(Orbit orbit, int width, int height) {
        Point3 eye = orbit.eye();
        Point3 back = eye.minus(orbit.target()).unit();
        Point3 level = Point3.UP.cross(back).unit();
        Point3 upright = back.cross(level);
        double roll = Math.toRadians(orbit.roll());
        Point3 right = level.times(Math.cos(roll)).minus(upright.times(Math.sin(roll)));
        Point3 up = back.cross(right);
        return new Camera(
                eye, right, up, back, orbit.lens().millimetres() / Lens.FRAME_MM * width, width / 2.0, height / 2.0);
    }

    /** A place in the picture. @param depth how far before the camera, along its view; behind it when negative */
    public record Projected(double x, double y, double depth) {}

    public Projected project(Point3 point) {
        Point3 seen = seen(point);
        double depth = -seen.z();
        return new Projected(middleX + focalPx * seen.x() / depth, middleY - focalPx * seen.y() / depth, depth);
    }

    /** A point as the camera sees it: x to the right, y up, z towards it. */
    public Point3 seen(Point3 point) {
        return turned(point.minus(eye));
    }

    /** A direction as the camera sees it. */
    Point3 turned(Point3 d) {
        return new Point3(d.dot(right), d.dot(up), d.dot(back));
    }

    /** The direction in space that a place of the picture looks in, of any length. */
    public Point3 ray(double x, double y) {
        return right.times((x - middleX) / focalPx)
                .plus(up.times((middleY - y) / focalPx))
                .minus(back);
    }

    /** Where lines along a direction meet in the picture; at no finite place (NaN) when they stay parallel. */
    public Projected vanishing(Point3 direction) {
        Point3 seen = turned(direction);
        double towards = seen.z();
        return Math.abs(towards) < 1e-9
                ? new Projected(Double.NaN, Double.NaN, 0)
                : new Projected(
                        middleX - focalPx * seen.x() / towards, middleY + focalPx * seen.y() / towards, -towards);
    }

    public Point3 eye() {
        return eye;
    }

    public Point3 right() {
        return right;
    }

    public Point3 up() {
        return up;
    }

    public Point3 back() {
        return back;
    }

    public double focalPx() {
        return focalPx;
    }

    double middleX() {
        return middleX;
    }

    double middleY() {
        return middleY;
    }
}
