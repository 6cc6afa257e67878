package chalktrace.core.space;

import java.util.Arrays;
import java.util.Optional;

/** Puts the vertices of one mesh where its node, its morphs and its joints want them: glTF 2.0, 3.7.2 and 3.7.3. */
final class PartPoser {

    private final Mesh mesh;
    private final double[] morphing;
    private final float[] positions;
    private final float[] normals;
    private final int first;

    /** @param first its first vertex among those of all meshes, which {@code positions} and {@code normals} hold */
    PartPoser(Mesh mesh, double[] morphing, float[] positions, float[] normals, int first) {
        this.mesh = mesh;
        this.morphing = morphing;
        this.positions = positions;
        this.normals = normals;
        this.first = first;
    }

    /** Joints alone place what they pull; the place of its node counts for other meshes only. */
    void place(Optional<Skin> skin, Matrix4[] places, Matrix4 node) {
        float[] from = morphed();
        if (skin.isPresent()) {
            pull(from, skin.get(), places);
        } else {
            float[] rows = rows(node);
            float[] turns = rows(node.ofNormals());
            for (int v = 0; v < mesh.vertices(); v++) {
                put(from, v, rows, turns);
            }
        }
    }

    private float[] morphed() {
        float[] from = mesh.positions();
        if (mesh.morphs().isEmpty()) {
            return from;
        }
        from = from.clone();
        for (int m = 0; m < Math.min(morphing.length, mesh.morphs().size()); m++) {
            float share = (float) morphing[m];
            float[] added = mesh.morphs().get(m);
            for (int i = 0; share != 0 && i < from.length; i++) {
                from[i] += share * added[i];
            }
        }
        return from;
    }

    private void pull(float[] from, Skin skin, Matrix4[] places) {
        int count = skin.joints().size();
        float[] rows = new float[12 * count];
        for (int j = 0; j < count; j++) {
            Matrix4 joint = places[skin.joints().get(j)].times(skin.atRest().get(j));
            System.arraycopy(rows(joint), 0, rows, 12 * j, 12);
        }
        int[] joints = mesh.joints().orElseThrow();
        float[] weights = mesh.weights().orElseThrow();
        int each = mesh.jointsAVertex();
        float[] mixed = new float[12];
        for (int v = 0; v < mesh.vertices(); v++) {
            float total = 0;
            Arrays.fill(mixed, 0);
            for (int k = each * v; k < each * (v + 1); k++) {
                int joint = 12 * Math.min(joints[k], count - 1);
                total += weights[k];
                for (int i = 0; weights[k] != 0 && i < 12; i++) {
                    mixed[i] += weights[k] * rows[joint + i];
                }
            }
            for (int i = 0; total > 0 && i < 12; i++) {
                mixed[i] /= total;
            }
            put(from, v, mixed, mixed);
        }
    }

    private void put(float[] from, int v, float[] rows, float[] turns) {
        int to = 3 * (first + v);
        float x = from[3 * v];
        float y = from[3 * v + 1];
        float z = from[3 * v + 2];
        for (int i = 0; i < 3; i++) {
            int r = 4 * i;
            positions[to + i] = rows[r] * x + rows[r + 1] * y + rows[r + 2] * z + rows[r + 3];
        }
        if (mesh.normals().isPresent()) {
            float[] own = mesh.normals().get();
            float nx = own[3 * v];
            float ny = own[3 * v + 1];
            float nz = own[3 * v + 2];
            for (int i = 0; i < 3; i++) {
                int r = 4 * i;
                normals[to + i] = turns[r] * nx + turns[r + 1] * ny + turns[r + 2] * nz;
            }
        }
    }

    /** The upper three rows, one after the other. */
    private static float[] rows(Matrix4 matrix) {
        float[] out = new float[12];
        for (int i = 0; i < 12; i++) {
            out[i] = (float) matrix.at(i / 4, i % 4);
        }
        return out;
    }
}
