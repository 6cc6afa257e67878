package chalktrace.media.model;

import chalktrace.core.picture.Rgb;
import chalktrace.core.space.Mesh;
import chalktrace.core.space.Model;
import chalktrace.core.space.Node;
import chalktrace.core.space.RoundedNormals;
import chalktrace.core.space.Stance;
import chalktrace.core.space.Surface;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/** Models of one node that never moves, as most formats hold them. */
final class StillModel {

    /** What has colours at its vertices and no other. */
    static final Surface WHITE =
            new Surface("white", new Rgb(255, 255, 255), 1, Optional.empty(), Surface.Cover.WHOLE, 0, true);

    private StillModel() {}

    static Model of(List<Mesh> meshes, List<Surface> surfaces, Collection<String> notes) {
        Node node = Node.of(
                "model",
                -1,
                Stance.NONE,
                IntStream.range(0, meshes.size()).boxed().toList());
        return new Model(List.of(node), meshes, surfaces, List.of(), List.of(), "", List.copyOf(notes));
    }

    /**
     * Triangles whose corners are vertices of their own each, as their normals are.
     *
     * @param places three numbers a corner
     * @param normals as many; none: they are rounded
     * @param texels two a corner
     */
    static Mesh mesh(float[] places, Optional<float[]> normals, Optional<float[]> texels, int surface) {
        return new Mesh(
                places,
                Optional.of(normals.orElseGet(() -> RoundedNormals.of(places))),
                texels,
                GltfModelReader.ascending(places.length / 3),
                surface,
                List.of(),
                Optional.empty(),
                Optional.empty());
    }
}
