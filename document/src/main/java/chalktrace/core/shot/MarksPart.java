package chalktrace.core.shot;

import chalktrace.core.tree.Branch;
import chalktrace.core.tree.Fields;
import chalktrace.core.tree.WrongField;
import chalktrace.core.words.PartWords;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** In rising order of their frames; those of a level go with it. */
public final class MarksPart extends ListPart<Mark> {

    public static final MarksPart MARKS = new MarksPart();

    private MarksPart() {
        super("marks", true);
    }

    @Override
    public String title() {
        return PartWords.TEXTS.of("marks");
    }

    @Override
    protected List<Mark> kept(List<Mark> value) {
        return InOrder.sorted(value, Comparator.comparingInt(Mark::frame));
    }

    @Override
    protected Optional<Mark> itemMoved(Mark mark, FrameChange change) {
        return mark.moved(change);
    }

    @Override
    protected Stream<Reference> references(Mark mark) {
        return mark.level().stream().map(level -> Reference.to(level, LevelsPart.LEVELS));
    }

    @Override
    protected void writeItem(Mark mark, Branch to, Writing writing) {
        to.put("frame", mark.frame())
                .put("kind", mark.kind())
                .put("level", mark.level())
                .put("text", mark.text());
    }

    @Override
    protected Mark readItem(Fields from, Reading reading) throws WrongField {
        return new Mark(
                from.whole("frame"),
                from.oneOf("kind", Mark.Kind.class),
                from.textIfAny("level"),
                from.textIfAny("text").orElse(""));
    }
}
