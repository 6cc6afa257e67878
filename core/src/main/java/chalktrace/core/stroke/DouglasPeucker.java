package chalktrace.core.stroke;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;

/**
 * Thins a line of samples to a part of them such that none of the dropped ones lies farther than a tolerance from the
 * line that is left. After Douglas, Peucker, "Algorithms for the reduction of the number of points required to represent
 * a digitized line or its caricature", 1973. Cost: n log n in the usual case, n squared in the worst.
 */
public final class DouglasPeucker {

    private DouglasPeucker() {}

    /**
     * @param tolerance in pixels; pressure and time are not looked at
     * @return the first sample, the last, and those between that are needed; two samples or fewer come back as they are
     */
    public static List<PenSample> simplify(List<PenSample> samples, double tolerance) {
        if (samples.size() < 3) {
            return List.copyOf(samples);
        }
        BitSet kept = new BitSet(samples.size());
        kept.set(0);
        kept.set(samples.size() - 1);
        keep(samples, 0, samples.size() - 1, tolerance, kept);
        List<PenSample> out = new ArrayList<>(kept.cardinality());
        kept.stream().forEach(i -> out.add(samples.get(i)));
        return out;
    }

    private static void keep(List<PenSample> samples, int first, int last, double tolerance, BitSet kept) {
        if (last - first < 2) {
            return;
        }
        int farthest = first;
        double distance = -1;
        for (int i = first + 1; i < last; i++) {
            double d = Segments.distance(
                    samples.get(i).x(),
                    samples.get(i).y(),
                    samples.get(first).x(),
                    samples.get(first).y(),
                    samples.get(last).x(),
                    samples.get(last).y());
            if (d > distance) {
                distance = d;
                farthest = i;
            }
        }
        if (distance > tolerance) {
            kept.set(farthest);
            keep(samples, first, farthest, tolerance, kept);
            keep(samples, farthest, last, tolerance, kept);
        }
    }
}
