package chalktrace.core.between;

import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.PenSample;
import chalktrace.core.stroke.SchneiderFit;
import chalktrace.core.words.MotionWords;
import java.awt.geom.Point2D;
import java.util.ArrayList;
import java.util.List;

/**
 * What the path of a followed point says of a movement: the line that it goes along, and how far along it is when.
 *
 * @param line the path
 * @param chart the share of the path's length that each in-between lies at
 */
public record TrackedSpacing(Curve line, TimingChart chart) {

    private static final double FIT_PX = 1;

    /** A path shorter than this is stillness and the grain of the picture. */
    private static final double LEAST_PX = 3;

    private static final double CLOSEST = 0.005;

    /**
     * @param places of the point, one a frame, from the first key's frame to the second's
     * @param every in-betweens stand on every n-th frame after the first
     * @throws IllegalArgumentException when the point hardly moves
     */
    public static TrackedSpacing of(List<Point2D> places, int every) {
        double[] along = new double[places.size()];
        for (int i = 1; i < along.length; i++) {
            along[i] = along[i - 1] + places.get(i).distance(places.get(i - 1));
        }
        double all = along[along.length - 1];
        if (all < LEAST_PX) {
            throw new IllegalArgumentException(MotionWords.TEXTS.of("what-was-followed-hardly-moves-between"));
        }
        List<Double> ticks = new ArrayList<>();
        int count = (places.size() - 2) / Math.max(1, every);
        for (int i = 1; i <= count; i++) {
            double share = along[i * Math.max(1, every)] / all;
            double least = (ticks.isEmpty() ? 0 : ticks.get(ticks.size() - 1)) + CLOSEST;
            ticks.add(Math.max(least, Math.min(1 - CLOSEST * (count - i + 1), share)));
        }
        List<PenSample> samples = new ArrayList<>();
        for (int i = 0; i < places.size(); i++) {
            samples.add(new PenSample(places.get(i).getX(), places.get(i).getY(), 1, i));
        }
        return new TrackedSpacing(SchneiderFit.fit(samples, FIT_PX), new TimingChart(ticks));
    }
}
