package chalktrace.core.check;

import chalktrace.core.edit.Edit;
import chalktrace.core.shot.Cycle;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.SpanExposures;
import chalktrace.core.time.FrameRange;
import chalktrace.core.words.EditWords;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A cycle starts and ends with the same drawing, which shows twice in a row where it comes round. */
final class CycleShowsTwice implements Check {

    @Override
    public String id() {
        return "cycle-shows-twice";
    }

    @Override
    public Optional<Edit> mend(Finding finding) {
        return Optional.of(new Edit(
                EditWords.TEXTS.of("end-the-cycle-before-its-first-pose-comes-again"),
                shot -> shot.withCycles(shot.cycles().stream()
                        .map(cycle -> cycle.level().equals(finding.level())
                                        && cycle.frames().last() == finding.frame()
                                ? shortened(shot, cycle)
                                : cycle)
                        .toList())));
    }

    private static Cycle shortened(Shot shot, Cycle cycle) {
        int end = shot.level(cycle.level())
                .flatMap(level -> level.exposures().at(cycle.frames().last()))
                .map(Exposure::start)
                .orElse(cycle.frames().end());
        // A cycle has at least two frames.
        return end < cycle.frames().start() + 2
                ? cycle
                : new Cycle(cycle.level(), new FrameRange(cycle.frames().start(), end));
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
