package chalktrace.benchmarks;

import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.Ink;
import chalktrace.core.stroke.LineShape;
import chalktrace.core.stroke.PenSample;
import chalktrace.core.stroke.PenStream;
import chalktrace.core.stroke.StrokeOutline;
import chalktrace.core.testing.EvenHand;
import chalktrace.core.testing.EvenHand.Drawn;
import chalktrace.core.testing.EvenHand.Shape;
import chalktrace.core.testing.Kinks;
import chalktrace.core.testing.LineDistance;
import chalktrace.core.testing.PenStreams;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.geom.PathIterator;
import java.awt.geom.Rectangle2D;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.SplittableRandom;

/**
 * Whether round stays round and a corner a corner, for lines of which the true shape is known: the sharpest kink of ovals, curls and
 * waves, the corners that are kept, how far the kept line lies from the true one, and how much small circles shrink. Not a benchmark of JMH:
 * it prints a table.
 */
public final class RoundQuality {

    /** More is a corner that one sees. */
    private static final double MOST_KINK = Math.toRadians(12);

    private RoundQuality() {}

    /** @param arguments how many lines of each kind, and the picture to write the worst to; both may be left out */
    public static void main(String[] arguments) throws Exception {
        int count = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 1_000;
        long seed = arguments.length > 2 ? Long.parseLong(arguments[2]) : System.nanoTime();
        System.out.println("seed " + seed);
        QualityTable worst = new QualityTable();
        for (double noise : new double[] {0, 0.05, 0.15}) {
            for (Shape shape : Shape.values()) {
                row(shape, noise, count, seed, worst);
            }
        }
        ovals(seed);
        circles();
        pressures(seed);
        if (arguments.length > 1) {
            worst.writeWorst(Path.of(arguments[1]));
        }
    }

    private static void row(Shape shape, double noise, int count, long seed, QualityTable worst) {
        List<Double> kinks = new ArrayList<>();
        List<Double> away = new ArrayList<>();
        List<Double> jumps = new ArrayList<>();
        int corners = 0;
        int kept = 0;
        int sharp = 0;
        int many = 0;
        for (int i = 0; i < count; i++) {
            SplittableRandom random = new SplittableRandom(seed + i);
            double[] rates = {60, 125, 200};
            double hertz = rates[random.nextInt(3)];
            double zoom = random.nextBoolean() ? 1 : random.nextDouble(1, 4);
            double speed = 40 * Math.pow(60, random.nextDouble());
            Drawn drawn = EvenHand.of(shape, hertz, speed, noise, zoom, seed + i);
            if (!drawn.corners().isEmpty()) {
                Curve curve = kept(drawn, Ink.USUAL_STEADINESS);
                boolean lost = false;
                for (double[] corner : drawn.corners()) {
                    corners++;
                    double reach = Math.max(2, 1.3 * speed / hertz) / zoom;
                    boolean good = Kinks.turnAbout(curve, corner[0], corner[1], reach) > 0.5 * Math.abs(corner[2]);
                    kept += good ? 1 : 0;
                    lost |= !good;
                }
                away.add(far(curve, drawn) * zoom);
                if (lost) {
                    worst.add(
                            shape + " " + noise + " " + (int) hertz + " Hz",
                            1000,
                            graphics -> paint(graphics, drawn, curve));
                }
                continue;
            }
            if (drawn.samplesPerTurn() < 24) {
                continue;
            }
            many++;
            Curve curve = kept(drawn, Ink.USUAL_STEADINESS);
            double kink = Kinks.sharpest(curve);
            sharp += kink > MOST_KINK ? 1 : 0;
            kinks.add(Math.toDegrees(kink));
            away.add(far(curve, drawn) * zoom);
            worst.add(
                    shape + " " + noise + " " + (int) hertz + " Hz",
                    Math.toDegrees(kink),
                    graphics -> paint(graphics, drawn, curve));
        }
        String name = String.format(Locale.ROOT, "%s, noise %.2f", shape, noise);
        if (corners > 0) {
            System.out.printf(Locale.ROOT, "%s: of %d corners %.1f %% kept%n", name, corners, 100.0 * kept / corners);
        } else {
            System.out.printf(
                    Locale.ROOT,
                    "%s: %d with 24 samples a turn, %.1f %% with a kink over 12 degrees%n",
                    name,
                    many,
                    100.0 * sharp / many);
            QualityTable.print("  kink, degrees", kinks);
        }
        QualityTable.print("  away, px seen", away);
    }

    private static void ovals(long seed) {
        for (double[] oval : new double[][] {{12, 0.5}, {24, 0.5}, {48, 0.35}, {80, 0.25}}) {
            int sharp = 0;
            double most = 0;
            int all = 0;
            for (int i = 0; i < 300; i++) {
                double zoom = new double[] {1, 2, 4}[i % 3];
                double speed = 60 * Math.pow(12, new SplittableRandom(seed + i).nextDouble());
                Drawn drawn = EvenHand.oval(oval[0], oval[1], 200, speed, 0.05, zoom, seed + i);
                if (drawn.samplesPerTurn() < 24) {
                    continue;
                }
                all++;
                double kink = Math.toDegrees(Kinks.sharpest(kept(drawn, 0.5)));
                sharp += kink > 12 ? 1 : 0;
                most = Math.max(most, kink);
            }
            System.out.printf(
                    Locale.ROOT,
                    "oval of %.0f px, ratio %.2f: %.1f %% of %d with a kink over 12 degrees, sharpest %.0f%n",
                    oval[0],
                    oval[1],
                    100.0 * sharp / all,
                    all,
                    most);
        }
    }

