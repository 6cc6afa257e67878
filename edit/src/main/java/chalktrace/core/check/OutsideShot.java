package chalktrace.core.check;

import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import java.util.List;

/** A showing starts after the shot's end. */
final class OutsideShot extends LevelCheck {

    OutsideShot() {
        super("outside");
    }

    @Override
    boolean isWrong(Shot shot, Level level, List<Exposure> runs, int index) {
        return runs.get(index).start() >= shot.setup().length();
    }
}
