package chalktrace.core.fill;

import java.util.ArrayDeque;
import java.util.BitSet;
import java.util.Deque;
import java.util.List;
import java.util.stream.Stream;

/** Thins closed lines, after Douglas and Peucker (1973), between the two corners that lie farthest apart. */
final class ClosedLine {

    private ClosedLine() {}

    /** @return x and y of the corners that are left */
    static double[] thinned(List<double[]> corners, double tolerance) {
        int n = corners.size();
        int far = 0;
        double distance = -1;
        for (int i = 1; i < n; i++) {
            double d = Math.hypot(corners.get(i)[0] - corners.get(0)[0], corners.get(i)[1] - corners.get(0)[1]);
            if (d > distance) {
                distance = d;
                far = i;
            }
        }
        BitSet kept = new BitSet(n);
        kept.set(0);
        kept.set(far);
        Deque<int[]> spans = new ArrayDeque<>();
        spans.push(new int[] {0, far});
        spans.push(new int[] {far, n});
        while (!spans.isEmpty()) {
            int[] span = spans.pop();
            int worst = farthest(corners, span[0], span[1], tolerance);
            if (worst >= 0) {
                kept.set(worst % n);
                spans.push(new int[] {span[0], worst});
                spans.push(new int[] {worst, span[1]});
            }
        }
        return kept.stream()
                .boxed()
                .flatMap(i -> Stream.of(corners.get(i)[0], corners.get(i)[1]))
                .mapToDouble(Double::doubleValue)
                .toArray();
    }

    private static int farthest(List<double[]> corners, int from, int to, double tolerance) {
        double[] a = corners.get(from);
        double[] b = corners.get(to % corners.size());
        double length = Math.hypot(b[0] - a[0], b[1] - a[1]);
        int worst = -1;
        double distance = tolerance;
        for (int i = from + 1; i < to; i++) {
            double[] p = corners.get(i);
            double d = length < 1e-9
                    ? Math.hypot(p[0] - a[0], p[1] - a[1])
                    : Math.abs((b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0])) / length;
            if (d > distance) {
                distance = d;
                worst = i;
            }
        }
        return worst;
    }
}