    /** How much smaller circles come out, by their area. */
    private static void circles() {
        for (double steadiness : new double[] {0, 0.5, 1}) {
            for (double[] circle :
                    new double[][] {{25, 1500, 200}, {25, 1500, 60}, {25, 150, 200}, {8, 300, 200}, {4, 150, 200}}) {
                List<PenSample> samples = new ArrayList<>();
                int count = (int) (2 * 2 * Math.PI * circle[0] / circle[1] * circle[2]);
                for (int i = 0; i <= count; i++) {
                    double angle = i * circle[1] / circle[2] / circle[0];
                    samples.add(new PenSample(
                            100 + circle[0] * Math.cos(angle), 100 + circle[0] * Math.sin(angle), 0.5, i / circle[2]));
                }
                Ink ink = new Ink("c", steadiness, 1);
                samples.forEach(ink::add);
                double[][] dense = LineDistance.dense(ink.finish().curve());
                double radius = 0;
                double worst = 0;
                for (double[] place : dense) {
                    double r = Math.hypot(place[0] - 100, place[1] - 100);
                    radius += r / dense.length;
                    worst = Math.max(worst, Math.abs(r - circle[0]));
                }
                System.out.printf(
                        Locale.ROOT,
                        "steadiness %.1f, circle of %.0f px at %.0f px/s and %.0f Hz: %.2f %% smaller, worst %.2f px%n",
                        steadiness,
                        circle[0],
                        circle[1],
                        circle[2],
                        100 * (1 - radius / circle[0]),
                        worst);
            }
        }
    }

    /** Segments, and points of the outline, of smooth strokes whose pressure is noisy. */
    private static void pressures(long seed) {
        for (double noise : new double[] {0, 0.02, 0.05}) {
            for (double width : new double[] {5, 12, 40}) {
                LineShape shape = LineShape.round(width);
                List<Double> segments = new ArrayList<>();
                List<Double> points = new ArrayList<>();
                for (int i = 0; i < 200; i++) {
                    SplittableRandom random = new SplittableRandom(seed + i);
                    Ink ink = new Ink("c", Ink.USUAL_STEADINESS, 1, shape.pressureShown());
                    PenStreams.of(PenStreams.Kind.SMOOTH_TABLET, seed + i).samples().stream()
                            .map(s -> new PenSample(
                                    s.x(),
                                    s.y(),
                                    Math.max(
                                            0,
                                            Math.min(1, s.pressure() + noise * 2 * (random.nextDouble() - 0.5) * 1.7)),
                                    s.seconds()))
                            .forEach(ink::add);
                    Curve kept = ink.finish().curve();
                    segments.add((double) kept.segments());
                    int count = 0;
                    for (PathIterator at = StrokeOutline.of(kept, shape, 1).getPathIterator(null);
                            !at.isDone();
                            at.next()) {
                        count++;
                    }
                    points.add((double) count);
                }
                String name = String.format(Locale.ROOT, "pressure noise %.2f, %.0f px wide", noise, width);
                QualityTable.print(name + ": segments", segments);
                QualityTable.print("  points of the outline", points);
            }
        }
    }

    private static double far(Curve curve, Drawn drawn) {
        return LineDistance.farthest(LineDistance.dense(curve), drawn.truth());
    }

    private static Curve kept(Drawn drawn, double steadiness) {
        Ink ink = new Ink("c", steadiness, drawn.zoom());
        PenStream stream = new PenStream();
        drawn.samples().forEach(sample -> stream.take(sample).ifPresent(ink::add));
        return ink.finish().curve();
    }

    private static void paint(Graphics2D graphics, Drawn drawn, Curve kept) {
        Rectangle2D box = new Rectangle2D.Double(drawn.truth()[0][0], drawn.truth()[0][1], 1, 1);
        for (double[] place : drawn.truth()) {
            box.add(place[0], place[1]);
        }
        double scale = 430 / Math.max(box.getWidth(), box.getHeight());
        graphics.translate(25, 35);
        graphics.scale(scale, scale);
        graphics.translate(-box.getX(), -box.getY());
        graphics.setStroke(new BasicStroke((float) (1 / scale)));
        Path2D.Double line = new Path2D.Double();
        line.moveTo(drawn.truth()[0][0], drawn.truth()[0][1]);
        for (double[] place : drawn.truth()) {
            line.lineTo(place[0], place[1]);
        }
        graphics.setColor(new Color(0xE2775F));
        graphics.draw(line);
        double dot = 3 / scale;
        for (PenSample sample : drawn.samples()) {
            graphics.fill(new Ellipse2D.Double(sample.x() - dot / 2, sample.y() - dot / 2, dot, dot));
        }
        graphics.setColor(Color.BLACK);
        graphics.draw(kept.path());
        for (Kinks.Kink kink : Kinks.of(kept)) {
            double size = (kink.angle() > MOST_KINK ? 10 : 4) / scale;
            graphics.draw(new Ellipse2D.Double(kink.x() - size / 2, kink.y() - size / 2, size, size));
        }
    }
}
