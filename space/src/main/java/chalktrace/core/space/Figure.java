package chalktrace.core.space;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;

/** A model made ready to be posed again and again: the meshes of all nodes in one list of vertices and of triangles. Safe for threads. */
public final class Figure {

    /** The mesh of one node, with its place among all vertices. */
    private record Part(int node, Mesh mesh, Optional<Skin> skin, int firstVertex) {}

    /** So many moments of an animation are looked at to find what it reaches, and so many vertices altogether. */
    private static final int MOST_LOOKS = 32;

    private static final int MOST_LOOKED_AT = 4_000_000;

    private final Model model;
    private final List<Part> parts = new ArrayList<>();
    private final int vertices;
    private final int[] triangles;
    private final short[] surfaces;
    private final float[] texels;
    private final Optional<float[]> colors;
    private final Pose rest;
    private final Bounds bounds;
    private final Bounds reach;
    private final FeatureEdges edges;
    private final BitSet closed = new BitSet();
    private Figure raised;

    public Figure(Model model) {
        this.model = model;
        int vertex = 0;
        int corner = 0;
        for (int n = 0; n < model.nodes().size(); n++) {
            Node node = model.nodes().get(n);
            Optional<Skin> skin = node.skin() < 0
                    ? Optional.empty()
                    : Optional.of(model.skins().get(node.skin()));
            for (int index : node.meshes()) {
                Mesh mesh = model.meshes().get(index);
                parts.add(new Part(n, mesh, skin.filter(s -> mesh.joints().isPresent()), vertex));
                vertex += mesh.vertices();
                corner += mesh.triangles().length;
            }
        }
        vertices = vertex;
        triangles = new int[corner];
        surfaces = new short[corner / 3];
        texels = new float[2 * vertex];
        boolean colored = parts.stream().anyMatch(part -> part.mesh().colors().isPresent());
        colors = colored ? Optional.of(new float[4 * vertex]) : Optional.empty();
        colors.ifPresent(all -> Arrays.fill(all, 1));
        int at = 0;
        for (Part part : parts) {
            Arrays.fill(surfaces, at / 3, at / 3 + part.mesh().triangles().length / 3, (short)
                    part.mesh().surface());
            boolean mirrored = isMirrored(part.node());
            for (int index : part.mesh().triangles()) {
                triangles[at++] = index + part.firstVertex();
                if (mirrored && at % 3 == 0) {
                    triangles[at - 1] = triangles[at - 2];
                    triangles[at - 2] = index + part.firstVertex();
                }
            }
            part.mesh().texels().ifPresent(uv -> System.arraycopy(uv, 0, texels, 2 * part.firstVertex(), uv.length));
            part.mesh()
                    .colors()
                    .ifPresent(
                            own -> System.arraycopy(own, 0, colors.orElseThrow(), 4 * part.firstVertex(), own.length));
        }
        rest = pose(Optional.empty(), 0);
        bounds = pose(model.motions().stream().findFirst(), 0).bounds();
        reach = reached();
        edges = FeatureEdges.of(rest.positions(), triangles);
        boolean solid = model.surfaces().stream().allMatch(surface -> surface.cover() == Surface.Cover.WHOLE);
        closed.set(0, solid ? surfaces.length : 0);
        edges.clearOpen(closed);
    }

    /** Its first animation may lead it far from where it starts: looked at now and then. */
    private Bounds reached() {
        Optional<Motion> motion = model.motions().stream().findFirst();
        double seconds = motion.map(Motion::seconds).orElse(0.0);
        int looks = seconds > 0 ? Math.max(2, Math.min(MOST_LOOKS, MOST_LOOKED_AT / Math.max(1, vertices))) : 1;
        Bounds all = bounds;
        for (int i = 1; i < looks; i++) {
            all = all.with(pose(motion, seconds * i / (looks - 1)).bounds());
        }
        return all;
    }

