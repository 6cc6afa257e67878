package chalktrace.core.space;

import java.util.List;
import java.util.Optional;

/**
 * A part of a model that moves as one, such as a joint.
 *
 * @param parent the node that it hangs on, always before it; -1 for none
 * @param stance at rest
 * @param meshes which of the model's it carries
 * @param skin of the model's, which moves its meshes; -1 for none
 * @param morphing how much of each morph there is at rest
 */
public record Node(
        String name,
        int parent,
        Stance stance,
        List<Integer> meshes,
        int skin,
        List<Double> morphing,
        Optional<Lens> camera) {

    public static Node of(String name, int parent, Stance stance, List<Integer> meshes) {
        return new Node(name, parent, stance, meshes, -1, List.of(), Optional.empty());
    }

    public Node {
        meshes = List.copyOf(meshes);
        morphing = List.copyOf(morphing);
    }

    /** Hung on another node. */
    Node under(int other) {
        return new Node(name, other, stance, meshes, skin, morphing, camera);
    }
}
