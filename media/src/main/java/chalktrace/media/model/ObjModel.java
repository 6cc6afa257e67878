package chalktrace.media.model;

import chalktrace.core.picture.ArgbPicture;
import chalktrace.core.picture.Rgb;
import chalktrace.core.space.Mesh;
import chalktrace.core.space.Model;
import chalktrace.core.space.Node;
import chalktrace.core.space.RoundedNormals;
import chalktrace.core.space.Stance;
import chalktrace.core.space.Surface;
import chalktrace.core.space.Triangulation;
import chalktrace.media.UnreadableException;
import de.javagl.obj.FloatTuple;
import de.javagl.obj.Mtl;
import de.javagl.obj.MtlReader;
import de.javagl.obj.Obj;
import de.javagl.obj.ObjFace;
import de.javagl.obj.ObjReader;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;

/** Reads OBJ with MTL (Wavefront, "Object Files", version 3.0): polygons, normals, texture coordinates, colours and their textures. */
final class ObjModel {

    private static final int MOST_CORNERS = 2000;

    private final ModelFolder folder;
    private final Obj obj;
    private final Set<String> notes = new LinkedHashSet<>();
    private final Map<String, Integer> surfaces = new LinkedHashMap<>();
    private final List<Surface> all = new ArrayList<>(List.of(Surface.PLAIN));

    private ObjModel(ModelFolder folder) throws UnreadableException {
        this.folder = folder;
        byte[] text = folder.text();
        folder.checkTriangles(faces(text));
        try {
            obj = ObjReader.read(new ByteArrayInputStream(text));
        } catch (IOException | RuntimeException e) {
            throw folder.broken("it is no OBJ (" + e.getMessage() + ")");
        }
    }

    /** How many lines are faces: a triangle at least each. */
    private static long faces(byte[] text) {
        long faces = 0;
        for (int i = 1; i + 1 < text.length; i++) {
            if (text[i] == 'f' && text[i - 1] == '\n' && text[i + 1] <= ' ') {
                faces++;
            }
        }
        return faces;
    }

    static Model read(ModelFolder folder) throws UnreadableException {
        return new ObjModel(folder).model();
    }

    /** The file and the materials and textures that it names, as far as they are there. */
    static List<Path> files(ModelFolder folder, Path file) throws UnreadableException {
        List<Path> files = new ArrayList<>(List.of(file));
        for (String name : new ObjModel(folder).obj.getMtlFileNames()) {
            Path place = folder.place(name);
            if (Files.isRegularFile(place)) {
                files.add(place);
            }
        }
        return files;
    }

    private Model model() throws UnreadableException {
        for (String name : obj.getMtlFileNames()) {
            addSurfaces(name);
        }
        Map<Integer, List<ObjFace>> bySurface = new LinkedHashMap<>();
        for (int i = 0; i < obj.getNumFaces(); i++) {
            ObjFace face = obj.getFace(i);
            String name = obj.getActivatedMaterialGroupName(face);
            Integer surface = name == null ? Integer.valueOf(0) : surfaces.get(name);
            if (surface == null) {
                notes.add("The material \"" + name + "\" is missing; what has it is grey.");
                surface = 0;
            }
            bySurface.computeIfAbsent(surface, s -> new ArrayList<>()).add(face);
        }
        List<Mesh> meshes = new ArrayList<>();
        for (Map.Entry<Integer, List<ObjFace>> part : bySurface.entrySet()) {
            meshes.add(mesh(part.getValue(), part.getKey()));
        }
        Node node = Node.of(
                "model",
                -1,
                Stance.NONE,
                IntStream.range(0, meshes.size()).boxed().toList());
        return new Model(List.of(node), meshes, all, List.of(), List.of(), "", List.copyOf(notes));
    }

