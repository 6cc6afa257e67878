package chalktrace.media.model;

import chalktrace.core.space.Lens;
import chalktrace.core.space.Matrix4;
import chalktrace.core.space.Node;
import chalktrace.core.space.Point3;
import chalktrace.core.space.Quaternion;
import chalktrace.core.space.Stance;
import chalktrace.media.UnreadableException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import de.javagl.jgltf.impl.v2.Camera;
import de.javagl.jgltf.impl.v2.GlTF;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** The nodes of a glTF file, how they hang on each other, and the cameras that they carry: glTF 2.0, 3.5 and 3.10. */
final class GltfNodes {

    private static final int MOST_NODES = 200_000;
    private static final String INSTANCING = "EXT_mesh_gpu_instancing";

    private final GlTF gltf;
    private final ModelFolder folder;
    private final GltfAccessors numbers;
    private final Set<String> notes;
    private final List<List<Integer>> meshesOf;
    private final List<Node> all;

    /** For each node of the file its place among the model's, which come after those that they hang on. */
    private int[] placeOf;

    /** @param meshesOf for each mesh of the file those of the model that it became */
    GltfNodes(GlTF gltf, ModelFolder folder, GltfAccessors numbers, Set<String> notes, List<List<Integer>> meshesOf)
            throws UnreadableException {
        this.gltf = gltf;
        this.folder = folder;
        this.numbers = numbers;
        this.notes = notes;
        this.meshesOf = meshesOf;
        this.all = nodes();
    }

    List<Node> all() {
        return all;
    }

    /** The model's node for one of the file. */
    int place(int node, String where) throws UnreadableException {
        if (node < 0 || node >= placeOf.length) {
            throw folder.broken(where + " names node " + node + ", which it does not have");
        }
        return placeOf[node];
    }

    /** The nodes of the file, each after the one that it hangs on; those that are not in its scene carry nothing. */
    private List<Node> nodes() throws UnreadableException {
        List<de.javagl.jgltf.impl.v2.Node> all = GltfModelReader.orEmpty(gltf.getNodes());
        int count = all.size();
        if (count > MOST_NODES) {
            throw folder.wrong("has " + count + " nodes; " + MOST_NODES + " can be shown", "Reduce it.");
        }
        int[] parent = parents(all);
        Set<Integer> inScene = inScene(all);
        placeOf = new int[count];
        Arrays.fill(placeOf, -1);
        List<Node> nodes = new ArrayList<>();
        Deque<Integer> waiting = new ArrayDeque<>();
        for (int i = 0; i < count; i++) {
            if (parent[i] < 0) {
                waiting.add(i);
            }
        }
        while (!waiting.isEmpty()) {
            int i = waiting.poll();
            placeOf[i] = nodes.size();
            nodes.add(node(all.get(i), i, parent[i] < 0 ? -1 : placeOf[parent[i]], inScene.contains(i)));
            waiting.addAll(GltfModelReader.orEmpty(all.get(i).getChildren()));
        }
        if (nodes.size() < count) {
            throw folder.broken("its nodes hang on each other in a circle");
        }
        for (int i = 0; i < count; i++) {
            if (extension(all.get(i)) != null) {
                addInstances(nodes, i, extension(all.get(i)));
            }
        }
        return nodes;
    }

    private static Object extension(de.javagl.jgltf.impl.v2.Node node) {
        return node.getExtensions() == null ? null : node.getExtensions().get(INSTANCING);
    }

    /** The meshes of a node once for each of many stances within its own, and not where it is itself: Khronos Group, "EXT_mesh_gpu_instancing". */
    private void addInstances(List<Node> nodes, int index, Object extension) throws UnreadableException {
        Node carrier = nodes.get(placeOf[index]);
        String where = "node " + index + ", its instances";
        JsonNode attributes = new ObjectMapper().valueToTree(extension).path("attributes");
        float[] moves = instances(attributes.path("TRANSLATION"), where, 3);
        float[] turns = instances(attributes.path("ROTATION"), where, 4);
        float[] scales = instances(attributes.path("SCALE"), where, 3);
        int count = Math.max(Math.max(moves.length / 3, turns.length / 4), scales.length / 3);
        if (nodes.size() + count > MOST_NODES) {
            throw folder.wrong("has " + count + " instances; " + MOST_NODES + " can be shown", "Reduce it.");
        }
        if (carrier.meshes().isEmpty() || count == 0) {
            return;
        }
        nodes.set(
                placeOf[index],
                new Node(
                        carrier.name(),
                        carrier.parent(),
                        carrier.stance(),
                        List.of(),
                        -1,
                        List.of(),
                        carrier.camera()));
        for (int i = 0; i < count; i++) {
            Point3 move = 3 * i < moves.length ? point(moves, i) : Point3.ZERO;
            Quaternion turn = 4 * i < turns.length
                    ? new Quaternion(turns[4 * i], turns[4 * i + 1], turns[4 * i + 2], turns[4 * i + 3]).unit()
                    : Quaternion.NONE;
            Point3 scale = 3 * i < scales.length ? point(scales, i) : new Point3(1, 1, 1);
            nodes.add(Node.of(
                    carrier.name() + " " + (i + 1), placeOf[index], new Stance(move, turn, scale), carrier.meshes()));
        }
    }

