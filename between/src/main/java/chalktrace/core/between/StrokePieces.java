package chalktrace.core.between;

import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.Stroke;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Lines that are one stroke in the one drawing and two in the other. */
final class StrokePieces {

    private final List<Stroke> second;
    private final List<Polyline> from;
    private final List<Polyline> to;
    private final double[] fromLength;
    private final double[] toLength;
    private final double growth;
    private final double size;

    /** @param growth by how much lines are longer in the second drawing, @param size of the larger drawing, in pixels */
    StrokePieces(List<Stroke> second, List<Polyline> from, List<Polyline> to, double growth, double size) {
        this.second = second;
        this.from = from;
        this.to = to;
        this.growth = growth;
        this.size = size;
        fromLength = from.stream().mapToDouble(Polyline::length).toArray();
        toLength = to.stream().mapToDouble(Polyline::length).toArray();
    }

    /** Where a stroke was paired with a piece of itself, and what is left over continues the shorter of both, that belongs to it. */
    void join(Map<Integer, StrokeMatching.Pair> pairs, Set<Integer> taken) {
        for (StrokeMatching.Pair pair : new ArrayList<>(pairs.values())) {
            double ratio = toLength[pair.with()] / Math.max(1e-6, fromLength[pair.of()] * growth);
            if (ratio < StrokeCandidates.WHOLE) {
                secondInPieces(pair, pairs, taken);
            } else if (ratio > 1 / StrokeCandidates.WHOLE) {
                firstInPieces(pair, pairs);
            }
        }
    }

    private void secondInPieces(StrokeMatching.Pair pair, Map<Integer, StrokeMatching.Pair> pairs, Set<Integer> taken) {
        double wanted = fromLength[pair.of()] * growth;
        int best = -1;
        double least = (1 - StrokeCandidates.WHOLE) * wanted;
        for (int j = 0; j < second.size(); j++) {
            double off = Math.abs(toLength[j] + toLength[pair.with()] - wanted);
            if (!taken.contains(j) && off < least && continues(to.get(pair.with()), to.get(j))) {
                best = j;
                least = off;
            }
        }
        if (best >= 0) {
            taken.add(best);
            pairs.put(pair.of(), oriented(pair.of(), pair.with(), new StrokeMatching.Span(0, 1, List.of(best))));
        }
    }

    private void firstInPieces(StrokeMatching.Pair pair, Map<Integer, StrokeMatching.Pair> pairs) {
        double wanted = toLength[pair.with()] / growth;
        int best = -1;
        double least = (1 - StrokeCandidates.WHOLE) * wanted;
        for (int i = 0; i < from.size(); i++) {
            double off = Math.abs(fromLength[i] + fromLength[pair.of()] - wanted);
            if (!pairs.containsKey(i) && off < least && continues(from.get(pair.of()), from.get(i))) {
                best = i;
                least = off;
            }
        }
        if (best >= 0) {
            Polyline a = from.get(pair.of());
            Polyline b = from.get(best);
            int last = StrokeMatching.POINTS - 1;
            boolean before = gap(a, 0, b) < gap(a, last, b);
            double share = fromLength[pair.of()] / (fromLength[pair.of()] + fromLength[best]);
            StrokeMatching.Span mine = before
                    ? new StrokeMatching.Span(1 - share, 1, List.of())
                    : new StrokeMatching.Span(0, share, List.of());
            StrokeMatching.Span other = before
                    ? new StrokeMatching.Span(0, 1 - share, List.of())
                    : new StrokeMatching.Span(share, 1, List.of());
            // The other piece may itself run against the first.
            boolean sameWay =
                    before ? gap(a, 0, b, last) < gap(a, 0, b, 0) : gap(a, last, b, 0) < gap(a, last, b, last);
            pairs.put(pair.of(), new StrokeMatching.Pair(pair.of(), pair.with(), pair.reversed(), mine));
            boolean reversed = sameWay == pair.reversed();
            StrokeMatching.Span turned =
                    sameWay ? other : new StrokeMatching.Span(1 - other.to(), 1 - other.from(), List.of());
            pairs.put(best, new StrokeMatching.Pair(best, pair.with(), reversed, turned));
        }
    }

    private StrokeMatching.Pair oriented(int of, int with, StrokeMatching.Span span) {
        Polyline line = from.get(of);
        Polyline whole = Polyline.of(joined(second, with, span.more()), StrokeMatching.POINTS);
        double along = Similarity.rigid(line, whole, growth).distance(line, whole);
        double against = Similarity.rigid(line, whole.reversed(), growth).distance(line, whole.reversed());
        return new StrokeMatching.Pair(of, with, against < along, span);
    }

    /** The second's line of a pair, along the first's stroke, as so many points. */
    static Polyline partner(List<Stroke> second, StrokeMatching.Pair pair, int points) {
        StrokeMatching.Span span = pair.span();
        Polyline line = Polyline.of(joined(second, pair.with(), span.more()), points);
        Polyline along = pair.reversed() ? line.reversed() : line;
        return span.from() == 0 && span.to() == 1 ? along : along.between(span.from(), span.to());
    }

    private static Curve joined(List<Stroke> strokes, int start, List<Integer> more) {
        Curve curve = strokes.get(start).curve();
        for (int next : more) {
            curve = curve.joinedTo(strokes.get(next).curve());
        }
        return curve;
    }

    /** Whether a line goes on from an end of another, near enough and without a turn. */
    private boolean continues(Polyline a, Polyline b) {
        int last = StrokeMatching.POINTS - 1;
        for (int end : new int[] {0, last}) {
            for (int start : new int[] {0, last}) {
                int inA = end == 0 ? 2 : last - 2;
                int inB = start == 0 ? 2 : last - 2;
                double ax = a.x()[end] - a.x()[inA];
                double ay = a.y()[end] - a.y()[inA];
                double bx = b.x()[inB] - b.x()[start];
                double by = b.y()[inB] - b.y()[start];
                double cosine = (ax * bx + ay * by) / Math.max(1e-9, Math.hypot(ax, ay) * Math.hypot(bx, by));
                if (gap(a, end, b, start) < StrokeMatching.SLACK * size && cosine > 0.7) {
                    return true;
                }
            }
        }
        return false;
    }

    private static double gap(Polyline a, int at, Polyline b) {
        return Math.min(gap(a, at, b, 0), gap(a, at, b, b.count() - 1));
    }

    private static double gap(Polyline a, int at, Polyline b, int there) {
        return Math.hypot(a.x()[at] - b.x()[there], a.y()[at] - b.y()[there]);
    }
}
