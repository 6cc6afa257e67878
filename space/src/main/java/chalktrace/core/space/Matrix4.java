package chalktrace.core.space;

import java.util.Arrays;

/** A transform of points in space: 4 x 4 numbers, column after column, as glTF 2.0 writes them. Read-only. */
public final class Matrix4 {

    public static final Matrix4 IDENTITY = new Matrix4(new double[] {1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1});

    private final double[] m;

    private Matrix4(double[] m) {
        this.m = m;
    }

    /** @throws IllegalArgumentException when there are not 16 finite numbers */
    public static Matrix4 of(double... columns) {
        if (columns.length != 16 || !new Matrix4(columns).isFinite()) {
            throw new IllegalArgumentException("A transform has 16 finite numbers.");
        }
        return new Matrix4(columns.clone());
    }

    /** Scaled, then turned, then moved: glTF 2.0, 3.5.3. */
    public static Matrix4 of(Stance stance) {
        Quaternion q = stance.turn();
        double[] m = new double[16];
        double x = q.x();
        double y = q.y();
        double z = q.z();
        double w = q.w();
        column(m, 0, stance.scale().x(), 1 - 2 * (y * y + z * z), 2 * (x * y + z * w), 2 * (x * z - y * w));
        column(m, 4, stance.scale().y(), 2 * (x * y - z * w), 1 - 2 * (x * x + z * z), 2 * (y * z + x * w));
        column(m, 8, stance.scale().z(), 2 * (x * z + y * w), 2 * (y * z - x * w), 1 - 2 * (x * x + y * y));
        column(m, 12, 1, stance.move().x(), stance.move().y(), stance.move().z());
        m[15] = 1;
        return new Matrix4(m);
    }

    private static void column(double[] m, int at, double scale, double x, double y, double z) {
        m[at] = scale * x;
        m[at + 1] = scale * y;
        m[at + 2] = scale * z;
    }

    public boolean isFinite() {
        return Arrays.stream(m).allMatch(Double::isFinite);
    }

    /** The number in a row and a column, each 0 to 3. */
    public double at(int row, int column) {
        return m[column * 4 + row];
    }

    /** What does {@code first} and then this one. */
    public Matrix4 times(Matrix4 first) {
        double[] out = new double[16];
        for (int column = 0; column < 4; column++) {
            for (int row = 0; row < 4; row++) {
                double sum = 0;
                for (int k = 0; k < 4; k++) {
                    sum += m[k * 4 + row] * first.m[column * 4 + k];
                }
                out[column * 4 + row] = sum;
            }
        }
        return new Matrix4(out);
    }

    /** Where a point comes to. */
    public Point3 point(Point3 p) {
        return new Point3(
                m[0] * p.x() + m[4] * p.y() + m[8] * p.z() + m[12],
                m[1] * p.x() + m[5] * p.y() + m[9] * p.z() + m[13],
                m[2] * p.x() + m[6] * p.y() + m[10] * p.z() + m[14]);
    }

    /** Where a direction comes to: not moved. */
    public Point3 direction(Point3 d) {
        return point(d).minus(new Point3(m[12], m[13], m[14]));
    }

    /** The same transform the other way; of a flat one, which has none, the identity. */
    public Matrix4 inverse() {
        Point3 a = new Point3(m[0], m[1], m[2]);
        Point3 b = new Point3(m[4], m[5], m[6]);
        Point3 c = new Point3(m[8], m[9], m[10]);
        double volume = a.dot(b.cross(c));
        if (Math.abs(volume) < 1e-300) {
            return IDENTITY;
        }
        Point3 ra = b.cross(c).times(1 / volume);
        Point3 rb = c.cross(a).times(1 / volume);
        Point3 rc = a.cross(b).times(1 / volume);
        Point3 move = new Point3(m[12], m[13], m[14]);
        return new Matrix4(new double[] {
            ra.x(),
            rb.x(),
            rc.x(),
            0,
            ra.y(),
            rb.y(),
            rc.y(),
            0,
            ra.z(),
            rb.z(),
            rc.z(),
            0,
            -ra.dot(move),
            -rb.dot(move),
            -rc.dot(move),
            1
        });
    }

    /** What takes normals along: the inverse of its 3 x 3 part, transposed. */
    public Matrix4 ofNormals() {
        Matrix4 inverse = inverse();
        double[] out = new double[16];
        for (int row = 0; row < 3; row++) {
            for (int column = 0; column < 3; column++) {
                out[column * 4 + row] = inverse.at(column, row);
            }
        }
        out[15] = 1;
        return new Matrix4(out);
    }

    /** Moved, turned and scaled as this one does, shear left out. */
    public Stance stance() {
        Point3 a = new Point3(m[0], m[1], m[2]);
        Point3 b = new Point3(m[4], m[5], m[6]);
        Point3 c = new Point3(m[8], m[9], m[10]);
        double mirror = a.dot(b.cross(c)) < 0 ? -1 : 1;
        Point3 scale = new Point3(a.length() * mirror, b.length(), c.length());
        return new Stance(
                new Point3(m[12], m[13], m[14]),
                Quaternion.ofAxes(a.times(mirror).unit(), b.unit(), c.unit()),
                scale);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Matrix4 matrix && Arrays.equals(m, matrix.m);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(m);
    }

    @Override
    public String toString() {
        return Arrays.toString(m);
    }
}
