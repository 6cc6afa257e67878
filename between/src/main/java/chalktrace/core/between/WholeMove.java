package chalktrace.core.between;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** The one movement by which most strokes of a drawing come close to some stroke of another. */
final class WholeMove {

    private static final int LONG_ONES = 3;

    /** Strokes that are farther apart than this share of the drawing's size say nothing of its movement. */
    private static final double FAR = 0.22;

    private final List<Polyline> from;
    private final List<Polyline> to;
    private final double size;

    private WholeMove(List<Polyline> from, List<Polyline> to, double size) {
        this.from = from;
        this.to = to;
        this.size = size;
    }

    /** @param size of the larger drawing, in pixels */
    static Similarity of(List<Polyline> from, List<Polyline> to, double size) {
        return new WholeMove(from, to, size).start();
    }

    /** About how far a drawing reaches, in pixels. */
    static double extent(List<Polyline> lines) {
        return lines.isEmpty() ? 0 : 2 * spread(lines, middle(lines));
    }

    /**
     * To begin with, the move of some by which strokes come closest to some partner: as they are, middle upon middle, and
     * middle upon middle with size upon size, turned by some angles. Medians count beside means, and a few long strokes upon
     * each other, as a stroke far off may be new.
     */
    private Similarity start() {
        if (from.isEmpty() || to.isEmpty()) {
            return Similarity.NONE;
        }
        double[] a = middle(from);
        double[] b = middle(to);
        double scale = Math.max(0.25, Math.min(4, spread(to, b) / Math.max(1e-6, spread(from, a))));
        List<Similarity> tried = new ArrayList<>(List.of(Similarity.NONE, onto(1, 0, median(from), median(to))));
        // Of turns that fit as well the smallest is tried first and stays.
        for (int degrees = 0; degrees <= 90; degrees += 15) {
            tried.add(onto(scale, degrees, a, b));
            tried.add(onto(scale, -degrees, a, b));
        }
        for (Polyline line : longest(from)) {
            for (Polyline other : longest(to)) {
                tried.add(onto(1, 0, new double[] {line.middleX(), line.middleY()}, new double[] {
                    other.middleX(), other.middleY()
                }));
            }
        }
        Similarity best = Similarity.NONE;
        double least = Double.MAX_VALUE;
        for (Similarity move : tried) {
            double sum = 0;
            for (int i = 0; i < from.size() && sum < least; i++) {
                sum += closest(from.get(i), move);
            }
            if (sum < least - 1e-6 * size) {
                least = sum;
                best = move;
            }
        }
        return best;
    }

    private static List<Polyline> longest(List<Polyline> lines) {
        return lines.stream()
                .sorted(Comparator.comparingDouble(Polyline::length).reversed())
                .limit(LONG_ONES)
                .toList();
    }

    private static Similarity onto(double scale, double degrees, double[] a, double[] b) {
        double ax = scale * Math.cos(Math.toRadians(degrees));
        double ay = scale * Math.sin(Math.toRadians(degrees));
        return new Similarity(ax, ay, b[0] - (ax * a[0] - ay * a[1]), b[1] - (ay * a[0] + ax * a[1]));
    }

    /** How far the nearest partner of a line is by its middle and ends only, which takes little time. */
    private double closest(Polyline line, Similarity move) {
        int last = line.count() - 1;
        double[] x = {line.x()[0], line.x()[last / 2], line.x()[last]};
        double[] y = {line.y()[0], line.y()[last / 2], line.y()[last]};
        double least = FAR * size;
        for (Polyline other : to) {
            double along = 0;
            double against = 0;
            for (int i = 0; i < 3; i++) {
                double px = move.x(x[i], y[i]);
                double py = move.y(x[i], y[i]);
                int there = i * last / 2;
                double ax = other.x()[there] - px;
                double ay = other.y()[there] - py;
                double bx = other.x()[last - there] - px;
                double by = other.y()[last - there] - py;
                along += Math.sqrt(ax * ax + ay * ay);
                against += Math.sqrt(bx * bx + by * by);
            }
            least = Math.min(least, Math.min(along, against) / 3);
        }
        return least;
    }

    private static double[] median(List<Polyline> lines) {
        double[] x = lines.stream().mapToDouble(Polyline::middleX).sorted().toArray();
        double[] y = lines.stream().mapToDouble(Polyline::middleY).sorted().toArray();
        return new double[] {x[(x.length - 1) / 2], y[(y.length - 1) / 2]};
    }

    private static double[] middle(List<Polyline> lines) {
        double x = 0;
        double y = 0;
        for (Polyline line : lines) {
            x += line.middleX();
            y += line.middleY();
        }
        return new double[] {x / lines.size(), y / lines.size()};
    }

    private static double spread(List<Polyline> lines, double[] middle) {
        double sum = 0;
        for (Polyline line : lines) {
            for (int i = 0; i < line.count(); i++) {
                sum += Math.hypot(line.x()[i] - middle[0], line.y()[i] - middle[1]);
            }
        }
        return sum / Math.max(1, lines.size() * lines.get(0).count());
    }
}
