package chalktrace.media.file;

import chalktrace.core.motion.MovingPoint;
import chalktrace.media.UnreadableException;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;

/** Paths of points as JSON: {@code points} of {@code name} and {@code places}, each with {@code frame} from 0, {@code x} and {@code y} in px. */
final class PointsJson {

    private static final ObjectMapper MAPPER = new ObjectMapper();

    private PointsJson() {}

    static String write(List<MovingPoint> points) {
        ObjectNode document = MAPPER.createObjectNode();
        ArrayNode all = document.putArray("points");
        for (MovingPoint point : points) {
            ObjectNode out = all.addObject().put("name", point.name());
            ArrayNode places = out.putArray("places");
            for (int frame = point.firstFrame(); frame <= point.lastFrame(); frame++) {
                if (point.knows(frame)) {
                    places.addObject()
                            .put("frame", frame)
                            .put("x", point.x(frame))
                            .put("y", point.y(frame));
                }
            }
        }
        try {
            return MAPPER.writerWithDefaultPrettyPrinter().writeValueAsString(document);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    /** @throws UnreadableException when it is no such file; the message names the point */
    static List<MovingPoint> read(Path file) throws UnreadableException {
        JsonNode document;
        try {
            if (Files.size(file) > PointsCsv.MOST_BYTES) {
                throw UnreadableException.of(file, "is larger than 64 MB", "Split it.");
            }
            document = MAPPER.readTree(Files.readAllBytes(file));
        } catch (JsonProcessingException e) {
            throw UnreadableException.of(file, "is no JSON (" + e.getOriginalMessage() + ")", "Write it again.", e);
        } catch (IOException e) {
            throw UnreadableException.of(file, "could not be read", "Check that it is there and may be read.", e);
        }
        List<MovingPoint> points = new ArrayList<>();
        for (JsonNode point : document.path("points")) {
            points.add(point(file, point, points.size() + 1));
        }
        if (points.isEmpty()) {
            throw UnreadableException.of(
                    file, "holds no point", "It has \"points\", each with \"name\" and \"places\".");
        }
        return points;
    }

    private static MovingPoint point(Path file, JsonNode point, int number) throws UnreadableException {
        TreeMap<Integer, double[]> places = new TreeMap<>();
        for (JsonNode place : point.path("places")) {
            JsonNode frame = place.path("frame");
            if (!frame.isIntegralNumber()
                    || frame.asLong() < 0
                    || frame.asLong() > PointsCsv.MOST_FRAME
                    || !place.path("x").isNumber()
                    || !place.path("y").isNumber()) {
                throw UnreadableException.of(
                        file,
                        "has a place without frame, x and y in point " + number,
                        "Frames are 0 to " + PointsCsv.MOST_FRAME + ", x and y numbers.");
            }
            places.put(
                    frame.asInt(),
                    new double[] {place.path("x").asDouble(), place.path("y").asDouble()});
        }
        if (!point.path("name").isTextual() || places.isEmpty()) {
            throw UnreadableException.of(file, "has no name or no place in point " + number, "Give it both.");
        }
        return PointsCsv.point(point.path("name").asText(), places);
    }
}
