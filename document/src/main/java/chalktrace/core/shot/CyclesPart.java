package chalktrace.core.shot;

import chalktrace.core.time.FrameRange;
import chalktrace.core.tree.Branch;
import chalktrace.core.tree.Fields;
import chalktrace.core.tree.WrongField;
import chalktrace.core.words.PartWords;
import java.util.Optional;
import java.util.stream.Stream;

/** Cycles go with their level. */
public final class CyclesPart extends ListPart<Cycle> {

    public static final CyclesPart CYCLES = new CyclesPart();

    private CyclesPart() {
        super("cycles");
    }

    @Override
    public String title() {
        return PartWords.TEXTS.of("cycles");
    }

    @Override
    protected Optional<Cycle> itemMoved(Cycle cycle, FrameChange change) {
        return cycle.moved(change);
    }

    @Override
    protected Stream<Reference> references(Cycle cycle) {
        return Stream.of(Reference.to(cycle.level(), LevelsPart.LEVELS));
    }

    @Override
    protected void writeItem(Cycle cycle, Branch to, Writing writing) {
        to.put("level", cycle.level())
                .put("start", cycle.frames().start())
                .put("frames", cycle.frames().frames());
    }

    @Override
    protected Cycle readItem(Fields from, Reading reading) throws WrongField {
        return new Cycle(from.text("level"), FrameRange.of(from.whole("start"), from.whole("frames")));
    }
}
