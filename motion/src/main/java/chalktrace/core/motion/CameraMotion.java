package chalktrace.core.motion;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;

/**
 * How the camera has moved from one picture to the next: the shift, turn and growth that most of the ground shares. The ground is looked for along the picture's
 * edges, where it shows even behind something large. Random samples of two places each (M. Fischler, R. Bolles, "Random sample consensus", Comm. ACM 24, 1981), then
 * least squares over the places that agree.
 */
final class CameraMotion {

    /** What lies so near the edge, as a share of the side, counts as ground first of all. */
    private static final double EDGE = 0.18;

    private static final int EVERY = 8;
    private static final int FEWEST = 24;
    private static final int SAMPLES = 120;

    /** Places agree that differ by less, in the smallest parts of the flow. */
    private static final double AGREE = 0.4;

    /** So large a share of the ground has to agree. */
    private static final double ENOUGH = 0.35;

    private static final int ROUNDS = 4;

    /** Less than this, in the smallest parts of the flow, is no movement of a camera. */
    private static final double STILL = 0.04;

    private static final Warp NONE = Warp.at(0, 0);

    private record Place(double x, double y, double toX, double toY) {

        double off(Warp warp) {
            return Math.hypot(warp.x(x, y) - toX, warp.y(x, y) - toY);
        }
    }

    private CameraMotion() {}

    /** Where it can't be told, the camera stands still. */
    static Warp of(Flow flow, int width, int height) {
        double step = EVERY * flow.grain();
        List<Place> all = new ArrayList<>();
        List<Place> edge = new ArrayList<>();
        for (double y = step / 2; y < height; y += step) {
            for (double x = step / 2; x < width; x += step) {
                if (flow.sure(x, y) < 0.6) {
                    continue;
                }
                Place place = new Place(x, y, x + flow.right(x, y), y + flow.down(x, y));
                all.add(place);
                if (Math.min(x, width - x) < EDGE * width || Math.min(y, height - y) < EDGE * height) {
                    edge.add(place);
                }
            }
        }
        List<Place> ground = edge.size() >= FEWEST ? edge : all;
        if (ground.size() < FEWEST) {
            return NONE;
        }
        double agree = AGREE * flow.grain();
        Warp best = sampled(ground, agree);
        if (count(ground, best, agree) < ENOUGH * ground.size()) {
            return NONE;
        }
        for (int round = 0; round < ROUNDS; round++) {
            Warp before = best;
            best = fitted(all.stream()
                            .filter(place -> place.off(before) < agree)
                            .toList())
                    .orElse(before);
        }
        return isStill(best, width, height, STILL * flow.grain()) ? NONE : best;
    }

    private static boolean isStill(Warp warp, int width, int height, double px) {
        return new Place(0, 0, 0, 0).off(warp) < px
                && new Place(width, 0, width, 0).off(warp) < px
                && new Place(0, height, 0, height).off(warp) < px;
    }

    private static Warp sampled(List<Place> ground, double agree) {
        Random random = new Random(ground.size());
        Warp best = NONE;
        int most = count(ground, best, agree);
        for (int i = 0; i < SAMPLES; i++) {
            Place a = ground.get(random.nextInt(ground.size()));
            Place b = ground.get(random.nextInt(ground.size()));
            Warp warp = fitted(List.of(a, b)).orElse(best);
            int count = count(ground, warp, agree);
            if (count > most) {
                most = count;
                best = warp;
            }
        }
        return best;
    }

    private static int count(List<Place> places, Warp warp, double agree) {
        int count = 0;
        for (Place place : places) {
            count += place.off(warp) < agree ? 1 : 0;
        }
        return count;
    }

    /** The similarity of least squares; none where all places are one. */
    private static Optional<Warp> fitted(List<Place> places) {
        double n = places.size();
        double meanX = 0;
        double meanY = 0;
        double meanToX = 0;
        double meanToY = 0;
        for (Place place : places) {
            meanX += place.x() / n;
            meanY += place.y() / n;
            meanToX += place.toX() / n;
            meanToY += place.toY() / n;
        }
        double along = 0;
        double across = 0;
        double square = 0;
        for (Place place : places) {
            double x = place.x() - meanX;
            double y = place.y() - meanY;
            double toX = place.toX() - meanToX;
            double toY = place.toY() - meanToY;
            along += x * toX + y * toY;
            across += x * toY - y * toX;
            square += x * x + y * y;
        }
        if (!(square > 1)) {
            return Optional.empty();
        }
        double a = along / square;
        double c = across / square;
        return Optional.of(new Warp(a, -c, c, a, meanToX - a * meanX + c * meanY, meanToY - c * meanX - a * meanY));
    }
}