    /** Each corner is a vertex of its own, as its normal is. */
    private Mesh mesh(List<ObjFace> faces, int surface) throws UnreadableException {
        Numbers positions = new Numbers();
        Numbers normals = new Numbers();
        Numbers texels = new Numbers();
        boolean withNormals = faces.stream().allMatch(ObjFace::containsNormalIndices);
        boolean withTexels = faces.stream().allMatch(ObjFace::containsTexCoordIndices);
        for (ObjFace face : faces) {
            if (face.getNumVertices() < 3) {
                continue;
            }
            if (face.getNumVertices() > MOST_CORNERS) {
                throw folder.wrong(
                        "has a face of " + face.getNumVertices() + " corners; " + MOST_CORNERS + " can be shown",
                        "Cut it into triangles.");
            }
            double[] outline = new double[3 * face.getNumVertices()];
            for (int k = 0; k < face.getNumVertices(); k++) {
                FloatTuple at = obj.getVertex(within(face.getVertexIndex(k), obj.getNumVertices(), "vertex"));
                outline[3 * k] = finite(at.getX());
                outline[3 * k + 1] = finite(at.getY());
                outline[3 * k + 2] = finite(at.getZ());
            }
            for (int k : Triangulation.of(outline)) {
                positions.add(outline[3 * k], outline[3 * k + 1], outline[3 * k + 2]);
                if (withNormals) {
                    FloatTuple n = obj.getNormal(within(face.getNormalIndex(k), obj.getNumNormals(), "normal"));
                    normals.add(finite(n.getX()), finite(n.getY()), finite(n.getZ()));
                }
                if (withTexels) {
                    FloatTuple t = obj.getTexCoord(
                            within(face.getTexCoordIndex(k), obj.getNumTexCoords(), "texture coordinate"));
                    texels.add(finite(t.getX()), 1 - finite(t.getDimensions() > 1 ? t.getY() : 0));
                }
            }
        }
        float[] places = positions.all();
        int[] corners = IntStream.range(0, places.length / 3).toArray();
        return new Mesh(
                places,
                Optional.of(withNormals ? normals.all() : RoundedNormals.of(places)),
                withTexels ? Optional.of(texels.all()) : Optional.empty(),
                corners,
                surface,
                List.of(),
                Optional.empty(),
                Optional.empty());
    }

    private int within(int index, int count, String what) throws UnreadableException {
        if (index < 0 || index >= count) {
            throw folder.broken("a face names " + what + " " + (index + 1) + " of " + count);
        }
        return index;
    }

    private float finite(float number) throws UnreadableException {
        if (!Float.isFinite(number)) {
            throw folder.broken("it has a number that is not finite");
        }
        return number;
    }

    private void addSurfaces(String name) throws UnreadableException {
        Path place = folder.place(name);
        if (!Files.isRegularFile(place)) {
            notes.add("The materials in \"" + name + "\" are missing.");
            return;
        }
        List<Mtl> materials;
        try {
            materials =
                    MtlReader.read(new ByteArrayInputStream(folder.named(name).array()));
        } catch (IOException | RuntimeException e) {
            notes.add("The materials in \"" + name + "\" can't be read.");
            return;
        }
        for (Mtl material : materials) {
            surfaces.put(material.getName(), all.size());
            all.add(surface(material));
        }
    }

    private Surface surface(Mtl material) throws UnreadableException {
        FloatTuple color = material.getKd();
        Optional<ArgbPicture> texture = Optional.empty();
        if (material.getMapKd() != null && Files.isRegularFile(folder.place(material.getMapKd()))) {
            texture = TexturePicture.read(folder.named(material.getMapKd()));
        }
        if (material.getMapKd() != null && texture.isEmpty()) {
            notes.add("The texture \"" + material.getMapKd() + "\" is missing or can't be read.");
        }
        return new Surface(
                material.getName(),
                color == null
                        ? Surface.PLAIN.color()
                        : new Rgb(part(color.getX()), part(color.getY()), part(color.getZ())),
                material.getD() == null ? 1 : Math.max(0, Math.min(1, material.getD())),
                texture,
                0,
                true);
    }

    private static int part(float share) {
        return (int) Math.round(255 * Math.max(0, Math.min(1, Float.isFinite(share) ? share : 1)));
    }
}
