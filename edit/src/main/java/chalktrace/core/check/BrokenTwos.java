package chalktrace.core.check;

import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import java.util.List;

/** In a row of showings of two frames each, one of one frame. */
final class BrokenTwos extends LevelCheck {

    BrokenTwos() {
        super("broken-twos");
    }

    @Override
    boolean isWrong(Shot shot, Level level, List<Exposure> runs, int index) {
        return runs.get(index).frames() == 1
                && index > 0
                && index + 1 < runs.size()
                && isTwo(runs, index - 1, index)
                && isTwo(runs, index, index + 1);
    }

    /** Whether two showings follow each other and the one that is not in question lasts two frames. */
    private static boolean isTwo(List<Exposure> runs, int a, int b) {
        Exposure first = runs.get(a);
        Exposure second = runs.get(b);
        return first.end() == second.start() && (first.frames() == 2 || second.frames() == 2);
    }
}
