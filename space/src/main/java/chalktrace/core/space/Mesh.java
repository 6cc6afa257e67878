package chalktrace.core.space;

import java.util.List;
import java.util.Optional;

/**
 * Triangles with one surface, with n vertices. It is made once and shared: the arrays are not to be written to.
 */
public final class Mesh {

    private final float[] positions;
    private final Optional<float[]> normals;
    private final Optional<float[]> texels;
    private final int[] triangles;
    private final int surface;
    private final List<float[]> morphs;
    private final Optional<int[]> joints;
    private final Optional<float[]> weights;
    private final Optional<float[]> colors;

    /**
     * @param positions 3 n numbers
     * @param normals 3 n numbers, each of length 1; none: they are taken from the triangles
     * @param texels 2 n numbers, (0, 0) the texture's upper left; none without a texture
     * @param triangles three indices of vertices each
     * @param surface which of the model's
     * @param morphs what is added to the positions, each by its weight: 3 n numbers a morph
     * @param joints of a skinned mesh, as many for each vertex, counted in its skin
     * @param weights how much each of them pulls
     * @throws IllegalArgumentException when the sizes do not fit together or an index is out of range
     */
    public Mesh(
            float[] positions,
            Optional<float[]> normals,
            Optional<float[]> texels,
            int[] triangles,
            int surface,
            List<float[]> morphs,
            Optional<int[]> joints,
            Optional<float[]> weights) {
        this(positions, normals, texels, triangles, surface, morphs, joints, weights, Optional.empty());
    }

    private Mesh(
            float[] positions,
            Optional<float[]> normals,
            Optional<float[]> texels,
            int[] triangles,
            int surface,
            List<float[]> morphs,
            Optional<int[]> joints,
            Optional<float[]> weights,
            Optional<float[]> colors) {
        int n = positions.length / 3;
        require(positions.length == 3 * n, "positions");
        require(normals.map(a -> a.length == 3 * n).orElse(true), "normals");
        require(texels.map(a -> a.length == 2 * n).orElse(true), "texture coordinates");
        require(morphs.stream().allMatch(a -> a.length == 3 * n), "morphs");
        require(joints.map(a -> n > 0 && a.length % n == 0).orElse(true), "joints");
        require(joints.map(a -> a.length).equals(weights.map(a -> a.length)), "joints and weights");
        require(colors.map(a -> a.length == 4 * n).orElse(true), "colours");
        require(triangles.length % 3 == 0, "triangles");
        for (int index : triangles) {
            if (index < 0 || index >= n) {
                throw new IllegalArgumentException("names vertex " + index + " of " + n);
            }
        }
        this.positions = positions;
        this.normals = normals;
        this.texels = texels;
        this.triangles = triangles;
        this.surface = surface;
        this.morphs = List.copyOf(morphs);
        this.joints = joints;
        this.weights = weights;
        this.colors = colors;
    }

    /**
     * With a colour for each vertex, by which that of its surface is multiplied.
     *
     * @param newColors 4 n numbers, red, green and blue as linear light and opacity, 0 to 1 each
     * @throws IllegalArgumentException when there are not four a vertex
     */
    public Mesh withColors(float[] newColors) {
        return new Mesh(
                positions, normals, texels, triangles, surface, morphs, joints, weights, Optional.of(newColors));
    }

    public float[] positions() {
        return positions;
    }

    public Optional<float[]> normals() {
        return normals;
    }

    public Optional<float[]> texels() {
        return texels;
    }

    public int[] triangles() {
        return triangles;
    }

    public int surface() {
        return surface;
    }

    public List<float[]> morphs() {
        return morphs;
    }

    public Optional<int[]> joints() {
        return joints;
    }

    public Optional<float[]> weights() {
        return weights;
    }

    public Optional<float[]> colors() {
        return colors;
    }

    /** How many joints pull each vertex. */
    int jointsAVertex() {
        return joints.map(all -> all.length / vertices()).orElse(0);
    }

    /** Positions and triangles alone. */
    public static Mesh of(float[] positions, int[] triangles, int surface) {
        return new Mesh(
                positions,
                Optional.empty(),
                Optional.empty(),
                triangles,
                surface,
                List.of(),
                Optional.empty(),
                Optional.empty());
    }

    public int vertices() {
        return positions.length / 3;
    }

    private static void require(boolean fits, String what) {
        if (!fits) {
            throw new IllegalArgumentException("has " + what + " that do not fit its vertices");
        }
    }
}
