package chalktrace.core.shot;

import chalktrace.core.motion.Attached;
import chalktrace.core.motion.Track;
import chalktrace.core.motion.TrackPath;
import chalktrace.core.picture.Rgb;
import chalktrace.core.tree.Branch;
import chalktrace.core.tree.Fields;
import chalktrace.core.tree.WrongField;
import chalktrace.core.words.PartWords;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Points go with their footage. Their paths stand as one list a column, so that a long one stays small. */
public final class TracksPart extends ListPart<Track> {

    public static final TracksPart TRACKS = new TracksPart();

    private TracksPart() {
        super("tracks");
    }

    @Override
    public String title() {
        return PartWords.TEXTS.of("tracks");
    }

    @Override
    protected Optional<String> id(Track track) {
        return Optional.of(track.id());
    }

    /** Which footage a point lies on says what may ride on it. */
    @Override
    protected boolean unsettles(List<Track> before, List<Track> after) {
        return true;
    }

    /** The path of a point lies on its source's pictures, and stays; what goes along with it lies on frames of its level. */
    @Override
    protected Optional<Track> itemMoved(Track track, FrameChange change) {
        List<Attached> attached = track.attached().stream()
                .filter(held -> !change.reach().covers(Optional.of(held.level())) || !change.removes(held.frame()))
                .map(held -> change.reach().covers(Optional.of(held.level()))
                        ? held.withFrame(change.frame(held.frame()))
                        : held)
                .toList();
        return Optional.of(attached.equals(track.attached()) ? track : track.withAttached(attached));
    }

    @Override
    protected Stream<Reference> references(Track track) {
        return Stream.of(
                        Stream.of(Reference.to(track.footage(), FootagePart.FOOTAGE)),
                        Stream.of(track.partner())
                                .filter(partner -> !partner.isEmpty())
                                .map(partner -> Reference.to(partner, TRACKS)),
                        track.attached().stream().map(held -> Reference.to(held.level(), LevelsPart.LEVELS)))
                .flatMap(all -> all);
    }

    @Override
    protected Optional<Track> without(Track track, Reference gone) {
        if (gone.in().contains(FootagePart.FOOTAGE)) {
            return Optional.empty();
        }
        return Optional.of(
                gone.in().contains(TRACKS)
                        ? track.withPartner("")
                        : track.withAttached(track.attached().stream()
                                .filter(held -> !held.level().equals(gone.id()))
                                .toList()));
    }

    @Override
    protected void writeItem(Track track, Branch to, Writing writing) {
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
            to.each("attached", track.attached(), (held, h) -> h.put("level", held.level())
                    .put("drawing", held.drawing())
                    .put("frame", held.frame())
                    .put("turning", held.turning()));
        }
        List<TrackPath.Place> places = track.path().places();
        to.numbers("pictures", places, TrackPath.Place::picture)
                .numbers("x", places, TrackPath.Place::x)
                .numbers("y", places, TrackPath.Place::y)
                .numbers("scales", places, TrackPath.Place::scale)
                .numbers("degrees", places, TrackPath.Place::degrees)
                .numbers("certainties", places, TrackPath.Place::certainty)
                .texts(
                        "origins",
                        places.stream()
                                .map(place -> Branch.word(place.origin()))
                                .toList())
                .each("lost", track.path().lost(), (loss, l) -> l.put("picture", loss.picture())
                        .put("reason", loss.reason()));
    }

    @Override
    protected Track readItem(Fields from, Reading reading) throws WrongField {
        List<Double> pictures = from.numbers("pictures");
        List<Double> x = from.numbers("x");
        List<Double> y = from.numbers("y");
        List<Double> scales = from.numbers("scales");
        List<Double> degrees = from.numbers("degrees");
        List<Double> certainties = from.numbers("certainties");
        List<String> origins = from.texts("origins");
        List<TrackPath.Place> places = new ArrayList<>();
        for (int i = 0; i < pictures.size(); i++) {
            places.add(new TrackPath.Place(
                    Columns.whole(pictures.get(i)),
                    Columns.value(x, i),
                    Columns.value(y, i),
                    Columns.value(scales, i),
                    Columns.value(degrees, i),
                    Columns.value(certainties, i),
                    origin(Columns.value(origins, i))));
        }
        return new Track(
                from.text("id"),
                from.text("name"),
                Rgb.parse(from.text("color")),
                from.flag("visible"),
                from.text("footage"),
                from.number("radius"),
                TrackPath.of(
                        places,
                        from.list("lost", loss -> new TrackPath.Lost(loss.whole("picture"), loss.text("reason")))),
                from.textIfAny("partner").orElse(""),
                from.listIfAny(
                        "attached",
                        held -> new Attached(
                                held.text("level"), held.whole("drawing"), held.whole("frame"), held.flag("turning"))));
    }

    private static TrackPath.Origin origin(String word) {
        return Stream.of(TrackPath.Origin.values())
                .filter(origin -> Branch.word(origin).equals(word))
                .findFirst()
                .orElseThrow(() ->
                        new IllegalArgumentException("A place of a path has the unknown origin \"" + word + "\"."));
    }
}
