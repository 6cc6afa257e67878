package chalktrace.core.shot;

import chalktrace.core.tree.Branch;
import chalktrace.core.tree.Fields;
import chalktrace.core.tree.WrongField;
import chalktrace.core.words.PartWords;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** In rising order. */
public final class CuesPart extends ListPart<Cue> {

    public static final CuesPart CUES = new CuesPart();

    private CuesPart() {
        super("cues", true);
    }

    @Override
    public String title() {
        return PartWords.TEXTS.of("cues");
    }

    @Override
    protected List<Cue> kept(List<Cue> value) {
        return InOrder.sorted(value, Comparator.comparingDouble(Cue::seconds));
    }

    @Override
    protected Optional<String> id(Cue cue) {
        return Optional.of(cue.id());
    }

    @Override
    protected Optional<Cue> itemMoved(Cue cue, FrameChange change) {
        return cue.moved(change);
    }

    @Override
    protected Stream<Reference> references(Cue cue) {
        return cue.tie().flatMap(Cue.Tie::level).stream().map(level -> Reference.to(level, LevelsPart.LEVELS));
    }

    /** The sound is still to be met. */
    @Override
    protected Optional<Cue> without(Cue cue, Reference gone) {
        return Optional.of(cue.withTie(Optional.empty()));
    }

    @Override
    protected void writeItem(Cue cue, Branch to, Writing writing) {
        to.put("id", cue.id())
                .put("name", cue.name())
                .put("seconds", cue.seconds())
                .put("kind", cue.kind());
        cue.tie()
                .ifPresentOrElse(
                        tie -> to.branch("tie")
                                .put("level", tie.level())
                                .put("frame", tie.frame())
                                .put("leadFrames", tie.leadFrames()),
                        () -> to.putNothing("tie"));
    }

    @Override
    protected Cue readItem(Fields from, Reading reading) throws WrongField {
        return new Cue(
                from.text("id"),
                from.text("name"),
                from.number("seconds"),
                from.oneOf("kind", Cue.Kind.OTHER),
                from.ifAny(
                        "tie",
                        tie -> new Cue.Tie(tie.textIfAny("level"), tie.whole("frame"), tie.number("leadFrames"))));
    }
}
