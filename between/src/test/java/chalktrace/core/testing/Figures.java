package chalktrace.core.testing;

import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.Stroke;
import java.awt.geom.AffineTransform;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;

/** Jointed figures of several builds in two poses, whose strokes are known one by one. */
public final class Figures {

    /** What is drawn. */
    public enum Build {
        PERSON,
        ANIMAL,
        HAND,
        SPIDER,
        FACE,
        CLOTH
    }

    /**
     * Two poses of one figure.
     *
     * @param truth for each stroke of the second the stroke of the first that it is (a part of), or -1 for a new one
     */
    public record Poses(List<Stroke> first, List<Stroke> second, List<Integer> truth) {

        /** Whether a stroke of the first is drawn in the second at all. */
        public boolean isKept(int stroke) {
            return truth.contains(stroke);
        }
    }

    /** @param limb of each stroke, 0 for the body */
    private record Drawn(List<Stroke> strokes, List<Integer> limb, List<double[]> joints, List<Integer> parent) {}

    private Figures() {}

    /** One limb turned about its joint, all else as it was, in the same order. */
    public static Poses oneLimb(Build build, long seed, double degrees) {
        Random random = new Random(seed);
        Drawn drawn = drawn(build, random);
        int limb = 1 + random.nextInt(drawn.joints.size() - 1);
        double[] angles = new double[drawn.joints.size()];
        angles[limb] = Math.toRadians(degrees) * (random.nextBoolean() ? 1 : -1);
        List<Integer> truth = new ArrayList<>();
        for (int i = 0; i < drawn.strokes.size(); i++) {
            truth.add(i);
        }
        return new Poses(drawn.strokes, posed(drawn, angles, random, 0), truth);
    }

    /**
     * Each limb turned by its own angle, strokes shuffled, some reversed, some split in two, some removed and some new.
     *
     * @param most the largest angle, in degrees
     * @param spoilt the share of strokes that are removed, and as many new ones
     */
    public static Poses wholePose(Build build, long seed, double most, double spoilt) {
        Random random = new Random(seed);
        Drawn drawn = drawn(build, random);
        double[] angles = new double[drawn.joints.size()];
        for (int limb = 1; limb < angles.length; limb++) {
            angles[limb] = Math.toRadians(most) * (2 * random.nextDouble() - 1);
        }
        List<Stroke> moved = posed(drawn, angles, random, 0.4);
        List<Stroke> second = new ArrayList<>();
        List<Integer> truth = new ArrayList<>();
        for (int i = 0; i < moved.size(); i++) {
            Stroke stroke = moved.get(i);
            if (random.nextDouble() < spoilt / 2) {
                continue;
            }
            Curve curve = random.nextInt(3) == 0 ? stroke.curve().reversed() : stroke.curve();
            boolean split = spoilt > 0 && random.nextInt(12) == 0;
            double at = curve.segments() * (0.3 + 0.4 * random.nextDouble());
            for (Curve piece : split ? List.of(curve.part(0, at), curve.part(at, curve.segments())) : List.of(curve)) {
                second.add(stroke.withCurve(piece));
                truth.add(i);
            }
        }
        for (int i = 0; i < spoilt / 2 * moved.size(); i++) {
            double x = 300 + 400 * random.nextDouble();
            double y = 150 + 400 * random.nextDouble();
            second.add(bow(x, y, x + 60 * random.nextGaussian(), y + 60 * random.nextGaussian(), random));
            truth.add(-1);
        }
        List<Integer> order = new ArrayList<>();
        for (int i = 0; i < second.size(); i++) {
            order.add(i);
        }
        Collections.shuffle(order, random);
        return new Poses(
                drawn.strokes,
                order.stream().map(second::get).toList(),
                order.stream().map(truth::get).toList());
    }

    private static List<Stroke> posed(Drawn drawn, double[] angles, Random random, double wobble) {
        List<AffineTransform> moves = new ArrayList<>();
        for (int limb = 0; limb < angles.length; limb++) {
            AffineTransform move =
                    limb == 0 ? new AffineTransform() : new AffineTransform(moves.get(drawn.parent.get(limb)));
            double[] joint = drawn.joints.get(limb);
            move.rotate(angles[limb], joint[0], joint[1]);
            moves.add(move);
        }
        List<Stroke> out = new ArrayList<>();
        for (int i = 0; i < drawn.strokes.size(); i++) {
            Curve curve = drawn.strokes.get(i).curve().transformed(moves.get(drawn.limb.get(i)));
            double[] values = curve.toArray();
            for (int k = 0; wobble > 0 && k < values.length; k++) {
                values[k] += k % 3 == 2 ? 0 : wobble * random.nextGaussian();
            }
            out.add(drawn.strokes.get(i).withCurve(Curve.of(values)));
        }
        return out;
    }

