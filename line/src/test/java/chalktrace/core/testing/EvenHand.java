package chalktrace.core.testing;

import chalktrace.core.stroke.PenSample;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.function.DoubleFunction;

/**
 * Lines of which the true shape is known: ovals, curls and waves without a corner, and sides that meet in corners. The true line is a function
 * of time, from which a device takes its samples.
 */
public final class EvenHand {

    /** What is drawn. */
    public enum Shape {
        OVAL,
        CURL,
        WAVE,
        STRAIGHT_SIDES,
        BENT_SIDES
    }

    /**
     * @param samples of the pen, in pixels of the shot
     * @param truth places along the true line, close to each other, in pixels of the shot
     * @param corners place and turn in radians of each
     * @param zoom pixels seen for a pixel of the shot
     * @param samplesPerTurn at the tightest whole turn of the line
     */
    public record Drawn(
            List<PenSample> samples, double[][] truth, List<double[]> corners, double zoom, double samplesPerTurn) {}

    /** The narrowest bend that counts as round, in pixels seen. */
    private static final double LEAST_RADIUS = 2;

    private static final int TRUTH = 4_000;

    private EvenHand() {}

    /** @param hertz of the device, @param pxPerSecond seen, @param noisePx of a sample, seen */
    public static Drawn of(Shape shape, double hertz, double pxPerSecond, double noisePx, double zoom, long seed) {
        SplittableRandom random = new SplittableRandom(seed * 31 + shape.ordinal());
        return switch (shape) {
            case OVAL -> oval(random, hertz, pxPerSecond, noisePx, zoom);
            case CURL -> curl(random, hertz, pxPerSecond, noisePx, zoom);
            case WAVE -> wave(random, hertz, pxPerSecond, noisePx, zoom);
            case STRAIGHT_SIDES -> sides(random, hertz, pxPerSecond, noisePx, zoom, 0);
            case BENT_SIDES -> sides(random, hertz, pxPerSecond, noisePx, zoom, random.nextDouble(0.2, 0.9));
        };
    }

    /** An oval of its own, drawn evenly. @param half its longer half axis, seen, @param ratio of the axes */
    public static Drawn oval(
            double half, double ratio, double hertz, double pxPerSecond, double noisePx, double zoom, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        return oval(half, ratio, random.nextBoolean(), random, hertz, pxPerSecond, noisePx, zoom);
    }

    private static Drawn oval(SplittableRandom random, double hertz, double speed, double noise, double zoom) {
        double half = 3 * Math.pow(60, random.nextDouble());
        double least = Math.sqrt(Math.min(1, LEAST_RADIUS / half));
        double ratio = least + (1 - least) * random.nextDouble();
        return oval(half, ratio, random.nextBoolean(), random, hertz, speed, noise, zoom);
    }

    /** @param swinging whether the hand swings, as a pendulum does, and is slow at the narrow ends, or keeps its speed */
    private static Drawn oval(
            double half,
            double ratio,
            boolean swinging,
            SplittableRandom random,
            double hertz,
            double speed,
            double noise,
            double zoom) {
        double start = random.nextDouble(2 * Math.PI);
        double turns = random.nextDouble(0.9, 1.4);
        double tilt = random.nextDouble(2 * Math.PI);
        DoubleFunction<double[]> line = share -> {
            double angle = start + turns * 2 * Math.PI * share;
            return turned(half * Math.cos(angle), half * ratio * Math.sin(angle), tilt);
        };
        return sampled(line, !swinging, turns, hertz, speed, noise, zoom, List.of(), random);
    }

    /** Loops that go on along a line, or grow from the middle. */
    private static Drawn curl(SplittableRandom random, double hertz, double speed, double noise, double zoom) {
        double turns = random.nextDouble(1, 4);
        double radius = 3 * Math.pow(20, random.nextDouble());
        boolean spiral = random.nextBoolean();
        // Where such a loop comes back it is tightest: (radius - drift)^2 / radius.
        double drift = (radius - Math.sqrt(LEAST_RADIUS * radius)) * random.nextDouble(-1, 1);
        double tilt = random.nextDouble(2 * Math.PI);
        DoubleFunction<double[]> line = share -> {
            double angle = turns * 2 * Math.PI * share;
            double r = spiral ? Math.max(LEAST_RADIUS, radius * 0.3) + radius * share : radius;
            double along = spiral ? 0 : drift * angle;
            return turned(r * Math.cos(angle) + along, r * Math.sin(angle), tilt);
        };
        return sampled(line, true, turns, hertz, speed, noise, zoom, List.of(), random);
    }

