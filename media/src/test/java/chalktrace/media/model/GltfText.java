package chalktrace.media.model;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Base64;
import java.util.function.Consumer;

/** A small sound glTF of one triangle that turns, skinned to two joints, to be spoilt. */
final class GltfText {

    private static final ObjectMapper JSON = new ObjectMapper();

    private GltfText() {}

    static Path write(Path file, Consumer<ObjectNode> spoilt) throws IOException {
        ObjectNode root = sound();
        spoilt.accept(root);
        return Files.writeString(file, JSON.writeValueAsString(root));
    }

    static ObjectNode at(JsonNode root, String pointer) {
        return (ObjectNode) root.at(pointer);
    }

    /** Positions 0 to 36, indices 36 to 42, times 44 to 52, turns 52 to 84, joints 84 to 96, weights 96 to 144. */
    static ObjectNode sound() throws IOException {
        float half = (float) Math.sqrt(0.5);
        ByteBuffer bytes = ByteBuffer.allocate(144).order(ByteOrder.LITTLE_ENDIAN);
        for (float value : new float[] {0, 0, 0, 1, 0, 0, 0, 2, 0}) {
            bytes.putFloat(value);
        }
        bytes.putShort((short) 0).putShort((short) 1).putShort((short) 2).putShort((short) 0);
        for (float value : new float[] {0, 1, 0, 0, 0, 1, 0, 0, half, half}) {
            bytes.putFloat(value);
        }
        for (int joint : new int[] {0, 0, 0, 0, 0, 0, 0, 0, 1, 0, 0, 0}) {
            bytes.put((byte) joint);
        }
        for (int v = 0; v < 3; v++) {
            bytes.putFloat(1).putFloat(0).putFloat(0).putFloat(0);
        }
        String data = Base64.getEncoder().encodeToString(bytes.array());
        return (ObjectNode) JSON.readTree(
                """
                {"asset": {"version": "2.0"}, "scene": 0, "scenes": [{"nodes": [0, 1]}],
                 "nodes": [{"mesh": 0, "skin": 0, "name": "body"}, {"name": "hip", "children": [2]},
                           {"name": "knee", "translation": [0, 1, 0]}],
                 "meshes": [{"primitives": [{"attributes": {"POSITION": 0, "JOINTS_0": 4, "WEIGHTS_0": 5}, "indices": 1,
                                             "material": 0}]}],
                 "materials": [{"name": "red", "pbrMetallicRoughness": {"baseColorFactor": [1, 0, 0, 1]}}],
                 "skins": [{"joints": [1, 2]}],
                 "animations": [{"name": "turn", "samplers": [{"input": 2, "output": 3}],
                                 "channels": [{"sampler": 0, "target": {"node": 2, "path": "rotation"}}]}],
                 "accessors": [
                   {"bufferView": 0, "componentType": 5126, "count": 3, "type": "VEC3"},
                   {"bufferView": 1, "componentType": 5123, "count": 3, "type": "SCALAR"},
                   {"bufferView": 2, "componentType": 5126, "count": 2, "type": "SCALAR"},
                   {"bufferView": 3, "componentType": 5126, "count": 2, "type": "VEC4"},
                   {"bufferView": 4, "componentType": 5121, "count": 3, "type": "VEC4"},
                   {"bufferView": 5, "componentType": 5126, "count": 3, "type": "VEC4"}],
                 "bufferViews": [
                   {"buffer": 0, "byteOffset": 0, "byteLength": 36}, {"buffer": 0, "byteOffset": 36, "byteLength": 6},
                   {"buffer": 0, "byteOffset": 44, "byteLength": 8}, {"buffer": 0, "byteOffset": 52, "byteLength": 32},
                   {"buffer": 0, "byteOffset": 84, "byteLength": 12}, {"buffer": 0, "byteOffset": 96, "byteLength": 48}],
                 "buffers": [{"byteLength": 144, "uri": "data:application/octet-stream;base64,"}]}
                """
                        .replace("base64,", "base64," + data));
    }
}
