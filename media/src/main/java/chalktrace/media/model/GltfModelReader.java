package chalktrace.media.model;

import chalktrace.core.space.Channel;
import chalktrace.core.space.Lens;
import chalktrace.core.space.Matrix4;
import chalktrace.core.space.Mesh;
import chalktrace.core.space.Model;
import chalktrace.core.space.Motion;
import chalktrace.core.space.Node;
import chalktrace.core.space.Point3;
import chalktrace.core.space.Quaternion;
import chalktrace.core.space.Skin;
import chalktrace.core.space.Stance;
import chalktrace.media.UnreadableException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.exc.UnrecognizedPropertyException;
import de.javagl.jgltf.impl.v2.Animation;
import de.javagl.jgltf.impl.v2.AnimationChannel;
import de.javagl.jgltf.impl.v2.AnimationSampler;
import de.javagl.jgltf.impl.v2.Buffer;
import de.javagl.jgltf.impl.v2.Camera;
import de.javagl.jgltf.impl.v2.GlTF;
import de.javagl.jgltf.impl.v2.Image;
import de.javagl.jgltf.impl.v2.MeshPrimitive;
import de.javagl.jgltf.model.io.GltfAsset;
import de.javagl.jgltf.model.io.GltfAssetReader;
import de.javagl.jgltf.model.io.RawGltfData;
import de.javagl.jgltf.model.io.RawGltfDataReader;
import de.javagl.jgltf.model.io.v2.GltfAssetV2;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Reads glTF 2.0 (Khronos Group, "glTF 2.0 Specification", 2021) as text or GLB. A library reads the container and its JSON; what these name is
 * checked here before it is used.
 */
final class GltfModelReader {

    /** Extensions that change nothing of what is read here, or are read. */
    private static final Set<String> KNOWN = Set.of(
            "KHR_materials_unlit",
            "KHR_mesh_quantization",
            "KHR_materials_emissive_strength",
            "KHR_materials_ior",
            "KHR_materials_specular",
            "KHR_materials_clearcoat",
            "KHR_materials_sheen",
            "KHR_materials_iridescence",
            "KHR_materials_anisotropy",
            "KHR_materials_dispersion");

    /** What a glTF file holds lists of. */
    private static final List<String> LISTS = List.of(
            "accessors",
            "animations",
            "buffers",
            "bufferViews",
            "cameras",
            "images",
            "materials",
            "meshes",
            "nodes",
            "samplers",
            "scenes",
            "skins",
            "textures");

    private static final int MOST_NODES = 200_000;

    private static final int TRIANGLES = 4;
    private static final int STRIP = 5;
    private static final int FAN = 6;

    private final ModelFolder folder;
    private final GlTF gltf;
    private final ByteBuffer binary;
    private final Set<String> notes = new LinkedHashSet<>();

    /** For each node of the file its place among the model's, which come after those that they hang on. */
    private int[] placeOf;

    GltfModelReader(ModelFolder folder) throws UnreadableException {
        this.folder = folder;
        GltfAsset asset = asset();
        if (!(asset instanceof GltfAssetV2 second)) {
            throw folder.wrong("is glTF 1.0", "Export it as glTF 2.0.");
        }
        gltf = second.getGltf();
        binary = second.getBinaryData();
        for (String needed : orEmpty(gltf.getExtensionsRequired())) {
            if (!KNOWN.contains(needed)) {
                throw folder.wrong(
                        "needs the extension " + needed + ", which is not known here",
                        "Export it without that extension.");
            }
        }
        for (String used : orEmpty(gltf.getExtensionsUsed())) {
            if (!KNOWN.contains(used)) {
                notes.add("The extension " + used + " is not read.");
            }
        }
    }

