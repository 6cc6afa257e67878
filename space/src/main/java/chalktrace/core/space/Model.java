package chalktrace.core.space;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A model in space: nodes that carry meshes, and how they move. It is made once, checked, and shared.
 *
 * @param nodes each after the one that it hangs on
 * @param unit what a length of 1 means, as far as the file says so, such as {@link #METRE}
 * @param notes what its file holds and is not read, one sentence each
 */
public record Model(
        List<Node> nodes,
        List<Mesh> meshes,
        List<Surface> surfaces,
        List<Skin> skins,
        List<Motion> motions,
        String unit,
        List<String> notes) {

    public static final String METRE = "metre";

    /** @throws IllegalArgumentException when something names what is not there */
    public Model {
        nodes = List.copyOf(nodes);
        meshes = List.copyOf(meshes);
        surfaces = List.copyOf(surfaces);
        skins = List.copyOf(skins);
        motions = List.copyOf(motions);
        notes = List.copyOf(notes);
        for (int i = 0; i < nodes.size(); i++) {
            Node node = nodes.get(i);
            require(node.parent() < i, "node " + i + " comes before the one that it hangs on");
            for (int mesh : node.meshes()) {
                require(mesh >= 0 && mesh < meshes.size(), "node " + i + " names mesh " + mesh);
            }
            require(node.skin() < skins.size(), "node " + i + " names skin " + node.skin());
        }
        for (Mesh mesh : meshes) {
            require(mesh.surface() >= 0 && mesh.surface() < surfaces.size(), "a mesh names surface " + mesh.surface());
        }
        for (Skin skin : skins) {
            for (int joint : skin.joints()) {
                require(joint >= 0 && joint < nodes.size(), "a skin names node " + joint);
            }
        }
        for (Motion motion : motions) {
            for (Channel channel : motion.channels()) {
                require(
                        channel.node() >= 0 && channel.node() < nodes.size(),
                        "an animation names node " + channel.node());
            }
        }
    }

    public int triangles() {
        return nodes.stream()
                .flatMap(node -> node.meshes().stream())
                .mapToInt(mesh -> meshes.get(mesh).triangles().length / 3)
                .sum();
    }

    public int vertices() {
        return nodes.stream()
                .flatMap(node -> node.meshes().stream())
                .mapToInt(mesh -> meshes.get(mesh).vertices())
                .sum();
    }

    /** The nodes that pull skins, each once. */
    public List<Integer> joints() {
        return skins.stream()
                .flatMap(skin -> skin.joints().stream())
                .distinct()
                .sorted()
                .toList();
    }

    /** An animation by its name; the rest pose has none. */
    public Optional<Motion> motion(String name) {
        return motions.stream().filter(motion -> motion.name().equals(name)).findFirst();
    }

    /** The first node of a name; -1 when there is none. */
    int node(String name) {
        for (int i = 0; i < nodes.size(); i++) {
            if (nodes.get(i).name().equals(name)) {
                return i;
            }
        }
        return -1;
    }

    /** With one animation more. */
    Model with(Motion more) {
        List<Motion> all = new ArrayList<>(motions);
        all.add(more);
        return new Model(nodes, meshes, surfaces, skins, all, unit, notes);
    }

    /** The nodes that carry cameras. */
    public List<Integer> cameras() {
        List<Integer> found = new ArrayList<>();
        for (int i = 0; i < nodes.size(); i++) {
            if (nodes.get(i).camera().isPresent()) {
                found.add(i);
            }
        }
        return found;
    }

    /** With z upright in place of y: all hangs on a new node, which comes first. */
    Model raised() {
        List<Node> under = new ArrayList<>();
        under.add(Node.of(
                "upright",
                -1,
                new Stance(Point3.ZERO, Quaternion.about(new Point3(1, 0, 0), -90), new Point3(1, 1, 1)),
                List.of()));
        nodes.forEach(node -> under.add(node.under(node.parent() + 1)));
        return new Model(
                under,
                meshes,
                surfaces,
                skins.stream()
                        .map(skin -> new Skin(
                                skin.joints().stream().map(joint -> joint + 1).toList(), skin.atRest()))
                        .toList(),
                motions.stream()
                        .map(motion -> new Motion(
                                motion.name(),
                                motion.channels().stream()
                                        .map(channel -> channel.of(channel.node() + 1))
                                        .toList()))
                        .toList(),
                unit,
                notes);
    }

    private static void require(boolean holds, String otherwise) {
        if (!holds) {
            throw new IllegalArgumentException(otherwise);
        }
    }
}
