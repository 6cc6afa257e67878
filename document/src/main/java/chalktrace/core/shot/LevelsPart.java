package chalktrace.core.shot;

import chalktrace.core.picture.Rgb;
import chalktrace.core.tree.Branch;
import chalktrace.core.tree.Fields;
import chalktrace.core.tree.WrongField;
import chalktrace.core.words.PartWords;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Drawings stand in files of their own. */
public final class LevelsPart extends ListPart<Level> {

    public static final LevelsPart LEVELS = new LevelsPart();

    private static final int FORMAT_WITH_GRADIENTS = 3;

    private LevelsPart() {
        super("levels", true);
    }

    @Override
    public String title() {
        return PartWords.TEXTS.of("levels");
    }

    @Override
    public List<Level> empty() {
        return List.of(Level.empty("level-1", "rough"));
    }

    @Override
    protected Optional<String> id(Level level) {
        return Optional.of(level.id());
    }

    /** A held level shows its first drawing over the whole shot, however long that is. */
    @Override
    protected List<Level> fitting(List<Level> value, PartValues shot) {
        int length = shot.get(SetupPart.SETUP).length();
        List<Level> there = super.fitting(value, shot);
        return same(
                there,
                there.stream()
                        .map(level -> level.style().held() ? level.heldFor(length) : level)
                        .toList());
    }

    @Override
    protected Stream<Reference> references(Level level) {
        LevelStyle style = level.style();
        return Stream.concat(style.paints().stream(), style.drawnOn().flatMap(DrawnOn::as).stream())
                .map(other -> Reference.to(other, LEVELS));
    }

    /** Paint stays when its lines go, and a pace when the level goes that set it. */
    @Override
    protected Optional<Level> without(Level level, Reference gone) {
        LevelStyle style = level.style();
        LevelStyle unpaired = style.paints().filter(gone.id()::equals).isPresent() ? style.paintingNothing() : style;
        return Optional.of(level.withStyle(unpaired.withDrawnOn(unpaired.drawnOn()
                .map(on -> on.as().filter(gone.id()::equals).isPresent() ? DrawnOn.frames(on.frames()) : on))));
    }

    @Override
    protected Optional<Level> itemMoved(Level level, FrameChange change) {
        return level.moved(change);
    }

    @Override
    public int format(List<Level> value) {
        boolean gradients = value.stream()
                .flatMap(level -> level.drawings().stream())
                .flatMap(drawing -> drawing.fills().stream())
                .anyMatch(fill -> fill.gradient().isPresent());
        return gradients ? FORMAT_WITH_GRADIENTS : super.format(value);
    }

    @Override
    protected void writeItem(Level level, Branch to, Writing writing) {
        to.put("id", level.id())
                .put("name", level.name())
                .put("visible", level.visible())
                .put("locked", level.locked())
                .put("opacity", level.opacity());
        LevelStyle style = level.style();
        Branch styled = to.branch("style")
                .put("role", style.role())
                .put("paints", style.paints())
                .put("tint", style.tint().map(Rgb::hex))
                .put("multiply", style.multiply())
                .put("clipped", style.clipped())
                .put("held", style.held());
        style.drawnOn()
                .ifPresent(on ->
                        styled.branch("drawnOn").put("frames", on.frames()).put("as", on.as()));
        to.each("drawings", level.drawings(), (drawing, d) -> d.put("number", drawing.number())
                .put("file", writing.drawing(level, drawing)));
        write(level.exposures(), to);
    }

    /** What a level shows, as a field of its own. */
    public static void write(Exposures exposures, Branch to) {
        to.each("exposures", exposures.runs(), (run, r) -> {
            r.put("start", run.start()).put("frames", run.frames()).put("drawing", run.drawing());
            run.placement().write(r.branch("placement"));
        });
    }

    @Override
    protected Level readItem(Fields from, Reading reading) throws WrongField {
        List<Drawing> drawings = new ArrayList<>();
        for (Fields drawing : from.items("drawings")) {
            drawings.add(reading.drawing(drawing.whole("number"), drawing.text("file")));
        }
        List<Exposure> runs = from.list(
                "exposures",
                run -> new Exposure(
                        run.whole("start"),
                        run.whole("frames"),
                        run.whole("drawing"),
                        run.object("placement").make(Placement::read)));
        return new Level(
                from.text("id"),
                from.text("name"),
                from.flag("visible"),
                from.flag("locked"),
                from.number("opacity"),
                from.ifAny("style", LevelsPart::style).orElse(LevelStyle.ROUGH),
                drawings,
                new Exposures(runs));
    }

    private static LevelStyle style(Fields from) throws WrongField {
        return new LevelStyle(
                from.oneOf("role", LevelStyle.Role.class),
                from.textIfAny("paints"),
                from.textIfAny("tint").map(Rgb::parse),
                from.flag("multiply"),
                from.flag("clipped"),
                from.flagIfAny("held"),
                from.ifAny("drawnOn", on -> on.make(o -> new DrawnOn(o.whole("frames"), o.textIfAny("as")))));
    }
}