    private GltfAsset asset() throws UnreadableException {
        ByteBuffer own = folder.own();
        checkShape(own);
        GltfAssetReader reader = new GltfAssetReader();
        List<String> wrong = new ArrayList<>();
        reader.setJsonErrorConsumer(error -> {
            if (!(error.getThrowable() instanceof UnrecognizedPropertyException)) {
                wrong.add(error.getJsonPathString());
            }
        });
        try {
            GltfAsset asset = reader.readWithoutReferences(new ByteArrayInputStream(own.array()));
            if (!wrong.isEmpty()) {
                throw folder.broken("\"" + wrong.get(0) + "\" is not what glTF says it is");
            }
            return asset;
        } catch (IOException | RuntimeException e) {
            throw folder.broken("it is no glTF (" + firstLine(e) + ")");
        }
    }

    /** The library leaves out what has another form than it should, without a word. */
    private void checkShape(ByteBuffer own) throws UnreadableException {
        JsonNode root;
        try {
            RawGltfData raw = RawGltfDataReader.read(new ByteArrayInputStream(own.array()));
            root = new ObjectMapper().readTree(raw.getJsonString());
        } catch (IOException | RuntimeException e) {
            throw folder.broken("it is no glTF (" + firstLine(e) + ")");
        }
        for (String name : LISTS) {
            JsonNode list = root.path(name);
            boolean asItShould = list.isMissingNode() || list.isArray();
            for (JsonNode item : list) {
                asItShould &= item.isObject();
            }
            if (!asItShould) {
                throw folder.broken("\"" + name + "\" is not what glTF says it is");
            }
        }
        if (!root.path("asset").isObject()
                || root.has("scene") && !root.get("scene").isInt()) {
            throw folder.broken("\"asset\" or \"scene\" is not what glTF says it is");
        }
    }

    private static String firstLine(Exception e) {
        return String.valueOf(e.getMessage()).lines().findFirst().orElse("no reason given");
    }

    /** The file's own buffers, and those that it names. */
    private List<ByteBuffer> buffers() throws UnreadableException {
        List<ByteBuffer> buffers = new ArrayList<>();
        for (Buffer buffer : orEmpty(gltf.getBuffers())) {
            if (buffer.getUri() == null && binary == null) {
                throw folder.broken("buffer " + buffers.size() + " is neither in it nor named");
            }
            ByteBuffer bytes = buffer.getUri() == null ? binary : folder.named(buffer.getUri());
            int length = buffer.getByteLength() == null ? 0 : buffer.getByteLength();
            if (bytes.capacity() < length) {
                throw folder.broken(
                        "buffer " + buffers.size() + " has " + bytes.capacity() + " of " + length + " bytes");
            }
            buffers.add(bytes);
        }
        return buffers;
    }

    /** The file and those that it names. */
    Set<Path> files() throws UnreadableException {
        Set<Path> files = new LinkedHashSet<>();
        files.add(folder.file());
        for (Buffer buffer : orEmpty(gltf.getBuffers())) {
            add(buffer.getUri(), files);
        }
        for (Image image : orEmpty(gltf.getImages())) {
            add(image.getUri(), files);
        }
        return files;
    }

    private void add(String uri, Set<Path> files) throws UnreadableException {
        if (uri != null && !uri.startsWith("data:")) {
            files.add(folder.place(uri));
        }
    }

    Model model() throws UnreadableException {
        GltfAccessors numbers = new GltfAccessors(gltf, folder, buffers());
        checkTriangles(numbers);
        GltfSurfaces surfaces = new GltfSurfaces(gltf, folder, numbers, notes);
        List<Mesh> meshes = new ArrayList<>();
        List<List<Integer>> meshesOf = new ArrayList<>();
        for (de.javagl.jgltf.impl.v2.Mesh mesh : orEmpty(gltf.getMeshes())) {
            List<Integer> parts = new ArrayList<>();
            for (MeshPrimitive part : orEmpty(mesh.getPrimitives())) {
                Optional<Mesh> read = mesh(part, meshesOf.size(), numbers, surfaces);
                if (read.isPresent()) {
                    parts.add(meshes.size());
                    meshes.add(read.get());
                }
            }
            meshesOf.add(parts);
        }
        List<Node> nodes = nodes(meshesOf);
        return new Model(nodes, meshes, surfaces.all(), skins(numbers), motions(numbers), "metre", List.copyOf(notes));
    }