    private float[] instances(JsonNode accessor, String where, int width) throws UnreadableException {
        return accessor.isInt() ? numbers.floats(accessor.intValue(), where, width) : new float[0];
    }

    private static Point3 point(float[] of, int index) {
        return new Point3(of[3 * index], of[3 * index + 1], of[3 * index + 2]);
    }

    private int[] parents(List<de.javagl.jgltf.impl.v2.Node> all) throws UnreadableException {
        int[] parent = new int[all.size()];
        Arrays.fill(parent, -1);
        for (int i = 0; i < parent.length; i++) {
            for (int child : GltfModelReader.orEmpty(all.get(i).getChildren())) {
                if (child < 0 || child >= parent.length) {
                    throw folder.broken("node " + i + " carries node " + child + ", which it does not have");
                }
                if (parent[child] >= 0) {
                    throw folder.broken("node " + child + " hangs on two others");
                }
                parent[child] = i;
            }
        }
        return parent;
    }

    private Set<Integer> inScene(List<de.javagl.jgltf.impl.v2.Node> all) throws UnreadableException {
        if (GltfModelReader.orEmpty(gltf.getScenes()).isEmpty()) {
            return new HashSet<>(
                    Arrays.stream(GltfModelReader.ascending(all.size())).boxed().toList());
        }
        int scene = gltf.getScene() == null ? 0 : gltf.getScene();
        if (scene < 0 || scene >= gltf.getScenes().size()) {
            throw folder.broken("it names scene " + scene + ", which it does not have");
        }
        if (gltf.getScenes().size() > 1) {
            notes.add("It has " + gltf.getScenes().size() + " scenes; one is shown.");
        }
        Set<Integer> found = new HashSet<>();
        Deque<Integer> waiting = new ArrayDeque<>(
                GltfModelReader.orEmpty(gltf.getScenes().get(scene).getNodes()));
        while (!waiting.isEmpty()) {
            int i = waiting.poll();
            if (i < 0 || i >= all.size()) {
                throw folder.broken("its scene names node " + i + ", which it does not have");
            }
            if (found.add(i)) {
                waiting.addAll(GltfModelReader.orEmpty(all.get(i).getChildren()));
            }
        }
        return found;
    }

    private Node node(de.javagl.jgltf.impl.v2.Node node, int index, int parent, boolean shown)
            throws UnreadableException {
        List<Integer> meshes = List.of();
        List<Double> morphing = List.of();
        if (node.getMesh() != null) {
            if (node.getMesh() < 0 || node.getMesh() >= meshesOf.size()) {
                throw folder.broken("node " + index + " names mesh " + node.getMesh() + ", which it does not have");
            }
            meshes = shown ? meshesOf.get(node.getMesh()) : List.of();
            List<Float> weights = node.getWeights() != null
                    ? node.getWeights()
                    : gltf.getMeshes().get(node.getMesh()).getWeights();
            morphing = GltfModelReader.orEmpty(weights).stream()
                    .map(Float::doubleValue)
                    .toList();
        }
        int skin = node.getSkin() == null ? -1 : node.getSkin();
        if (skin >= GltfModelReader.orEmpty(gltf.getSkins()).size()) {
            throw folder.broken("node " + index + " names skin " + skin + ", which it does not have");
        }
        return new Node(
                node.getName() == null ? "node " + index : node.getName(),
                parent,
                stance(node),
                meshes,
                skin,
                morphing,
                camera(node.getCamera(), index));
    }

    private static Stance stance(de.javagl.jgltf.impl.v2.Node node) {
        if (node.getMatrix() != null) {
            double[] m = new double[16];
            for (int i = 0; i < 16; i++) {
                m[i] = node.getMatrix()[i];
            }
            return Matrix4.of(m).stance();
        }
        float[] move = node.getTranslation() == null ? new float[] {0, 0, 0} : node.getTranslation();
        float[] turn = node.getRotation() == null ? new float[] {0, 0, 0, 1} : node.getRotation();
        float[] scale = node.getScale() == null ? new float[] {1, 1, 1} : node.getScale();
        Stance stance = new Stance(
                new Point3(move[0], move[1], move[2]),
                new Quaternion(turn[0], turn[1], turn[2], turn[3]).unit(),
                new Point3(scale[0], scale[1], scale[2]));
        return Matrix4.of(stance).isFinite() ? stance : Stance.NONE;
    }

    private Optional<Lens> camera(Integer index, int node) throws UnreadableException {
        if (index == null) {
            return Optional.empty();
        }
        if (index < 0 || index >= GltfModelReader.orEmpty(gltf.getCameras()).size()) {
            throw folder.broken("node " + node + " names camera " + index + ", which it does not have");
        }
        Camera camera = gltf.getCameras().get(index);
        if (camera.getPerspective() == null || camera.getPerspective().getYfov() == null) {
            notes.add("A camera without perspective is not read.");
            return Optional.empty();
        }
        Float aspect = camera.getPerspective().getAspectRatio();
        return Optional.of(Lens.ofHeight(camera.getPerspective().getYfov(), aspect == null ? 16.0 / 9 : aspect));
    }
}
