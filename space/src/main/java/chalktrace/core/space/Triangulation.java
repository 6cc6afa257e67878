package chalktrace.core.space;

import java.util.ArrayList;
import java.util.List;

/** Cuts a polygon in space, flat or nearly so, into triangles: ear clipping (Meisters, "Polygons have ears", 1975). */
public final class Triangulation {

    private Triangulation() {}

    /**
     * @param outline three numbers a corner; holes joined to it by a bridge
     * @return three corners a triangle, in the order of the outline; always two triangles fewer than it has corners. Cost: up to the square of the
     *     corners
     */
    public static int[] of(double[] outline) {
        int count = outline.length / 3;
        int[] out = new int[3 * Math.max(0, count - 2)];
        if (count == 3) {
            return new int[] {0, 1, 2};
        }
        double[][] flat = flattened(outline, count);
        List<Integer> left = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            left.add(i);
        }
        int made = 0;
        while (left.size() > 2) {
            int ear = ear(flat, left);
            int n = left.size();
            out[made++] = left.get((ear + n - 1) % n);
            out[made++] = left.get(ear);
            out[made++] = left.get((ear + 1) % n);
            left.remove(ear);
        }
        return out;
    }

    /** The corner to cut off; of a crossed polygon, which may have none, the first. */
    private static int ear(double[][] flat, List<Integer> left) {
        int n = left.size();
        for (int i = 0; i < n; i++) {
            double[] a = flat[left.get((i + n - 1) % n)];
            double[] b = flat[left.get(i)];
            double[] c = flat[left.get((i + 1) % n)];
            if (turn(a, b, c) > 0 && isEmpty(flat, left, a, b, c)) {
                return i;
            }
        }
        return 0;
    }

    private static boolean isEmpty(double[][] flat, List<Integer> left, double[] a, double[] b, double[] c) {
        for (int index : left) {
            double[] p = flat[index];
            boolean corner = same(p, a) || same(p, b) || same(p, c);
            if (!corner && turn(a, b, p) >= 0 && turn(b, c, p) >= 0 && turn(c, a, p) >= 0) {
                return false;
            }
        }
        return true;
    }

    private static boolean same(double[] p, double[] q) {
        return p[0] == q[0] && p[1] == q[1];
    }

    private static double turn(double[] a, double[] b, double[] c) {
        return (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);
    }

    /** On the plane that it lies in (Newell's normal), turned so that it runs counter-clockwise. */
    private static double[][] flattened(double[] p, int count) {
        Point3 normal = Point3.ZERO;
        for (int i = 0; i < count; i++) {
            int k = (i + 1) % count;
            normal = normal.plus(new Point3(
                    (p[3 * i + 1] - p[3 * k + 1]) * (p[3 * i + 2] + p[3 * k + 2]),
                    (p[3 * i + 2] - p[3 * k + 2]) * (p[3 * i] + p[3 * k]),
                    (p[3 * i] - p[3 * k]) * (p[3 * i + 1] + p[3 * k + 1])));
        }
        normal = normal.unit();
        Point3 other = Math.abs(normal.x()) < 0.6 ? new Point3(1, 0, 0) : new Point3(0, 1, 0);
        Point3 u = other.cross(normal).unit();
        Point3 v = normal.cross(u);
        double[][] flat = new double[count][];
        for (int i = 0; i < count; i++) {
            Point3 at = new Point3(p[3 * i], p[3 * i + 1], p[3 * i + 2]);
            flat[i] = new double[] {at.dot(u), at.dot(v)};
        }
        return flat;
    }
}
