package chalktrace.core.stroke;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Deque;
import java.util.List;

/**
 * Thins a line of samples to a part of them such that none of the dropped ones lies farther than a tolerance from the
 * line that is left, nor has another pressure than that line has there. After Douglas, Peucker, "Algorithms for the
 * reduction of the number of points required to represent a digitized line or its caricature", 1973, with pressure as a
 * third coordinate that has a tolerance of its own. Cost: n log n in the usual case, n squared in the worst.
 */
public final class DouglasPeucker {

    private DouglasPeucker() {}

    /**
     * @param tolerance in pixels, above 0
     * @param pressureTolerance in shares of full pressure, above 0; time is not looked at
     * @return the first sample, the last, and those between that are needed; two samples or fewer come back as they are
     */
    public static List<PenSample> simplify(List<PenSample> samples, double tolerance, double pressureTolerance) {
        if (samples.size() < 3) {
            return List.copyOf(samples);
        }
        BitSet kept = new BitSet(samples.size());
        kept.set(0);
        kept.set(samples.size() - 1);
        Deque<int[]> open = new ArrayDeque<>();
        open.push(new int[] {0, samples.size() - 1});
        while (!open.isEmpty()) {
            int[] span = open.pop();
            int farthest = -1;
            double most = 1;
            for (int i = span[0] + 1; i < span[1]; i++) {
                double off =
                        off(samples.get(i), samples.get(span[0]), samples.get(span[1]), tolerance, pressureTolerance);
                if (off > most) {
                    most = off;
                    farthest = i;
                }
            }
            if (farthest >= 0) {
                kept.set(farthest);
                open.push(new int[] {span[0], farthest});
                open.push(new int[] {farthest, span[1]});
            }
        }
        List<PenSample> out = new ArrayList<>(kept.cardinality());
        kept.stream().forEach(i -> out.add(samples.get(i)));
        return out;
    }

    /** How far a sample lies from the line between two others, in tolerances. */
    private static double off(PenSample s, PenSample a, PenSample b, double tolerance, double pressureTolerance) {
        double share = Segments.share(s.x(), s.y(), a.x(), a.y(), b.x(), b.y());
        double away = Math.hypot(s.x() - a.x() - share * (b.x() - a.x()), s.y() - a.y() - share * (b.y() - a.y()));
        double lighter = Math.abs(s.pressure() - a.pressure() - share * (b.pressure() - a.pressure()));
        return Math.max(away / tolerance, lighter / pressureTolerance);
    }
}
