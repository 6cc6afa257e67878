package chalktrace.core.shot;

import chalktrace.core.tree.Branch;
import chalktrace.core.tree.Fields;
import chalktrace.core.tree.WrongField;
import java.util.HashMap;
import java.util.Map;

/** A shot as a tree, as its file holds it. */
public final class ShotTree {

    static final int FIRST_FORMAT = 2;

    /** The newest that is read. */
    public static final int NEWEST_FORMAT = 3;

    private ShotTree() {}

    /** All parts of it, put into a document. */
    public static void write(Shot shot, Branch root, Writing writing) {
        for (ShotPart<?> part : ShotParts.ALL) {
            write(shot, part, root, writing);
        }
    }

    /** One part. */
    public static <T> void write(Shot shot, ShotPart<T> part, Branch root, Writing writing) {
        part.write(shot.get(part), root, writing);
    }

    /** The version of the format: the oldest whose programs show all of it. */
    public static int format(Shot shot) {
        return ShotParts.ALL.stream().mapToInt(part -> format(shot, part)).max().orElseThrow();
    }

    private static <T> int format(Shot shot, ShotPart<T> part) {
        return part.format(shot.get(part));
    }

    /** @throws WrongField when a field is missing or has no sense; it names the field */
    public static Shot read(Fields root, Reading reading) throws WrongField {
        Map<ShotPart<?>, Object> values = new HashMap<>();
        for (ShotPart<?> part : ShotParts.ALL) {
            values.put(part, part.read(root, reading));
        }
        return root.make(fields -> Shot.of(values));
    }
}