    private static Drawn drawn(Build build, Random random) {
        Drawn out = new Drawn(new ArrayList<>(), new ArrayList<>(), new ArrayList<>(), new ArrayList<>());
        out.joints.add(new double[] {500, 350});
        out.parent.add(-1);
        double s = 0.7 + 0.7 * random.nextDouble();
        switch (build) {
            case PERSON -> {
                body(out, 500, 330, 45 * s, 80 * s, random);
                head(out, 500, 330 - 125 * s, 32 * s, random);
                for (int side = -1; side <= 1; side += 2) {
                    int arm = limb(out, 0, 500 + side * 45 * s, 270, 90 + side * -40, 85 * s, 12 * s, random);
                    limbAtEnd(out, arm, 75 * s, 10 * s, random);
                    int leg = limb(out, 0, 500 + side * 25 * s, 330 + 78 * s, 90 + side * -12, 110 * s, 16 * s, random);
                    limbAtEnd(out, leg, 100 * s, 12 * s, random);
                }
            }
            case ANIMAL -> {
                body(out, 500, 340, 120 * s, 45 * s, random);
                for (int leg = 0; leg < 4; leg++) {
                    double x = 500 + s * (leg < 2 ? -100 + 45 * leg : 60 + 45 * (leg - 2));
                    int upper = limb(out, 0, x, 340 + 35 * s, 90 + random.nextInt(20) - 10, 60 * s, 11 * s, random);
                    if (leg % 2 == 0) {
                        limbAtEnd(out, upper, 50 * s, 8 * s, random);
                    }
                }
                int neck = limb(out, 0, 500 + 115 * s, 320, -40, 80 * s, 18 * s, random);
                limbAtEnd(out, neck, 60 * s, 16 * s, random);
                int tail = limb(out, 0, 500 - 118 * s, 330, 200, 70 * s, 6 * s, random);
                limbAtEnd(out, tail, 50 * s, 4 * s, random);
            }
            case HAND -> {
                body(out, 500, 430, 70 * s, 75 * s, random);
                for (int finger = 0; finger < 5; finger++) {
                    double angle = -150 + 30 * finger;
                    double x = 500 + 70 * s * Math.cos(Math.toRadians(angle));
                    double y = 430 + 75 * s * Math.sin(Math.toRadians(angle));
                    int first = limb(out, 0, x, y, angle, (50 + 15 * random.nextDouble()) * s, 11 * s, random);
                    if (finger > 0 && finger < 4) {
                        limbAtEnd(out, first, 40 * s, 9 * s, random);
                    }
                }
            }
            case SPIDER -> {
                body(out, 500, 350, 60 * s, 50 * s, random);
                for (int leg = 0; leg < 8; leg++) {
                    double angle = 20 + 45 * leg;
                    limb(
                            out,
                            0,
                            500 + 60 * s * Math.cos(Math.toRadians(angle)),
                            350 + 50 * s * Math.sin(Math.toRadians(angle)),
                            angle,
                            (80 + 60 * random.nextDouble()) * s,
                            9 * s,
                            random);
                }
            }
            case FACE -> {
                head(out, 500, 350, 140 * s, random);
                for (int side = -1; side <= 1; side += 2) {
                    limb(out, 0, 500 + side * 135 * s, 350, side < 0 ? 180 : 0, 40 * s, 20 * s, random);
                    limb(out, 0, 500 + side * 50 * s, 260, -90 + side * 30, 90 * s, 14 * s, random);
                }
                for (int i = 0; i < 12; i++) {
                    double x = 420 + 160 * random.nextDouble();
                    add(out, 0, bow(x, 230 - 80 * s, x + 20 * random.nextGaussian(), 190 - 90 * s, random));
                }
            }
            default -> {
                int last = 0;
                for (int fold = 0; fold < 8; fold++) {
                    double x = 380 + 32 * fold;
                    last = limb(
                            out,
                            0,
                            x,
                            200,
                            90 + random.nextInt(10) - 5,
                            (180 + 60 * random.nextDouble()) * s,
                            10,
                            random);
                }
                add(out, 0, bow(370, 200, 640, 200, random));
                add(out, 0, bow(370, 185, 640, 185, random));
                limbAtEnd(out, last, 60, 8, random);
            }
        }
        return out;
    }

    private static void body(Drawn out, double x, double y, double rx, double ry, Random random) {
        add(out, 0, arc(x, y, rx, ry, 200, 340, random));
        add(out, 0, arc(x, y, rx, ry, -20, 70, random));
        add(out, 0, arc(x, y, rx, ry, 70, 110, random));
        add(out, 0, arc(x, y, rx, ry, 110, 200, random));
        for (int i = 0; i < 5; i++) {
            double fromX = x + rx * (1.2 * random.nextDouble() - 0.6);
            double fromY = y + ry * (1.2 * random.nextDouble() - 0.6);
            add(
                    out,
                    0,
                    bow(
                            fromX,
                            fromY,
                            fromX + 0.5 * rx * random.nextGaussian(),
                            fromY + 0.5 * ry * random.nextGaussian(),
                            random));
        }
    }

