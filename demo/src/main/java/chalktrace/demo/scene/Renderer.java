package chalktrace.demo.scene;

/**
 * Renders a moment of the scene by walking along each ray as far as the nearest solid is away (Hart, "Sphere Tracing",
 * 1996), lit by a low sun, the sky and light from the counter, with soft shadows.
 */
public final class Renderer {

    private static final Vec SUN = new Vec(-0.55, 0.62, 0.56).unit();
    private static final double FARTHEST = 5;
    /** Nothing solid lies behind this z. */
    private static final double BACK = -0.35;

    private static final double TOUCH = 0.0008;
    private static final int STEPS = 90;

    private final int width;
    private final int height;

    public Renderer(int width, int height) {
        this.width = width;
        this.height = height;
    }

    /**
     * Adds the picture of a moment to linear colours.
     *
     * @param shiftX of the sample within its pixel, 0 to 1
     * @param out red, green, blue of each pixel, row after row; the moment's colours are added
     */
    public void add(Performance performance, double frame, double shiftX, double shiftY, float[] out) {
        Pose pose = performance.at(frame);
        Bodies bodies = new Bodies(pose);
        Camera camera = new Camera(frame, (double) width / height);
        Harbour harbour = new Harbour(frame);
        Paint paint = new Paint(pose);
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                Vec ray = camera.ray((x + shiftX) / width, (y + shiftY) / height);
                double[] color = color(bodies, paint, harbour, camera.place(), ray);
                int at = 3 * (y * width + x);
                out[at] += (float) color[0];
                out[at + 1] += (float) color[1];
                out[at + 2] += (float) color[2];
            }
        }
    }

    /** How light a place of the picture is at a moment, linear, before the film. */
    static double light(Performance performance, double frame, double aspect, double x, double y) {
        Pose pose = performance.at(frame);
        Camera camera = new Camera(frame, aspect);
        double[] color = color(new Bodies(pose), new Paint(pose), new Harbour(frame), camera.place(), camera.ray(x, y));
        return (color[0] + color[1] + color[2]) / 3;
    }

    private static double[] color(Bodies bodies, Paint paint, Harbour harbour, Vec from, Vec ray) {
        double along = 1.0;
        for (int i = 0; i < STEPS && along < FARTHEST; i++) {
            double d =
                    bodies.distance(from.x() + ray.x() * along, from.y() + ray.y() * along, from.z() + ray.z() * along);
            if (d < TOUCH) {
                return shade(bodies, paint, from.plus(ray.times(along)), ray);
            }
            along += 0.92 * d;
            if (from.z() + ray.z() * along < BACK) {
                break;
            }
        }
        return harbour.color(ray);
    }

    private static double[] shade(Bodies bodies, Paint paint, Vec point, Vec ray) {
        Vec normal = normal(bodies, point);
        Solid solid = bodies.nearest(point.x(), point.y(), point.z());
        double[] base = paint.color(solid, point, normal);
        double sun = Math.max(0, normal.dot(SUN)) * shadow(bodies, point.plus(normal.times(0.004)));
        double open = openness(bodies, point, normal);
        double sky = (0.55 + 0.45 * normal.y()) * open;
        double bounce = Math.max(0, -normal.y() * 0.5 + 0.2) * open;
        double behind = Math.pow(Math.max(0, 1 + ray.dot(normal)), 3) * open;
        Vec half = SUN.minus(ray).unit();
        Material material = solid.material();
        double gleam = material.shine * Math.pow(Math.max(0, normal.dot(half)), material.sharpness) * sun * 2.2;
        double mirror = material.shine * 0.4 * behind;
        return new double[] {
            base[0] * (2.1 * sun + 0.52 * sky + 0.26 * bounce + 0.3 * behind) + gleam + 0.7 * mirror,
            base[1] * (1.75 * sun + 0.60 * sky + 0.18 * bounce + 0.3 * behind) + 0.9 * gleam + 0.7 * mirror,
            base[2] * (1.25 * sun + 0.74 * sky + 0.10 * bounce + 0.3 * behind) + 0.7 * gleam + 0.7 * mirror
        };
    }

    private static Vec normal(Bodies bodies, Vec p) {
        double e = 0.0012;
        double a = bodies.distance(p.x() + e, p.y() - e, p.z() - e);
        double b = bodies.distance(p.x() - e, p.y() - e, p.z() + e);
        double c = bodies.distance(p.x() - e, p.y() + e, p.z() - e);
        double d = bodies.distance(p.x() + e, p.y() + e, p.z() + e);
        return new Vec(a - b - c + d, -a - b + c + d, -a + b - c + d).unit();
    }

    /** 0 in full shadow to 1 in full sun, soft with the distance of what casts it. */
    private static double shadow(Bodies bodies, Vec from) {
        double lit = 1;
        double along = 0.01;
        for (int i = 0; i < 28 && along < 1.2; i++) {
            double d =
                    bodies.distance(from.x() + SUN.x() * along, from.y() + SUN.y() * along, from.z() + SUN.z() * along);
            lit = Math.min(lit, 14 * d / along);
            if (lit < 0.01) {
                return 0;
            }
            along += Math.max(0.012, d);
        }
        return lit * lit * (3 - 2 * lit);
    }

    private static double openness(Bodies bodies, Vec point, Vec normal) {
        double hidden = 0;
        double weight = 1;
        for (int i = 1; i <= 4; i++) {
            double reach = 0.03 * i;
            Vec p = point.plus(normal.times(reach));
            hidden += (reach - Math.min(reach, bodies.distance(p.x(), p.y(), p.z()))) * weight;
            weight *= 0.75;
        }
        return Math.max(0.15, 1 - 5.5 * hidden);
    }
}
