package chalktrace.app.cli;

import chalktrace.core.motion.MovingParts;
import chalktrace.core.motion.MovingPoint;
import chalktrace.media.UnreadableException;
import chalktrace.media.file.PointsCsv;
import chalktrace.media.footage.Reference;
import chalktrace.media.footage.References;
import java.nio.file.Path;
import java.util.List;
import java.util.OptionalDouble;

/**
 * What is studied.
 *
 * @param named whether somebody chose the points
 * @param first frame and
 * @param last frame of the movement
 * @param floorY where things stand, in px, as far as that was drawn
 */
record StudySubject(
        List<MovingPoint> points, boolean named, int first, int last, double heightPx, OptionalDouble floorY) {

    /** @param table of paths; null to follow what moves in a clip */
    static StudySubject of(Path file, Path table) throws Exception {
        try (Reference reference = References.open(file)) {
            double height = reference.displaySize().height();
            int count = reference.times().count();
            if (table == null) {
                return new StudySubject(
                        MovingParts.of(reference, (done, total) -> true),
                        false,
                        0,
                        count - 1,
                        height,
                        OptionalDouble.empty());
            }
            return given(PointsCsv.read(table), height, table, count);
        }
    }

    private static StudySubject given(List<MovingPoint> points, double height, Path table, int frames)
            throws UnreadableException {
        int first = points.stream().mapToInt(MovingPoint::firstFrame).min().orElseThrow();
        int last = points.stream().mapToInt(MovingPoint::lastFrame).max().orElseThrow();
        if (last >= frames) {
            throw UnreadableException.of(
                    table,
                    "names frame " + last + ", but the clip has " + frames + " frames",
                    "Give the clip from which it was made; frames count from 0.");
        }
        return new StudySubject(points, true, first, last, height, OptionalDouble.empty());
    }
}