    /** A line whose bend swings between left and right, never tighter than the narrowest that counts. */
    private static Drawn wave(SplittableRandom random, double hertz, double speed, double noise, double zoom) {
        double radius = LEAST_RADIUS * Math.pow(60, random.nextDouble());
        double length = radius * random.nextDouble(4, 25);
        double[] phase = random.doubles(2, 0, 6).toArray();
        double wave = radius * random.nextDouble(3, 12);
        double[][] places = new double[TRUTH + 1][];
        double x = 0;
        double y = 0;
        double heading = random.nextDouble(2 * Math.PI);
        for (int i = 0; i <= TRUTH; i++) {
            places[i] = new double[] {x, y};
            double at = length * i / TRUTH;
            heading += (Math.sin(at / wave * 3 + phase[0]) + Math.sin(at / wave * 1.3 + phase[1]))
                    / 2
                    / radius
                    * length
                    / TRUTH;
            x += length / TRUTH * Math.cos(heading);
            y += length / TRUTH * Math.sin(heading);
        }
        DoubleFunction<double[]> line = share -> between(places, share * TRUTH);
        return sampled(line, true, length / (2 * Math.PI * radius), hertz, speed, noise, zoom, List.of(), random);
    }

    /** @param bend of each side in radians at most; 0 for straight ones */
    private static Drawn sides(
            SplittableRandom random, double hertz, double speed, double noise, double zoom, double bend) {
        int count = random.nextInt(2, 5);
        List<double[]> places = new ArrayList<>();
        List<double[]> corners = new ArrayList<>();
        double x = 0;
        double y = 0;
        double heading = random.nextDouble(2 * Math.PI);
        int steps = 400;
        double least = Math.max(14, 7 * speed / hertz);
        for (int side = 0; side < count; side++) {
            double length = least * random.nextDouble(1, 5);
            double turn = random.nextDouble(-bend, bend + 1e-9);
            for (int i = 0; i < steps; i++) {
                places.add(new double[] {x, y});
                heading += turn / steps;
                x += length / steps * Math.cos(heading);
                y += length / steps * Math.sin(heading);
            }
            if (side + 1 < count) {
                double corner = Math.toRadians(random.nextDouble(30, 150)) * (random.nextBoolean() ? 1 : -1);
                corners.add(new double[] {x, y, corner});
                heading += corner;
            }
        }
        places.add(new double[] {x, y});
        double[][] all = places.toArray(double[][]::new);
        DoubleFunction<double[]> line = share -> between(all, share * (all.length - 1));
        return sampled(line, true, 0, hertz, speed, noise, zoom, corners, random);
    }

    private static Drawn sampled(
            DoubleFunction<double[]> line,
            boolean even,
            double turns,
            double hertz,
            double speed,
            double noise,
            double zoom,
            List<double[]> corners,
            SplittableRandom random) {
        double[][] truth = new double[TRUTH + 1][];
        double[] length = new double[TRUTH + 1];
        for (int i = 0; i <= TRUTH; i++) {
            truth[i] = line.apply(i / (double) TRUTH);
            length[i] = i == 0
                    ? 0
                    : length[i - 1] + Math.hypot(truth[i][0] - truth[i - 1][0], truth[i][1] - truth[i - 1][1]);
        }
        double seconds = length[TRUTH] / speed;
        int count = (int) Math.max(4, Math.ceil(seconds * hertz));
        List<PenSample> samples = new ArrayList<>();
        double pressure = random.nextDouble(0.3, 0.8);
        int at = 1;
        for (int i = 0; i <= count; i++) {
            double share = i / (double) count;
            double[] place = line.apply(share);
            if (even) {
                double wanted = length[TRUTH] * share;
                while (at < TRUTH && length[at] < wanted) {
                    at++;
                }
                double piece = length[at] - length[at - 1];
                double part = piece == 0 ? 0 : Math.min(1, (wanted - length[at - 1]) / piece);
                place = between(truth, at - 1 + part);
            }
            samples.add(new PenSample(
                    (place[0] + noise * gaussian(random)) / zoom,
                    (place[1] + noise * gaussian(random)) / zoom,
                    pressure,
                    i / hertz));
        }
        double[][] inShot = new double[TRUTH + 1][];
        for (int i = 0; i <= TRUTH; i++) {
            inShot[i] = new double[] {truth[i][0] / zoom, truth[i][1] / zoom};
        }
        List<double[]> cornersInShot = corners.stream()
                .map(c -> new double[] {c[0] / zoom, c[1] / zoom, c[2]})
                .toList();
        return new Drawn(samples, inShot, cornersInShot, zoom, turns == 0 ? 0 : count / turns);
    }

    private static double[] between(double[][] places, double at) {
        int i = (int) Math.max(0, Math.min(places.length - 2, Math.floor(at)));
        double share = at - i;
        return new double[] {
            places[i][0] + share * (places[i + 1][0] - places[i][0]),
            places[i][1] + share * (places[i + 1][1] - places[i][1])
        };
    }

    private static double[] turned(double x, double y, double angle) {
        return new double[] {x * Math.cos(angle) - y * Math.sin(angle), x * Math.sin(angle) + y * Math.cos(angle)};
    }

    /** Of mean 0 and deviation 1, by the method of Box and Muller. */
    private static double gaussian(SplittableRandom random) {
        return Math.sqrt(-2 * Math.log(1 - random.nextDouble())) * Math.cos(2 * Math.PI * random.nextDouble());
    }
}
