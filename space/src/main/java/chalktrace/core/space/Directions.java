package chalktrace.core.space;

import java.util.List;

/** Finds turns between directions. */
final class Directions {

    private static final int STEPS = 300;
    private static final double TINY = 1e-9;

    private Directions() {}

    /**
     * The turn that brings directions nearest to others, by least squares: the largest eigenvector of Davenport's matrix (P. B. Davenport, 1968), by
     * power iteration; of one pair, and of pairs in one line, the smallest such turn.
     *
     * @param from of length 1
     * @param to of length 1, as many
     */
    static Quaternion turn(List<Point3> from, List<Point3> to) {
        if (from.isEmpty()) {
            return Quaternion.NONE;
        }
        boolean inLine = true;
        for (Point3 direction : from) {
            inLine &= direction.cross(from.get(0)).length() < 0.05;
        }
        return inLine ? shortest(from.get(0), to.get(0)) : nearest(from, to);
    }

    /** The smallest turn that brings one direction to another. */
    static Quaternion shortest(Point3 from, Point3 to) {
        Point3 axis = from.cross(to);
        double cosine = from.dot(to);
        if (axis.length() < TINY) {
            Point3 aside = Math.abs(from.y()) < 0.9 ? Point3.UP : new Point3(1, 0, 0);
            return cosine > 0
                    ? Quaternion.NONE
                    : Quaternion.about(from.cross(aside).unit(), 180);
        }
        return new Quaternion(axis.x(), axis.y(), axis.z(), 1 + cosine).unit();
    }

    private static Quaternion nearest(List<Point3> from, List<Point3> to) {
        double[][] b = new double[3][3];
        for (int i = 0; i < from.size(); i++) {
            double[] f = {from.get(i).x(), from.get(i).y(), from.get(i).z()};
            double[] t = {to.get(i).x(), to.get(i).y(), to.get(i).z()};
            for (int r = 0; r < 3; r++) {
                for (int c = 0; c < 3; c++) {
                    b[r][c] += t[r] * f[c];
                }
            }
        }
        double trace = b[0][0] + b[1][1] + b[2][2];
        double[][] k = {
            {2 * b[0][0] - trace, b[0][1] + b[1][0], b[0][2] + b[2][0], b[2][1] - b[1][2]},
            {b[0][1] + b[1][0], 2 * b[1][1] - trace, b[1][2] + b[2][1], b[0][2] - b[2][0]},
            {b[0][2] + b[2][0], b[1][2] + b[2][1], 2 * b[2][2] - trace, b[1][0] - b[0][1]},
            {b[2][1] - b[1][2], b[0][2] - b[2][0], b[1][0] - b[0][1], trace}
        };
        // No eigenvalue is below -1 a pair: raised by as much, the largest is also the largest in size.
        Quaternion near = shortest(from.get(0), to.get(0));
        double[] q = {near.x() + 0.001, near.y() + 0.002, near.z() + 0.003, near.w() + 0.001};
        for (int step = 0; step < STEPS; step++) {
            double[] next = new double[4];
            double length = 0;
            for (int r = 0; r < 4; r++) {
                next[r] = from.size() * q[r];
                for (int c = 0; c < 4; c++) {
                    next[r] += k[r][c] * q[c];
                }
                length += next[r] * next[r];
            }
            for (int r = 0; r < 4; r++) {
                q[r] = next[r] / Math.sqrt(length);
            }
        }
        return new Quaternion(q[0], q[1], q[2], q[3]).unit();
    }
}
