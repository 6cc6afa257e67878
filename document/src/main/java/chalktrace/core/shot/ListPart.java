package chalktrace.core.shot;

import chalktrace.core.tree.Branch;
import chalktrace.core.tree.Fields;
import chalktrace.core.tree.WrongField;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** A part that is a list of things, each moved, written and let go by itself. */
public abstract class ListPart<I> extends ShotPart<List<I>> {

    private final boolean inEveryFile;

    protected ListPart(String id) {
        this(id, false);
    }

    /** @param inEveryFile whether the first files had it; where it is missing in one of these, that is a mistake */
    ListPart(String id, boolean inEveryFile) {
        super(id);
        this.inEveryFile = inEveryFile;
    }

    @Override
    public List<I> empty() {
        return List.of();
    }

    /** Its id, where others can name it. */
    protected Optional<String> id(I item) {
        return Optional.empty();
    }

    /** Where it comes to; empty when nothing of it is left. */
    protected abstract Optional<I> itemMoved(I item, FrameChange change);

    /** What it leans on. */
    protected Stream<Reference> references(I item) {
        return Stream.empty();
    }

    /** What stays of it when something that it leans on has gone; it no longer leans on that. */
    protected Optional<I> without(I item, Reference gone) {
        return Optional.empty();
    }

    protected abstract void writeItem(I item, Branch to, Writing writing);

    protected abstract I readItem(Fields from, Reading reading) throws WrongField;

    @Override
    protected List<I> kept(List<I> value) {
        return List.copyOf(value);
    }

    @Override
    protected final Stream<String> ids(List<I> value) {
        return value.stream().flatMap(item -> id(item).stream());
    }

    @Override
    protected List<I> moved(List<I> value, FrameChange change) {
        return same(
                value,
                value.stream().flatMap(item -> itemMoved(item, change).stream()).toList());
    }

    @Override
    protected List<I> fitting(List<I> value, PartValues shot) {
        List<I> out = new ArrayList<>(value.size());
        for (I item : value) {
            left(item, shot).ifPresent(out::add);
        }
        return same(value, out);
    }

    private Optional<I> left(I item, PartValues shot) {
        Optional<I> left = Optional.of(item);
        for (Reference gone :
                references(item).filter(reference -> !reference.holds(shot)).toList()) {
            left = left.flatMap(still -> without(still, gone));
        }
        return left;
    }

    /** The list as it was where its items are the same objects, so that whoever goes by identity sees that nothing has changed. */
    static <T> List<T> same(List<T> before, List<T> after) {
        if (before.size() != after.size()) {
            return List.copyOf(after);
        }
        for (int i = 0; i < before.size(); i++) {
            if (before.get(i) != after.get(i)) {
                return List.copyOf(after);
            }
        }
        return before;
    }

    @Override
    public void write(List<I> value, Branch root, Writing writing) {
        root.each(id(), value, (item, to) -> writeItem(item, to, writing));
    }

    @Override
    public List<I> read(Fields root, Reading reading) throws WrongField {
        return inEveryFile || root.has(id()) ? root.list(id(), item -> readItem(item, reading)) : List.of();
    }
}
