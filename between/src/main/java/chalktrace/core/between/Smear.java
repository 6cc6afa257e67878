package chalktrace.core.between;

import chalktrace.core.stroke.PenSample;
import chalktrace.core.stroke.SchneiderFit;
import chalktrace.core.stroke.Stroke;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Set;

/**
 * A drawing stretched along the movement between two, for a move too fast to be read: its leading edge is the later pose, its
 * trailing edge the earlier one. A smear is shown as short as can be, one frame (common practice).
 */
public final class Smear {

    private static final int POINTS = 48;
    private static final double FIT_PX = 0.35;
    private static final int MASS_STEPS = 8;

    private Smear() {}

    /** What becomes of chosen features, such as eyes or a hand. */
    public enum Features {
        /** Stretched as all else. */
        STRETCHED,
        /** Drawn twice, early and late. */
        DOUBLED,
        /** Drawn as one mass, the outline of all that they pass over. */
        MERGED
    }

    /**
     * @param length how much of the way between the poses it covers, 0 to 1; 0 gives the pose half way, 1 reaches from one to
     *     the other
     */
    public static List<Stroke> of(List<Stroke> first, List<Stroke> second, double length) {
        return of(InBetween.of(first, second), length, Set.of(), Features.STRETCHED);
    }

    /**
     * @param between made of the two poses
     * @param chosen strokes of the first pose, by their numbers
     */
    public static List<Stroke> of(InBetween between, double length, Set<Integer> chosen, Features features) {
        double held = Math.max(0, Math.min(1, length));
        List<Stroke> early = between.paired(0.5 - held / 2);
        List<Stroke> late = between.paired(0.5 + held / 2);
        List<Polyline> from = lines(early);
        List<Polyline> to = lines(late);
        double moveX = middleX(to) - middleX(from);
        double moveY = middleY(to) - middleY(from);
        double way = Math.hypot(moveX, moveY);
        double[] range = range(from, moveX, moveY, way);
        List<Stroke> out = new ArrayList<>();
        List<Stroke> mass = new ArrayList<>();
        for (int s = 0; s < from.size(); s++) {
            boolean apart = features != Features.STRETCHED
                    && chosen.contains(between.matched().pairs().get(s).of());
            if (apart && features == Features.MERGED) {
                // What lies between the two as well, as the way may bend.
                for (int step = 0; step <= MASS_STEPS; step++) {
                    mass.add(between.paired(0.5 + held * (step / (double) MASS_STEPS - 0.5))
                            .get(s));
                }
            } else if (apart) {
                out.add(early.get(s));
                out.add(late.get(s));
            } else {
                out.add(stretched(early.get(s), from.get(s), to.get(s), new double[] {moveX, moveY, way}, range));
            }
        }
        if (!mass.isEmpty()) {
            out.add(outline(mass));
        }
        return out;
    }

    /** What lies in front along the movement is drawn later, what lies behind earlier. */
    private static Stroke stretched(Stroke stroke, Polyline a, Polyline b, double[] move, double[] range) {
        Polyline line = new Polyline(new double[POINTS], new double[POINTS], a.pressure());
        for (int i = 0; i < POINTS; i++) {
            double share = move[2] < 1e-6 || range[1] - range[0] < 1e-6
                    ? 0.5
                    : ((a.x()[i] * move[0] + a.y()[i] * move[1]) / move[2] - range[0]) / (range[1] - range[0]);
            line.x()[i] = a.x()[i] + share * (b.x()[i] - a.x()[i]);
            line.y()[i] = a.y()[i] + share * (b.y()[i] - a.y()[i]);
        }
        return stroke.withCurve(line.curve(FIT_PX));
    }

    /** The convex hull of strokes as one closed stroke. After Andrew, "Another efficient algorithm for convex hulls in two dimensions", 1979. */
    private static Stroke outline(List<Stroke> strokes) {
        List<double[]> places = new ArrayList<>();
        for (Polyline line : lines(strokes)) {
            for (int i = 0; i < line.count(); i++) {
                places.add(new double[] {line.x()[i], line.y()[i]});
            }
        }
        places.sort(Comparator.<double[]>comparingDouble(p -> p[0]).thenComparingDouble(p -> p[1]));
        List<double[]> hull = new ArrayList<>();
        for (int side = 0; side < 2; side++) {
            int start = hull.size();
            for (double[] place : places) {
                while (hull.size() >= start + 2
                        && turn(hull.get(hull.size() - 2), hull.get(hull.size() - 1), place) <= 0) {
                    hull.remove(hull.size() - 1);
                }
                hull.add(place);
            }
            hull.remove(hull.size() - 1);
            Collections.reverse(places);
        }
        hull.add(hull.get(0));
        List<PenSample> samples = new ArrayList<>();
        for (int i = 0; i < hull.size(); i++) {
            samples.add(new PenSample(
                    hull.get(i)[0], hull.get(i)[1], strokes.get(0).curve().pressure(0), i));
        }
        return strokes.get(0).withCurve(SchneiderFit.fit(samples, FIT_PX));
    }

    private static double turn(double[] a, double[] b, double[] c) {
        return (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);
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
