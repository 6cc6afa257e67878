package chalktrace.media.model;

import chalktrace.core.space.Matrix4;
import chalktrace.core.space.Mesh;
import chalktrace.core.space.Model;
import chalktrace.core.space.Skin;
import chalktrace.media.UnreadableException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.exc.UnrecognizedPropertyException;
import de.javagl.jgltf.impl.v2.Buffer;
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
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.logging.Level;
import java.util.logging.Logger;

/**
 * Reads glTF 2.0 (Khronos Group, "glTF 2.0 Specification", 2021) as text or GLB. A library reads the container and its JSON; what these name is
 * checked here before it is used.
 */
final class GltfModelReader {

    /** Extensions that change nothing of what is read here, or are read. */
    private static final Set<String> KNOWN = Set.of(
            "KHR_materials_unlit",
            "KHR_mesh_quantization",
            "KHR_texture_transform",
            "EXT_mesh_gpu_instancing",
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

    private static final int TRIANGLES = 4;
    private static final int STRIP = 5;
    private static final int FAN = 6;

    /** Held, so that it stays silent: each property that the library does not know would be a line in the terminal. */
    private static final Logger LIBRARY = Logger.getLogger("de.javagl");

    static {
        LIBRARY.setLevel(Level.OFF);
    }

    private final ModelFolder folder;
    private final GlTF gltf;
    private final ByteBuffer binary;
    private final Set<String> notes = new LinkedHashSet<>();

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
            // What is not known has no error of its own; programs add notes of theirs.
            if (error.getThrowable() != null && !(error.getThrowable() instanceof UnrecognizedPropertyException)) {
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
        for (String name : List.of("buffers", "bufferViews", "accessors")) {
            for (int i = 0; i < root.path(name).size(); i++) {
                checkCounts(root.path(name).get(i), name + " " + i);
            }
        }
        if (!root.path("asset").isObject()
                || root.has("scene") && !root.get("scene").isInt()) {
            throw folder.broken("\"asset\" or \"scene\" is not what glTF says it is");
        }
    }

    private void checkCounts(JsonNode item, String where) throws UnreadableException {
        for (String count : List.of("byteOffset", "byteLength", "byteStride", "count", "buffer", "bufferView")) {
            JsonNode value = item.path(count);
            if (!value.isMissingNode() && (!value.canConvertToExactIntegral() || value.asLong() < 0)) {
                throw folder.broken("\"" + count + "\" of " + where + " is negative or no whole number");
            }
        }
    }

    private static String firstLine(Exception e) {
        String said = Optional.ofNullable(e.getMessage())
                .flatMap(message -> message.lines().findFirst())
                .orElse("no reason given");
        // Libraries name their own classes.
        return Shown.of(said.replaceAll("\\S*\\w\\.\\w+\\.\\S+", "it"));
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
        GltfNodes nodes = new GltfNodes(gltf, folder, numbers, notes, meshesOf);
        return new Model(
                nodes.all(),
                meshes,
                surfaces.all(),
                skins(numbers, nodes),
                new GltfMotions(gltf, folder, numbers, nodes, notes).all(),
                Model.METRE,
                List.copyOf(notes));
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
            texels = Optional.of(surfaces.placed(
                    part.getMaterial(), numbers.floats(of.get(set), where + ", texture coordinates", 2)));
        }
        Optional<float[]> normals = of.containsKey("NORMAL")
                ? Optional.of(numbers.floats(of.get("NORMAL"), where + ", normals", 3))
                : Optional.empty();
        int sets = 0;
        while (of.containsKey("JOINTS_" + sets) && of.containsKey("WEIGHTS_" + sets)) {
            sets++;
        }
        Mesh mesh = new Mesh(
                positions,
                normals,
                texels,
                mode == TRIANGLES ? whole(corners) : mode == STRIP ? strip(corners) : fan(corners),
                surface,
                morphs(part, where, numbers),
                sets > 0 ? Optional.of(joints(of, sets, count, where, numbers)) : Optional.empty(),
                sets > 0 ? Optional.of(weights(of, sets, count, where, numbers)) : Optional.empty());
        return Optional.of(
                of.containsKey("COLOR_0") ? mesh.withColors(colors(of.get("COLOR_0"), where, numbers)) : mesh);
    }

    /** All sets of four joints a vertex, side by side. */
    private int[] joints(Map<String, Integer> of, int sets, int count, String where, GltfAccessors numbers)
            throws UnreadableException {
        int[] all = new int[4 * sets * count];
        for (int set = 0; set < sets; set++) {
            int[] read = numbers.wholes(of.get("JOINTS_" + set), where + ", joints", 4);
            checkCount(read.length, count, where + ", joints");
            for (int i = 0; i < read.length; i++) {
                all[beside(i, set, sets)] = read[i];
            }
        }
        return all;
    }

    /** Where a number of one set of four stands when all sets of a vertex stand side by side. */
    private static int beside(int number, int set, int sets) {
        return (number / 4 * sets + set) * 4 + number % 4;
    }

    private float[] weights(Map<String, Integer> of, int sets, int count, String where, GltfAccessors numbers)
            throws UnreadableException {
        float[] all = new float[4 * sets * count];
        for (int set = 0; set < sets; set++) {
            float[] read = numbers.floats(of.get("WEIGHTS_" + set), where + ", weights", 4);
            checkCount(read.length, count, where + ", weights");
            for (int i = 0; i < read.length; i++) {
                all[beside(i, set, sets)] = read[i];
            }
        }
        return all;
    }

    private void checkCount(int length, int count, String what) throws UnreadableException {
        if (length != 4 * count) {
            throw folder.broken(what + " are of " + length / 4 + " vertices and not of " + count);
        }
    }

    /** Linear light, with or without opacity: glTF 2.0, 3.9.2. */
    private float[] colors(int accessor, String where, GltfAccessors numbers) throws UnreadableException {
        int width = numbers.width(accessor);
        if (width != 3 && width != 4) {
            throw folder.broken(where + ", colours have " + width + " numbers each and not 3 or 4");
        }
        float[] read = numbers.floats(accessor, where + ", colours", width);
        float[] all = new float[read.length / width * 4];
        Arrays.fill(all, 1);
        for (int i = 0; i < read.length; i++) {
            all[i / width * 4 + i % width] = read[i];
        }
        return all;
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

    private List<Skin> skins(GltfAccessors numbers, GltfNodes nodes) throws UnreadableException {
        List<Skin> skins = new ArrayList<>();
        for (de.javagl.jgltf.impl.v2.Skin skin : orEmpty(gltf.getSkins())) {
            List<Integer> joints = new ArrayList<>();
            for (int joint : orEmpty(skin.getJoints())) {
                joints.add(nodes.place(joint, "skin " + skins.size()));
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

    static int[] ascending(int count) {
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
