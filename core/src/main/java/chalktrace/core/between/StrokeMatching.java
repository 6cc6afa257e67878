package chalktrace.core.between;

import chalktrace.core.stroke.Stroke;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Which stroke of one drawing is which of another: by shape, place, length, part, chalk and order, with the movement of the
 * whole found along the way. Of one set of pairs the move that brings it closest is taken out and the rest is paired anew, as
 * in the iterated closest point method (Besl, McKay 1992); pairs are those of least total cost. What costs more than being
 * left over has no partner.
 */
public final class StrokeMatching {

    private static final int POINTS = 16;
    private static final int ROUNDS = 6;
    private static final int LONG_ONES = 3;

    /** Two strokes that are farther apart than this share of the drawing's size are none. */
    private static final double LEFT_OVER = 0.22;

    /** What another part, another chalk, or another place in the order adds. */
    private static final double OTHER_PART = 1;

    private static final double OTHER_CHALK = 0.08;
    private static final double OTHER_ORDER = 0.02;

    /** How much a stroke's shape counts beside its place. */
    private static final double SHAPE = 1.2;

    /**
     * @param of the first drawing's stroke
     * @param with the second's
     * @param reversed whether the second runs the other way
     */
    public record Pair(int of, int with, boolean reversed) {}

    /** @param leftOver strokes of the first without a partner, @param added strokes of the second without one */
    public record Matched(List<Pair> pairs, List<Integer> leftOver, List<Integer> added) {}

    private final List<Stroke> first;
    private final List<Stroke> second;
    private final List<Polyline> from = new ArrayList<>();
    private final List<Polyline> to = new ArrayList<>();
    private final double size;
    private final double[] fromLength;
    private final double[] toLength;
    private final double[][] toMiddle;

    private StrokeMatching(List<Stroke> first, List<Stroke> second) {
        this.first = first;
        this.second = second;
        first.forEach(stroke -> from.add(Polyline.of(stroke.curve(), POINTS)));
        second.forEach(stroke -> to.add(Polyline.of(stroke.curve(), POINTS)));
        size = Math.max(1, Math.max(extent(from), extent(to)));
        fromLength = from.stream().mapToDouble(Polyline::length).toArray();
        toLength = to.stream().mapToDouble(Polyline::length).toArray();
        toMiddle = to.stream()
                .map(line -> new double[] {line.middleX(), line.middleY()})
                .toArray(double[][]::new);
    }

    /** @param fixed pairs that the artist has made, by the first's stroke; they stay */
    public static Matched match(List<Stroke> first, List<Stroke> second, Map<Integer, Integer> fixed) {
        return new StrokeMatching(first, second).match(new HashMap<>(fixed));
    }

    public static Matched match(List<Stroke> first, List<Stroke> second) {
        return match(first, second, Map.of());
    }

    private Matched match(Map<Integer, Integer> fixed) {
        Similarity move = start();
        int[] best = new int[first.size()];
        for (int round = 0; round < ROUNDS; round++) {
            int[] found = Assignment.of(costs(move, fixed));
            Similarity next = fitted(found, move);
            boolean same = Arrays.equals(found, best) && round > 0;
            best = found;
            move = next;
            if (same) {
                break;
            }
        }
        List<Pair> pairs = new ArrayList<>();
        List<Integer> leftOver = new ArrayList<>();
        boolean[] taken = new boolean[second.size()];
        for (int i = 0; i < first.size(); i++) {
            int j = best[i];
            boolean isPair = j >= 0
                    && (fixed.containsKey(i) || cost(i, j, move, from.get(i).moved(move)) < LEFT_OVER);
            if (isPair) {
                Polyline moved = from.get(i).moved(move);
                pairs.add(new Pair(i, j, moved.distance(to.get(j).reversed()) < moved.distance(to.get(j))));
                taken[j] = true;
            } else {
                leftOver.add(i);
            }
        }
        List<Integer> added = new ArrayList<>();
        for (int j = 0; j < taken.length; j++) {
            if (!taken[j]) {
                added.add(j);
            }
        }
        return new Matched(pairs, leftOver, added);
    }

