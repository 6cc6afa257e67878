package chalktrace.media.file;

import chalktrace.core.motion.MovingPoint;
import chalktrace.media.UnreadableException;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;

/** Paths of points in files: JSON where the name ends so, else a CSV table. */
public final class PointFiles {

    private PointFiles() {}

    /** @throws UnreadableException when it is neither; the message names the place */
    public static List<MovingPoint> read(Path file) throws UnreadableException {
        return isJson(file) ? PointsJson.read(file) : PointsCsv.read(file);
    }

    /** What is to be written into a file of that name. */
    public static String text(Path file, List<MovingPoint> points) {
        return isJson(file) ? PointsJson.write(points) : PointsCsv.write(points);
    }

    private static boolean isJson(Path file) {
        return file.toString().toLowerCase(Locale.ROOT).endsWith(".json");
    }
}
