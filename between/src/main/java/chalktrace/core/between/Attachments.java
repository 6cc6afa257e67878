package chalktrace.core.between;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.PriorityQueue;

/** Which strokes of a drawing touch, or lie closest to, which others, and where. */
final class Attachments {

    /** Up to this share of the drawing's size two strokes belong together. */
    private static final double TOUCHING = 0.03;

    /** How fast a stroke's hold on another fades with their distance, in shares of the drawing's size. */
    private static final double FADES = 0.1;

    private static final int MOST = 8;
    private static final int LEAST = 3;

    /**
     * @param other stroke
     * @param at the point of this stroke that is closest to the other
     * @param there the point of the other
     * @param distance between both, in pixels
     * @param weight 1 where they touch, less the farther they lie apart
     */
    record Link(int other, int at, int there, double distance, double weight) {}

    private static final Comparator<Link> BY_DISTANCE =
            Comparator.comparingDouble(Link::distance).thenComparingInt(Link::other);

    private Attachments() {}

    /** For each stroke its closest others, the closest first. @param size of the drawing, in pixels */
    static List<List<Link>> of(List<Polyline> lines, double size) {
        double[][] boxes = lines.stream().map(Attachments::box).toArray(double[][]::new);
        List<List<Link>> all = new ArrayList<>();
        for (int i = 0; i < boxes.length; i++) {
            all.add(closest(lines, boxes, i, size));
        }
        return all;
    }

    /** Strokes are looked at in the order of how far their boxes are apart, and only while a closer one may come. */
    private static List<Link> closest(List<Polyline> lines, double[][] boxes, int i, double size) {
        int n = boxes.length;
        double[] gaps = new double[n];
        List<Integer> order = new ArrayList<>(n);
        for (int k = 0; k < n; k++) {
            gaps[k] = gap(boxes[i], boxes[k]);
            if (k != i) {
                order.add(k);
            }
        }
        order.sort(Comparator.comparingDouble(k -> gaps[k]));
        PriorityQueue<Link> closest = new PriorityQueue<>(BY_DISTANCE.reversed());
        for (int k : order) {
            if (closest.size() == MOST && gaps[k] > closest.peek().distance) {
                break;
            }
            closest.add(closest(lines.get(i), lines.get(k), boxes[k], k, size));
            if (closest.size() > MOST) {
                closest.poll();
            }
        }
        List<Link> links = new ArrayList<>(closest);
        links.sort(BY_DISTANCE);
        int keep = LEAST;
        while (keep < links.size() && links.get(keep).distance < TOUCHING * size) {
            keep++;
        }
        return List.copyOf(links.subList(0, Math.min(links.size(), keep)));
    }

    /** Left, top, right and bottom. */
    private static double[] box(Polyline line) {
        return new double[] {
            Arrays.stream(line.x()).min().orElse(0),
            Arrays.stream(line.y()).min().orElse(0),
            Arrays.stream(line.x()).max().orElse(0),
            Arrays.stream(line.y()).max().orElse(0)
        };
    }

    private static double gap(double[] a, double[] b) {
        double x = Math.max(0, Math.max(a[0] - b[2], b[0] - a[2]));
        double y = Math.max(0, Math.max(a[1] - b[3], b[1] - a[3]));
        return Math.sqrt(x * x + y * y);
    }

    private static Link closest(Polyline a, Polyline b, double[] boxOfB, int other, double size) {
        double least = Double.MAX_VALUE;
        int at = 0;
        int there = 0;
        for (int p = 0; p < a.count(); p++) {
            double outX = Math.max(0, Math.max(boxOfB[0] - a.x()[p], a.x()[p] - boxOfB[2]));
            double outY = Math.max(0, Math.max(boxOfB[1] - a.y()[p], a.y()[p] - boxOfB[3]));
            if (outX * outX + outY * outY >= least) {
                continue;
            }
            for (int q = 0; q < b.count(); q++) {
                double dx = a.x()[p] - b.x()[q];
                double dy = a.y()[p] - b.y()[q];
                double squared = dx * dx + dy * dy;
                if (squared < least) {
                    least = squared;
                    at = p;
                    there = q;
                }
            }
        }
        double distance = Math.sqrt(least);
        double beyond = Math.max(0, distance - TOUCHING * size);
        return new Link(other, at, there, distance, Math.exp(-beyond / (FADES * size)));
    }
}
