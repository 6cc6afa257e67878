package chalktrace.core.check;

import chalktrace.core.shot.Cycle;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.SpanExposures;
import java.util.ArrayList;
import java.util.List;

/** A cycle starts and ends with the same drawing, which shows twice in a row where it comes round. */
final class CycleShowsTwice implements Check {

    @Override
    public String id() {
        return "cycle-shows-twice";
    }

    @Override
    public List<Finding> of(Shot shot) {
        List<Finding> out = new ArrayList<>();
        for (Cycle cycle : shot.cycles()) {
            Level level = shot.level(cycle.level()).orElseThrow();
            if (SpanExposures.of(level.exposures(), cycle.frames()).repeatsItsFirstPose()) {
                int drawing = level.exposures()
                        .at(cycle.frames().start())
                        .map(Exposure::drawing)
                        .orElse(Exposure.BLANK);
                out.add(new Finding(id(), level.id(), cycle.frames().last(), drawing));
            }
        }
        return out;
    }
}
