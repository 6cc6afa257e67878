package chalktrace.benchmarks;

import chalktrace.core.motion.Flow;
import chalktrace.core.motion.Luma;
import chalktrace.core.motion.Pyramid;
import chalktrace.core.testing.MovingClip;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.bytedeco.javacpp.indexer.FloatIndexer;
import org.bytedeco.opencv.opencv_core.Mat;
import org.bytedeco.opencv.opencv_video.DISOpticalFlow;

/**
 * How far the dense flow is off on clips whose movement is known, in px, on the moving thing and on the ground well beside it, beside OpenCV's dense inverse search at
 * two of its settings: {@code FlowQuality [SEEDS]}, from a fresh seed.
 */
public final class FlowQuality {

    private static final int FRAMES = 60;
    private static final int EVERY = 7;
    private static final int PLACES = 60;

    /** Where a place has gone. */
    private interface Mover {
        double[] by(double x, double y);
    }

    private FlowQuality() {}

    public static void main(String[] arguments) {
        int seeds = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 10;
        long first = Long.getLong("chalktrace.seed", System.nanoTime() % 1_000_000);
        System.out.println("seed " + first);
        for (String kind : List.of("slow", "fast", "blurred")) {
            List<Double> ours = new ArrayList<>();
            List<Double> fast = new ArrayList<>();
            List<Double> medium = new ArrayList<>();
            for (long seed = first; seed < first + seeds; seed++) {
                MovingClip clip =
                        new MovingClip(seed, FRAMES, kind.equals("slow") ? 6 : 20, kind.equals("blurred"), -1);
                for (int frame = 0; frame + 1 < FRAMES; frame += EVERY) {
                    List<double[]> ways = ways(clip, frame, new Random(seed + frame));
                    Luma from = clip.picture(frame);
                    Luma to = clip.picture(frame + 1);
                    Flow flow = Flow.between(new Pyramid(from), new Pyramid(to));
                    ours.addAll(errors(ways, (x, y) -> new double[] {flow.right(x, y), flow.down(x, y)}));
                    fast.addAll(theirs(ways, from, to, DISOpticalFlow.PRESET_FAST));
                    medium.addAll(theirs(ways, from, to, DISOpticalFlow.PRESET_MEDIUM));
                }
            }
            QualityTable.print(kind, ours);
            QualityTable.print(kind + ", OpenCV fast", fast);
            QualityTable.print(kind + ", OpenCV medium", medium);
        }
    }

    /** From and to, x and y each. */
    private static List<double[]> ways(MovingClip clip, int frame, Random random) {
        List<double[]> out = new ArrayList<>();
        for (int i = 0; i < PLACES; i++) {
            double angle = 2 * Math.PI * random.nextDouble();
            double far = 0.85 * clip.size() * Math.sqrt(random.nextDouble());
            double u = far * Math.cos(angle);
            double v = far * Math.sin(angle);
            add(clip.truth(u, v, frame), clip.truth(u, v, frame + 1), out);
            double[] ground = {random.nextDouble() * MovingClip.WIDTH, random.nextDouble() * MovingClip.HEIGHT};
            if (isBeside(clip, ground, frame) && isBeside(clip, ground, frame + 1)) {
                add(ground, ground, out);
            }
        }
        return out;
    }

    private static boolean isBeside(MovingClip clip, double[] at, int frame) {
        double[] middle = clip.truth(0, 0, frame);
        return Math.hypot(at[0] - middle[0], at[1] - middle[1]) > 1.6 * clip.size();
    }

    private static void add(double[] from, double[] to, List<double[]> out) {
        if (isWithin(from) && isWithin(to)) {
            out.add(new double[] {from[0], from[1], to[0], to[1]});
        }
    }

    private static boolean isWithin(double[] at) {
        return at[0] >= 0 && at[1] >= 0 && at[0] <= MovingClip.WIDTH - 1 && at[1] <= MovingClip.HEIGHT - 1;
    }

    private static List<Double> errors(List<double[]> ways, Mover mover) {
        return ways.stream()
                .map(way -> {
                    double[] by = mover.by(way[0], way[1]);
                    return Math.hypot(way[0] + by[0] - way[2], way[1] + by[1] - way[3]);
                })
                .toList();
    }

    private static List<Double> theirs(List<double[]> ways, Luma from, Luma to, int preset) {
        try (DISOpticalFlow search = DISOpticalFlow.create(preset);
                Mat first = TrackQuality.mat(from);
                Mat second = TrackQuality.mat(to);
                Mat out = new Mat()) {
            search.calc(first, second, out);
            try (FloatIndexer found = out.createIndexer()) {
                return errors(ways, (x, y) -> new double[] {
                    found.get((long) Math.rint(y), (long) Math.rint(x), 0),
                    found.get((long) Math.rint(y), (long) Math.rint(x), 1)
                });
            }
        }
    }
}
