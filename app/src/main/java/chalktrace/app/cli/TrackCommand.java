package chalktrace.app.cli;

import chalktrace.core.motion.MovingPoint;
import chalktrace.core.motion.TrackPath;
import chalktrace.core.motion.Tracking;
import chalktrace.media.UnwritableException;
import chalktrace.media.file.PointFiles;
import chalktrace.media.footage.Reference;
import chalktrace.media.footage.References;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.awt.geom.Point2D;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.ITypeConverter;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.TypeConversionException;

@Command(name = "track", description = "Follow points of footage from the frame on which each is given to both ends.")
final class TrackCommand implements Callable<Integer> {

    @Parameters(paramLabel = "CLIP", description = "A video, or any one picture of a numbered run.")
    Path clip;

    @Option(
            names = "--at",
            paramLabel = "FRAME,X,Y",
            required = true,
            converter = AtOption.class,
            description = "A point: the frame, from 0, and its place in px of the source as it is seen.")
    List<AtOption.At> points;

    @Option(names = "--pair", description = "Also say how the line from the first point to the second turns and grows.")
    boolean pair;

    @Option(
            names = "--patch",
            paramLabel = "R",
            description = "Follow a patch of this half side in px, with its turn and size.")
    double patch;

    @Option(names = "--from", paramLabel = "FRAME", description = "The first frame; usually 0.")
    int from;

    @Option(names = "--to", paramLabel = "FRAME", description = "The last frame; usually the clip's last.")
    int to = -1;

    @Option(names = "--csv", paramLabel = "FILE", description = "Also write the paths as a table.")
    Path csv;

    @Mixin
    Answer answer;

    @Override
    public Integer call() throws Exception {
        if (pair && points.size() != 2) {
            throw new IllegalArgumentException("--pair wants two points: give --at twice.");
        }
        if (!(patch >= 0 && patch <= 1000)) {
            throw new IllegalArgumentException("--patch is 1 to 1000 px, not " + patch + ".");
        }
        List<TrackPath> paths;
        List<Optional<Point2D>> better = new ArrayList<>();
        try (Reference reference = References.open(clip)) {
            int count = reference.times().count();
            int end = to < 0 ? count : to + 1;
            if (from < 0 || from >= end || end > count) {
                throw new IllegalArgumentException(
                        "--from and --to are frames from 0 to " + (count - 1) + ", in order.");
            }
            List<Tracking.Start> starts = points.stream()
                    .map(at -> new Tracking.Start(at.frame(), at.x(), at.y(), patch))
                    .toList();
            paths = Tracking.follow(reference, starts, from, end, (done, total) -> true);
            for (int i = 0; i < paths.size(); i++) {
                boolean poor = paths.get(i).places().size() == 1 && patch == 0;
                better.add(poor ? Tracking.betterNear(reference, starts.get(i)) : Optional.empty());
            }
        }
        ObjectNode document = Answer.object();
        ArrayNode all = document.putArray("points");
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < paths.size(); i++) {
            ObjectNode node = all.addObject();
            add(node, points.get(i), paths.get(i));
            describe(text, points.get(i), paths.get(i));
            better.get(i).ifPresent(place -> {
                node.putObject("better").put("x", rounded(place.getX())).put("y", rounded(place.getY()));
                text.append(String.format(
                        Locale.ROOT, "  a better place near it: %.1f,%.1f%n", place.getX(), place.getY()));
            });
        }
        if (pair) {
            addPair(document.putArray("pair"), paths.get(0), paths.get(1));
        }
        if (csv != null) {
            write(paths);
        }
        answer.print(text.toString().stripTrailing(), document);
        return 0;
    }

    private void add(ObjectNode node, AtOption.At at, TrackPath path) {
        node.putObject("at").put("frame", at.frame()).put("x", at.x()).put("y", at.y());
        ArrayNode track = node.putArray("track");
        for (TrackPath.Place place : path.places()) {
            ObjectNode entry = track.addObject()
                    .put("frame", place.picture())
                    .put("x", rounded(place.x()))
                    .put("y", rounded(place.y()))
                    .put("certainty", rounded(place.certainty()));
            if (patch > 0) {
                entry.put("scale", rounded(place.scale())).put("degrees", rounded(place.degrees()));
            }
        }
        ArrayNode lost = node.putArray("lost");
        for (TrackPath.Lost loss : path.lost()) {
            ObjectNode entry = lost.addObject().put("frame", loss.picture()).put("reason", loss.reason());
            path.foundAgain(loss).ifPresent(again -> entry.put("foundAgain", again));
        }
    }

    private static void describe(StringBuilder text, AtOption.At at, TrackPath path) {
        text.append(String.format(
                Locale.ROOT,
                "%d,%.1f,%.1f: found on %d frames, %d to %d%n",
                at.frame(),
                at.x(),
                at.y(),
                path.places().size(),
                path.firstPicture(),
                path.lastPicture()));
        for (TrackPath.Lost loss : path.lost()) {
            text.append(String.format(
                    Locale.ROOT,
                    "  lost on frame %d: %s%s%n",
                    loss.picture(),
                    loss.reason(),
                    path.foundAgain(loss)
                            .map(again -> "; found again on frame " + again)
                            .orElse("")));
        }
    }

    /** The line between two points on each frame that has both. */
    private static void addPair(ArrayNode rows, TrackPath first, TrackPath second) {
        double lengthBefore = 0;
        double angleBefore = 0;
        for (TrackPath.Place a : first.places()) {
            TrackPath.Place b = second.at(a.picture()).orElse(null);
            if (b == null) {
                continue;
            }
            double length = a.distance(b);
            double angle = Math.toDegrees(Math.atan2(b.y() - a.y(), b.x() - a.x()));
            if (rows.isEmpty()) {
                lengthBefore = length;
                angleBefore = angle;
            }
            rows.addObject()
                    .put("frame", a.picture())
                    .put("length", rounded(length))
                    .put("degrees", rounded(angle))
                    .put("turned", rounded(Math.IEEEremainder(angle - angleBefore, 360)))
                    .put("scale", rounded(lengthBefore == 0 ? 1 : length / lengthBefore));
        }
    }

    private void write(List<TrackPath> paths) throws UnwritableException {
        List<MovingPoint> named = new ArrayList<>();
        for (int i = 0; i < paths.size(); i++) {
            named.add(MovingPoint.of("point " + (i + 1), paths.get(i)));
        }
        try {
            Files.writeString(csv, PointFiles.text(csv, named));
        } catch (IOException e) {
            throw UnwritableException.of(csv, "written", "Choose another place for it.", e);
        }
    }

    static double rounded(double value) {
        return Math.round(value * 1000) / 1000.0;
    }

    /** Reads "FRAME,X,Y". */
    static final class AtOption implements ITypeConverter<AtOption.At> {

        record At(int frame, double x, double y) {}

        @Override
        public At convert(String text) {
            String[] parts = text.split(",", -1);
            try {
                if (parts.length == 3) {
                    double x = Double.parseDouble(parts[1].strip());
                    double y = Double.parseDouble(parts[2].strip());
                    if (Double.isFinite(x) && Double.isFinite(y)) {
                        return new At(Integer.parseInt(parts[0].strip()), x, y);
                    }
                }
            } catch (NumberFormatException e) {
                throw new TypeConversionException("\"" + text + "\" is not FRAME,X,Y, such as 12,640,300.");
            }
            throw new TypeConversionException("\"" + text + "\" is not FRAME,X,Y, such as 12,640,300.");
        }
    }
}
