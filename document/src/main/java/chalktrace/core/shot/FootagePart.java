package chalktrace.core.shot;

import chalktrace.core.picture.Rgb;
import chalktrace.core.space.Borrowed;
import chalktrace.core.space.Staging;
import chalktrace.core.time.Conform;
import chalktrace.core.time.FrameMap;
import chalktrace.core.time.FrameRange;
import chalktrace.core.tree.Branch;
import chalktrace.core.tree.Fields;
import chalktrace.core.tree.WrongField;
import chalktrace.core.words.PartWords;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** From an earlier time it comes with the points that are followed on it, and with what goes along with them. */
public final class FootagePart extends ListPart<Footage> {

    public static final FootagePart FOOTAGE = new FootagePart();

    private FootagePart() {
        super("footage", true);
    }

    @Override
    public String title() {
        return PartWords.TEXTS.of("footage");
    }

    @Override
    protected Optional<String> id(Footage clip) {
        return Optional.of(clip.id());
    }

    @Override
    protected Optional<Footage> itemMoved(Footage clip, FrameChange change) {
        return clip.moved(change);
    }

    @Override
    public List<ShotPart<?>> takenAlong() {
        return List.of(TracksPart.TRACKS, RidesPart.RIDES);
    }

    @Override
    protected Stream<Reference> references(Footage clip) {
        return clip.staging().flatMap(Staging::borrowed).stream()
                .map(Borrowed::footage)
                .map(lender -> Reference.to(lender, FOOTAGE));
    }

    /** A model stands still when the one whose motion it borrowed goes. */
    @Override
    protected Optional<Footage> without(Footage clip, Reference gone) {
        return Optional.of(clip.staged(use -> use.withMotion(use.motion())));
    }

    @Override
    protected void writeItem(Footage clip, Branch to, Writing writing) {
        to.put("id", clip.id()).put("name", clip.name()).put("file", writing.path(clip.file()));
        write(clip.conform(), to.branch("conform"));
        clip.span()
                .ifPresentOrElse(
                        span -> to.branch("span").put("start", span.start()).put("frames", span.frames()),
                        () -> to.putNothing("span"));
        to.each("views", clip.views(), (view, v) -> {
            v.put("start", view.start()).put("picture", view.picture());
            v.branch("region")
                    .put("x", view.region().x())
                    .put("y", view.region().y())
                    .put("width", view.region().width())
                    .put("height", view.region().height());
        });
        clip.placement().write(to.branch("placement"));
        to.branch("look")
                .put("lighten", clip.look().lighten())
                .put("tint", clip.look().tint())
                .put("color", clip.look().color().hex())
                .put("saturation", clip.look().saturation())
                .put("exposure", clip.look().exposure())
                .put("oneField", clip.look().oneField());
        to.put("visible", clip.visible())
                .put("locked", clip.locked())
                .put("mirrored", clip.mirrored())
                .put("where", clip.where())
                .put("note", clip.note());
        clip.staging().ifPresent(use -> StagingTree.write(use, to.branch("model")));
    }

    private static void write(Conform conform, Branch to) {
        to.each("retimed", conform.retimed().knots(), (knot, k) -> k.put("frame", knot.frame())
                        .put("was", knot.was()))
                .put("startFrame", conform.startFrame())
                .put("firstPicture", conform.firstPicture())
                .put("endPicture", conform.endPicture())
                .put("every", conform.every())
                .put("pace", conform.keepsTime() ? Conform.Pace.KEEP_TIME : conform.pace())
                .put("holds", conform.pace() == Conform.Pace.KEEP_TIME)
                .put("speed", conform.speed());
    }

    @Override
    protected Footage readItem(Fields from, Reading reading) throws WrongField {
        return new Footage(
                from.text("id"),
                from.text("name"),
                reading.path(from.text("file")),
                from.object("conform").make(FootagePart::conform),
                from.ifAny("span", span -> FrameRange.of(span.whole("start"), span.whole("frames"))),
                from.listIfAny("views", FootagePart::view),
                from.object("placement").make(Placement::read),
                from.object("look").make(FootagePart::look),
                from.flag("visible"),
                from.flag("locked"),
                from.flagIfAny("mirrored"),
                // Before there were three places, a switch said whether it lies over the drawings.
                from.oneOf(
                        "where", from.flagIfAny("over") ? Footage.Where.OVER_DRAWINGS : Footage.Where.UNDER_DRAWINGS),
                from.textIfAny("note").orElse(""),
                from.ifAny("model", StagingTree::read));
    }

    private static Conform conform(Fields from) throws WrongField {
        return new Conform(
                from.whole("startFrame"),
                from.whole("firstPicture"),
                from.whole("endPicture"),
                from.whole("every"),
                pace(from),
                from.number("speed", 1),
                new FrameMap(from.listIfAny(
                        "retimed", knot -> new FrameMap.Knot(knot.number("frame"), knot.number("was")))));
    }

    /** Before version 0.1's end a source that keeps its time showed the nearest picture, and files of then stay so. */
    private static Conform.Pace pace(Fields from) throws WrongField {
        Conform.Pace pace = from.oneOf("pace", Conform.Pace.class);
        return pace == Conform.Pace.KEEP_TIME && !from.flagIfAny("holds") ? Conform.Pace.NEAREST_TIME : pace;
    }

    private static StillView view(Fields from) throws WrongField {
        return new StillView(
                from.whole("start"),
                from.whole("picture"),
                from.object("region")
                        .make(region -> new Region(
                                region.number("x"),
                                region.number("y"),
                                region.number("width"),
                                region.number("height"))));
    }

    private static Footage.Look look(Fields from) throws WrongField {
        return new Footage.Look(
                from.number("lighten"),
                from.number("tint"),
                Rgb.parse(from.text("color")),
                from.number("saturation", 1),
                from.number("exposure", 0),
                from.flagIfAny("oneField"));
    }
}
