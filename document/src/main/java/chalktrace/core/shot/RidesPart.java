package chalktrace.core.shot;

import chalktrace.core.motion.Track;
import chalktrace.core.tree.Branch;
import chalktrace.core.tree.Fields;
import chalktrace.core.tree.WrongField;
import chalktrace.core.words.PartWords;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;

/** A ride goes when its rider or its point does; none rides on a point of its own. Movements stand as one list a column. */
public final class RidesPart extends ListPart<Ride> {

    public static final RidesPart RIDES = new RidesPart();

    private RidesPart() {
        super("rides");
    }

    @Override
    public String title() {
        return PartWords.TEXTS.of("rides");
    }

    @Override
    protected Optional<Ride> itemMoved(Ride ride, FrameChange change) {
        return ride.moved(change);
    }

    @Override
    protected Stream<Reference> references(Ride ride) {
        return Stream.of(
                Reference.to(ride.track(), TracksPart.TRACKS),
                Reference.to(ride.rider(), FootagePart.FOOTAGE, GuidesPart.GUIDES));
    }

    @Override
    protected List<Ride> fitting(List<Ride> value, PartValues shot) {
        List<Track> points = shot.get(TracksPart.TRACKS);
        List<Ride> there = super.fitting(value, shot);
        return same(
                there,
                there.stream()
                        .filter(ride -> points.stream()
                                .noneMatch(point -> point.id().equals(ride.track())
                                        && point.footage().equals(ride.rider())))
                        .toList());
    }

    @Override
    protected void writeItem(Ride ride, Branch to, Writing writing) {
        List<Placement> moves = List.copyOf(ride.moves().values());
        to.put("rider", ride.rider())
                .put("track", ride.track())
                .put("frame", ride.frame())
                .put("turning", ride.turning())
                .numbers("frames", List.copyOf(ride.moves().keySet()), frame -> frame)
                .numbers("x", moves, Placement::x)
                .numbers("y", moves, Placement::y)
                .numbers("scales", moves, Placement::scale)
                .numbers("degrees", moves, Placement::degrees);
    }

    @Override
    protected Ride readItem(Fields from, Reading reading) throws WrongField {
        List<Double> frames = from.numbers("frames");
        List<Double> x = from.numbers("x");
        List<Double> y = from.numbers("y");
        List<Double> scales = from.numbers("scales");
        List<Double> degrees = from.numbers("degrees");
        TreeMap<Integer, Placement> moves = new TreeMap<>();
        for (int i = 0; i < frames.size(); i++) {
            moves.put(
                    Columns.whole(frames.get(i)),
                    new Placement(
                            Columns.value(x, i),
                            Columns.value(y, i),
                            Columns.value(scales, i),
                            Columns.value(degrees, i),
                            1));
        }
        return new Ride(from.text("rider"), from.text("track"), from.whole("frame"), from.flag("turning"), moves);
    }
}
