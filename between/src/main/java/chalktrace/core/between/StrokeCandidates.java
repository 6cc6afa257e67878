package chalktrace.core.between;

import chalktrace.core.between.StrokeMatching.Candidate;
import chalktrace.core.stroke.Stroke;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** The few strokes of one drawing that a stroke of another may be, by shape and length however it is turned, and a little by place and order. */
final class StrokeCandidates {

    private static final int CANDIDATES = 32;

    /** What a candidate costs: in shape, length, as a piece only, in place, turn, order, chalk and part. */
    private static final double SHAPE = 3;

    private static final double LENGTH = 0.7;
    private static final double PIECE = 0.35;
    private static final double PLACE = 0.35;
    private static final double TURN = 0.12;
    private static final double CLOSED_TURN = 0.15;
    private static final double ORDER = 0.02;
    private static final double OTHER_CHALK = 0.2;
    private static final double OTHER_PART = 2;
    private static final double ONE_PART = 0.15;

    /** Pieces shorter than this share of their partner may be one of two. */
    static final double WHOLE = 0.85;

    private static final double SHORTEST_PIECE = 0.15;

    /** In the logarithm: lines whose lengths differ by more say nothing of the drawing's growth. */
    private static final double FAR_LENGTH = 0.3;

    private final List<Stroke> first;
    private final List<Stroke> second;
    private final List<Polyline> from;
    private final List<Polyline> to;
    private final List<Polyline> backwards;
    private final double size;
    private final double[] fromLength;
    private final double[] toLength;
    private final Similarity whole;
    private final double growth;

    /** @param size of the larger drawing, in pixels */
    StrokeCandidates(List<Stroke> first, List<Stroke> second, List<Polyline> from, List<Polyline> to, double size) {
        this.first = first;
        this.second = second;
        this.from = from;
        this.to = to;
        this.size = size;
        backwards = to.stream().map(Polyline::reversed).toList();
        fromLength = from.stream().mapToDouble(Polyline::length).toArray();
        toLength = to.stream().mapToDouble(Polyline::length).toArray();
        whole = WholeMove.of(from, to, size);
        growth = grown();
    }

    /** By how much lines are longer in the second drawing. */
    double growth() {
        return growth;
    }

    /** By how much lines are longer in the second drawing, of some guesses the one by which most find one of their length. */
    private double grown() {
        double total = Arrays.stream(toLength).sum()
                / Math.max(1e-6, Arrays.stream(fromLength).sum());
        double best = 1;
        double least = Double.MAX_VALUE;
        for (double guess : new double[] {1, total, Math.hypot(whole.ax(), whole.ay())}) {
            double off = 0;
            for (double length : fromLength) {
                double closest = FAR_LENGTH;
                for (double other : toLength) {
                    closest = Math.min(
                            closest, Math.abs(Math.log(Math.max(1e-3, length * guess) / Math.max(1e-3, other))));
                }
                off += closest;
            }
            if (guess > 0.2 && guess < 5 && off < least - 1e-9) {
                least = off;
                best = guess;
            }
        }
        return best;
    }

    /**
     * The cheapest partners of a stroke.
     *
     * @param fixed pairs that the artist has made, by the first's stroke
     */
    List<Candidate> of(int i, Map<Integer, Integer> fixed) {
        Set<Integer> taken = new HashSet<>(fixed.values());
        List<Candidate> all = new ArrayList<>();
        for (int j = 0; j < second.size(); j++) {
            Integer wanted = fixed.get(i);
            if (wanted != null ? wanted == j : !taken.contains(j)) {
                addCandidates(all, i, j, to.get(j), false);
                addCandidates(all, i, j, backwards.get(j), true);
            }
        }
        return all;
    }

