package chalktrace.demo.model;

import chalktrace.demo.scene.FigureParts.Place;
import chalktrace.demo.scene.FigureParts.Shape;
import chalktrace.demo.scene.Vec;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Parts that move as GLB (glTF 2.0, chapter 4): each hangs whole on a joint of its own. */
final class SkinnedGlb {

    private static final int FLOAT = 5126;
    private static final int UNSIGNED_SHORT = 5123;

    private final ObjectNode root = new ObjectMapper().createObjectNode();
    private final ByteArrayOutputStream binary = new ByteArrayOutputStream();
    private final ArrayNode views = root.putArray("bufferViews");
    private final ArrayNode accessors = root.putArray("accessors");
    private final String motion;

    SkinnedGlb(String name, String motion) {
        this.motion = motion;
        root.putObject("asset").put("version", "2.0").put("generator", "Chalk Trace demo");
        root.put("scene", 0);
        root.putArray("nodes").addObject().put("name", name).put("mesh", 0).put("skin", 0);
    }

    /** @param keys for each key the places of all parts */
    void write(List<Shape> shapes, List<List<Place>> keys, double secondsAKey, Path target) throws IOException {
        ArrayNode nodes = (ArrayNode) root.get("nodes");
        ArrayNode sceneNodes =
                root.putArray("scenes").addObject().putArray("nodes").add(0);
        ArrayNode joints = root.putArray("skins").addObject().putArray("joints");
        for (int i = 0; i < shapes.size(); i++) {
            Place place = keys.get(0).get(i);
            ObjectNode node = nodes.addObject().put("name", shapes.get(i).name());
            numbers(node.putArray("translation"), move(place));
            numbers(node.putArray("rotation"), turn(place));
            numbers(node.putArray("scale"), scale(place));
            sceneNodes.add(i + 1);
            joints.add(i + 1);
        }
        addMeshes(shapes);
        addMotion(keys, secondsAKey);
        Files.write(target, glb());
    }

    /** One primitive a colour. */
    private void addMeshes(List<Shape> shapes) {
        ArrayNode primitives = root.putArray("meshes").addObject().putArray("primitives");
        ArrayNode materials = root.putArray("materials");
        Map<String, Integer> known = new LinkedHashMap<>();
        for (int i = 0; i < shapes.size(); i++) {
            Shape shape = shapes.get(i);
            String name = shape.name().replaceFirst(" .*", "");
            Integer material = known.get(name);
            if (material == null) {
                material = known.size();
                known.put(name, material);
                numbers(
                        materials
                                .addObject()
                                .put("name", name)
                                .putObject("pbrMetallicRoughness")
                                .putArray("baseColorFactor"),
                        shape.red(),
                        shape.green(),
                        shape.blue(),
                        1);
            }
            int count = shape.positions().length / 3;
            short[] hung = new short[4 * count];
            float[] weights = new float[4 * count];
            for (int v = 0; v < count; v++) {
                hung[4 * v] = (short) i;
                weights[4 * v] = 1;
            }
            short[] corners = new short[shape.triangles().length];
            for (int k = 0; k < corners.length; k++) {
                corners[k] = (short) shape.triangles()[k];
            }
            ObjectNode primitive = primitives.addObject().put("material", material);
            int positions = add(shape.positions(), "VEC3");
            withBounds(positions, shape.positions());
            primitive
                    .putObject("attributes")
                    .put("POSITION", positions)
                    .put("NORMAL", add(shape.normals(), "VEC3"))
                    .put("JOINTS_0", add(hung, "VEC4", 4))
                    .put("WEIGHTS_0", add(weights, "VEC4"));
            primitive.put("indices", add(corners, "SCALAR", 1));
        }
    }

    private void addMotion(List<List<Place>> keys, double secondsAKey) {
        ObjectNode animation = root.putArray("animations").addObject().put("name", motion);
        ArrayNode channels = animation.putArray("channels");
        ArrayNode samplers = animation.putArray("samplers");
        float[] times = new float[keys.size()];
        for (int k = 0; k < times.length; k++) {
            times[k] = (float) (k * secondsAKey);
        }
        int input = add(times, "SCALAR");
        ((ObjectNode) accessors.get(input)).putArray("min").add(0);
        ((ObjectNode) accessors.get(input)).putArray("max").add(times[times.length - 1]);
        for (int i = 0; i < keys.get(0).size(); i++) {
            int part = i;
            addChannel(channels, samplers, input, i, "translation", "VEC3", keys, places -> move(places.get(part)));
            addChannel(channels, samplers, input, i, "rotation", "VEC4", keys, places -> turn(places.get(part)));
            addChannel(channels, samplers, input, i, "scale", "VEC3", keys, places -> scale(places.get(part)));
        }
    }

    /** What of a key is written. */
    private interface Part {
        double[] of(List<Place> places);
    }

