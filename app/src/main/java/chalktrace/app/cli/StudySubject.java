package chalktrace.app.cli;

import chalktrace.core.guide.Guide;
import chalktrace.core.motion.MovingPart;
import chalktrace.core.motion.MovingParts;
import chalktrace.core.motion.MovingPoint;
import chalktrace.core.motion.Track;
import chalktrace.core.picture.PictureSource;
import chalktrace.core.picture.PictureUnavailableException;
import chalktrace.core.render.TrackOnShot;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Shot;
import chalktrace.media.UnreadableException;
import chalktrace.media.file.PointFiles;
import chalktrace.media.file.ShotFile;
import chalktrace.media.footage.Reference;
import chalktrace.media.footage.References;
import java.nio.file.Path;
import java.util.ArrayList;
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

    /** @param table of paths; null to follow what moves in a clip, or to take what was tracked in a shot */
    static StudySubject of(Path file, Path table, MediaAccess media) throws Exception {
        if (file.getFileName() != null && file.getFileName().toString().endsWith(".chalk")) {
            return ofShot(file, table, media);
        }
        try (Reference reference = References.open(file)) {
            double height = reference.displaySize().height();
            int count = reference.times().count();
            if (table == null) {
                return new StudySubject(parts(reference, count), false, 0, count - 1, height, OptionalDouble.empty());
            }
            return given(PointFiles.read(table), height, table, count);
        }
    }

    private static List<MovingPoint> parts(Reference reference, int count) throws PictureUnavailableException {
        List<MovingPart> found = MovingParts.of(reference, 0, count, (done, total) -> true);
        List<MovingPoint> out = new ArrayList<>();
        for (MovingPart part : found) {
            out.add(MovingPoint.of("part " + (out.size() + 1), part.steady()));
        }
        return out;
    }

    private static StudySubject ofShot(Path file, Path table, MediaAccess media) throws UnreadableException {
        Shot shot = ShotFile.open(file).shot();
        StudySubject found = table != null
                ? given(
                        PointFiles.read(table),
                        shot.setup().size().height(),
                        table,
                        shot.setup().length())
                : tracked(file, shot, media);
        return found.withFloorY(shot.guides().stream()
                .filter(guide -> guide.kind() == Guide.Kind.FLOOR)
                .mapToDouble(guide -> guide.point(0).y())
                .findFirst());
    }

    private static StudySubject tracked(Path file, Shot shot, MediaAccess media) throws UnreadableException {
        List<MovingPoint> points = new ArrayList<>();
        for (Footage clip : shot.footage()) {
            List<Track> tracks = shot.tracks().stream()
                    .filter(track -> track.footage().equals(clip.id()))
                    .toList();
            if (!tracks.isEmpty()) {
                media.require(file, List.of(clip.file()));
                try (Reference reference = References.open(clip, shot)) {
                    PictureSource pictures = reference.of(clip, shot.setup());
                    for (Track track : tracks) {
                        new TrackOnShot(shot, clip, pictures.times(), pictures.displaySize(), track)
                                .movement()
                                .ifPresent(points::add);
                    }
                }
            }
        }
        if (points.isEmpty()) {
            throw UnreadableException.of(
                    file, "has no tracked point on its frames", "Track one in Study, or give --points FILE.csv.");
        }
        int last = points.stream().mapToInt(MovingPoint::lastFrame).max().orElseThrow();
        int first = points.stream().mapToInt(MovingPoint::firstFrame).min().orElseThrow();
        return new StudySubject(points, true, first, last, shot.setup().size().height(), OptionalDouble.empty());
    }

    private StudySubject withFloorY(OptionalDouble y) {
        return new StudySubject(points, named, first, last, heightPx, y);
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