    /** As a whole, and where one of them is shorter, as a piece at either end of the longer. */
    private void addCandidates(List<Candidate> all, int i, int j, Polyline other, boolean reversed) {
        Polyline line = from.get(i);
        double ratio = toLength[j] / Math.max(1e-3, fromLength[i] * growth);
        double forLength = LENGTH * Math.abs(Math.log(Math.max(1e-3, ratio)));
        double besides = besides(i, j);
        boolean closed = line.isClosed() && other.isClosed();
        if (mayCount(all, forLength + besides)) {
            add(
                    all,
                    closed
                            ? fromAnyStart(i, j, line, other, reversed, forLength, besides)
                            : candidate(i, j, line, other, reversed, forLength, besides));
        }
        if (closed) {
            return;
        }
        if (!mayCount(all, PIECE + besides)) {
            return;
        }
        if (ratio > SHORTEST_PIECE && ratio < WHOLE) {
            add(all, candidate(i, j, line.between(0, ratio), other, reversed, PIECE, besides));
            add(all, candidate(i, j, line.between(1 - ratio, 1), other, reversed, PIECE, besides));
        } else if (ratio > 1 / WHOLE && ratio < 1 / SHORTEST_PIECE) {
            add(all, candidate(i, j, line, other.between(0, 1 / ratio), reversed, PIECE, besides));
            add(all, candidate(i, j, line, other.between(1 - 1 / ratio, 1), reversed, PIECE, besides));
        }
    }

    /** Whether one of at least this cost can be among the cheapest. */
    private static boolean mayCount(List<Candidate> cheapest, double cost) {
        return cheapest.size() < CANDIDATES
                || cost < cheapest.get(cheapest.size() - 1).cost();
    }

    /** Keeps the cheapest, in their order. */
    private static void add(List<Candidate> cheapest, Candidate candidate) {
        if (!mayCount(cheapest, candidate.cost())) {
            return;
        }
        if (cheapest.size() == CANDIDATES) {
            cheapest.remove(CANDIDATES - 1);
        }
        int at = cheapest.size();
        while (at > 0 && cheapest.get(at - 1).cost() > candidate.cost()) {
            at--;
        }
        cheapest.add(at, candidate);
    }

    /** What a pair costs besides where and how its lines run. */
    private double besides(int i, int j) {
        Stroke a = first.get(i);
        Stroke b = second.get(j);
        double part =
                a.part().equals(b.part()) ? 0 : a.part().isEmpty() || b.part().isEmpty() ? ONE_PART : OTHER_PART;
        double order = Math.abs(i / (double) Math.max(1, first.size()) - j / (double) Math.max(1, second.size()));
        return ORDER * order + (a.chalk().equals(b.chalk()) ? 0 : OTHER_CHALK) + part;
    }

    /** Where a closed line starts is chance: the start that fits best, and of those that fit as well the one that turns least. */
    private Candidate fromAnyStart(
            int i, int j, Polyline line, Polyline other, boolean reversed, double forLength, double besides) {
        Candidate best = null;
        double least = Double.MAX_VALUE;
        for (int start = 0; start < other.count() - 1; start++) {
            Candidate candidate = candidate(i, j, line, other.startedAt(start), reversed, forLength, besides);
            double turn = Math.abs(turnBeside(candidate.move()));
            if (candidate.cost() + CLOSED_TURN * turn < least) {
                least = candidate.cost() + CLOSED_TURN * turn;
                best = candidate;
            }
        }
        return best;
    }

    /** By how much more a move turns than the drawing as a whole, in radians. */
    private double turnBeside(Similarity move) {
        return Math.IEEEremainder(Math.atan2(move.ay(), move.ax()) - Math.atan2(whole.ay(), whole.ax()), 2 * Math.PI);
    }

    private Candidate candidate(
            int i, int j, Polyline line, Polyline other, boolean reversed, double forLength, double besides) {
        Similarity move = Similarity.rigid(line, other, growth);
        double shorter = Math.min(fromLength[i] * growth, toLength[j]);
        double longer = Math.max(fromLength[i] * growth, toLength[j]);
        double off = move.distance(line, other) / Math.max(1, forLength == PIECE ? shorter : (shorter + longer) / 2);
        double placeX = other.middleX() - whole.x(line.middleX(), line.middleY());
        double placeY = other.middleY() - whole.y(line.middleX(), line.middleY());
        double turn = Math.abs(turnBeside(move));
        double cost =
                SHAPE * off + forLength + PLACE * Math.hypot(placeX, placeY) / size + TURN * turn / Math.PI + besides;
        return new Candidate(j, reversed, cost, move);
    }
}