    /** What never changes is not written. */
    private void addChannel(
            ArrayNode channels,
            ArrayNode samplers,
            int input,
            int joint,
            String path,
            String type,
            List<List<Place>> keys,
            Part part) {
        int width = part.of(keys.get(0)).length;
        float[] values = new float[keys.size() * width];
        boolean moves = false;
        for (int k = 0; k < keys.size(); k++) {
            double[] now = part.of(keys.get(k));
            for (int i = 0; i < width; i++) {
                values[k * width + i] = (float) now[i];
                moves |= Math.abs(values[k * width + i] - values[i]) > 1e-5;
            }
        }
        if (moves) {
            ObjectNode channel = channels.addObject().put("sampler", samplers.size());
            channel.putObject("target").put("node", joint + 1).put("path", path);
            samplers.addObject()
                    .put("input", input)
                    .put("output", add(values, type))
                    .put("interpolation", "LINEAR");
        }
    }

    private static double[] move(Place place) {
        return new double[] {
            place.origin().x(), place.origin().y(), place.origin().z()
        };
    }

    private static double[] scale(Place place) {
        return new double[] {1, place.stretch(), 1};
    }

    /** The turn of its axes as a quaternion (Shepperd, "Quaternion from rotation matrix", 1978). */
    private static double[] turn(Place place) {
        Vec x = place.x();
        Vec y = place.y();
        Vec z = place.z();
        double trace = x.x() + y.y() + z.z();
        if (trace > 0) {
            double s = 2 * Math.sqrt(trace + 1);
            return new double[] {(y.z() - z.y()) / s, (z.x() - x.z()) / s, (x.y() - y.x()) / s, s / 4};
        }
        if (x.x() > y.y() && x.x() > z.z()) {
            double s = 2 * Math.sqrt(1 + x.x() - y.y() - z.z());
            return new double[] {s / 4, (y.x() + x.y()) / s, (z.x() + x.z()) / s, (y.z() - z.y()) / s};
        }
        if (y.y() > z.z()) {
            double s = 2 * Math.sqrt(1 + y.y() - x.x() - z.z());
            return new double[] {(y.x() + x.y()) / s, s / 4, (z.y() + y.z()) / s, (z.x() - x.z()) / s};
        }
        double s = 2 * Math.sqrt(1 + z.z() - x.x() - y.y());
        return new double[] {(z.x() + x.z()) / s, (z.y() + y.z()) / s, s / 4, (x.y() - y.x()) / s};
    }

    private int add(float[] values, String type) {
        ByteBuffer bytes = little(4 * values.length);
        for (float value : values) {
            bytes.putFloat(value);
        }
        int width = type.equals("SCALAR") ? 1 : type.equals("VEC3") ? 3 : 4;
        return add(bytes, FLOAT, values.length / width, type);
    }

    private int add(short[] values, String type, int width) {
        ByteBuffer bytes = little(2 * values.length);
        for (short value : values) {
            bytes.putShort(value);
        }
        return add(bytes, UNSIGNED_SHORT, values.length / width, type);
    }

    private int add(ByteBuffer bytes, int componentType, int count, String type) {
        while (binary.size() % 4 != 0) {
            binary.write(0);
        }
        views.addObject().put("buffer", 0).put("byteOffset", binary.size()).put("byteLength", bytes.capacity());
        binary.writeBytes(bytes.array());
        accessors
                .addObject()
                .put("bufferView", views.size() - 1)
                .put("componentType", componentType)
                .put("count", count)
                .put("type", type);
        return accessors.size() - 1;
    }

    private void withBounds(int accessor, float[] positions) {
        ArrayNode low = ((ObjectNode) accessors.get(accessor)).putArray("min");
        ArrayNode high = ((ObjectNode) accessors.get(accessor)).putArray("max");
        for (int axis = 0; axis < 3; axis++) {
            float least = positions[axis];
            float most = positions[axis];
            for (int i = axis; i < positions.length; i += 3) {
                least = Math.min(least, positions[i]);
                most = Math.max(most, positions[i]);
            }
            low.add(least);
            high.add(most);
        }
    }

    private static void numbers(ArrayNode to, double... values) {
        for (double value : values) {
            to.add((float) value);
        }
    }

    private byte[] glb() throws IOException {
        root.putArray("buffers").addObject().put("byteLength", binary.size());
        byte[] json = new ObjectMapper().writeValueAsString(root).getBytes(StandardCharsets.UTF_8);
        int jsonLength = (json.length + 3) / 4 * 4;
        int binaryLength = (binary.size() + 3) / 4 * 4;
        ByteBuffer out = little(12 + 8 + jsonLength + 8 + binaryLength);
        out.putInt(0x46546C67).putInt(2).putInt(out.capacity());
        out.putInt(jsonLength).putInt(0x4E4F534A).put(json);
        while (out.position() < 20 + jsonLength) {
            out.put((byte) ' ');
        }
        out.putInt(binaryLength).putInt(0x004E4942).put(binary.toByteArray());
        return out.array();
    }

    private static ByteBuffer little(int bytes) {
        return ByteBuffer.allocate(bytes).order(ByteOrder.LITTLE_ENDIAN);
    }
}