    /** A node that turns left to right turns the sense of its triangles round as well: glTF 2.0, 3.7.4. */
    private boolean isMirrored(int node) {
        boolean mirrored = false;
        for (int n = node; n >= 0; n = model.nodes().get(n).parent()) {
            Point3 scale = model.nodes().get(n).stance().scale();
            mirrored ^= scale.x() * scale.y() * scale.z() < 0;
        }
        return mirrored;
    }

    public Model model() {
        return model;
    }

    /** The same, set up from lying on its back; made once. */
    synchronized Figure raised() {
        if (raised == null) {
            raised = new Figure(model.raised());
        }
        return raised;
    }

    /** As the file has it, nothing moved. */
    public Pose rest() {
        return rest;
    }

    /** Where it stands as its first animation starts, which may be far from where it rests; at rest when it has none. */
    public Bounds bounds() {
        return bounds;
    }

    /** What it takes up while its first animation plays. */
    public Bounds reach() {
        return reach;
    }

    public int vertices() {
        return vertices;
    }

    /** Three vertices each. */
    int[] triangles() {
        return triangles;
    }

    Surface surface(int triangle) {
        return model.surfaces().get(surfaces[triangle]);
    }

    float[] texels() {
        return texels;
    }

    /** Four numbers a vertex, as linear light and opacity; none where no mesh has colours. */
    Optional<float[]> colors() {
        return colors;
    }

    /** Where its surface may show a line. */
    FeatureEdges edges() {
        return edges;
    }

    /** Whether a triangle is of a form without holes, whose inside is never seen from outside. */
    boolean isClosed(int triangle) {
        return closed.get(triangle);
    }

    /** As it is at a time of an animation; before its start and after its end as there. Cost: vertices times joints a vertex. */
    public Pose pose(Optional<Motion> motion, double seconds) {
        double[][] morphing = model.nodes().stream()
                .map(node -> node.morphing().stream().mapToDouble(m -> m).toArray())
                .toArray(double[][]::new);
        Stance[] stances = motion.map(moves -> stances(moves, seconds)).orElseGet(this::restStances);
        for (Channel channel : motion.map(Motion::channels).orElse(List.of())) {
            if (channel.property() == Channel.Property.MORPHS) {
                morphing[channel.node()] = channel.at(seconds);
            }
        }
        Matrix4[] places = places(stances);
        float[] positions = new float[3 * vertices];
        float[] normals = new float[3 * vertices];
        for (Part part : parts) {
            new PartPoser(part.mesh(), morphing[part.node()], positions, normals, part.firstVertex())
                    .place(part.skin(), places, places[part.node()]);
        }
        return new Pose(this, places, positions, normals);
    }

    private Stance[] restStances() {
        return model.nodes().stream().map(Node::stance).toArray(Stance[]::new);
    }

    /** How each node stands in the one above it at a time of an animation. */
    Stance[] stances(Motion motion, double seconds) {
        Stance[] stances = restStances();
        for (Channel channel : motion.channels()) {
            Stance was = stances[channel.node()];
            switch (channel.property()) {
                case MOVE -> stances[channel.node()] = new Stance(point(channel.at(seconds)), was.turn(), was.scale());
                case TURN ->
                    stances[channel.node()] =
                            new Stance(was.move(), Channel.quaternion(channel.at(seconds)), was.scale());
                case SCALE -> stances[channel.node()] = new Stance(was.move(), was.turn(), point(channel.at(seconds)));
                case MORPHS -> {
                    // Morphs move vertices, not nodes.
                }
            }
        }
        return stances;
    }

    /** How each node stands in space. @param stances of each in the one above it */
    Matrix4[] places(Stance[] stances) {
        Matrix4[] places = new Matrix4[stances.length];
        for (int i = 0; i < stances.length; i++) {
            Matrix4 own = Matrix4.of(stances[i]);
            int parent = model.nodes().get(i).parent();
            places[i] = parent < 0 ? own : places[parent].times(own);
        }
        return places;
    }

    private static Point3 point(double[] v) {
        return new Point3(v[0], v[1], v[2]);
    }
}
