package chalktrace.core.shot;

import java.util.List;

/** What lies on frames or pictures, read from one list a column. */
final class Columns {

    private Columns() {}

    /** The number of a picture or a frame. */
    static int whole(double number) {
        if (number != Math.rint(number) || Math.abs(number) > Integer.MAX_VALUE) {
            throw new IllegalArgumentException("A place lies on a whole picture or frame, not on " + number + ".");
        }
        return (int) number;
    }

    static <T> T value(List<T> column, int row) {
        if (row >= column.size()) {
            throw new IllegalArgumentException("Each frame or picture has a value in each of the lists.");
        }
        return column.get(row);
    }
}
