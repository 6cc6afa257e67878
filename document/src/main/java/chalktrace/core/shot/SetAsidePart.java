package chalktrace.core.shot;

import chalktrace.core.tree.Branch;
import chalktrace.core.tree.Fields;
import chalktrace.core.tree.WrongField;
import chalktrace.core.words.PartWords;
import java.util.Optional;
import java.util.stream.Stream;

/** What was set aside on a level goes with it. */
public final class SetAsidePart extends ListPart<SetAside> {

    public static final SetAsidePart SET_ASIDE = new SetAsidePart();

    private SetAsidePart() {
        super("setAside");
    }

    @Override
    public String title() {
        return PartWords.TEXTS.of("set-aside");
    }

    @Override
    protected Optional<SetAside> itemMoved(SetAside mistake, FrameChange change) {
        return mistake.moved(change);
    }

    @Override
    protected Stream<Reference> references(SetAside mistake) {
        return Stream.of(Reference.to(mistake.level(), LevelsPart.LEVELS));
    }

    @Override
    protected void writeItem(SetAside mistake, Branch to, Writing writing) {
        to.put("check", mistake.check())
                .put("level", mistake.level())
                .put("frame", mistake.frame())
                .put("drawing", mistake.drawing());
    }

    @Override
    protected SetAside readItem(Fields from, Reading reading) throws WrongField {
        return new SetAside(from.text("check"), from.text("level"), from.whole("frame"), from.whole("drawing"));
    }
}
