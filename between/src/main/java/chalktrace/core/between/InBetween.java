package chalktrace.core.between;

import chalktrace.core.stroke.Stroke;
import java.awt.geom.Point2D;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Drafts of the drawings between two. Strokes are paired; each is blended by its lengths and directions, so that it turns as
 * stiffly as it can (as-rigid-as-possible interpolation, Alexa, Cohen-Or, Levin 2000, for lines); where they lie follows from what
 * they are attached to, so that a limb turns about its joint and ends that met meet on the way. The drawing as a whole goes along a
 * spiral about its own middle of turning, or is led along a drawn or tracked path. A stroke without a partner moves along with what it is attached to.
 */
public final class InBetween {

    private static final int POINTS = 48;
    private static final double FIT_PX = 0.35;

    /** Strokes whose points all stay within this are still. */
    private static final double STILL_PX = 0.05;

    /**
     * @param strokes of the draft
     * @param leftOver strokes of the first drawing, @param added of the second, without a partner: the first's are in the draft up
     *     to half way, the second's after
     * @param alone those of {@code strokes} that have no partner
     * @param carried how the lines that have partners have moved
     */
    public record Draft(
            List<Stroke> strokes, List<Stroke> leftOver, List<Stroke> added, List<Stroke> alone, Carried carried) {}

    private record Moving(Stroke stroke, Polyline from, Polyline to, double turn) {}

    private final List<Stroke> first;
    private final List<Stroke> second;
    private final StrokeMatching.Matched matched;
    private final List<Moving> moving = new ArrayList<>();
    private final Similarity whole;
    private final StrokePlaces places;

    private InBetween(List<Stroke> first, List<Stroke> second, StrokeMatching.Matched matched) {
        this.first = first;
        this.second = second;
        this.matched = matched;
        List<Polyline> from = new ArrayList<>();
        List<Polyline> to = new ArrayList<>();
        for (StrokeMatching.Pair pair : matched.pairs()) {
            from.add(Polyline.of(first.get(pair.of()).curve(), POINTS));
            to.add(StrokePieces.partner(second, pair, POINTS));
        }
        double size = Math.max(1, Math.max(WholeMove.extent(from), WholeMove.extent(to)));
        List<List<Attachments.Link>> links = Attachments.of(from, size);
        for (int i = 0; i < from.size(); i++) {
            to.set(i, ClosedLines.turnedOnto(i, from, to, links.get(i)));
        }
        whole = Similarity.fitted(from, to);
        double wholeTurn = Math.atan2(whole.ay(), whole.ax());
        double[] turns = new double[from.size()];
        for (int i = 0; i < from.size(); i++) {
            StrokeMatching.Pair pair = matched.pairs().get(i);
            Similarity own = Similarity.rigid(from.get(i), to.get(i), 1);
            turns[i] = wholeTurn + Math.IEEEremainder(Math.atan2(own.ay(), own.ax()) - wholeTurn, 2 * Math.PI);
            moving.add(new Moving(first.get(pair.of()), from.get(i), to.get(i), turns[i]));
        }
        places = new StrokePlaces(from, to, turns, links, size);
    }

    public static InBetween of(List<Stroke> first, List<Stroke> second) {
        return of(first, second, StrokeMatching.match(first, second));
    }

    /** @param matched pairs, such as those that the artist corrected */
    public static InBetween of(List<Stroke> first, List<Stroke> second, StrokeMatching.Matched matched) {
        return new InBetween(List.copyOf(first), List.copyOf(second), matched);
    }

    public StrokeMatching.Matched matched() {
        return matched;
    }

    /** The draft at a share of the way, 0 to 1. At 0 and 1 it is the drawing itself. */
    public Draft at(double share) {
        return at(share, Optional.empty());
    }

    /** @param middle where the middle of all paired strokes lies then, such as on an arc; empty for its own way */
    public Draft at(double share, Optional<Point2D> middle) {
        List<Stroke> leftOver = matched.leftOver().stream().map(first::get).toList();
        List<Stroke> added = matched.added().stream().map(second::get).toList();
        List<Polyline> lines = linesAt(share);
        if (middle.isPresent() && !lines.isEmpty()) {
            double x = lines.stream().mapToDouble(Polyline::middleX).average().orElse(0);
            double y = lines.stream().mapToDouble(Polyline::middleY).average().orElse(0);
            Similarity onto =
                    new Similarity(1, 0, middle.get().getX() - x, middle.get().getY() - y);
            lines.replaceAll(line -> line.moved(onto));
        }
        boolean early = share <= 0.5;
        Carried carried = new Carried(
                moving.stream().map(one -> early ? one.from : one.to).toList(), lines, early);
        if (share <= 0 || share >= 1) {
            return new Draft(share <= 0 ? first : second, leftOver, added, early ? leftOver : added, carried);
        }
        List<Stroke> alone = new ArrayList<>();
        return new Draft(strokes(lines, carried, alone), leftOver, added, alone, carried);
    }

    /** The strokes that have partners, in the order of the pairs, on their way. */
    List<Stroke> paired(double share) {
        List<Polyline> lines = linesAt(share);
        List<Stroke> out = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            out.add(drawn(moving.get(i), lines.get(i)));
        }
        return out;
    }

    private List<Polyline> linesAt(double share) {
        List<Polyline> lines = new ArrayList<>();
        for (Moving one : moving) {
            lines.add(TurnedBlend.at(one.from, one.to, one.turn, Math.max(0, Math.min(1, share))));
        }
        places.settle(lines, whole, share);
        return lines;
    }

    /** In the first drawing's own order up to half way, then in the second's. @param alone takes those without a partner */
    private List<Stroke> strokes(List<Polyline> lines, Carried carried, List<Stroke> alone) {
        Map<Integer, List<Stroke>> drawn = new HashMap<>();
        Set<Integer> joined = new HashSet<>();
        for (int i = 0; i < lines.size(); i++) {
            StrokeMatching.Pair pair = matched.pairs().get(i);
            drawn.computeIfAbsent(carried.early() ? pair.of() : pair.with(), key -> new ArrayList<>())
                    .add(drawn(moving.get(i), lines.get(i)));
            joined.addAll(pair.span().more());
        }
        List<Stroke> from = carried.early() ? first : second;
        List<Stroke> out = new ArrayList<>();
        for (int i = 0; i < from.size(); i++) {
            if (drawn.containsKey(i)) {
                out.addAll(drawn.get(i));
            } else if (carried.early() || !joined.contains(i)) {
                alone.add(carried.stroke(from.get(i)));
                out.add(alone.get(alone.size() - 1));
            }
        }
        return out;
    }

    private static Stroke drawn(Moving one, Polyline line) {
        Polyline still = Polyline.of(one.stroke.curve(), POINTS);
        if (line.farthest(still) < STILL_PX) {
            return one.stroke;
        }
        Similarity move = Similarity.rigid(still, line, 1);
        if (line.farthest(still.moved(move)) < STILL_PX) {
            // What only moves stays the curve that it is.
            return one.stroke.withCurve(one.stroke.curve().transformed(move.transform()));
        }
        return one.stroke.withCurve(line.curve(FIT_PX));
    }
}
