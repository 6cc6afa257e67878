package chalktrace.benchmarks;

import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.Ink;
import chalktrace.core.stroke.PenSample;
import chalktrace.core.stroke.PenStream;
import chalktrace.core.testing.LineDistance;
import chalktrace.core.testing.PenStreams;
import chalktrace.core.testing.PenStreams.Kind;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * How far kept lines lie from drawn ones, corners from where the hand turned, and how many segments and milliseconds that takes; for
 * strokes of eight kinds. Not a benchmark of JMH: it prints a table.
 */
public final class LineQuality {

    private LineQuality() {}

    /** @param arguments how many strokes of each kind, and the picture to write the worst to; both may be left out */
    public static void main(String[] arguments) throws Exception {
        int strokes = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 2_500;
        long seed = System.nanoTime();
        System.out.println("seed " + seed);
        QualityTable worst = new QualityTable();
        for (Kind kind : Kind.values()) {
            List<Double> away = new ArrayList<>();
            List<Double> corners = new ArrayList<>();
            List<Double> milliseconds = new ArrayList<>();
            List<Double> segments = new ArrayList<>();
            for (int i = 0; i < strokes; i++) {
                PenStreams.Drawn drawn = PenStreams.of(kind, seed + i);
                Ink ink = new Ink("c");
                PenStream stream = new PenStream();
                drawn.samples().forEach(sample -> stream.take(sample).ifPresent(ink::add));
                long start = System.nanoTime();
                Curve kept = ink.finish().curve();
                milliseconds.add((System.nanoTime() - start) / 1e6);
                segments.add((double) kept.segments());
                double distance = LineDistance.hausdorff(kept, ink.samples());
                away.add(distance);
                double[][] dense = LineDistance.dense(kept);
                drawn.corners().forEach(corner -> closest(drawn.samples(), corner)
                        .ifPresent(sample -> corners.add(LineDistance.farthest(new double[][] {sample}, dense))));
                worst.add(kind + " " + i, distance, graphics -> paint(graphics, ink.samples(), kept));
            }
            QualityTable.print(kind + " px", away);
            if (!corners.isEmpty()) {
                QualityTable.print("  corners px", corners);
            }
            QualityTable.print("  segments", segments);
            QualityTable.print("  ms", milliseconds);
        }
        long start = System.nanoTime();
        Ink ink = new Ink("c");
        PenStreams.scribble(10_000, 1).forEach(ink::add);
        ink.finish();
        System.out.printf(Locale.ROOT, "a scribble of 10,000 samples: %.0f ms%n", (System.nanoTime() - start) / 1e6);
        if (arguments.length > 1) {
            worst.writeWorst(Path.of(arguments[1]));
        }
    }

    /** The pen's own place at a corner, where it has one within half a pixel. */
    private static Optional<double[]> closest(List<PenSample> samples, double[] corner) {
        return samples.stream()
                .filter(sample -> Math.hypot(sample.x() - corner[0], sample.y() - corner[1]) < 0.5)
                .findFirst()
                .map(sample -> new double[] {sample.x(), sample.y()});
    }

    private static void paint(Graphics2D graphics, List<PenSample> drawn, Curve kept) {
        Rectangle2D box = new Rectangle2D.Double(drawn.get(0).x(), drawn.get(0).y(), 1, 1);
        drawn.forEach(sample -> box.add(sample.x(), sample.y()));
        double scale = Math.min(20, 430 / Math.max(box.getWidth(), box.getHeight()));
        graphics.translate(25, 35);
        graphics.scale(scale, scale);
        graphics.translate(-box.getX(), -box.getY());
        graphics.setStroke(new BasicStroke((float) (1 / scale)));
        Path2D.Double line = new Path2D.Double();
        line.moveTo(drawn.get(0).x(), drawn.get(0).y());
        drawn.forEach(sample -> line.lineTo(sample.x(), sample.y()));
        graphics.setColor(new Color(0xE2775F));
        graphics.draw(line);
        double dot = 2 / scale;
        drawn.forEach(
                sample -> graphics.fill(new Ellipse2D.Double(sample.x() - dot / 2, sample.y() - dot / 2, dot, dot)));
        graphics.setColor(Color.BLACK);
        graphics.draw(kept.path());
    }
}
