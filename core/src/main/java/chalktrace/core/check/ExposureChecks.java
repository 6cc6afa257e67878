package chalktrace.core.check;

import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import java.util.ArrayList;
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
        BROKEN_TWOS
    }

    /** @param frame where it is, from 0; of a drawing that shows nowhere the first frame */
    public record Finding(Kind kind, String level, int frame, int drawing) {}

    public static List<Finding> of(Shot shot) {
        List<Finding> all = new ArrayList<>();
        shot.levels().forEach(level -> of(shot, level, all));
        return all;
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