    /** Before memory is taken for them. */
    private void checkTriangles(GltfAccessors numbers) throws UnreadableException {
        long corners = 0;
        for (de.javagl.jgltf.impl.v2.Mesh mesh : orEmpty(gltf.getMeshes())) {
            for (MeshPrimitive part : orEmpty(mesh.getPrimitives())) {
                if (part.getIndices() != null) {
                    corners += numbers.count(part.getIndices());
                }
            }
        }
        folder.checkTriangles(corners / 3);
    }

    private Optional<Mesh> mesh(MeshPrimitive part, int index, GltfAccessors numbers, GltfSurfaces surfaces)
            throws UnreadableException {
        int mode = part.getMode() == null ? TRIANGLES : part.getMode();
        if (mode != TRIANGLES && mode != STRIP && mode != FAN) {
            notes.add("Points and lines of a mesh are not shown.");
            return Optional.empty();
        }
        Map<String, Integer> of = part.getAttributes() == null ? Map.of() : part.getAttributes();
        if (!of.containsKey("POSITION")) {
            notes.add("A mesh without positions is not shown.");
            return Optional.empty();
        }
        if (of.containsKey("JOINTS_1")) {
            notes.add("More than four joints a vertex are not read.");
        }
        if (of.containsKey("COLOR_0")) {
            notes.add("Colours of vertices are not read.");
        }
        String where = "mesh " + index;
        float[] positions = numbers.floats(of.get("POSITION"), where + ", positions", 3);
        int count = positions.length / 3;
        int[] corners = part.getIndices() == null
                ? ascending(count)
                : numbers.wholes(part.getIndices(), where + ", indices", 1);
        for (int corner : corners) {
            if (corner < 0 || corner >= count) {
                throw folder.broken(where + " names vertex " + corner + " of " + count);
            }
        }
        int surface = surfaces.index(part.getMaterial());
        Optional<float[]> texels = Optional.empty();
        String set = "TEXCOORD_" + surfaces.texelSet(part.getMaterial());
        if (of.containsKey(set)) {
            texels = Optional.of(numbers.floats(of.get(set), where + ", texture coordinates", 2));
        }
        Optional<float[]> normals = of.containsKey("NORMAL")
                ? Optional.of(numbers.floats(of.get("NORMAL"), where + ", normals", 3))
                : Optional.empty();
        boolean skinned = of.containsKey("JOINTS_0") && of.containsKey("WEIGHTS_0");
        return Optional.of(new Mesh(
                positions,
                normals,
                texels,
                mode == TRIANGLES ? whole(corners) : mode == STRIP ? strip(corners) : fan(corners),
                surface,
                morphs(part, where, numbers),
                skinned ? Optional.of(numbers.wholes(of.get("JOINTS_0"), where + ", joints", 4)) : Optional.empty(),
                skinned ? Optional.of(numbers.floats(of.get("WEIGHTS_0"), where + ", weights", 4)) : Optional.empty()));
    }

    private List<float[]> morphs(MeshPrimitive part, String where, GltfAccessors numbers) throws UnreadableException {
        List<float[]> morphs = new ArrayList<>();
        for (Map<String, Integer> target : orEmpty(part.getTargets())) {
            if (target.containsKey("POSITION")) {
                morphs.add(numbers.floats(target.get("POSITION"), where + ", morph " + morphs.size(), 3));
            }
        }
        return morphs;
    }

