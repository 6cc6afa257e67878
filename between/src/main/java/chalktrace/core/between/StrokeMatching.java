package chalktrace.core.between;

import chalktrace.core.stroke.Stroke;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * Which stroke of one drawing is which of another. Each stroke has a few candidates by its shape and length however it is turned;
 * what decides between them is what the strokes attached to it do: where two strokes touch in the one drawing, their partners
 * should touch in the other, each with a turn of its own, so that a limb may turn about its joint. This is relaxation labelling
 * (Rosenfeld, Hummel, Zucker 1976), ever surer of itself as in annealing, over the attachments that tight in-betweening rests on (Whited et al., "BetweenIT: An Interactive
 * Tool for Tight Inbetweening", Computer Graphics Forum 29, 2010); the pairs are those of least total cost. A line that is drawn in two
 * pieces on one side is put together. Cost: the square of the number of strokes, with a cubic assignment at the end.
 */
public final class StrokeMatching {

    static final int POINTS = 16;

    private static final int ROUNDS = 12;

    /** By how much beliefs get sharper to the end: what has grown likely supports others as if it were known. */
    private static final double SHARPENING = 2;

    /** Costs this much higher make a candidate e times less likely. */
    private static final double COST_UNIT = 0.22;

    /** How much the strokes about it count beside a stroke's own cost. */
    private static final double SUPPORT = 7;

    /** Partners of attached strokes may miss each other by this share of the drawing's size. */
    static final double SLACK = 0.035;

    /** Having no partner is as likely as a candidate that costs this much, without support. */
    private static final double ALONE = -0.45 / COST_UNIT;

    /** What is hardly believed in any more supports nothing. */
    private static final double UNLIKELY = 0.01;

    /** So many of a stroke's candidates at most, the likeliest, support those of others. */
    private static final int SUPPORTERS = 8;

    /** Squared, in slacks: what misses by more does not fit at all. */
    private static final double FAR_OFF = 40;

    /** What is believed in less keeps the support that it had. */
    private static final double HOPELESS = 1e-3;

    /** So often, what lies about a stroke is asked where it should come to. */
    private static final int LOCAL_ROUNDS = 3;

    /** What that costs at most, and how far off that is, in shares of the drawing's size. */
    private static final double ASTRAY = 1.3;

    private static final double FAR_ASTRAY = 0.15;

    /** A pair that costs one more is trusted less by e to the power of this. */
    private static final double TRUST = 2;

    /** No pair costs more: so much cost strokes that are no candidates of each other. */
    private static final double MOST_TOTAL = 3.5;

    /** A pair whose other candidates cost this much more is taken even where its own cost is high. */
    private static final double MARGIN = 0.1;

    /** A pair whose other candidates cost no more than this beyond it is unsure. */
    private static final double SURE = 0.02;

    /** A stroke on its own, or one with all support, finds a partner only up to this cost. */
    private static final double DEAREST = 0.9;

    /** How dear a pair may be that nothing supports, in shares of the dearest. */
    private static final double UNSUPPORTED = 0.35;

    private static final double MADE_BY_HAND = -100;

    /**
     * @param of the first drawing's stroke
     * @param with the second's
     * @param reversed whether the second runs the other way
     * @param span which piece of the second it is, and what continues that
     */
    public record Pair(int of, int with, boolean reversed, Span span) {

        /** All of the second. */
        public Pair(int of, int with, boolean reversed) {
            this(of, with, reversed, Span.WHOLE);
        }
    }

    /**
     * The piece of a line that belongs to a stroke, from one share of the line's length to another, along the first drawing's stroke.
     *
     * @param more strokes of the second drawing that continue the partner at one of its ends
     */
    public record Span(double from, double to, List<Integer> more) {

        static final Span WHOLE = new Span(0, 1, List.of());
    }

    /**
     * @param leftOver strokes of the first without a partner
     * @param added strokes of the second without one
     * @param unsure strokes of the first that have a partner while another would do as well: their pair wants to be looked at
     */
    public record Matched(List<Pair> pairs, List<Integer> leftOver, List<Integer> added, List<Integer> unsure) {}

    /** @param cost by itself, @param reversed whether the partner runs the other way, @param move that lays the stroke onto it */
    record Candidate(int with, boolean reversed, double cost, Similarity move) {}

    private final List<Stroke> first;
    private final List<Stroke> second;
    private final List<Polyline> from = new ArrayList<>();
    private final List<Polyline> to = new ArrayList<>();
    private final double size;
    private final double growth;
    private final List<List<Neighbour>> neighbours = new ArrayList<>();
    private final List<List<Candidate>> candidates = new ArrayList<>();
    private double[][] belief;

    /** How much each stroke believes that it has no partner. */
    private double[] alone;

    private double[][] support;

    /** What each candidate costs for lying elsewhere than those about it say. */
    private double[][] astray;

    /** Of each stroke the candidates that can support others in this round. */
    private int[][] likely;

    private StrokeMatching(List<Stroke> first, List<Stroke> second, Map<Integer, Integer> fixed) {
        this.first = first;
        this.second = second;
        first.forEach(stroke -> from.add(Polyline.of(stroke.curve(), POINTS)));
        second.forEach(stroke -> to.add(Polyline.of(stroke.curve(), POINTS)));
        size = Math.max(1, Math.max(WholeMove.extent(from), WholeMove.extent(to)));
        StrokeCandidates found = new StrokeCandidates(first, second, from, to, size);
        growth = found.growth();
        for (int i = 0; i < first.size(); i++) {
            candidates.add(found.of(i, fixed));
        }
        for (List<Attachments.Link> links : Attachments.of(from, size)) {
            int i = neighbours.size();
            neighbours.add(links.stream().map(link -> new Neighbour(i, link)).toList());
        }
    }

    /** @param fixed pairs that the artist has made, by the first's stroke; they stay, and the rest is paired around them */
    public static Matched match(List<Stroke> first, List<Stroke> second, Map<Integer, Integer> fixed) {
        return new StrokeMatching(first, second, fixed).match(fixed);
    }

    public static Matched match(List<Stroke> first, List<Stroke> second) {
        return match(first, second, Map.of());
    }

    private Matched match(Map<Integer, Integer> fixed) {
        believe();
        for (int round = 0; round < ROUNDS; round++) {
            agree(1 + SHARPENING * round / ROUNDS);
        }
        astray = new double[first.size()][];
        for (int i = 0; i < astray.length; i++) {
            astray[i] = new double[candidates.get(i).size()];
        }
        int[] found = Assignment.of(costs(fixed));
        for (int round = 0; round < LOCAL_ROUNDS; round++) {
            localize(found);
            found = Assignment.of(costs(fixed));
        }
        Map<Integer, Pair> pairs = new HashMap<>();
        List<Integer> unsure = new ArrayList<>();
        for (int i = 0; i < found.length; i++) {
            int j = found[i];
            Optional<Candidate> best = j < 0 ? Optional.empty() : best(i, j);
            if (best.isPresent() && (fixed.containsKey(i) || isGood(i, best.get()) || margin(i, j) > MARGIN)) {
                pairs.put(i, new Pair(i, j, best.get().reversed()));
                if (!fixed.containsKey(i) && margin(i, j) <= SURE) {
                    unsure.add(i);
                }
            }
        }
        Set<Integer> taken = new HashSet<>();
        pairs.values().forEach(pair -> taken.add(pair.with()));
        new StrokePieces(second, from, to, growth, size).join(pairs, taken);
        List<Pair> out = new ArrayList<>();
        List<Integer> leftOver = new ArrayList<>();
        for (int i = 0; i < first.size(); i++) {
            if (pairs.containsKey(i)) {
                out.add(pairs.get(i));
            } else {
                leftOver.add(i);
            }
        }
        List<Integer> added = new ArrayList<>();
        for (int j = 0; j < second.size(); j++) {
            if (!taken.contains(j)) {
                added.add(j);
            }
        }
        return new Matched(out, leftOver, added, unsure);
    }

    /** What lies about a stroke says where it should come to: the farther from there a candidate lies, the dearer it is. @param found partners so far */
    private void localize(int[] found) {
        List<Polyline> moved = new ArrayList<>();
        double[] trust = new double[first.size()];
        for (int i = 0; i < found.length; i++) {
            Optional<Candidate> best = found[i] < 0 ? Optional.empty() : best(i, found[i]);
            int known = i;
            moved.add(best.map(candidate -> from.get(known).moved(candidate.move()))
                    .orElse(null));
            trust[i] = best.map(candidate ->
                            Math.exp(-TRUST * total(known, candidates.get(known).indexOf(candidate))))
                    .orElse(0.0);
        }
        LocalMoves moves = new LocalMoves(from, moved, trust, size, growth);
        for (int i = 0; i < astray.length; i++) {
            Polyline line = from.get(i);
            Polyline wanted = line.moved(moves.about(line, i));
            for (int c = 0; c < astray[i].length; c++) {
                double off = line.moved(candidates.get(i).get(c).move()).distance(wanted);
                astray[i][c] = ASTRAY * Math.min(1, off / (FAR_ASTRAY * size));
            }
        }
    }

    /** To begin with, each stroke believes in its candidates by their cost. */
    private void believe() {
        alone = new double[first.size()];
        belief = new double[first.size()][];
        support = new double[first.size()][];
        for (int i = 0; i < belief.length; i++) {
            belief[i] = new double[candidates.get(i).size()];
            support[i] = new double[belief[i].length];
            for (int c = 0; c < belief[i].length; c++) {
                belief[i][c] = -candidates.get(i).get(c).cost() / COST_UNIT;
            }
        }
        normalize(1);
    }

    /**
     * A candidate is supported by how well the candidates of attached strokes fit it, as far as those are believed in.
     *
     * @param sharpness 1 for beliefs as their costs say, more for fewer doubts
     */
    private void agree(double sharpness) {
        likely = Arrays.stream(belief).map(StrokeMatching::likely).toArray(int[][]::new);
        double[][] next = new double[first.size()][];
        for (int i = 0; i < next.length; i++) {
            List<Candidate> mine = candidates.get(i);
            next[i] = new double[mine.size()];
            for (int c = 0; c < next[i].length; c++) {
                if (belief[i][c] < HOPELESS && support[i][c] > 0) {
                    next[i][c] = -mine.get(c).cost() / COST_UNIT + SUPPORT * support[i][c];
                    continue;
                }
                double sum = 0;
                double weights = 1e-9;
                for (Neighbour theirs : neighbours.get(i)) {
                    // A stroke without a partner says nothing of the others.
                    double weight = theirs.weight * (1 - 0.9 * alone[theirs.other]);
                    sum += weight * theirs.supports(mine.get(c));
                    weights += weight;
                }
                support[i][c] = sum / weights;
                next[i][c] = -mine.get(c).cost() / COST_UNIT + SUPPORT * support[i][c];
            }
        }
        belief = next;
        normalize(sharpness);
    }

    /** Those that are believed in at all, the likeliest first. */
    private static int[] likely(double[] beliefs) {
        return IntStream.range(0, beliefs.length)
                .filter(c -> beliefs[c] > UNLIKELY)
                .boxed()
                .sorted(Comparator.comparingDouble(c -> -beliefs[c]))
                .limit(SUPPORTERS)
                .mapToInt(c -> c)
                .toArray();
    }

    /** How well a candidate of a stroke fits the best of those of an attached one that are believed in. */
    private double agreement(Candidate mine, double mineX, double mineY, Neighbour theirs) {
        double best = 0;
        List<Candidate> others = candidates.get(theirs.other);
        double[] believed = belief[theirs.other];
        for (int c : likely[theirs.other]) {
            if (believed[c] <= best) {
                break;
            }
            if (others.get(c).with() == mine.with()) {
                continue;
            }
            double offX = theirs.x[c] - mineX;
            double offY = theirs.y[c] - mineY;
            double off = (offX * offX + offY * offY) / theirs.slackSquared;
            if (off < FAR_OFF) {
                best = Math.max(best, believed[c] * Math.exp(-off / 2));
            }
        }
        return best;
    }

    /**
     * A stroke that another is attached to, and where each of its candidates puts the point between both; what lies between them turns half
     * with the one and half with the other.
     */
    private final class Neighbour {

        private final int other;
        private final double weight;
        private final double slackSquared;
        private final double atX;
        private final double atY;
        private final double gapX;
        private final double gapY;
        private final double[] x;
        private final double[] y;

        Neighbour(int i, Attachments.Link link) {
            other = link.other();
            weight = link.weight();
            double slack = SLACK * size + 0.2 * link.distance();
            slackSquared = slack * slack;
            Polyline theirs = from.get(other);
            double thereX = theirs.x()[link.there()];
            double thereY = theirs.y()[link.there()];
            atX = from.get(i).x()[link.at()];
            atY = from.get(i).y()[link.at()];
            gapX = thereX - atX;
            gapY = thereY - atY;
            List<Candidate> all = candidates.get(other);
            x = new double[all.size()];
            y = new double[all.size()];
            for (int c = 0; c < x.length; c++) {
                Similarity move = all.get(c).move();
                x[c] = move.x(thereX, thereY) - move.turnedX(gapX, gapY) / 2;
                y[c] = move.y(thereX, thereY) - move.turnedY(gapX, gapY) / 2;
            }
        }

        double supports(Candidate mine) {
            Similarity move = mine.move();
            return agreement(
                    mine,
                    move.x(atX, atY) + move.turnedX(gapX, gapY) / 2,
                    move.y(atX, atY) + move.turnedY(gapX, gapY) / 2,
                    this);
        }
    }

    /** Beliefs of a stroke add up to one, and so do those in a stroke, where they would be more. */
    private void normalize(double sharpness) {
        for (int i = 0; i < belief.length; i++) {
            double[] beliefs = belief[i];
            double most = Math.max(ALONE, Arrays.stream(beliefs).max().orElse(ALONE));
            double sum = 0;
            for (int c = 0; c < beliefs.length; c++) {
                beliefs[c] = Math.exp(sharpness * (beliefs[c] - most));
                sum += beliefs[c];
            }
            double none = Math.exp(sharpness * (ALONE - most));
            alone[i] = none / (sum + none);
            for (int c = 0; c < beliefs.length; c++) {
                beliefs[c] /= sum + none;
            }
        }
        double[] claimed = new double[second.size()];
        for (int i = 0; i < belief.length; i++) {
            for (int c = 0; c < belief[i].length; c++) {
                claimed[candidates.get(i).get(c).with()] += belief[i][c];
            }
        }
        for (int i = 0; i < belief.length; i++) {
            for (int c = 0; c < belief[i].length; c++) {
                belief[i][c] /= Math.max(1, claimed[candidates.get(i).get(c).with()]);
            }
        }
    }

    /** A pair with full support and without cost costs nothing; one that is no candidate more than being left over. */
    private double[][] costs(Map<Integer, Integer> fixed) {
        double[][] costs = new double[first.size()][second.size()];
        for (int i = 0; i < costs.length; i++) {
            Arrays.fill(costs[i], MOST_TOTAL);
            for (int c = 0; c < candidates.get(i).size(); c++) {
                Candidate candidate = candidates.get(i).get(c);
                costs[i][candidate.with()] = Math.min(costs[i][candidate.with()], total(i, c));
            }
            if (fixed.containsKey(i)) {
                costs[i][fixed.get(i)] = MADE_BY_HAND;
            }
        }
        return costs;
    }

    private double total(int i, int c) {
        return Math.min(
                MOST_TOTAL, astray[i][c] + candidates.get(i).get(c).cost() + SUPPORT * COST_UNIT * (1 - support[i][c]));
    }

    private Optional<Candidate> best(int i, int j) {
        List<Candidate> mine = candidates.get(i);
        Candidate best = null;
        double least = Double.MAX_VALUE;
        for (int c = 0; c < mine.size(); c++) {
            if (mine.get(c).with() == j && total(i, c) < least) {
                least = total(i, c);
                best = mine.get(c);
            }
        }
        return Optional.ofNullable(best);
    }

    /** By how much the cheapest other partner that either of two strokes could have costs more than they do as a pair. */
    private double margin(int i, int j) {
        double mine = Double.MAX_VALUE;
        double next = MOST_TOTAL;
        for (int c = 0; c < candidates.get(i).size(); c++) {
            double total = total(i, c);
            if (candidates.get(i).get(c).with() == j) {
                mine = Math.min(mine, total);
            } else {
                next = Math.min(next, total);
            }
        }
        for (int other = 0; other < first.size(); other++) {
            for (int c = 0; c < candidates.get(other).size() && other != i; c++) {
                if (candidates.get(other).get(c).with() == j) {
                    next = Math.min(next, total(other, c));
                }
            }
        }
        return next - mine;
    }

    private boolean isGood(int i, Candidate candidate) {
        double supported = support[i][candidates.get(i).indexOf(candidate)];
        return candidate.cost() < DEAREST * (UNSUPPORTED + (1 - UNSUPPORTED) * supported)
                || neighbours.get(i).isEmpty() && candidate.cost() < DEAREST;
    }
}
