package chalktrace.core.check;

import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import java.util.List;

/** One frame between two showings shows nothing, not on purpose. */
final class OneFrameGap extends LevelCheck {

    OneFrameGap() {
        super("one-frame-gap");
    }

    @Override
    boolean isWrong(Shot shot, Level level, List<Exposure> runs, int index) {
        return index + 1 < runs.size()
                && runs.get(index + 1).start() == runs.get(index).end() + 1;
    }

    @Override
    Finding finding(Level level, Exposure before) {
        return new Finding(id(), level.id(), before.end(), Exposure.BLANK);
    }
}
