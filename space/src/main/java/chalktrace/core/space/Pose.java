package chalktrace.core.space;

/** A figure at one moment: where all its vertices and nodes are. Read-only, safe for threads. */
public final class Pose {

    private final Figure figure;
    private final Matrix4[] places;
    private final float[] positions;
    private final float[] normals;
    private final Bounds bounds;

    Pose(Figure figure, Matrix4[] places, float[] positions, float[] normals) {
        this.figure = figure;
        this.places = places;
        this.positions = positions;
        this.normals = normals;
        this.bounds = Bounds.of(positions);
    }

    public Figure figure() {
        return figure;
    }

    /** Three numbers a vertex; not to be written to. */
    float[] positions() {
        return positions;
    }

    /** Three numbers a vertex, of any length; of length 0 where the triangle's own is meant. */
    float[] normals() {
        return normals;
    }

    /** How a node stands in space. */
    public Matrix4 place(int node) {
        return places[node];
    }

    /** Where a node, such as a joint, is. */
    public Point3 joint(int node) {
        return places[node].point(Point3.ZERO);
    }

    /** Where a point of the surface is. */
    public Point3 point(SurfacePoint on) {
        Point3 a = corner(on.triangle(), 0);
        Point3 b = corner(on.triangle(), 1);
        Point3 c = corner(on.triangle(), 2);
        return a.plus(b.minus(a).times(on.alongB())).plus(c.minus(a).times(on.alongC()));
    }

    public Bounds bounds() {
        return bounds;
    }

    Point3 corner(int triangle, int corner) {
        int at = 3 * figure.triangles()[3 * triangle + corner];
        return new Point3(positions[at], positions[at + 1], positions[at + 2]);
    }
}
