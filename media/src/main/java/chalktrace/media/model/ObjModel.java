package chalktrace.media.model;

import chalktrace.core.picture.ArgbPicture;
import chalktrace.core.picture.Rgb;
import chalktrace.core.space.Mesh;
import chalktrace.core.space.Model;
import chalktrace.core.space.Surface;
import chalktrace.core.space.Texture;
import chalktrace.core.space.Triangulation;
import chalktrace.media.UnreadableException;
import chalktrace.media.model.ObjText.Face;
import de.javagl.obj.FloatTuple;
import de.javagl.obj.Mtl;
import de.javagl.obj.MtlReader;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Reads OBJ with MTL: polygons, normals, texture coordinates, colours at vertices, materials and their textures. */
final class ObjModel {

    /** Below this opacity of a texture nothing is seen of what it is cut out of. */
    private static final double CUTOUT = 0.5;

    private final ModelFolder folder;
    private final ObjText text;
    private final Set<String> notes = new LinkedHashSet<>();
    private final Map<String, Integer> surfaces = new LinkedHashMap<>();
    private final List<Surface> all = new ArrayList<>();

    private ObjModel(ModelFolder folder) throws UnreadableException {
        this.folder = folder;
        text = new ObjText(folder);
        notes.addAll(text.notes);
        all.add(text.colored ? StillModel.WHITE : Surface.PLAIN);
    }

    static Model read(ModelFolder folder) throws UnreadableException {
        return new ObjModel(folder).model();
    }

    /** The file and the materials and textures that it names, as far as they are there. */
    static List<Path> files(ModelFolder folder, Path file) throws UnreadableException {
        List<Path> files = new ArrayList<>(List.of(file));
        ObjModel model = new ObjModel(folder);
        for (String name : model.libraries()) {
            if (!folder.isMissing(name)) {
                files.add(folder.place(name));
                for (Mtl material : model.materials(name)) {
                    String texture = material.getMapKd();
                    if (texture != null && !folder.isMissing(texture)) {
                        files.add(folder.place(texture));
                    }
                }
            }
        }
        return files;
    }

    /** A line may name several, and a name may have spaces. */
    private List<String> libraries() throws UnreadableException {
        List<String> names = new ArrayList<>();
        for (String line : text.libraries) {
            if (folder.isMissing(line)) {
                names.addAll(List.of(line.split("\\s+")));
            } else {
                names.add(line);
            }
        }
        return names;
    }

    private Model model() throws UnreadableException {
        for (String name : libraries()) {
            if (folder.isMissing(name)) {
                notes.add("The materials in \"" + Shown.of(name) + "\" are missing.");
                continue;
            }
            for (Mtl material : materials(name)) {
                surfaces.put(material.getName(), all.size());
                all.add(surface(material));
            }
        }
        Map<Integer, List<Face>> bySurface = new LinkedHashMap<>();
        for (Face face : text.faces) {
            bySurface
                    .computeIfAbsent(surfaceOf(face.material()), s -> new ArrayList<>())
                    .add(face);
        }
        List<Mesh> meshes = new ArrayList<>();
        for (Map.Entry<Integer, List<Face>> part : bySurface.entrySet()) {
            meshes.add(mesh(part.getValue(), part.getKey()));
        }
        return StillModel.of(meshes, all, notes);
    }

    private int surfaceOf(int material) {
        if (material < 0) {
            return 0;
        }
        Integer surface = surfaces.get(text.materials.get(material));
        if (surface == null) {
            notes.add(
                    "The material \"" + Shown.of(text.materials.get(material)) + "\" is missing; what has it is grey.");
            return 0;
        }
        return surface;
    }

    /** Each corner is a vertex of its own, as its normal is. */
    private Mesh mesh(List<Face> faces, int surface) {
        Numbers positions = new Numbers();
        Numbers normals = new Numbers();
        Numbers texels = new Numbers();
        Numbers colors = new Numbers();
        boolean withTexels = faces.stream().allMatch(face -> face.has(1));
        boolean withNormals = faces.stream().allMatch(face -> face.has(2));
        for (Face face : faces) {
            int[] corners = face.corners();
            double[] outline = new double[3 * face.count()];
            for (int k = 0; k < outline.length; k++) {
                outline[k] = text.places.at(3 * corners[k - k % 3] + k % 3);
            }
            for (int k : Triangulation.of(outline)) {
                positions.addPart(text.places, 3, corners[3 * k]);
                if (withTexels) {
                    texels.addPart(text.texels, 2, corners[3 * k + 1]);
                }
                if (withNormals) {
                    normals.addPart(text.normals, 3, corners[3 * k + 2]);
                }
                if (text.colored) {
                    colors.addPart(text.colors, 4, corners[3 * k]);
                }
            }
        }
        Mesh mesh = StillModel.mesh(
                positions.all(),
                withNormals ? Optional.of(normals.all()) : Optional.empty(),
                withTexels ? Optional.of(texels.all()) : Optional.empty(),
                surface);
        return text.colored ? mesh.withColors(colors.all()) : mesh;
    }

    private List<Mtl> materials(String library) throws UnreadableException {
        try {
            return MtlReader.read(new ByteArrayInputStream(folder.named(library).array()));
        } catch (IOException | RuntimeException e) {
            notes.add("The materials in \"" + Shown.of(library) + "\" can't be read.");
            return List.of();
        }
    }

    private Surface surface(Mtl material) throws UnreadableException {
        FloatTuple color = material.getKd();
        double opacity = material.getD() == null ? 1 : Math.max(0, Math.min(1, material.getD()));
        boolean open = material.getMapD() != null && material.getMapD().equals(material.getMapKd());
        if (material.getMapD() != null && !open) {
            notes.add("The opacity in \"" + Shown.of(material.getMapD()) + "\" is not read.");
        }
        Optional<ArgbPicture> texture = texture(material.getMapKd());
        return new Surface(
                material.getName(),
                color == null
                        ? Surface.PLAIN.color()
                        : new Rgb(part(color.getX()), part(color.getY()), part(color.getZ())),
                opacity,
                texture.map(picture -> Texture.of(open ? picture : TexturePicture.opaque(picture))),
                open ? Surface.Cover.HOLES : opacity < 1 ? Surface.Cover.SEE_THROUGH : Surface.Cover.WHOLE,
                CUTOUT,
                true);
    }

    private Optional<ArgbPicture> texture(String name) throws UnreadableException {
        if (name == null) {
            return Optional.empty();
        }
        Optional<ArgbPicture> texture =
                folder.isMissing(name) ? Optional.empty() : TexturePicture.read(folder.named(name));
        if (texture.isEmpty()) {
            notes.add("The texture \"" + Shown.of(name) + "\" is missing or can't be read.");
        }
        return texture;
    }

    private static int part(float share) {
        return (int) Math.round(255 * Math.max(0, Math.min(1, Float.isFinite(share) ? share : 1)));
    }
}
