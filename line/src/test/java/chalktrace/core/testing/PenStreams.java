package chalktrace.core.testing;

import chalktrace.core.stroke.PenSample;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;

/** Streams of pen samples as hands and devices make them, each from its own seed. */
public final class PenStreams {

    /** Ways of drawing. */
    public enum Kind {
        CORNERED_TABLET,
        CORNERED_MOUSE,
        SMOOTH_TABLET,
        SMOOTH_MOUSE,
        VERY_SLOW,
        VERY_FAST,
        BROKEN,
        SCRIBBLE
    }

    /** @param corners places that the hand meant as corners */
    public record Drawn(List<PenSample> samples, List<double[]> corners) {}

    private PenStreams() {}

    public static Drawn of(Kind kind, long seed) {
        SplittableRandom random = new SplittableRandom(seed * 31 + kind.ordinal());
        return switch (kind) {
            case CORNERED_TABLET ->
                sampled(cornered(random), random.nextDouble(200, 2500), 200, random.nextDouble(0, 0.2), false, random);
            case CORNERED_MOUSE -> sampled(cornered(random), random.nextDouble(200, 2500), 125, 0, true, random);
            case SMOOTH_TABLET ->
                sampled(smooth(random), random.nextDouble(200, 2500), 200, random.nextDouble(0, 0.2), false, random);
            case SMOOTH_MOUSE -> sampled(smooth(random), random.nextDouble(200, 2500), 125, 0, true, random);
            case VERY_SLOW ->
                sampled(
                        shorter(random.nextBoolean() ? smooth(random) : cornered(random)),
                        random.nextDouble(10, 60),
                        200,
                        random.nextDouble(0, 0.3),
                        random.nextBoolean(),
                        random);
            case VERY_FAST ->
                sampled(
                        random.nextBoolean() ? smooth(random) : cornered(random),
                        random.nextDouble(3000, 9000),
                        60,
                        random.nextDouble(0, 0.3),
                        random.nextBoolean(),
                        random);
            case BROKEN -> broken(random);
            case SCRIBBLE -> scribble(random.nextInt(200, 800), random);
        };
    }

    /** A single scribble without a pause. */
    public static List<PenSample> scribble(int count, long seed) {
        return scribble(count, new SplittableRandom(seed)).samples();
    }

    private record Way(List<double[]> places, List<double[]> corners) {}

    private static Way cornered(SplittableRandom random) {
        List<double[]> corners = new ArrayList<>();
        double x = random.nextDouble(200, 1600);
        double y = random.nextDouble(200, 800);
        double heading = random.nextDouble(2 * Math.PI);
        int edges = random.nextInt(1, 7);
        List<double[]> places = new ArrayList<>();
        places.add(new double[] {x, y});
        for (int e = 0; e < edges; e++) {
            double size = random.nextDouble(25, 300);
            for (int i = 1; i <= 400; i++) {
                places.add(
                        new double[] {x + size * i / 400 * Math.cos(heading), y + size * i / 400 * Math.sin(heading)});
            }
            x += size * Math.cos(heading);
            y += size * Math.sin(heading);
            if (e + 1 < edges) {
                corners.add(new double[] {x, y});
            }
            heading += (random.nextBoolean() ? 1 : -1) * Math.toRadians(random.nextDouble(40, 180));
        }
        return new Way(places, corners);
    }

    /** A way whose bend changes slowly: waves, arcs, loops. */
    private static Way smooth(SplittableRandom random) {
        double x = random.nextDouble(200, 1600);
        double y = random.nextDouble(200, 800);
        double heading = random.nextDouble(2 * Math.PI);
        double size = random.nextDouble(30, 900);
        double radius = random.nextDouble(15, 200);
        double[] phase = random.doubles(3, 0, 6).toArray();
        double wave = random.nextDouble(60, 400);
        List<double[]> places = new ArrayList<>();
        int steps = 4000;
        for (int i = 0; i <= steps; i++) {
            places.add(new double[] {x, y});
            double at = size * i / steps;
            double bend = (Math.sin(at / wave * 6 + phase[0]) + Math.sin(at / wave * 2.3 + phase[1])) / 2 / radius;
            heading += bend * size / steps;
            x += size / steps * Math.cos(heading);
            y += size / steps * Math.sin(heading);
        }
        return new Way(places, List.of());
    }

