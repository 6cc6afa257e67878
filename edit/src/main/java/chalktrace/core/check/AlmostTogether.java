package chalktrace.core.check;

import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;

/** Two levels that else change together change one frame apart here. */
final class AlmostTogether implements Check {

    /** Levels change together when they do so at least this often, and twice as often as one frame apart. */
    private static final int TOGETHER = 3;

    @Override
    public String id() {
        return "almost-together";
    }

    /** Each pair of levels is looked at once, by the frames on which their showings start. */
    @Override
    public List<Finding> of(Shot shot) {
        List<Finding> all = new ArrayList<>();
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
                                id(),
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
        return all;
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
}
