package chalktrace.app.study;

import chalktrace.app.controls.Buttons;
import chalktrace.app.kernel.FileChoice;
import chalktrace.app.words.Words;
import chalktrace.core.edit.reference.TrackEdits;
import chalktrace.core.motion.MovingPoint;
import chalktrace.core.motion.Track;
import chalktrace.core.motion.TrackPath;
import chalktrace.core.render.TrackOnShot;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Shot;
import chalktrace.media.UnwritableException;
import chalktrace.media.file.PointFiles;
import java.awt.geom.Point2D;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.layout.FlowPane;

/** Paths of points out and in as tables: frames of the shot from 0, px of its picture. */
final class PointTables {

    private final StudyWork work;
    private final FileChoice files;

    PointTables(StudyWork work, FileChoice files) {
        this.work = work;
        this.files = files;
    }

    FlowPane row() {
        return new FlowPane(
                8,
                2,
                Buttons.words(Words.STUDY.of("export-table"), Words.STUDY.of("write-the-shown-points-as"), this::write),
                Buttons.words(
                        Words.STUDY.of("export-measures"),
                        Words.STUDY.of("write-what-the-shown-points"),
                        this::writeMeasures),
                Buttons.words(Words.STUDY.of("import-table"), Words.STUDY.of("add-points-from-a-table"), this::read));
    }

    private void write() {
        List<MovingPoint> points = work.movingProperty().get().stream()
                .map(StudyWork.MovingTrack::movement)
                .toList();
        if (points.isEmpty()) {
            work.session().notices().problem(Words.STUDY.of("there-is-no-point-to"));
            return;
        }
        files.saveTable(work.session().shot().name() + "-points.csv").ifPresent(file -> work.session()
                .proposals()
                .findQuietly(
                        job -> written(PointFiles.text(file, points), file),
                        done -> work.session().notices().say(Words.STUDY.of("is-written", done.getFileName()))));
    }

    private void writeMeasures() {
        List<StudyWork.MovingTrack> tracks = work.movingProperty().get();
        if (tracks.isEmpty()) {
            work.session().notices().problem(Words.STUDY.of("there-is-no-point-to-measure"));
            return;
        }
        int height = work.session().shot().setup().size().height();
        files.saveTable(work.session().shot().name() + "-measures.csv").ifPresent(file -> work.session()
                .proposals()
                .findQuietly(
                        job -> written(MeasureTable.of(tracks, height), file),
                        done -> work.session().notices().say(Words.STUDY.of("is-written", done.getFileName()))));
    }

    private static Path written(String table, Path file) throws UnwritableException {
        try {
            return Files.writeString(file, table);
        } catch (IOException e) {
            throw UnwritableException.of(file, "written", Words.STUDY.of("choose-another-place-for-it"), e);
        }
    }

    private void read() {
        files.openTable()
                .ifPresent(file -> work.session().proposals().findQuietly(job -> PointFiles.read(file), this::add));
    }

    private void add(List<MovingPoint> points) {
        Shot shot = work.session().shot();
        Optional<Footage> clip =
                shot.footage().stream().filter(c -> c.visible() && !c.isStill()).findFirst();
        if (clip.isEmpty()) {
            work.session().notices().problem(Words.STUDY.of("points-belong-to-moving-footage"));
            return;
        }
        List<String> ids = shot.newIds("track", points.size());
        List<Track> made = new ArrayList<>();
        for (int i = 0; i < points.size(); i++) {
            Track track = new Track(
                    ids.get(i),
                    points.get(i).name(),
                    Track.color(shot.tracks().size() + i),
                    true,
                    clip.get().id(),
                    0,
                    TrackPath.NONE);
            MovingPoint point = points.get(i);
            work.onShot(track).ifPresent(on -> made.add(track.withPath(path(point, on))));
        }
        work.session().document().apply(TrackEdits.add(made));
    }

    private static TrackPath path(MovingPoint point, TrackOnShot on) {
        List<TrackPath.Place> places = new ArrayList<>();
        for (int frame = point.firstFrame(); frame <= point.lastFrame(); frame++) {
            Optional<Integer> picture = point.knows(frame) ? on.picture(frame) : Optional.empty();
            if (picture.isPresent()) {
                Optional<Point2D> at = on.placed(frame).toSource(point.x(frame), point.y(frame));
                int n = picture.get();
                at.ifPresent(p ->
                        places.add(new TrackPath.Place(n, p.getX(), p.getY(), 1, 0, 1, TrackPath.Origin.FOLLOWED)));
            }
        }
        return TrackPath.of(places, List.of());
    }
}