    /** Turns as one limb about its neck. */
    private static void head(Drawn out, double x, double y, double r, Random random) {
        int limb = joint(out, 0, x, y + 1.1 * r);
        add(out, limb, arc(x, y, r, 1.2 * r, 90, 300, random));
        add(out, limb, arc(x, y, r, 1.2 * r, -60, 90, random));
        for (int side = -1; side <= 1; side += 2) {
            add(out, limb, arc(x + side * 0.4 * r, y - 0.1 * r, 0.16 * r, 0.1 * r, 0, 350, random));
            add(out, limb, bow(x + side * 0.55 * r, y - 0.35 * r, x + side * 0.22 * r, y - 0.4 * r, random));
        }
        add(out, limb, bow(x, y, x + 0.12 * r, y + 0.35 * r, random));
        add(out, limb, bow(x - 0.3 * r, y + 0.65 * r, x + 0.3 * r, y + 0.6 * r, random));
    }

    private static int joint(Drawn out, int parent, double x, double y) {
        out.joints.add(new double[] {x, y});
        out.parent.add(parent);
        return out.joints.size() - 1;
    }

    /** Two sides, an end and folds across. @param degrees it points to, clockwise from the right */
    private static int limb(
            Drawn out, int parent, double x, double y, double degrees, double length, double half, Random random) {
        int limb = joint(out, parent, x, y);
        double cos = Math.cos(Math.toRadians(degrees));
        double sin = Math.sin(Math.toRadians(degrees));
        double tip = half * (0.6 + 0.3 * random.nextDouble());
        double[] a = {x - sin * half, y + cos * half, x + cos * length - sin * tip, y + sin * length + cos * tip};
        double[] b = {x + sin * half, y - cos * half, x + cos * length + sin * tip, y + sin * length - cos * tip};
        add(out, limb, bow(a[0], a[1], a[2], a[3], random));
        add(out, limb, bow(b[0], b[1], b[2], b[3], random));
        add(out, limb, bow(a[2], a[3], b[2], b[3], random));
        int folds = 1 + random.nextInt(2);
        for (int i = 0; i < folds; i++) {
            double at = length * (0.2 + 0.6 * random.nextDouble());
            double wide = half * (0.4 + 0.4 * random.nextDouble());
            add(
                    out,
                    limb,
                    bow(
                            x + cos * at - sin * wide,
                            y + sin * at + cos * wide,
                            x + cos * (at + 0.1 * length) + sin * wide * 0.3,
                            y + sin * (at + 0.1 * length) - cos * wide * 0.3,
                            random));
        }
        return limb;
    }

    private static void limbAtEnd(Drawn out, int upper, double length, double half, Random random) {
        double[] joint = out.joints.get(upper);
        Curve end = null;
        for (int i = 0; i < out.strokes.size(); i++) {
            if (out.limb.get(i) == upper) {
                end = end == null
                                || out.limb.subList(0, i).stream()
                                                .filter(l -> l == upper)
                                                .count()
                                        == 2
                        ? out.strokes.get(i).curve()
                        : end;
            }
        }
        double x = (end.x(0) + end.x(end.points() - 1)) / 2;
        double y = (end.y(0) + end.y(end.points() - 1)) / 2;
        double degrees = Math.toDegrees(Math.atan2(y - joint[1], x - joint[0])) + random.nextInt(50) - 25;
        limb(out, upper, x, y, degrees, length, half, random);
    }

    private static void add(Drawn out, int limb, Stroke stroke) {
        out.strokes.add(stroke);
        out.limb.add(limb);
    }

    private static Stroke bow(double x0, double y0, double x1, double y1, Random random) {
        double bend = 0.08 * random.nextGaussian();
        double dx = (x1 - x0) / 3;
        double dy = (y1 - y0) / 3;
        return new Stroke(
                "chalk-1",
                Curve.of(
                        x0,
                        y0,
                        0.6,
                        x0 + dx - dy * bend * 3,
                        y0 + dy + dx * bend * 3,
                        0.7,
                        x0 + 2 * dx - dy * bend * 3,
                        y0 + 2 * dy + dx * bend * 3,
                        0.7,
                        x1,
                        y1,
                        0.6));
    }

    private static Stroke arc(double x, double y, double rx, double ry, double from, double to, Random random) {
        int pieces = (int) Math.ceil(Math.abs(to - from) / 90);
        double step = Math.toRadians(to - from) / pieces;
        double handle = 4.0 / 3 * Math.tan(step / 4);
        double[] values = new double[9 * pieces + 3];
        for (int i = 0; i <= pieces; i++) {
            double angle = Math.toRadians(from) + i * step;
            double cos = Math.cos(angle);
            double sin = Math.sin(angle);
            put(values, 9 * i, x + rx * cos, y + ry * sin);
            if (i < pieces) {
                put(values, 9 * i + 3, x + rx * (cos - handle * sin), y + ry * (sin + handle * cos));
            }
            if (i > 0) {
                put(values, 9 * i - 3, x + rx * (cos + handle * sin), y + ry * (sin - handle * cos));
            }
        }
        return new Stroke("chalk-1", Curve.of(values));
    }

    private static void put(double[] values, int at, double x, double y) {
        values[at] = x;
        values[at + 1] = y;
        values[at + 2] = 0.6;
    }
}
