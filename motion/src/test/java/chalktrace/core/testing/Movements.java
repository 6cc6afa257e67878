package chalktrace.core.testing;

import chalktrace.core.motion.MovingPoint;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.SplittableRandom;

/** Movements of one point whose turns are known. */
public final class Movements {

    /** @param turns the frames on which it starts, turns and ends */
    public record Known(MovingPoint point, List<Integer> turns) {}

    private Movements() {}

    /** There and back along a line or a bow, eased, each way of its own length and time, in noise. @param noise in px, as a deviation */
    public static Known swings(long seed, double noise) {
        Random random = new Random(seed);
        double direction = 2 * Math.PI * random.nextDouble();
        double bow = random.nextBoolean() ? 0 : 0.25 * random.nextGaussian();
        int count = 6 + random.nextInt(5);
        List<Integer> turns = new ArrayList<>(List.of(0));
        List<Double> reach = new ArrayList<>(List.of(0.0));
        for (int i = 1; i <= count; i++) {
            turns.add(turns.get(i - 1) + 6 + random.nextInt(10));
            double length = 100 + 200 * random.nextDouble();
            reach.add(reach.get(i - 1) + (i % 2 == 0 ? -length : length));
        }
        int frames = turns.get(count) + 1;
        double[] x = new double[frames];
        double[] y = new double[frames];
        for (int i = 0; i < count; i++) {
            for (int frame = turns.get(i); frame <= turns.get(i + 1); frame++) {
                double share = (double) (frame - turns.get(i)) / (turns.get(i + 1) - turns.get(i));
                double eased = (1 - Math.cos(Math.PI * share)) / 2;
                double along = reach.get(i) + eased * (reach.get(i + 1) - reach.get(i));
                double aside = bow * Math.sin(Math.PI * eased) * Math.abs(reach.get(i + 1) - reach.get(i));
                x[frame] = 600 + along * Math.cos(direction) - aside * Math.sin(direction);
                y[frame] = 400 + along * Math.sin(direction) + aside * Math.cos(direction);
            }
        }
        return new Known(new MovingPoint("hand", 0, noisy(x, noise, random), noisy(y, noise, random)), turns);
    }

    /** One foot of a walk across the picture: planted, then lifted in a bow to its next place. @param turns the frames of its contacts */
    public static Known walkingFoot(long seed, double noise) {
        Random random = new Random(seed);
        int step = 8 + random.nextInt(9);
        int air = Math.max(5, (int) Math.round(step * (0.8 + 0.3 * random.nextDouble())));
        double stride = 120 + 180 * random.nextDouble();
        double lift = 20 + 60 * random.nextDouble();
        double floor = 500 + 300 * random.nextDouble();
        int first = random.nextInt(step);
        List<Integer> contacts = new ArrayList<>();
        int frames = first + 2 * step * 5;
        double[] x = new double[frames];
        double[] y = new double[frames];
        double at = 100;
        for (int frame = 0; frame < frames; frame++) {
            int phase = Math.floorMod(frame - first, 2 * step);
            int stride0 = Math.floorDiv(frame - first, 2 * step);
            double planted = at + stride0 * stride;
            int lifts = 2 * step - air;
            if (phase < lifts) {
                x[frame] = planted;
                y[frame] = floor;
            } else {
                double share = (double) (phase - lifts) / air;
                x[frame] = planted + stride * (1 - Math.cos(Math.PI * share)) / 2;
                y[frame] = floor - lift * Math.sin(Math.PI * share);
            }
            if (phase == 0 && frame >= air) {
                contacts.add(frame);
            }
        }
        return new Known(new MovingPoint("foot", 0, noisy(x, noise, random), noisy(y, noise, random)), contacts);
    }

    /** A hand that swings to and fro about a shoulder, and bends at the elbow a little later; it touches nothing. */
    public static MovingPoint swingingHand(long seed, double noise) {
        Random random = mixed(seed);
        double period = 16 + 60 * random.nextDouble();
        double rest = Math.PI / 2 + random.nextGaussian() * 0.3;
        double swing = 0.5 + 0.7 * random.nextDouble();
        double bend = 0.7 * random.nextDouble();
        double upper = 120 + 100 * random.nextDouble();
        double phase = 2 * Math.PI * random.nextDouble();
        double[] x = new double[100];
        double[] y = new double[100];
        for (int frame = 0; frame < x.length; frame++) {
            double at = 2 * Math.PI * frame / period + phase;
            double arm = rest + swing * Math.sin(at);
            double fore = arm - 0.3 + bend * Math.sin(at - 0.8);
            x[frame] = 600 + upper * (Math.cos(arm) + 0.9 * Math.cos(fore));
            y[frame] = 300 + upper * (Math.sin(arm) + 0.9 * Math.sin(fore));
        }
        return new MovingPoint("hand", 0, noisy(x, noise, random), noisy(y, noise, random));
    }

    /** A hand, a head or a nod: led from pose to pose, up and down by turns, with rests between, by the curve of least jerk. */
    public static MovingPoint ledFromPoseToPose(long seed, double noise) {
        Random random = mixed(seed);
        double wide = 10 + 300 * random.nextDouble();
        double high = 50 + 220 * random.nextDouble();
        int shortest = 6 + random.nextInt(4);
        int rests = 1 + random.nextInt(16);
        double[] x = new double[120];
        double[] y = new double[120];
        double fromX = 800;
        double fromY = 500;
        boolean down = random.nextBoolean();
        int frame = 0;
        while (frame < x.length) {
            double toX = 800 + wide * (random.nextDouble() - 0.5);
            double toY = 500 + high * (down ? random.nextDouble() : -random.nextDouble());
            int rest = random.nextInt(rests);
            int way = shortest + random.nextInt(12);
            for (int i = 0; i < rest + way && frame < x.length; i++, frame++) {
                double t = Math.max(0, i - rest) / (double) way;
                double eased = t * t * t * (10 + t * (6 * t - 15));
                x[frame] = fromX + (toX - fromX) * eased;
                y[frame] = fromY + (toY - fromY) * eased;
            }
            fromX = toX;
            fromY = toY;
            down = !down;
        }
        return new MovingPoint("led", 0, noisy(x, noise, random), noisy(y, noise, random));
    }

    /** A ball that springs from a floor, lower each time. @param turns the frames nearest to its contacts */
    public static Known bouncingBall(long seed, double noise) {
        Random random = mixed(seed);
        double height = 150 + 300 * random.nextDouble();
        double keeps = 0.93 + 0.07 * random.nextDouble();
        double time = 10 + 14 * random.nextDouble();
        double floor = 500 + 100 * random.nextDouble();
        List<Integer> contacts = new ArrayList<>();
        double[] x = new double[110];
        double[] y = new double[110];
        double start = -time / 2;
        for (int frame = 0; frame < x.length; frame++) {
            if (frame > start + time) {
                start += time;
                contacts.add((int) Math.round(start));
                time *= Math.sqrt(keeps);
                height *= keeps;
            }
            double share = (frame - start) / time;
            x[frame] = 100 + 6 * frame;
            y[frame] = floor - 4 * height * share * (1 - share);
        }
        return new Known(new MovingPoint("ball", 0, noisy(x, noise, random), noisy(y, noise, random)), contacts);
    }

    /** The first numbers of seeds that follow each other are nearly the same without this. */
    private static Random mixed(long seed) {
        return new Random(new SplittableRandom(seed).nextLong());
    }

    public static double[] noisy(double[] values, double noise, Random random) {
        double[] out = values.clone();
        for (int i = 0; i < out.length; i++) {
            out[i] += noise * random.nextGaussian();
        }
        return out;
    }
}
