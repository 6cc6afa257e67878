package chalktrace.core.shot;

import chalktrace.core.picture.Rgb;
import chalktrace.core.stroke.LineEnds;
import chalktrace.core.stroke.LineShape;
import chalktrace.core.stroke.PressureCurve;
import chalktrace.core.tree.Branch;
import chalktrace.core.tree.Fields;
import chalktrace.core.tree.WrongField;
import chalktrace.core.words.PartWords;
import java.util.List;
import java.util.Optional;

public final class ChalksPart extends ListPart<Chalk> {

    public static final ChalksPart CHALKS = new ChalksPart();

    private ChalksPart() {
        super("chalks", true);
    }

    @Override
    public String title() {
        return PartWords.TEXTS.of("chalks");
    }

    @Override
    public List<Chalk> empty() {
        return ChalkBox.standard();
    }

    /** @throws IllegalArgumentException when there is none */
    @Override
    protected List<Chalk> kept(List<Chalk> value) {
        if (value.isEmpty()) {
            throw new IllegalArgumentException("A shot has at least one chalk.");
        }
        return super.kept(value);
    }

    @Override
    protected Optional<String> id(Chalk chalk) {
        return Optional.of(chalk.id());
    }

    @Override
    protected Optional<Chalk> itemMoved(Chalk chalk, FrameChange change) {
        return Optional.of(chalk);
    }

    @Override
    protected void writeItem(Chalk chalk, Branch to, Writing writing) {
        LineShape line = chalk.line();
        to.put("id", chalk.id())
                .put("name", chalk.name())
                .put("color", chalk.color().hex())
                .put("width", chalk.width())
                .put("opacity", chalk.opacity())
                .put("thinnest", line.thinnest())
                .put("taper", line.taperPx())
                .put("tip", line.tip())
                .put("faintest", line.faintest())
                .put("answer", ChalkText.of(line.answer()))
                .put("role", chalk.role());
        LineEnds ends = line.ends();
        if (!ends.equals(LineEnds.ROUND)) {
            to.put("cap", ends.cap())
                    .put("join", ends.join())
                    .put("miterLimit", ends.miterLimit())
                    .put("dashes", ChalkText.dashes(ends))
                    .put("dashOffset", ends.dashOffset());
        }
    }

    @Override
    protected Chalk readItem(Fields from, Reading reading) throws WrongField {
        return new Chalk(
                from.text("id"),
                from.text("name"),
                Rgb.parse(from.text("color")),
                line(from),
                from.number("opacity"),
                from.oneOf("role", Chalk.Role.LINE));
    }

    private static LineShape line(Fields from) throws WrongField {
        LineShape round = LineShape.round(from.number("width"));
        return from.has("tip")
                ? new LineShape(
                        round.width(),
                        from.number("thinnest"),
                        from.number("taper"),
                        from.oneOf("tip", LineShape.Tip.class),
                        from.number("faintest", 1),
                        from.has("answer") ? ChalkText.answer(from.text("answer")) : PressureCurve.EVEN,
                        from.has("cap") ? ends(from) : LineEnds.ROUND)
                : round;
    }

    private static LineEnds ends(Fields from) throws WrongField {
        return new LineEnds(
                from.oneOf("cap", LineEnds.Cap.class),
                from.oneOf("join", LineEnds.Join.class),
                from.number("miterLimit"),
                ChalkText.dashes(from.text("dashes")),
                from.number("dashOffset"));
    }
}
