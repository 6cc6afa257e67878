package chalktrace.media.model;

import chalktrace.core.space.Figure;
import chalktrace.core.space.Model;
import chalktrace.core.space.Point3;
import chalktrace.media.UnreadableException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/** Reads models: glTF 2.0 and GLB, OBJ with MTL, STL, PLY, and BVH motion as a stick figure. */
public final class ModelFiles {

    /** More than this can't be stepped through. */
    public static final int MOST_TRIANGLES = 2_000_000;

    private static final Set<String> ENDINGS = Set.of("gltf", "glb", "obj", "stl", "ply", "bvh");

    /** So far a camera can look, and numbers are exact enough to be drawn. */
    private static final double FURTHEST = 1e7;

    private ModelFiles() {}

    /** Whether a file is a model, by its name. */
    public static boolean accepts(Path file) {
        return file.getFileName() != null && !Files.isDirectory(file) && ENDINGS.contains(ending(file));
    }

    /**
     * @throws UnreadableException when it is no model, is damaged, names what is not there, needs an extension that is not known, or is larger
     *     than 1 GB or {@link #MOST_TRIANGLES}
     */
    public static Figure read(Path file) throws UnreadableException {
        ModelFolder folder = new ModelFolder(file);
        try {
            Model model =
                    switch (ending(file)) {
                        case "obj" -> ObjModel.read(folder);
                        case "stl" -> StlModel.read(folder);
                        case "ply" -> PlyModel.read(folder);
                        case "bvh" -> BvhModel.read(folder);
                        default -> new GltfModelReader(folder).model();
                    };
            if (model.triangles() == 0) {
                throw folder.wrong("has no surface to show", "Export its meshes as well.");
            }
            folder.checkTriangles(model.triangles());
            Figure figure = new Figure(model);
            if (!fits(figure.bounds().low()) || !fits(figure.bounds().high())) {
                throw folder.wrong(
                        "has something further than " + (long) FURTHEST + " units away",
                        "Look for a wrong number, or scale it down.");
            }
            return figure;
        } catch (IllegalArgumentException e) {
            throw folder.broken("it " + e.getMessage());
        } catch (OutOfMemoryError e) {
            throw UnreadableException.of(
                    file, "is too large for the memory there is", "Reduce it in the program that made it.", e);
        } catch (RuntimeException | StackOverflowError e) {
            // The libraries trust what they read; whatever they trip over is the file's fault.
            throw UnreadableException.of(
                    file, "can't be read as a model", "Export it again from the program that made it.", e);
        }
    }

    private static boolean fits(Point3 point) {
        return Math.max(Math.abs(point.x()), Math.max(Math.abs(point.y()), Math.abs(point.z()))) <= FURTHEST;
    }

    /** The file and all that it names and that is there. */
    public static Collection<Path> files(Path file) throws UnreadableException {
        ModelFolder folder = new ModelFolder(file);
        return switch (ending(file)) {
            case "gltf" -> new GltfModelReader(folder).files();
            case "obj" -> ObjModel.files(folder, file);
            default -> List.of(file);
        };
    }

    private static String ending(Path file) {
        String name = file.getFileName().toString();
        return name.substring(name.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
    }
}
