package chalktrace.media.model;

import chalktrace.core.picture.Srgb;
import chalktrace.core.space.Mesh;
import chalktrace.core.space.Model;
import chalktrace.core.space.Surface;
import chalktrace.core.space.Triangulation;
import chalktrace.media.UnreadableException;
import chalktrace.media.model.PlyElements.Element;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Reads PLY, in letters and binary of either byte order (Turk, "The PLY Polygon File Format", 1994): polygons, or dots where there are none, with
 * colours and normals at vertices.
 */
final class PlyModel {

    private static final int MOST_CORNERS = 2000;

    /** Each dot is a tetrahedron. */
    private static final int DOT_TRIANGLES = 4;

    private static final int MOST_DOTS = ModelFiles.MOST_TRIANGLES / DOT_TRIANGLES;

    /** What names of colours start with. */
    private static final List<String> COLORS = List.of("", "diffuse_", "r");

    private static final int[] DOT = {0, 1, 2, 0, 3, 1, 1, 3, 2, 2, 3, 0};
    private static final float[] DOT_CORNERS = {1, 1, 1, -1, -1, 1, 1, -1, -1, -1, 1, -1};

    /** Half of a dot, in shares of how far dots lie apart if they lie evenly on a surface as large as the model. */
    private static final double DOT_HALF = 0.25;

    private final ModelFolder folder;
    private final PlyElements elements;
    private final Set<String> notes = new LinkedHashSet<>();
    private final int count;
    private final float[] places;
    private final Optional<float[]> normals;
    private final Optional<float[]> colors;

    private PlyModel(ModelFolder folder) throws UnreadableException {
        this.folder = folder;
        elements = new PlyElements(folder);
        Element vertex = elements.of("vertex");
        if (vertex == null) {
            throw folder.broken("it has no vertices");
        }
        count = vertex.count();
        places = vertex.side("x", "y", "z").orElseThrow(() -> folder.broken("its vertices have no x, y and z"));
        normals = vertex.side("nx", "ny", "nz");
        if (vertex.side("s", "t").isPresent() || vertex.side("u", "v").isPresent()) {
            notes.add("Its texture is not read.");
        }
        colors = colors(vertex);
    }

    static Model read(ModelFolder folder) throws UnreadableException {
        return new PlyModel(folder).model();
    }

    private Model model() throws UnreadableException {
        Element face = elements.of("face");
        if (elements.of("tristrips") != null) {
            notes.add("Strips of triangles are not read.");
        }
        Mesh mesh = face == null || face.count() == 0 ? dots() : faces(face);
        return StillModel.of(List.of(mesh), List.of(colors.isPresent() ? StillModel.WHITE : Surface.PLAIN), notes);
    }

    /** Linear light and opacity. */
    private static Optional<float[]> colors(Element vertex) {
        for (String start : COLORS) {
            boolean letters = start.equals("r");
            Optional<float[]> read =
                    letters ? vertex.side("r", "g", "b") : vertex.side(start + "red", start + "green", start + "blue");
            if (read.isPresent()) {
                double full = vertex.full(letters ? "r" : start + "red");
                float[] out = new float[4 * vertex.count()];
                for (int i = 0; i < out.length; i++) {
                    double part = i % 4 == 3 ? 1 : read.get()[i / 4 * 3 + i % 4] / full;
                    out[i] = (float) Srgb.light(Math.max(0, Math.min(1, part)));
                }
                return Optional.of(out);
            }
        }
        return Optional.empty();
    }

    /** Corners are vertices of their own, as their normals are. */
    private Mesh faces(Element face) throws UnreadableException {
        int[][] lists = face.lists("vertex_indices", "vertex_index");
        if (lists == null) {
            throw folder.broken("its faces have no \"vertex_indices\"");
        }
        Numbers corners = new Numbers();
        Numbers sides = new Numbers();
        Numbers colored = new Numbers();
        for (int f = 0; f < lists.length; f++) {
            int[] list = lists[f];
            if (list.length > MOST_CORNERS) {
                throw folder.wrong(
                        "has a face of " + list.length + " corners (face " + f + "); " + MOST_CORNERS + " can be shown",
                        "Cut it into triangles.");
            }
            if (list.length < 3) {
                continue;
            }
            double[] outline = new double[3 * list.length];
            for (int k = 0; k < outline.length; k++) {
                int vertex = list[k / 3];
                if (vertex < 0 || vertex >= count) {
                    throw folder.broken("face " + f + " names vertex " + vertex + " of " + count);
                }
                outline[k] = places[3 * vertex + k % 3];
            }
            for (int k : Triangulation.of(outline)) {
                add(corners, places, 3, list[k]);
                normals.ifPresent(all -> add(sides, all, 3, list[k]));
                colors.ifPresent(all -> add(colored, all, 4, list[k]));
            }
            folder.checkTriangles(corners.count() / 9);
        }
        Mesh mesh = StillModel.mesh(corners.all(), normals.map(all -> sides.all()), Optional.empty(), 0);
        return colors.isPresent() ? mesh.withColors(colored.all()) : mesh;
    }

    private static void add(Numbers to, float[] all, int width, int index) {
        for (int i = 0; i < width; i++) {
            to.add(all[width * index + i]);
        }
    }

    /** Small tetrahedra, as many as can be shown. */
    private Mesh dots() {
        int every = (count + MOST_DOTS - 1) / MOST_DOTS;
        if (every > 1) {
            notes.add("It has " + count + " dots; each " + every + "th is shown.");
        }
        int shown = every == 0 ? 0 : (count + every - 1) / every;
        float half = (float) (DOT_HALF * extent() / Math.sqrt(Math.max(1, shown)));
        float[] positions = new float[12 * shown];
        float[] sides = new float[12 * shown];
        float[] colored = new float[16 * shown];
        int[] triangles = new int[DOT.length * shown];
        for (int d = 0; d < shown; d++) {
            int vertex = d * every;
            for (int k = 0; k < DOT.length; k++) {
                positions[12 * d + k] = places[3 * vertex + k % 3] + half * DOT_CORNERS[k];
                sides[12 * d + k] = normals.isPresent() ? normals.get()[3 * vertex + k % 3] : DOT_CORNERS[k];
                triangles[DOT.length * d + k] = 4 * d + DOT[k];
            }
            for (int k = 0; k < 16 && colors.isPresent(); k++) {
                colored[16 * d + k] = colors.get()[4 * vertex + k % 4];
            }
        }
        Mesh mesh = new Mesh(
                positions,
                Optional.of(sides),
                Optional.empty(),
                triangles,
                0,
                List.of(),
                Optional.empty(),
                Optional.empty());
        return colors.isPresent() ? mesh.withColors(colored) : mesh;
    }

    /** Across all places, in the model's own unit. */
    private double extent() {
        float[] low = {Float.MAX_VALUE, Float.MAX_VALUE, Float.MAX_VALUE};
        float[] high = {-Float.MAX_VALUE, -Float.MAX_VALUE, -Float.MAX_VALUE};
        for (int i = 0; i < places.length; i++) {
            low[i % 3] = Math.min(low[i % 3], places[i]);
            high[i % 3] = Math.max(high[i % 3], places[i]);
        }
        return count == 0
                ? 0
                : Math.sqrt(square(high[0] - low[0]) + square(high[1] - low[1]) + square(high[2] - low[2]));
    }

    private static double square(double number) {
        return number * number;
    }
}
