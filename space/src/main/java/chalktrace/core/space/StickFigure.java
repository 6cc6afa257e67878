package chalktrace.core.space;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

/** Makes a model of joints alone: from each to those that hang on it a bone, thick where it starts. */
public final class StickFigure {

    private static final double THICKNESS = 0.09;

    /** So far along a bone it is thickest. */
    private static final double SHOULDER = 0.15;

    private static final int[] OCTAHEDRON = {0, 1, 2, 0, 2, 3, 0, 3, 4, 0, 4, 1, 5, 2, 1, 5, 3, 2, 5, 4, 3, 5, 1, 4};

    private final List<Node> nodes = new ArrayList<>();
    private final List<Mesh> meshes = new ArrayList<>();

    /** Adds a joint that hangs on one which was added before; -1 for none. */
    public void add(String name, int parent, Point3 offset) {
        nodes.add(Node.of(name, parent, Stance.moved(offset.x(), offset.y(), offset.z()), List.of()));
        if (parent >= 0 && offset.length() > 0) {
            Node on = nodes.get(parent);
            List<Integer> carried = new ArrayList<>(on.meshes());
            carried.add(meshes.size());
            meshes.add(bone(offset));
            nodes.set(parent, Node.of(on.name(), on.parent(), on.stance(), carried));
        }
    }

    /** The figure, with one skin that names all its joints. */
    public Model model(List<Motion> motions, List<String> notes) {
        List<Integer> joints = IntStream.range(0, nodes.size()).boxed().toList();
        List<Matrix4> none = joints.stream().map(joint -> Matrix4.IDENTITY).toList();
        return new Model(nodes, meshes, List.of(Surface.PLAIN), List.of(new Skin(joints, none)), motions, "", notes);
    }

    private static Mesh bone(Point3 to) {
        Point3 along = to.unit();
        Point3 aside = Math.abs(along.y()) < 0.9 ? Point3.UP : new Point3(1, 0, 0);
        Point3 u = aside.cross(along).unit().times(to.length() * THICKNESS);
        Point3 v = along.cross(u);
        Point3 shoulder = to.times(SHOULDER);
        Point3[] places = {Point3.ZERO, shoulder.plus(u), shoulder.plus(v), shoulder.minus(u), shoulder.minus(v), to};
        float[] corners = new float[3 * OCTAHEDRON.length];
        for (int i = 0; i < OCTAHEDRON.length; i++) {
            corners[3 * i] = (float) places[OCTAHEDRON[i]].x();
            corners[3 * i + 1] = (float) places[OCTAHEDRON[i]].y();
            corners[3 * i + 2] = (float) places[OCTAHEDRON[i]].z();
        }
        return Mesh.of(corners, IntStream.range(0, OCTAHEDRON.length).toArray(), 0);
    }
}
