package chalktrace.core.edit;

import chalktrace.core.between.InBetween;
import chalktrace.core.between.TimingChart;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.stroke.Stroke;
import java.util.ArrayList;
import java.util.List;

/** Puts in-betweens into a level. */
public final class BetweenEdits {

    private BetweenEdits() {}

    /**
     * New drawings on every n-th frame after a key up to the next, over what shows there: the first key ends where the first of
     * them starts.
     *
     * @param between made of the two keys' drawings
     * @param every 1 for ones, 2 for twos
     */
    public static Edit make(
            String levelId,
            Exposure first,
            Exposure second,
            InBetween between,
            TimingChart.Spacing spacing,
            int every) {
        List<Integer> frames = new ArrayList<>();
        for (int frame = first.start() + Math.max(1, every); frame < second.start(); frame += Math.max(1, every)) {
            frames.add(frame);
        }
        List<List<Stroke>> drafts = TimingChart.of(spacing, frames.size()).ticks().stream()
                .map(tick -> between.at(tick).strokes())
                .toList();
        return new Edit(
                "draw " + frames.size() + " in-betweens",
                shot -> shot.withLevel(levelId, level -> {
                    if (shot.isLocked(level) || level.style().held()) {
                        return level;
                    }
                    Level out = level;
                    Exposures exposures = level.exposures();
                    for (int i = 0; i < frames.size(); i++) {
                        int end = i + 1 < frames.size() ? frames.get(i + 1) : second.start();
                        int number = out.nextNumber();
                        out = out.with(new Drawing(number, drafts.get(i)));
                        exposures = exposures.with(
                                new Exposure(frames.get(i), end - frames.get(i), number, first.placement()));
                    }
                    return out.with(exposures);
                }));
    }
}
