package chalktrace.core.render;

import chalktrace.core.motion.MovingPoint;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Level;
import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.Stroke;
import java.awt.geom.Point2D;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The way that a drawn part goes over the frames of a shot, to lie beside that of a point of the footage. */
public final class DrawnPath {

    private static final int POINTS_A_SEGMENT = 8;

    /** What of the part is followed. */
    public enum Anchor {
        /** The middle of all its lines, by their length. */
        MIDDLE,
        /** Where its longest line starts, as it was drawn. */
        START,
        /** Where its longest line ends. */
        END
    }

    private DrawnPath() {}

    /**
     * @param part the name of the part's strokes; empty for all strokes
     * @param size of the shot's picture
     * @param length of the shot in frames
     * @return in px of the shot; empty when the part is never drawn
     */
    public static Optional<MovingPoint> of(
            String name, Level level, String part, Anchor anchor, PictureSize size, int length) {
        Map<Integer, Optional<Point2D>> known = new HashMap<>();
        return MovingPoint.over(length, name, frame -> {
            Optional<Exposure> shown = level.exposures().at(frame).filter(run -> !run.isBlank());
            return shown.flatMap(run -> known.computeIfAbsent(run.drawing(), number -> level.drawing(number)
                            .flatMap(drawing -> place(drawing, part, anchor)))
                    .map(at -> run.placement()
                            .transform(size.width() / 2.0, size.height() / 2.0)
                            .transform(at, null)));
        });
    }

    private static Optional<Point2D> place(Drawing drawing, String part, Anchor anchor) {
        List<Stroke> strokes = drawing.strokes().stream()
                .filter(stroke -> part.isEmpty() || stroke.part().equals(part))
                .toList();
        double sumX = 0;
        double sumY = 0;
        double sum = 0;
        double longest = -1;
        Point2D end = null;
        for (Stroke stroke : strokes) {
            Curve curve = stroke.curve();
            double length = 0;
            double beforeX = curve.at(0, 0, 0);
            double beforeY = curve.at(0, 0, 1);
            for (int segment = 0; segment < curve.segments(); segment++) {
                for (int i = 1; i <= POINTS_A_SEGMENT; i++) {
                    double t = (double) i / POINTS_A_SEGMENT;
                    double x = curve.at(segment, t, 0);
                    double y = curve.at(segment, t, 1);
                    double step = Math.hypot(x - beforeX, y - beforeY);
                    sumX += step * (x + beforeX) / 2;
                    sumY += step * (y + beforeY) / 2;
                    length += step;
                    beforeX = x;
                    beforeY = y;
                }
            }
            sum += length;
            if (length > longest) {
                longest = length;
                end = anchor == Anchor.START
                        ? new Point2D.Double(curve.at(0, 0, 0), curve.at(0, 0, 1))
                        : new Point2D.Double(beforeX, beforeY);
            }
        }
        if (end == null || anchor != Anchor.MIDDLE || sum == 0) {
            return Optional.ofNullable(end);
        }
        return Optional.of(new Point2D.Double(sumX / sum, sumY / sum));
    }
}
