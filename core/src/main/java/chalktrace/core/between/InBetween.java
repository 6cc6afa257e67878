package chalktrace.core.between;

import chalktrace.core.stroke.Stroke;
import java.awt.geom.Point2D;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Drafts of the drawings between two. Strokes are paired; the movement that each part has as a whole is taken along a spiral
 * about its own middle of turning, so that what turns stays on its circle; what is left is blended by lengths and directions.
 * The whole can be led along a drawn or tracked path instead.
 */
public final class InBetween {

    private static final int POINTS = 48;
    private static final double FIT_PX = 0.35;

    /** A part needs so many pairs to have a movement of its own. */
    private static final int LEAST_PAIRS = 2;

    /** @param strokes of the draft, @param leftOver strokes of the first drawing, @param added of the second, without a partner */
    public record Draft(List<Stroke> strokes, List<Stroke> leftOver, List<Stroke> added) {}

    private record Moving(Stroke stroke, Polyline from, Polyline to, Similarity whole) {}

    private final List<Stroke> first;
    private final List<Stroke> second;
    private final StrokeMatching.Matched matched;
    private final List<Moving> moving = new ArrayList<>();

    private InBetween(List<Stroke> first, List<Stroke> second, StrokeMatching.Matched matched) {
        this.first = first;
        this.second = second;
        this.matched = matched;
        prepare();
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
        if (share <= 0 || share >= 1) {
            return new Draft(share <= 0 ? first : second, leftOver, added);
        }
        List<Polyline> lines = new ArrayList<>();
        for (Moving one : moving) {
            // Without the movement of the whole the two differ little; the blend of that is then moved along.
            Polyline rest = one.to.moved(one.whole.inverse());
            lines.add(IntrinsicBlend.at(one.from, rest, share).moved(one.whole.at(share)));
        }
        if (middle.isPresent() && !lines.isEmpty()) {
            double x = lines.stream().mapToDouble(Polyline::middleX).average().orElse(0);
            double y = lines.stream().mapToDouble(Polyline::middleY).average().orElse(0);
            Similarity onto =
                    new Similarity(1, 0, middle.get().getX() - x, middle.get().getY() - y);
            lines.replaceAll(line -> line.moved(onto));
        }
        List<Stroke> strokes = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            strokes.add(moving.get(i).stroke.withCurve(lines.get(i).curve(FIT_PX)));
        }
        return new Draft(strokes, leftOver, added);
    }

    private void prepare() {
        Map<String, List<StrokeMatching.Pair>> parts = new LinkedHashMap<>();
        for (StrokeMatching.Pair pair : matched.pairs()) {
            parts.computeIfAbsent(first.get(pair.of()).part(), name -> new ArrayList<>())
                    .add(pair);
        }
        Similarity ofAll = fitted(matched.pairs());
        Map<String, Similarity> moves = new LinkedHashMap<>();
        parts.forEach(
                (name, pairs) -> moves.put(name, name.isEmpty() || pairs.size() < LEAST_PAIRS ? ofAll : fitted(pairs)));
        // In the first drawing's own order.
        for (StrokeMatching.Pair pair : matched.pairs()) {
            Stroke stroke = first.get(pair.of());
            moving.add(new Moving(stroke, Polyline.of(stroke.curve(), POINTS), other(pair), moves.get(stroke.part())));
        }
    }

    private Similarity fitted(List<StrokeMatching.Pair> pairs) {
        List<Polyline> from = pairs.stream()
                .map(pair -> Polyline.of(first.get(pair.of()).curve(), POINTS))
                .toList();
        return Similarity.fitted(from, pairs.stream().map(this::other).toList());
    }

    private Polyline other(StrokeMatching.Pair pair) {
        Polyline line = Polyline.of(second.get(pair.with()).curve(), POINTS);
        return pair.reversed() ? line.reversed() : line;
    }
}
