package chalktrace.demo.scene;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** The tea seller and what she holds as parts that keep their shape, for the model in space: without the stall and the water. */
public final class FigureParts {

    private static final int ROUND = 14;
    private static final int RINGS = 10;

    /**
     * A part as triangles round its own origin, its length along y.
     *
     * @param positions three numbers a vertex
     * @param normals of length 1
     * @param red linear, 0 to 1
     */
    public record Shape(
            String name, float[] positions, float[] normals, int[] triangles, double red, double green, double blue) {}

    /**
     * Where a part is in a pose: its origin, the directions of its own axes, and how much longer than at first it is along y.
     *
     * @param x its own x axis, of length 1
     */
    public record Place(Vec origin, Vec x, Vec y, Vec z, double stretch) {}

    private FigureParts() {}

    /** The parts as they are in a pose. */
    public static List<Shape> shapes(Pose pose) {
        List<Shape> shapes = new ArrayList<>();
        for (Solid part : new Bodies(pose).moving()) {
            Material m = part.material();
            String name = m.name().toLowerCase(Locale.ROOT) + " " + shapes.size();
            float[] positions = positions(part);
            shapes.add(new Shape(name, positions, normals(part, positions), triangles(), m.red, m.green, m.blue));
        }
        return shapes;
    }

    /** Where the same parts are in a pose. @param first the pose in which they have their shapes */
    public static List<Place> places(Pose pose, Pose first) {
        List<Solid> before = new Bodies(first).moving();
        List<Solid> now = new Bodies(pose).moving();
        List<Place> places = new ArrayList<>();
        for (int i = 0; i < now.size(); i++) {
            places.add(place(now.get(i), length(before.get(i))));
        }
        return places;
    }

    private static double length(Solid part) {
        return part instanceof Solid.Capsule c ? c.b().minus(c.a()).length() : 1;
    }

    private static Place place(Solid part, double lengthAtFirst) {
        if (part instanceof Solid.Capsule c) {
            Vec y = c.b().minus(c.a()).unit();
            Vec aside = Math.abs(y.z()) < 0.9 ? new Vec(0, 0, 1) : new Vec(1, 0, 0);
            Vec x = y.cross(aside).unit();
            return new Place(c.a(), x, y, x.cross(y), c.b().minus(c.a()).length() / lengthAtFirst);
        }
        if (part instanceof Solid.Ellipsoid e) {
            return new Place(e.middle(), e.axes()[0].unit(), e.axes()[1].unit(), e.axes()[2].unit(), 1);
        }
        Solid.Cup cup = (Solid.Cup) part;
        return new Place(cup.foot(), new Vec(1, 0, 0), new Vec(0, 1, 0), new Vec(0, 0, 1), 1);
    }

    /** Rings from one end to the other, each of as many vertices. */
    private static float[] positions(Solid part) {
        float[] out = new float[3 * (RINGS + 1) * ROUND];
        for (int ring = 0; ring <= RINGS; ring++) {
            double[] at = profile(part, (double) ring / RINGS);
            for (int k = 0; k < ROUND; k++) {
                double angle = 2 * Math.PI * k / ROUND;
                int v = 3 * (ring * ROUND + k);
                out[v] = (float) (at[0] * Math.cos(angle));
                out[v + 1] = (float) at[2];
                out[v + 2] = (float) (at[1] * Math.sin(angle));
            }
        }
        return out;
    }

    /** Half its width along x and z, and the height along y, so far from one end to the other. */
    private static double[] profile(Solid part, double share) {
        double angle = Math.PI * (share - 0.5);
        if (part instanceof Solid.Capsule c) {
            double length = c.b().minus(c.a()).length();
            double end = share < 0.5 ? c.ra() : c.rb();
            double stretched = share < 0.5 ? Math.PI * (share / 0.5 * 0.5 - 0.5) : Math.PI * (share - 0.5) / 0.5 * 0.5;
            double radius = end * Math.cos(stretched);
            return new double[] {radius, radius, (share < 0.5 ? 0 : length) + end * Math.sin(stretched)};
        }
        if (part instanceof Solid.Ellipsoid e) {
            return new double[] {e.rx() * Math.cos(angle), e.rz() * Math.cos(angle), e.ry() * Math.sin(angle)};
        }
        Solid.Cup cup = (Solid.Cup) part;
        double radius = share == 0 || share == 1
                ? 0
                : cup.footRadius() + (cup.topRadius() - cup.footRadius()) * Math.max(0, share - 0.1) / 0.8;
        return new double[] {radius, radius, cup.height() * Math.max(0, Math.min(1, (share - 0.1) / 0.8))};
    }

    /** Across the two directions along the surface, by small steps. */
    private static float[] normals(Solid part, float[] positions) {
        float[] out = new float[positions.length];
        for (int ring = 0; ring <= RINGS; ring++) {
            double share = Math.max(0.02, Math.min(0.98, (double) ring / RINGS));
            double[] here = profile(part, share - 0.01);
            double[] on = profile(part, share + 0.01);
            double up = on[2] - here[2];
            double wider = (on[0] - here[0] + on[1] - here[1]) / 2;
            for (int k = 0; k < ROUND; k++) {
                double angle = 2 * Math.PI * k / ROUND;
                Vec normal = new Vec(up * Math.cos(angle), -wider, up * Math.sin(angle)).unit();
                int v = 3 * (ring * ROUND + k);
                out[v] = (float) normal.x();
                out[v + 1] = (float) normal.y();
                out[v + 2] = (float) normal.z();
            }
        }
        return out;
    }

    /** Counter-clockwise as seen from outside. */
    private static int[] triangles() {
        int[] out = new int[6 * RINGS * ROUND];
        int at = 0;
        for (int ring = 0; ring < RINGS; ring++) {
            for (int k = 0; k < ROUND; k++) {
                int a = ring * ROUND + k;
                int b = ring * ROUND + (k + 1) % ROUND;
                for (int corner : new int[] {a, a + ROUND, b, b, a + ROUND, b + ROUND}) {
                    out[at++] = corner;
                }
            }
        }
        return out;
    }
}
