package chalktrace.core.check;

import chalktrace.core.shot.Cycle;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.SpanExposures;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;

/** Finds what is probably not meant in the exposure of levels. */
public final class ExposureChecks {

    private ExposureChecks() {}

    /** What was found. */
    public enum Kind {
        /** A drawing without a stroke is shown. */
        EMPTY_SHOWN,
        /** A showing starts after the shot's end. */
        OUTSIDE,
        /** A drawing shows nowhere. */
        NEVER_SHOWN,
        /** One frame between two showings shows nothing, not on purpose. */
        ONE_FRAME_GAP,
        /** In a row of showings of two frames each, one of one frame. */
        BROKEN_TWOS,
        /** A cycle starts and ends with the same drawing, which shows twice in a row where it comes round. */
        CYCLE_SHOWS_TWICE,
        /** Two levels that else change together change one frame apart here. */
        ALMOST_TOGETHER
    }

    /** Levels change together when they do so at least this often, and twice as often as one frame apart. */
    private static final int TOGETHER = 3;

    /** @param frame where it is, from 0; of a drawing that shows nowhere the first frame */
    public record Finding(Kind kind, String level, int frame, int drawing) {}

    public static List<Finding> of(Shot shot) {
        List<Finding> all = new ArrayList<>();
        shot.levels().forEach(level -> of(shot, level, all));
        for (Cycle cycle : shot.cycles()) {
            Level level = shot.level(cycle.level()).orElseThrow();
            if (SpanExposures.of(level.exposures(), cycle.frames()).repeatsItsFirstPose()) {
                int drawing = level.exposures()
                        .at(cycle.frames().start())
                        .map(Exposure::drawing)
                        .orElse(Exposure.BLANK);
                all.add(new Finding(
                        Kind.CYCLE_SHOWS_TWICE, level.id(), cycle.frames().last(), drawing));
            }
        }
        almostTogether(shot, all);
        return all;
    }

    /** Each pair of levels is looked at once, by the frames on which their showings start. */
    private static void almostTogether(Shot shot, List<Finding> all) {
        List<BitSet> starts = new ArrayList<>();
        for (Level level : shot.levels()) {
            BitSet on = new BitSet();
            level.exposures().runs().forEach(run -> on.set(run.start()));
            starts.add(on);
        }
        for (int a = 0; a < starts.size(); a++) {
            for (int b = a + 1; b < starts.size(); b++) {
                BitSet both = (BitSet) starts.get(a).clone();
                both.and(starts.get(b));
                List<Integer> apart = apart(starts.get(a), starts.get(b));
                if (both.cardinality() >= TOGETHER && both.cardinality() >= 2 * apart.size()) {
                    Level level = shot.levels().get(b);
                    for (int frame : apart) {
                        all.add(new Finding(
                                Kind.ALMOST_TOGETHER,
                                level.id(),
                                frame,
                                level.exposures()
                                        .at(frame)
                                        .map(Exposure::drawing)
                                        .orElse(Exposure.BLANK)));
                    }
                }
            }
        }
    }

    /** Where only the second starts, and only the first one frame before or after. */
    private static List<Integer> apart(BitSet first, BitSet second) {
        List<Integer> out = new ArrayList<>();
        for (int frame = second.nextSetBit(0); frame >= 0; frame = second.nextSetBit(frame + 1)) {
            boolean before = frame > 0 && first.get(frame - 1) && !second.get(frame - 1);
            boolean after = first.get(frame + 1) && !second.get(frame + 1);
            if (!first.get(frame) && (before || after)) {
                out.add(frame);
            }
        }
        return out;
    }

    private static void of(Shot shot, Level level, List<Finding> all) {
        List<Exposure> runs = level.exposures().runs();
        for (int i = 0; i < runs.size(); i++) {
            Exposure run = runs.get(i);
            if (run.start() >= shot.setup().length()) {
                all.add(new Finding(Kind.OUTSIDE, level.id(), run.start(), run.drawing()));
            } else if (!run.isBlank()
                    && level.drawing(run.drawing()).map(Drawing::isEmpty).orElse(true)) {
                all.add(new Finding(Kind.EMPTY_SHOWN, level.id(), run.start(), run.drawing()));
            }
            boolean gap = i + 1 < runs.size() && runs.get(i + 1).start() == run.end() + 1;
            if (gap) {
                all.add(new Finding(Kind.ONE_FRAME_GAP, level.id(), run.end(), Exposure.BLANK));
            }
            boolean broken =
                    run.frames() == 1 && i > 0 && i + 1 < runs.size() && isTwo(runs, i - 1, i) && isTwo(runs, i, i + 1);
            if (broken) {
                all.add(new Finding(Kind.BROKEN_TWOS, level.id(), run.start(), run.drawing()));
            }
        }
        for (Drawing drawing : level.drawings()) {
            if (level.exposures().showing(drawing.number()).isEmpty()) {
                all.add(new Finding(Kind.NEVER_SHOWN, level.id(), 0, drawing.number()));
            }
        }
    }

    /** Whether two showings follow each other and the one that is not in question lasts two frames. */
    private static boolean isTwo(List<Exposure> runs, int a, int b) {
        Exposure first = runs.get(a);
        Exposure second = runs.get(b);
        return first.end() == second.start() && (first.frames() == 2 || second.frames() == 2);
    }
}
