package chalktrace.core.check;

import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import java.util.List;

/** A drawing without a stroke is shown. */
final class EmptyShown extends LevelCheck {

    EmptyShown() {
        super("empty-shown");
    }

    @Override
    boolean isWrong(Shot shot, Level level, List<Exposure> runs, int index) {
        Exposure run = runs.get(index);
        return run.start() < shot.setup().length()
                && !run.isBlank()
                && level.drawing(run.drawing()).map(Drawing::isEmpty).orElse(true);
    }
}