    /** The nodes of the file, each after the one that it hangs on; those that are not in its scene carry nothing. */
    private List<Node> nodes(List<List<Integer>> meshesOf) throws UnreadableException {
        List<de.javagl.jgltf.impl.v2.Node> all = orEmpty(gltf.getNodes());
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
            nodes.add(node(all.get(i), i, parent[i] < 0 ? -1 : placeOf[parent[i]], inScene.contains(i), meshesOf));
            waiting.addAll(orEmpty(all.get(i).getChildren()));
        }
        if (nodes.size() < count) {
            throw folder.broken("its nodes hang on each other in a circle");
        }
        return nodes;
    }

    private int[] parents(List<de.javagl.jgltf.impl.v2.Node> all) throws UnreadableException {
        int[] parent = new int[all.size()];
        Arrays.fill(parent, -1);
        for (int i = 0; i < parent.length; i++) {
            for (int child : orEmpty(all.get(i).getChildren())) {
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
        if (orEmpty(gltf.getScenes()).isEmpty()) {
            return new HashSet<>(Arrays.stream(ascending(all.size())).boxed().toList());
        }
        int scene = gltf.getScene() == null ? 0 : gltf.getScene();
        if (scene < 0 || scene >= gltf.getScenes().size()) {
            throw folder.broken("it names scene " + scene + ", which it does not have");
        }
        if (gltf.getScenes().size() > 1) {
            notes.add("It has " + gltf.getScenes().size() + " scenes; one is shown.");
        }
        Set<Integer> found = new HashSet<>();
        Deque<Integer> waiting =
                new ArrayDeque<>(orEmpty(gltf.getScenes().get(scene).getNodes()));
        while (!waiting.isEmpty()) {
            int i = waiting.poll();
            if (i < 0 || i >= all.size()) {
                throw folder.broken("its scene names node " + i + ", which it does not have");
            }
            if (found.add(i)) {
                waiting.addAll(orEmpty(all.get(i).getChildren()));
            }
        }
        return found;
    }

    private Node node(
            de.javagl.jgltf.impl.v2.Node node, int index, int parent, boolean shown, List<List<Integer>> meshesOf)
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
            morphing = orEmpty(weights).stream().map(Float::doubleValue).toList();
        }
        int skin = node.getSkin() == null ? -1 : node.getSkin();
        if (skin >= orEmpty(gltf.getSkins()).size()) {
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
        if (index < 0 || index >= orEmpty(gltf.getCameras()).size()) {
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

    private List<Skin> skins(GltfAccessors numbers) throws UnreadableException {
        List<Skin> skins = new ArrayList<>();
        for (de.javagl.jgltf.impl.v2.Skin skin : orEmpty(gltf.getSkins())) {
            List<Integer> joints = new ArrayList<>();
            for (int joint : orEmpty(skin.getJoints())) {
                joints.add(place(joint, "skin " + skins.size()));
            }
            List<Matrix4> atRest = new ArrayList<>();
            float[] inverse = skin.getInverseBindMatrices() == null
                    ? null
                    : numbers.floats(
                            skin.getInverseBindMatrices(), "skin " + skins.size() + ", inverse bind matrices", 16);
            if (inverse != null && inverse.length < 16 * joints.size()) {
                throw folder.broken("skin " + skins.size() + " has fewer matrices than joints");
            }
            for (int j = 0; j < joints.size(); j++) {
                double[] m = new double[16];
                for (int i = 0; inverse != null && i < 16; i++) {
                    m[i] = inverse[16 * j + i];
                }
                atRest.add(inverse == null ? Matrix4.IDENTITY : Matrix4.of(m));
            }
            if (joints.isEmpty()) {
                throw folder.broken("skin " + skins.size() + " has no joints");
            }
            skins.add(new Skin(joints, atRest));
        }
        return skins;
    }

    /** Of many animations that move one joint each, as some programs write them, the first plays all together. */
    private List<Motion> motions(GltfAccessors numbers) throws UnreadableException {
        List<Motion> motions = new ArrayList<>();
        Set<String> names = new HashSet<>();
        for (Animation animation : orEmpty(gltf.getAnimations())) {
            String name = animation.getName() == null ? "Animation " + (motions.size() + 1) : animation.getName();
            for (int n = 2; !names.add(name); n++) {
                name = name.replaceFirst(" \\(\\d+\\)$", "") + " (" + n + ")";
            }
            List<Channel> channels = new ArrayList<>();
            for (AnimationChannel channel : orEmpty(animation.getChannels())) {
                channel(channel, animation, "animation \"" + name + "\"", numbers)
                        .ifPresent(channels::add);
            }
            if (!channels.isEmpty()) {
                motions.add(new Motion(name, channels));
            }
        }
        boolean single = motions.size() > 2
                && motions.stream().allMatch(motion -> motion.channels().size() <= 3);
        if (single) {
            motions.add(
                    0,
                    new Motion(
                            "All together",
                            motions.stream().flatMap(m -> m.channels().stream()).toList()));
        }
        return motions;
    }

    private Optional<Channel> channel(
            AnimationChannel channel, Animation animation, String where, GltfAccessors numbers)
            throws UnreadableException {
        String path = channel.getTarget() == null ? null : channel.getTarget().getPath();
        Channel.Property property = path == null
                ? null
                : switch (path) {
                    case "translation" -> Channel.Property.MOVE;
                    case "rotation" -> Channel.Property.TURN;
                    case "scale" -> Channel.Property.SCALE;
                    case "weights" -> Channel.Property.MORPHS;
                    default -> null;
                };
        if (property == null || channel.getTarget().getNode() == null) {
            notes.add("An animation of " + (path == null ? "nothing" : path) + " is not read.");
            return Optional.empty();
        }
        int index = channel.getSampler() == null ? -1 : channel.getSampler();
        if (index < 0 || index >= orEmpty(animation.getSamplers()).size()) {
            throw folder.broken(where + " names sampler " + index + ", which it does not have");
        }
        AnimationSampler sampler = animation.getSamplers().get(index);
        if (sampler.getInput() == null || sampler.getOutput() == null) {
            throw folder.broken(where + ", sampler " + index + " is not whole");
        }
        float[] times = numbers.floats(sampler.getInput(), where + ", times", 1);
        float[] values = numbers.floats(sampler.getOutput(), where + ", values", numbers.width(sampler.getOutput()));
        Channel.Way way = "STEP".equals(sampler.getInterpolation())
                ? Channel.Way.STEP
                : "CUBICSPLINE".equals(sampler.getInterpolation()) ? Channel.Way.CUBIC_SPLINE : Channel.Way.LINEAR;
        int width = property == Channel.Property.TURN ? 4 : 3;
        try {
            Channel made = new Channel(place(channel.getTarget().getNode(), where), property, way, times, values);
            if (property != Channel.Property.MORPHS && made.width() != width) {
                throw folder.broken(where + ", sampler " + index + " has " + made.width() + " numbers a key");
            }
            return Optional.of(made);
        } catch (IllegalArgumentException e) {
            throw folder.broken(where + ", sampler " + index + " " + e.getMessage());
        }
    }

    private int place(int node, String where) throws UnreadableException {
        if (node < 0 || node >= placeOf.length) {
            throw folder.broken(where + " names node " + node + ", which it does not have");
        }
        return placeOf[node];
    }

    private static int[] ascending(int count) {
        int[] out = new int[count];
        Arrays.setAll(out, i -> i);
        return out;
    }

    private static int[] whole(int[] corners) {
        return Arrays.copyOf(corners, corners.length - corners.length % 3);
    }

    private static int[] strip(int[] corners) {
        int[] out = new int[3 * Math.max(0, corners.length - 2)];
        for (int i = 0; i < out.length / 3; i++) {
            out[3 * i] = corners[i];
            out[3 * i + 1] = corners[i + 1 + i % 2];
            out[3 * i + 2] = corners[i + 2 - i % 2];
        }
        return out;
    }

    private static int[] fan(int[] corners) {
        int[] out = new int[3 * Math.max(0, corners.length - 2)];
        for (int i = 0; i < out.length / 3; i++) {
            out[3 * i] = corners[i + 1];
            out[3 * i + 1] = corners[i + 2];
            out[3 * i + 2] = corners[0];
        }
        return out;
    }

    static <T> List<T> orEmpty(List<T> list) {
        return list == null ? List.of() : list;
    }
}
