package chalktrace.media.file;

import chalktrace.core.motion.Attached;
import chalktrace.core.motion.Track;
import chalktrace.core.motion.TrackPath;
import chalktrace.core.picture.Rgb;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;

/** A followed point as JSON: its path as one list a column, so that a long one stays small. */
final class TrackJson {

    private TrackJson() {}

    static void write(Track track, ObjectNode to) {
        to.put("id", track.id())
                .put("name", track.name())
                .put("color", track.color().hex())
                .put("visible", track.visible())
                .put("footage", track.footage())
                .put("radius", track.radius());
        if (!track.partner().isEmpty()) {
            to.put("partner", track.partner());
        }
        if (!track.attached().isEmpty()) {
            ShotJson.each(to, "attached", track.attached(), (held, h) -> h.put("level", held.level())
                    .put("drawing", held.drawing())
                    .put("frame", held.frame())
                    .put("turning", held.turning()));
        }
        List<TrackPath.Place> places = track.path().places();
        ShotJson.numbers(to, "pictures", places, TrackPath.Place::picture);
        ShotJson.numbers(to, "x", places, TrackPath.Place::x);
        ShotJson.numbers(to, "y", places, TrackPath.Place::y);
        ShotJson.numbers(to, "scales", places, TrackPath.Place::scale);
        ShotJson.numbers(to, "degrees", places, TrackPath.Place::degrees);
        ShotJson.numbers(to, "certainties", places, TrackPath.Place::certainty);
        ArrayNode origins = to.putArray("origins");
        places.forEach(place -> origins.add(ShotJson.word(place.origin())));
        ShotJson.each(to, "lost", track.path().lost(), (loss, l) -> l.put("picture", loss.picture())
                .put("reason", loss.reason()));
    }

    static Track read(JsonFields f) throws JsonFields.WrongField {
        List<Double> pictures = f.numbers("pictures");
        List<Double> x = f.numbers("x");
        List<Double> y = f.numbers("y");
        List<Double> scales = f.numbers("scales");
        List<Double> degrees = f.numbers("degrees");
        List<Double> certainties = f.numbers("certainties");
        List<String> origins = f.texts("origins");
        List<TrackPath.Place> places = new ArrayList<>();
        for (int i = 0; i < pictures.size(); i++) {
            places.add(new TrackPath.Place(
                    whole(pictures.get(i)),
                    value(x, i),
                    value(y, i),
                    value(scales, i),
                    value(degrees, i),
                    value(certainties, i),
                    origin(value(origins, i))));
        }
        List<TrackPath.Lost> lost =
                f.list("lost", item -> item.make(l -> new TrackPath.Lost(l.whole("picture"), l.text("reason"))));
        return new Track(
                f.text("id"),
                f.text("name"),
                Rgb.parse(f.text("color")),
                f.flag("visible"),
                f.text("footage"),
                f.number("radius"),
                TrackPath.of(places, lost),
                f.has("partner") ? f.text("partner") : "",
                !f.has("attached")
                        ? List.of()
                        : f.list(
                                "attached",
                                item -> item.make(h -> new Attached(
                                        h.text("level"), h.whole("drawing"), h.whole("frame"), h.flag("turning")))));
    }

    private static TrackPath.Origin origin(String word) {
        for (TrackPath.Origin origin : TrackPath.Origin.values()) {
            if (ShotJson.word(origin).equals(word)) {
                return origin;
            }
        }
        throw new IllegalArgumentException("A place of a path has the unknown origin \"" + word + "\".");
    }

    /** The number of a picture or a frame. */
    static int whole(double number) {
        if (number != Math.rint(number) || Math.abs(number) > Integer.MAX_VALUE) {
            throw new IllegalArgumentException("A place lies on a whole picture or frame, not on " + number + ".");
        }
        return (int) number;
    }

    static <T> T value(List<T> column, int row) {
        if (row >= column.size()) {
            throw new IllegalArgumentException("Each frame or picture has a value in each of the lists.");
        }
        return column.get(row);
    }
}
