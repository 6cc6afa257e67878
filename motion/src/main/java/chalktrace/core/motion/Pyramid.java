package chalktrace.core.motion;

import java.util.ArrayList;
import java.util.List;

/** A picture at several sizes, each half of the one before, so that far movements are near ones in the smallest. */
public final class Pyramid {

    /** A side that is smaller than this holds nothing to follow. */
    private static final int SMALLEST = 24;

    private static final int MOST_LEVELS = 5;

    private final List<Luma> levels = new ArrayList<>();

    public Pyramid(Luma whole) {
        levels.add(whole);
        while (levels.size() < MOST_LEVELS && Math.min(last().width(), last().height()) >= 2 * SMALLEST) {
            levels.add(last().halved());
        }
    }

    private Luma last() {
        return levels.get(levels.size() - 1);
    }

    public Luma whole() {
        return levels.get(0);
    }

    int levels() {
        return levels.size();
    }

    Luma level(int n) {
        return levels.get(n);
    }
}
