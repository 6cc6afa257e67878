package chalktrace.core.between;

import chalktrace.core.stroke.Stroke;
import java.util.ArrayList;
import java.util.List;

/**
 * A drawing stretched along the movement between two, for a move too fast to be read: its leading edge is the later pose, its
 * trailing edge the earlier one. A smear is shown as short as can be, one frame (common practice).
 */
public final class Smear {

    private static final int POINTS = 48;
    private static final double FIT_PX = 0.35;

    private Smear() {}

    /**
     * @param length how much of the way between the poses it covers, 0 to 1; 0 gives the pose half way, 1 reaches from one to
     *     the other
     */
    public static List<Stroke> of(List<Stroke> first, List<Stroke> second, double length) {
        StrokeMatching.Matched matched = StrokeMatching.match(first, second);
        InBetween between = InBetween.of(first, second, matched);
        double held = Math.max(0, Math.min(1, length));
        List<Stroke> early = between.at(Math.max(1e-6, 0.5 - held / 2)).strokes();
        List<Stroke> late = between.at(Math.min(1 - 1e-6, 0.5 + held / 2)).strokes();
        List<Polyline> from = lines(early);
        List<Polyline> to = lines(late);
        double moveX = middleX(to) - middleX(from);
        double moveY = middleY(to) - middleY(from);
        double way = Math.hypot(moveX, moveY);
        double[] range = range(from, moveX, moveY, way);
        List<Stroke> out = new ArrayList<>();
        for (int s = 0; s < from.size(); s++) {
            Polyline a = from.get(s);
            Polyline b = to.get(s);
            Polyline line = new Polyline(new double[POINTS], new double[POINTS], a.pressure());
            for (int i = 0; i < POINTS; i++) {
                double share = way < 1e-6 || range[1] - range[0] < 1e-6
                        ? 0.5
                        : ((a.x()[i] * moveX + a.y()[i] * moveY) / way - range[0]) / (range[1] - range[0]);
                // What lies in front along the movement is drawn later, what lies behind earlier.
                line.x()[i] = a.x()[i] + share * (b.x()[i] - a.x()[i]);
                line.y()[i] = a.y()[i] + share * (b.y()[i] - a.y()[i]);
            }
            out.add(early.get(s).withCurve(line.curve(FIT_PX)));
        }
        return out;
    }

    private static List<Polyline> lines(List<Stroke> strokes) {
        return strokes.stream()
                .map(stroke -> Polyline.of(stroke.curve(), POINTS))
                .toList();
    }

    private static double middleX(List<Polyline> lines) {
        return lines.stream().mapToDouble(Polyline::middleX).average().orElse(0);
    }

    private static double middleY(List<Polyline> lines) {
        return lines.stream().mapToDouble(Polyline::middleY).average().orElse(0);
    }

    /** How far lines reach along a direction. */
    private static double[] range(List<Polyline> lines, double dx, double dy, double length) {
        double low = Double.MAX_VALUE;
        double high = -Double.MAX_VALUE;
        for (Polyline line : lines) {
            for (int i = 0; i < line.count(); i++) {
                double along = length < 1e-6 ? 0 : (line.x()[i] * dx + line.y()[i] * dy) / length;
                low = Math.min(low, along);
                high = Math.max(high, along);
            }
        }
        return new double[] {low, high};
    }
}
