package chalktrace.core.space;

/**
 * Where a camera stands, told by what it looks at.
 *
 * @param yaw degrees round the model: 0 in front, 90 at its left (the right side of the picture)
 * @param pitch degrees above the horizon; below it when negative
 * @param roll degrees that the camera is tilted, clockwise as it looks
 * @param distance from what it looks at
 * @param target what it looks at, in the model's units
 * @param lens its lens
 */
public record Orbit(double yaw, double pitch, double roll, double distance, Point3 target, Lens lens) {

    /** Straight down or up has no left and right. */
    public static final double STEEPEST = 89.9;

    /** How much of the picture something fills that is seen whole. */
    private static final double FILLED = 0.88;

    /** @throws IllegalArgumentException when a number is not finite, the pitch too steep or there is no distance */
    public Orbit {
        if (!Double.isFinite(yaw + roll + target.x() + target.y() + target.z())
                || !(Math.abs(pitch) <= STEEPEST)
                || !(distance > 0 && distance < 1e9)) {
            throw new IllegalArgumentException(
                    "A camera has finite numbers, a pitch of -89.9 to 89.9 degrees and a distance above 0.");
        }
    }

    /** All of something in the picture, from a side, with a little room round it. @param aspect the picture's width by its height */
    public static Orbit round(Bounds bounds, double yaw, double pitch, Lens lens, double aspect) {
        Orbit from = new Orbit(yaw, pitch, 0, 1, bounds.middle(), lens);
        Camera camera = Camera.of(from, 1, 1);
        double halfWide = FILLED * Lens.FRAME_MM / 2 / lens.millimetres();
        double distance = 1e-6;
        for (int corner = 0; corner < 8; corner++) {
            Point3 out = bounds.corner(corner).minus(bounds.middle());
            double aside = Math.max(
                    Math.abs(out.dot(camera.right())) / halfWide, Math.abs(out.dot(camera.up())) / halfWide * aspect);
            distance = Math.max(distance, out.dot(camera.back()) + aside);
        }
        return from.withDistance(distance);
    }

    /** The view of a camera that stands in a place of its own, looking along its -z. */
    public static Orbit of(Matrix4 place, Lens lens, double distance) {
        Point3 eye = place.point(Point3.ZERO);
        Point3 back = place.direction(new Point3(0, 0, 1)).unit();
        double pitch = Math.toDegrees(Math.asin(Math.max(-1, Math.min(1, back.y()))));
        double kept = Math.max(-STEEPEST, Math.min(STEEPEST, pitch));
        double yaw = Math.toDegrees(Math.atan2(back.x(), back.z()));
        Orbit level = new Orbit(yaw, kept, 0, distance, eye.minus(back.times(distance)), lens);
        Camera camera = Camera.of(level, 1, 1);
        Point3 up = place.direction(Point3.UP);
        return level.withRoll(Math.toDegrees(Math.atan2(up.dot(camera.right()), up.dot(camera.up()))));
    }

    public Point3 eye() {
        double y = Math.toRadians(yaw);
        double p = Math.toRadians(pitch);
        return target.plus(
                new Point3(Math.sin(y) * Math.cos(p), Math.sin(p), Math.cos(y) * Math.cos(p)).times(distance));
    }

    public Orbit withYaw(double degrees) {
        return new Orbit(degrees, pitch, roll, distance, target, lens);
    }

    /** Kept from going over the top. */
    public Orbit withPitch(double degrees) {
        return new Orbit(yaw, Math.max(-STEEPEST, Math.min(STEEPEST, degrees)), roll, distance, target, lens);
    }

    public Orbit withRoll(double degrees) {
        return new Orbit(yaw, pitch, degrees, distance, target, lens);
    }

    public Orbit withDistance(double units) {
        return new Orbit(yaw, pitch, roll, units, target, lens);
    }

    public Orbit withTarget(Point3 point) {
        return new Orbit(yaw, pitch, roll, distance, point, lens);
    }

    public Orbit withLens(Lens other) {
        return new Orbit(yaw, pitch, roll, distance, target, other);
    }

    /** Moved up or down so that the floor under what it looks at lies on a row of the picture; as it is when no height does that. */
    public Orbit standing(double floor, double row, int width, int height) {
        Camera camera = Camera.of(this, width, height);
        double low = -4 * distance;
        double high = 4 * distance;
        for (int i = 0; i < 60; i++) {
            double middle = (low + high) / 2;
            // The higher the camera, the lower the floor lies in the picture.
            if (rowOf(camera, floor, middle) < row) {
                low = middle;
            } else {
                high = middle;
            }
        }
        double found = (low + high) / 2;
        return Math.abs(rowOf(camera, floor, found) - row) < 0.5
                ? withTarget(target.plus(Point3.UP.times(found)))
                : this;
    }

    /** Where the floor lies when the camera is raised by so much, which is as if the floor were lowered. */
    private double rowOf(Camera camera, double floor, double raised) {
        Camera.Projected at = camera.project(new Point3(target.x(), floor - raised, target.z()));
        return at.depth() > 0 ? at.y() : Double.MAX_VALUE;
    }

    /** On the way to another view; distance and lens go by ratio, so that a dolly looks even. */
    Orbit towards(Orbit to, double share) {
        return new Orbit(
                yaw + (to.yaw - yaw) * share,
                pitch + (to.pitch - pitch) * share,
                roll + (to.roll - roll) * share,
                distance * Math.pow(to.distance / distance, share),
                target.towards(to.target, share),
                new Lens(lens.millimetres() * Math.pow(to.lens.millimetres() / lens.millimetres(), share)));
    }
}
