package chalktrace.core.shot;

import chalktrace.core.tree.Branch;
import chalktrace.core.tree.Fields;
import chalktrace.core.tree.WrongField;
import chalktrace.core.words.PartWords;
import java.util.Optional;
import java.util.stream.Stream;

public final class GroupsPart extends ListPart<LevelGroup> {

    public static final GroupsPart GROUPS = new GroupsPart();

    private GroupsPart() {
        super("groups", true);
    }

    @Override
    public String title() {
        return PartWords.TEXTS.of("groups");
    }

    @Override
    protected Optional<String> id(LevelGroup group) {
        return Optional.of(group.id());
    }

    @Override
    protected Optional<LevelGroup> itemMoved(LevelGroup group, FrameChange change) {
        return Optional.of(group);
    }

    @Override
    protected Stream<Reference> references(LevelGroup group) {
        return group.levels().stream().map(level -> Reference.to(level, LevelsPart.LEVELS));
    }

    /** A group without levels goes. */
    @Override
    protected Optional<LevelGroup> without(LevelGroup group, Reference gone) {
        return Optional.of(group.without(gone.id()))
                .filter(left -> !left.levels().isEmpty());
    }

    @Override
    protected void writeItem(LevelGroup group, Branch to, Writing writing) {
        to.put("id", group.id())
                .put("name", group.name())
                .texts("levels", group.levels())
                .put("visible", group.visible())
                .put("locked", group.locked())
                .put("opacity", group.opacity())
                .put("retimed", group.retimed());
    }

    @Override
    protected LevelGroup readItem(Fields from, Reading reading) throws WrongField {
        return new LevelGroup(
                from.text("id"),
                from.text("name"),
                from.texts("levels"),
                from.flag("visible"),
                from.flag("locked"),
                from.number("opacity"),
                from.flagIfAny("retimed"));
    }
}