    /**
     * To begin with, the move of some by which strokes come closest to some partner: as they are, middle upon middle, and
     * middle upon middle with size upon size, turned by some angles. Medians count beside means, and a few long strokes upon
     * each other, as a stroke far off may be new.
     */
    private Similarity start() {
        if (first.isEmpty() || second.isEmpty()) {
            return Similarity.NONE;
        }
        double[] a = middle(from);
        double[] b = middle(to);
        double scale = Math.max(0.25, Math.min(4, spread(to, b) / Math.max(1e-6, spread(from, a))));
        List<Similarity> tried = new ArrayList<>(List.of(Similarity.NONE, onto(1, 0, median(from), median(to))));
        for (int degrees = -90; degrees <= 90; degrees += 15) {
            tried.add(onto(scale, degrees, a, b));
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
            for (Polyline line : from) {
                sum += closest(line, move);
            }
            if (sum < least - 1e-9) {
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
        double least = LEFT_OVER * size;
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

    private double[][] costs(Similarity move, Map<Integer, Integer> fixed) {
        double[][] cost = new double[first.size()][second.size()];
        for (int i = 0; i < first.size(); i++) {
            Polyline moved = from.get(i).moved(move);
            for (int j = 0; j < second.size(); j++) {
                Integer wanted = fixed.get(i);
                cost[i][j] = wanted != null
                        ? (wanted == j ? -100 : 100)
                        : fixed.containsValue(j) ? 100 : Math.min(LEFT_OVER, cost(i, j, move, moved));
            }
        }
        return cost;
    }

    /** In shares of the drawing's size. */
    private double cost(int i, int j, Similarity move, Polyline moved) {
        Polyline other = to.get(j);
        double mx = moved.middleX();
        double my = moved.middleY();
        double dx = toMiddle[j][0] - mx;
        double dy = toMiddle[j][1] - my;
        if (dx * dx + dy * dy > size * size * LEFT_OVER * LEFT_OVER) {
            // Points are no closer to each other on the whole than their middles are.
            return LEFT_OVER * 2;
        }
        int last = POINTS - 1;
        double along = 0;
        double against = 0;
        double shapeAlong = 0;
        double shapeAgainst = 0;
        for (int p = 0; p < POINTS; p++) {
            double px = moved.x()[p];
            double py = moved.y()[p];
            double ax = other.x()[p] - px;
            double ay = other.y()[p] - py;
            double bx = other.x()[last - p] - px;
            double by = other.y()[last - p] - py;
            along += Math.sqrt(ax * ax + ay * ay);
            against += Math.sqrt(bx * bx + by * by);
            shapeAlong += Math.sqrt((ax - dx) * (ax - dx) + (ay - dy) * (ay - dy));
            shapeAgainst += Math.sqrt((bx - dx) * (bx - dx) + (by - dy) * (by - dy));
        }
        double place = Math.min(along, against) / POINTS;
        double shape = Math.min(shapeAlong, shapeAgainst) / POINTS;
        double lengths =
                Math.abs(fromLength[i] * Math.sqrt(move.ax() * move.ax() + move.ay() * move.ay()) - toLength[j]);
        Stroke a = first.get(i);
        Stroke b = second.get(j);
        double order = Math.abs(i / (double) Math.max(1, first.size()) - j / (double) Math.max(1, second.size()));
        return (place + SHAPE * shape + 0.3 * lengths) / size
                + (a.part().equals(b.part()) ? 0 : OTHER_PART)
                + (a.chalk().equals(b.chalk()) ? 0 : OTHER_CHALK)
                + OTHER_ORDER * order;
    }

    /** The move of those pairs that are good ones so far. */
    private Similarity fitted(int[] pairs, Similarity before) {
        List<Polyline> a = new ArrayList<>();
        List<Polyline> b = new ArrayList<>();
        for (int i = 0; i < pairs.length; i++) {
            if (pairs[i] < 0) {
                continue;
            }
            Polyline moved = from.get(i).moved(before);
            Polyline other = to.get(pairs[i]);
            Polyline way = moved.distance(other.reversed()) < moved.distance(other) ? other.reversed() : other;
            if (cost(i, pairs[i], before, moved) < LEFT_OVER) {
                a.add(from.get(i));
                b.add(way);
            }
        }
        return a.isEmpty() ? before : Similarity.fitted(a, b);
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
        return sum / Math.max(1, lines.size() * POINTS);
    }

    private static double extent(List<Polyline> lines) {
        return lines.isEmpty() ? 0 : 2 * spread(lines, middle(lines));
    }
}
