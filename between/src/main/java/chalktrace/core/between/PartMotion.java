package chalktrace.core.between;

import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Placement;
import chalktrace.core.stroke.Stroke;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** How a drawn part, such as a head, moves from drawing to drawing of its level. */
public final class PartMotion {

    private static final int POINTS = 32;

    private PartMotion() {}

    /**
     * The placement of each frame that takes the part as it is at a frame to where it is then: moved, turned and scaled to fit
     * its strokes best. Where the part is not drawn, it stays as before.
     *
     * @param part the name of the part's strokes; empty for all strokes
     * @param from the frame at which nothing is moved
     * @param frames how many there are
     * @param middleX of the picture, about which placements turn
     * @return empty when the part is not drawn at that frame
     */
    public static Optional<List<Placement>> follow(
            Level level, String part, int from, int frames, double middleX, double middleY) {
        List<Stroke> still = strokes(level, part, from);
        if (still.isEmpty()) {
            return Optional.empty();
        }
        Map<Integer, Placement> known = new HashMap<>();
        List<Placement> out = new ArrayList<>();
        for (int frame = 0; frame < frames; frame++) {
            int f = frame;
            Optional<Exposure> run = level.exposures().at(frame).filter(r -> !r.isBlank());
            Placement before = out.isEmpty() ? Placement.AS_IS : out.get(out.size() - 1);
            out.add(run.map(r -> known.computeIfAbsent(
                            r.drawing(), n -> placed(still, strokes(level, part, f), middleX, middleY, before)))
                    .orElse(before));
        }
        return Optional.of(out);
    }

    private static List<Stroke> strokes(Level level, String part, int frame) {
        return level.drawingAt(frame).map(Drawing::strokes).orElse(List.of()).stream()
                .filter(stroke -> part.isEmpty() || stroke.part().equals(part))
                .toList();
    }

    private static Placement placed(
            List<Stroke> from, List<Stroke> to, double middleX, double middleY, Placement otherwise) {
        StrokeMatching.Matched matched = StrokeMatching.match(from, to);
        if (matched.pairs().isEmpty()) {
            return otherwise;
        }
        List<Polyline> before = new ArrayList<>();
        List<Polyline> after = new ArrayList<>();
        for (StrokeMatching.Pair pair : matched.pairs()) {
            before.add(Polyline.of(from.get(pair.of()).curve(), POINTS));
            Polyline line = Polyline.of(to.get(pair.with()).curve(), POINTS);
            after.add(pair.reversed() ? line.reversed() : line);
        }
        Similarity move = Similarity.fitted(before, after);
        double scale = Math.hypot(move.ax(), move.ay());
        return new Placement(
                move.x(middleX, middleY) - middleX,
                move.y(middleX, middleY) - middleY,
                Math.max(1 / Placement.LARGEST_SCALE, Math.min(Placement.LARGEST_SCALE, scale)),
                Math.toDegrees(Math.atan2(move.ay(), move.ax())),
                1);
    }
}