    /** The beginning of a way: slow hands draw little. */
    private static Way shorter(Way way) {
        List<double[]> places = way.places().subList(0, Math.min(way.places().size(), 500));
        return new Way(places, way.corners().subList(0, Math.min(way.corners().size(), (places.size() - 2) / 400)));
    }

    /** A hand starts and ends slowly, and slows down where it turns. */
    private static Drawn sampled(
            Way way, double pxPerSecond, double hertz, double noise, boolean wholePixels, SplittableRandom random) {
        List<double[]> places = way.places();
        int count = places.size();
        double pressureAt = random.nextDouble(0.2, 0.9);
        double pressureSwing = random.nextDouble(0, 0.3);
        double wobble = random.nextDouble(2, 9);
        List<PenSample> out = new ArrayList<>();
        double seconds = random.nextDouble(0, 1000);
        double at = 0;
        double total = 0;
        for (int i = 1; i < count; i++) {
            total += distance(places.get(i - 1), places.get(i));
        }
        double done = 0;
        int i = 0;
        while (i < count - 1) {
            out.add(sample(
                    places.get(i),
                    noise,
                    wholePixels,
                    pressure(pressureAt, pressureSwing, wobble, done),
                    seconds,
                    random));
            double share = done / Math.max(1, total);
            double speed = pxPerSecond * Math.max(0.15, Math.min(1, 4 * Math.min(share, 1 - share)));
            at += speed / hertz;
            while (i < count - 1 && done < at) {
                done += distance(places.get(i), places.get(i + 1));
                i++;
            }
            seconds += 1 / hertz;
        }
        out.add(sample(places.get(count - 1), noise, wholePixels, pressureAt / 3, seconds, random));
        return new Drawn(out, way.corners());
    }

    private static double pressure(double at, double swing, double wobble, double done) {
        return Math.max(0, Math.min(1, at + swing * Math.sin(done / 100 * wobble)));
    }

    private static PenSample sample(
            double[] place, double noise, boolean whole, double pressure, double seconds, SplittableRandom random) {
        double x = place[0] + noise * gaussian(random);
        double y = place[1] + noise * gaussian(random);
        return new PenSample(whole ? Math.rint(x) : x, whole ? Math.rint(y) : y, pressure, seconds);
    }

    /** Dots, doubled samples, times that stand still or run back, pressure that jumps. */
    private static Drawn broken(SplittableRandom random) {
        List<PenSample> whole = sampled(
                        random.nextBoolean() ? smooth(random) : cornered(random),
                        random.nextDouble(50, 3000),
                        125,
                        0.2,
                        false,
                        random)
                .samples();
        int count = random.nextInt(4) == 0 ? 1 + random.nextInt(3) : whole.size();
        List<PenSample> out = new ArrayList<>();
        for (PenSample sample : whole.subList(0, Math.min(count, whole.size()))) {
            double spike = random.nextInt(12) == 0 ? random.nextDouble() : sample.pressure();
            double late = random.nextInt(10) == 0 ? -0.05 : 0;
            int times = random.nextInt(8) == 0 ? 3 : 1;
            for (int i = 0; i < times; i++) {
                out.add(new PenSample(sample.x(), sample.y(), spike, sample.seconds() + late));
            }
        }
        return new Drawn(out, List.of());
    }

    private static Drawn scribble(int count, SplittableRandom random) {
        List<PenSample> out = new ArrayList<>();
        double rate = random.nextDouble(4, 40);
        for (int i = 0; i < count; i++) {
            double t = i * 0.005;
            out.add(new PenSample(
                    900 + 300 * Math.sin(0.5 * t) + 150 * Math.sin(rate * t) + 0.1 * gaussian(random),
                    500 + 200 * Math.cos(0.37 * t) + 120 * Math.sin(rate * 1.13 * t + 1) + 0.1 * gaussian(random),
                    Math.max(0, Math.min(1, 0.5 + 0.3 * Math.sin(3 * t) + 0.02 * gaussian(random))),
                    t));
        }
        return new Drawn(out, List.of());
    }

    /** Of mean 0 and deviation 1, by the method of Box and Muller. */
    private static double gaussian(SplittableRandom random) {
        return Math.sqrt(-2 * Math.log(1 - random.nextDouble())) * Math.cos(2 * Math.PI * random.nextDouble());
    }

    private static double distance(double[] a, double[] b) {
        return Math.hypot(b[0] - a[0], b[1] - a[1]);
    }
}
