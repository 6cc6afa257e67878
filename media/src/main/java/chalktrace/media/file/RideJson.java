package chalktrace.media.file;

import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Ride;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.TreeMap;

/** What goes along with a point as JSON: its movements as one list a column. */
final class RideJson {

    private RideJson() {}

    static void write(Ride ride, ObjectNode to) {
        to.put("rider", ride.rider())
                .put("track", ride.track())
                .put("frame", ride.frame())
                .put("turning", ride.turning());
        List<Placement> moves = List.copyOf(ride.moves().values());
        ShotJson.numbers(to, "frames", List.copyOf(ride.moves().keySet()), frame -> frame);
        ShotJson.numbers(to, "x", moves, Placement::x);
        ShotJson.numbers(to, "y", moves, Placement::y);
        ShotJson.numbers(to, "scales", moves, Placement::scale);
        ShotJson.numbers(to, "degrees", moves, Placement::degrees);
    }

    static Ride read(JsonFields f) throws JsonFields.WrongField {
        List<Double> frames = f.numbers("frames");
        List<Double> x = f.numbers("x");
        List<Double> y = f.numbers("y");
        List<Double> scales = f.numbers("scales");
        List<Double> degrees = f.numbers("degrees");
        TreeMap<Integer, Placement> moves = new TreeMap<>();
        for (int i = 0; i < frames.size(); i++) {
            moves.put(
                    TrackJson.whole(frames.get(i)),
                    new Placement(
                            TrackJson.value(x, i),
                            TrackJson.value(y, i),
                            TrackJson.value(scales, i),
                            TrackJson.value(degrees, i),
                            1));
        }
        return new Ride(f.text("rider"), f.text("track"), f.whole("frame"), f.flag("turning"), moves);
    }
}
