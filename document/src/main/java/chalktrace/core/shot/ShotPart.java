package chalktrace.core.shot;

import chalktrace.core.tree.Branch;
import chalktrace.core.tree.Fields;
import chalktrace.core.tree.WrongField;
import java.util.List;
import java.util.stream.Stream;

/**
 * A part of a shot: all that the shot, its file, the journal, edits of frames, versions and the clean-up of references ask of it. A new part is one
 * such class and a line of {@link ShotParts}; what is common to lists is in {@link ListPart}.
 *
 * @param <T> its value: immutable, with {@code equals}
 */
public abstract class ShotPart<T> {

    private final String id;

    /** @param id stands in files, journals and on the command line, and never changes */
    protected ShotPart(String id) {
        this.id = id;
    }

    public final String id() {
        return id;
    }

    /** What it is called where it has changed, such as "cues". */
    public abstract String title();

    /** What a new shot has. */
    public abstract T empty();

    /** As the shot keeps it: copied, in order. The same object where it is so already. */
    protected T kept(T value) {
        return value;
    }

    /**
     * Without what leans on something that has gone; the same object where nothing has.
     *
     * @param shot the other parts as they are now
     */
    protected T fitting(T value, PartValues shot) {
        return value;
    }

    /** Whether what is in other parts may no longer fit, though nothing has come or gone. */
    protected boolean unsettles(T before, T after) {
        return false;
    }

    /** Where it comes to when frames are moved; a part that lies on no frame stays. */
    protected abstract T moved(T value, FrameChange change);

    /** The ids of all that can be named by other parts; each is there once in a shot. */
    protected Stream<String> ids(T value) {
        return Stream.empty();
    }

    /** Each of its fields, always, so that a field that is only in an older text is an unknown one. */
    public abstract void write(T value, Branch root, Writing writing);

    /** @throws WrongField when a field is missing or has no sense */
    public abstract T read(Fields root, Reading reading) throws WrongField;

    /** The oldest version of the format that shows such a value as it is. */
    public int format(T value) {
        return ShotTree.FIRST_FORMAT;
    }

    /** Parts that make no sense from another time than this one: they are taken back along with it. */
    public List<ShotPart<?>> takenAlong() {
        return List.of();
    }

    @Override
    public final String toString() {
        return id;
    }
}
