package chalktrace.demo.scene;

/** The camera of the clip, held by hand: it sways and shakes a little. */
public final class Camera {

    /** Half of what it sees of the height, at a distance of 1. */
    public static final double HALF_HEIGHT = Math.tan(Math.toRadians(17));

    /** Where it stands, and where it looks, when it does not sway; in metres. */
    public static final Vec REST = new Vec(0.06, 1.40, 2.42);

    public static final Vec AIM = new Vec(-0.015, 1.30, 0.2);

    private final Vec place;
    private final Vec ahead;
    private final Vec right;
    private final Vec up;
    private final double aspect;

    /** @param frame the moment; parts of frames are moments between */
    public Camera(double frame, double aspect) {
        double t = frame / 24;
        Vec sway = new Vec(
                0.012 * Math.sin(1.1 * t + 0.4) + 0.003 * Math.sin(7.3 * t) + 0.0012 * Math.sin(19.1 * t + 1),
                0.008 * Math.sin(0.9 * t + 2) + 0.003 * Math.sin(6.1 * t + 0.7) + 0.0014 * Math.sin(23.7 * t),
                0);
        place = REST.plus(sway.times(0.8));
        ahead = AIM.plus(sway.times(1.6)).minus(place).unit();
        double roll = 0.004 * Math.sin(0.7 * t + 1);
        Vec level = ahead.cross(new Vec(0, 1, 0)).unit();
        Vec straight = level.cross(ahead);
        right = level.times(Math.cos(roll)).plus(straight.times(Math.sin(roll)));
        up = straight.times(Math.cos(roll)).minus(level.times(Math.sin(roll)));
        this.aspect = aspect;
    }

    public Vec place() {
        return place;
    }

    /** The direction through a place of the picture, both parts 0 to 1 from the upper left corner. */
    Vec ray(double x, double y) {
        return ahead.plus(right.times((2 * x - 1) * HALF_HEIGHT * aspect))
                .plus(up.times((1 - 2 * y) * HALF_HEIGHT))
                .unit();
    }

    /** Where a place of the scene is seen, both parts 0 to 1 from the upper left corner of the picture. */
    public double[] seen(Vec point) {
        Vec to = point.minus(place);
        double depth = to.dot(ahead);
        return new double[] {
            0.5 + to.dot(right) / depth / HALF_HEIGHT / aspect / 2, 0.5 - to.dot(up) / depth / HALF_HEIGHT / 2
        };
    }

    /** How large a length at a place is seen, as a part of the picture's height. */
    public double size(Vec point, double length) {
        return length / point.minus(place).dot(ahead) / HALF_HEIGHT / 2;
    }
}
