package chalktrace.core.testing;

import chalktrace.core.stroke.PenSample;
import chalktrace.core.stroke.SchneiderFit;
import chalktrace.core.stroke.Stroke;
import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;

/**
 * Figures of which each pose is drawn anew, as an animator does it, and not moved: every line with its own wavering and ends, in any order and
 * direction, closed lines from any start, some lines in two strokes, and some two lines, such as both sides of an arm, in one.
 */
public final class DrawnAnew {

    /** What is drawn. */
    public enum Kind {
        PERSON,
        ANIMAL,
        FACE,
        BIRD
    }

    /** @param strokes in the order in which they were drawn, @param features which lines of the figure each stroke is */
    public record Pose(List<Stroke> strokes, List<Set<String>> features) {}

    /** A line of the figure in its present pose. @param closed whether it may be begun anywhere */
    private record Line(String feature, List<double[]> places, boolean closed) {}

    private static final int PLACES = 24;

    private DrawnAnew() {}

    /** @param count of poses, each a step on from the one before, @param degrees that a joint turns from pose to pose at most */
    public static List<Pose> poses(Kind kind, long seed, int count, double degrees) {
        Random random = new Random(seed * 31 + kind.ordinal());
        double[] build = random.doubles(12, 0.75, 1.3).toArray();
        double[] angles = new double[24];
        double x = 500;
        double y = 400;
        List<Pose> out = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            List<Line> lines = new ArrayList<>();
            // Limbs come towards one, and the head turns.
            double[] posed = build.clone();
            for (int k = 2; k < posed.length; k++) {
                posed[k] *= 1 - 0.3 * random.nextDouble();
            }
            draw(kind, lines, posed, angles, new AffineTransform(1, 0, 0, 1, x, y));
            out.add(drawn(lines, random));
            for (int k = 0; k < angles.length; k++) {
                double most = Math.toRadians(k == 0 ? degrees / 3 : degrees);
                angles[k] = Math.max(-1, Math.min(1, angles[k] + most * (2 * random.nextDouble() - 1)));
            }
            x += 25 * random.nextGaussian();
            y += 15 * random.nextGaussian();
        }
        return out;
    }

    private static void draw(Kind kind, List<Line> out, double[] b, double[] a, AffineTransform at) {
        AffineTransform body = turned(at, 0, 0, a[0]);
        switch (kind) {
            case PERSON -> {
                bow(out, body, "torso left", -45 * b[0], -80, -35 * b[0], 90, -8);
                bow(out, body, "torso right", 45 * b[0], -80, 35 * b[0], 90, 8);
                bow(out, body, "shoulders", -45 * b[0], -82, 45 * b[0], -82, -8);
                bow(out, body, "belt", -36 * b[0], 80, 36 * b[0], 80, 5);
                bow(out, body, "collar", -14, -80, 14, -80, 9);
                head(out, turned(body, 0, -85, a[1]), -130, b[1]);
                for (int side = -1; side <= 1; side += 2) {
                    String name = side < 0 ? "left " : "right ";
                    int k = side < 0 ? 2 : 6;
                    limb(out, body, name + "arm", side * 42 * b[0], -72, 90 - side * 22, 95 * b[2], 13, a[k], a[k + 1]);
                    limb(out, body, name + "leg", side * 18, 90, 90 - side * 6, 120 * b[3], 18, a[k + 2], a[k + 3]);
                }
            }
            case ANIMAL -> {
                bow(out, body, "back", -120 * b[0], -30, 115 * b[0], -35, 18);
                bow(out, body, "belly", -110 * b[0], 45, 105 * b[0], 40, 14);
                bow(out, body, "rump", -120 * b[0], -30, -112 * b[0], 45, -20);
                bow(out, body, "chest", 115 * b[0], -35, 105 * b[0], 40, 16);
                for (int leg = 0; leg < 4; leg++) {
                    double legX = (leg < 2 ? -100 + 30 * leg : 60 + 30 * (leg - 2)) * b[0];
                    limb(out, body, "leg " + leg, legX, 40, 90, 75 * b[2], 10, a[2 + 2 * leg], a[3 + 2 * leg]);
                }
                limb(out, body, "tail", -120 * b[0], -25, 190, 60 * b[4], 5, a[10], a[11]);
                AffineTransform neck = turned(body, 110 * b[0], -25, a[12]);
                bow(out, neck, "neck above", 105 * b[0], -40, 150 * b[0], -105, 6);
                bow(out, neck, "neck below", 118 * b[0], -5, 165 * b[0], -75, 6);
                AffineTransform head = turned(neck, 155 * b[0], -95, a[13]);
                oval(out, head, "head", 180 * b[0], -100, 38 * b[1], 22 * b[5], 0.2);
                oval(out, head, "eye", 172 * b[0], -106, 5, 4, 0);
                bow(out, head, "ear", 150 * b[0], -115, 140 * b[0], -145, 8);
                bow(out, head, "mouth", 195 * b[0], -92, 212 * b[0], -95, 3);
            }
            case FACE -> head(out, turned(at, 0, 120, a[0]), 0, 3.2 * b[1]);
            default -> {
                oval(out, body, "body", 0, 0, 90 * b[0], 55 * b[1], 0.1);
                AffineTransform head = turned(body, 75 * b[0], -30, a[1]);
                oval(out, head, "head", 100 * b[0], -60, 30 * b[2], 28 * b[2], 0);
                oval(out, head, "eye", 108 * b[0], -66, 6, 6, 0);
                bow(out, head, "beak above", 128 * b[0], -64, 165 * b[0], -55, -4);
                bow(out, head, "beak below", 128 * b[0], -50, 165 * b[0], -55, 3);
                for (int side = -1; side <= 1; side += 2) {
                    String name = side < 0 ? "left " : "right ";
                    AffineTransform wing = turned(body, -10 + side * 14, -30, a[side < 0 ? 2 : 3]);
                    bow(out, wing, name + "wing front", 5 + side * 12, -35, -60 + side * 45, -150 * b[3], 14);
                    bow(out, wing, name + "wing back", -45 + side * 12, -30, -60 + side * 45, -150 * b[3], -18);
                    for (int f = 0; f < 3; f++) {
                        bow(
                                out,
                                wing,
                                name + "feather " + f,
                                -25 + side * 12 + 6 * f,
                                -45,
                                -52 + side * 30 + 12 * f,
                                -90,
                                5);
                    }
                    limb(
                            out,
                            body,
                            name + "leg",
                            side * 22,
                            50,
                            90,
                            40 * b[4],
                            4,
                            a[side < 0 ? 4 : 6],
                            a[side < 0 ? 5 : 7]);
                }
                for (int f = 0; f < 3; f++) {
                    bow(out, body, "tail " + f, -85 * b[0], -10 + 10 * f, -160 * b[0], -30 + 26 * f, 6);
                }
            }
        }
    }

    private static void head(List<Line> out, AffineTransform at, double y, double s) {
        oval(out, at, "head", 0, y, 36 * s, 44 * s, 0);
        for (int side = -1; side <= 1; side += 2) {
            String name = side < 0 ? "left " : "right ";
            oval(out, at, name + "eye", side * 14 * s, y - 6 * s, 7 * s, 4.5 * s, 0);
            oval(out, at, name + "pupil", side * 14 * s, y - 6 * s, 2.5 * s, 2.5 * s, 0);
            bow(out, at, name + "brow", side * 7 * s, y - 15 * s, side * 22 * s, y - 17 * s, side * -3 * s);
            bow(out, at, name + "ear", side * 36 * s, y - 8 * s, side * 37 * s, y + 10 * s, side * -7 * s);
        }
        bow(out, at, "nose", 0, y - 4 * s, 4 * s, y + 9 * s, 2 * s);
        bow(out, at, "mouth", -12 * s, y + 20 * s, 12 * s, y + 20 * s, 4 * s);
        bow(out, at, "lip", -6 * s, y + 26 * s, 6 * s, y + 26 * s, 2 * s);
        bow(out, at, "hair left", -35 * s, y - 10 * s, 3 * s, y - 44 * s, -9 * s);
        bow(out, at, "hair right", 35 * s, y - 10 * s, -3 * s, y - 44 * s, 9 * s);
    }

    /** Two sides above and below its joint, and an end. */
    private static void limb(
            List<Line> out,
            AffineTransform at,
            String name,
            double x,
            double y,
            double degrees,
            double length,
            double half,
            double first,
            double second) {
        AffineTransform upper = turned(at, x, y, first);
        upper.translate(x, y);
        upper.rotate(Math.toRadians(degrees));
        bow(out, upper, name + " upper one", 0, half, length, half * 0.8, 3);
        bow(out, upper, name + " upper two", 0, -half, length, -half * 0.8, -3);
        AffineTransform lower = new AffineTransform(upper);
        lower.translate(length, 0);
        lower.rotate(second);
        bow(out, lower, name + " lower one", 0, half * 0.8, length * 0.85, half * 0.5, 2);
        bow(out, lower, name + " lower two", 0, -half * 0.8, length * 0.85, -half * 0.5, -2);
        oval(out, lower, name + " end", length * 0.85 + half * 0.7, 0, half, half * 0.6, 0);
    }

    private static void bow(
            List<Line> out, AffineTransform at, String name, double x0, double y0, double x1, double y1, double rise) {
        List<double[]> places = new ArrayList<>();
        double size = Math.max(1e-6, Math.hypot(x1 - x0, y1 - y0));
        for (int i = 0; i < PLACES; i++) {
            double t = i / (PLACES - 1.0);
            double up = 4 * t * (1 - t) * rise;
            places.add(
                    placed(at, x0 + t * (x1 - x0) - up * (y1 - y0) / size, y0 + t * (y1 - y0) + up * (x1 - x0) / size));
        }
        out.add(new Line(name, places, false));
    }

    private static void oval(
            List<Line> out, AffineTransform at, String name, double x, double y, double rx, double ry, double tilt) {
        List<double[]> places = new ArrayList<>();
        for (int i = 0; i < 2 * PLACES; i++) {
            double angle = 2 * Math.PI * i / (2 * PLACES);
            double px = rx * Math.cos(angle);
            double py = ry * Math.sin(angle);
            places.add(placed(
                    at, x + px * Math.cos(tilt) - py * Math.sin(tilt), y + px * Math.sin(tilt) + py * Math.cos(tilt)));
        }
        out.add(new Line(name, places, true));
    }

    /** The lines as a hand puts them down. */
    private static Pose drawn(List<Line> lines, Random random) {
        List<Stroke> strokes = new ArrayList<>();
        List<Set<String>> features = new ArrayList<>();
        Set<Line> done = new HashSet<>();
        for (Line line : lines) {
            if (!done.add(line)) {
                continue;
            }
            Line other = partner(line, lines);
            List<List<double[]>> parts = new ArrayList<>();
            Set<String> names = new HashSet<>(Set.of(line.feature));
            if (other != null && !done.contains(other) && random.nextInt(8) == 0) {
                // Both sides of a limb in one go.
                done.add(other);
                names.add(other.feature);
                List<double[]> both = new ArrayList<>(line.places);
                List<double[]> back = new ArrayList<>(other.places);
                Collections.reverse(back);
                both.addAll(back);
                parts.add(both);
            } else if (line.closed) {
                List<double[]> turned = new ArrayList<>(line.places);
                Collections.rotate(turned, random.nextInt(turned.size()));
                int over = 1 + random.nextInt(4);
                turned.addAll(new ArrayList<>(turned.subList(0, over)));
                parts.add(turned);
            } else if (random.nextInt(9) == 0) {
                int cut = PLACES / 3 + random.nextInt(PLACES / 3);
                parts.add(line.places.subList(0, cut + 1));
                parts.add(line.places.subList(cut, PLACES));
            } else {
                parts.add(line.places);
            }
            for (List<double[]> part : parts) {
                strokes.add(stroke(part, line.closed, random));
                features.add(names);
            }
        }
        List<Integer> order = new ArrayList<>();
        for (int i = 0; i < strokes.size(); i++) {
            order.add(i);
        }
        Collections.shuffle(order, random);
        return new Pose(
                order.stream().map(strokes::get).toList(),
                order.stream().map(features::get).toList());
    }

    private static Line partner(Line line, List<Line> lines) {
        String wanted = line.feature.endsWith(" one") ? line.feature.replace(" one", " two") : null;
        return lines.stream()
                .filter(other -> other.feature.equals(wanted))
                .findFirst()
                .orElse(null);
    }

    /** Longer or shorter than meant, bowed a little otherwise, wavering, in either direction. */
    private static Stroke stroke(List<double[]> places, boolean closed, Random random) {
        int n = places.size();
        double length = 0;
        for (int i = 1; i < n; i++) {
            length += Math.hypot(places.get(i)[0] - places.get(i - 1)[0], places.get(i)[1] - places.get(i - 1)[1]);
        }
        double waver = 0.3 + 0.012 * length;
        double[] phase = random.doubles(4, 0, 2 * Math.PI).toArray();
        double shiftX = (0.6 + 0.01 * length) * random.nextGaussian();
        double shiftY = (0.6 + 0.01 * length) * random.nextGaussian();
        int skip = closed ? 0 : random.nextInt(Math.max(1, n / 8));
        int stop = closed ? n : n - random.nextInt(Math.max(1, n / 10));
        double chordX = places.get(n - 1)[0] - places.get(0)[0];
        double chordY = places.get(n - 1)[1] - places.get(0)[1];
        double bow = closed ? 0 : 0.05 * random.nextGaussian();
        double flat = closed ? 0.12 * random.nextGaussian() : 0;
        List<PenSample> samples = new ArrayList<>();
        for (int i = skip; i < stop; i++) {
            double t = i / (double) n;
            double up = 4 * t * (1 - t) * bow;
            double dx = waver * (Math.sin(4 * t + phase[0]) + 0.5 * Math.sin(9 * t + phase[1]));
            double dy = waver * (Math.sin(4 * t + phase[2]) + 0.5 * Math.sin(9 * t + phase[3]));
            samples.add(new PenSample(
                    places.get(i)[0] + dx + shiftX - up * chordY,
                    places.get(i)[1] + dy + shiftY + up * chordX + flat * (places.get(i)[1] - places.get(0)[1]),
                    0.6,
                    i));
        }
        if (random.nextBoolean()) {
            Collections.reverse(samples);
        }
        return new Stroke("chalk-1", SchneiderFit.fit(samples, 0.6));
    }

    private static AffineTransform turned(AffineTransform at, double x, double y, double angle) {
        AffineTransform out = new AffineTransform(at);
        out.rotate(angle, x, y);
        return out;
    }

    private static double[] placed(AffineTransform at, double x, double y) {
        Point2D place = at.transform(new Point2D.Double(x, y), null);
        return new double[] {place.getX(), place.getY()};
    }

    /** The same feature on the other side; empty where there is none. */
    public static String mirrored(String feature) {
        if (feature.contains("left")) {
            return feature.replace("left", "right");
        }
        return feature.contains("right") ? feature.replace("right", "left") : "";
    }
}
