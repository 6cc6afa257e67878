package chalktrace.benchmarks;

import chalktrace.core.edit.drawing.FillEdits;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Rgb;
import chalktrace.core.render.LineMask;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.Ink;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.stroke.StrokeCrossings;
import chalktrace.core.testing.PenStreams;
import chalktrace.core.time.FrameRate;
import java.awt.Color;
import java.awt.Graphics2D;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;

/**
 * How long a touch of the fill takes at 1080p, on drawings that change and on one that stays, how far paint comes out beyond its lines, and
 * how long cuts at crossings take. Not a benchmark of JMH: it prints a table, and the worst as a picture.
 */
public final class FillQuality {

    private static final int WIDTH = 1920;
    private static final int HEIGHT = 1080;
    private static final String LEVEL = "lines";

    private FillQuality() {}

    /** @param arguments nothing, or the picture to write the worst to */
    public static void main(String[] arguments) throws Exception {
        long seed = System.nanoTime();
        System.out.println("seed " + seed);
        SplittableRandom random = new SplittableRandom(seed);
        QualityTable worst = new QualityTable();
        List<Double> first = new ArrayList<>();
        List<Double> again = new ArrayList<>();
        List<Double> beyond = new ArrayList<>();
        for (int i = 0; i < 60; i++) {
            List<Stroke> strokes = strokes(random, 120);
            Shot shot = shot(strokes);
            for (int touch = 0; touch < 4; touch++) {
                double x = random.nextDouble(WIDTH);
                double y = random.nextDouble(HEIGHT);
                long start = System.nanoTime();
                Optional<FillEdits.Found> found = FillEdits.region(shot, LEVEL, 0, x, y, FillEdits.Reach.USUAL);
                (touch == 0 ? first : again).add((System.nanoTime() - start) / 1e6);
                if (found.isPresent()) {
                    double out = beyond(shot, x, y, found.get());
                    beyond.add(out);
                    worst.add("touch " + i, out, graphics -> paint(graphics, strokes, found.get()));
                }
            }
        }
        QualityTable.print("first touch, ms", first.subList(10, first.size()));
        QualityTable.print("next touches, ms", again.subList(30, again.size()));
        QualityTable.print("px of others' regions", beyond);
        cuts(random);
        if (arguments.length > 0) {
            worst.writeWorst(Path.of(arguments[0]));
        }
    }

    private static void cuts(SplittableRandom random) {
        List<Stroke> many = strokes(random, 1_000);
        Ink ink = new Ink("c");
        PenStreams.scribble(10_000, 1).forEach(ink::add);
        Stroke scribble = ink.finish();
        List<Double> short1000 = new ArrayList<>();
        List<Double> itself = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            long start = System.nanoTime();
            StrokeCrossings.withoutPieceAt(many.get(i), 900, 500, many);
            long middle = System.nanoTime();
            StrokeCrossings.of(scribble.curve(), List.of(scribble.curve()));
            short1000.add((middle - start) / 1e6);
            itself.add((System.nanoTime() - middle) / 1e6);
        }
        QualityTable.print("cut among 1,000, ms", short1000.subList(5, 40));
        QualityTable.print("cut in one scribble, ms", itself.subList(5, 40));
    }

    /** Free pixels that the grown region has and the one that is not grown has not. */
    private static double beyond(Shot shot, double x, double y, FillEdits.Found grown) {
        Optional<FillEdits.Found> bare =
                FillEdits.region(shot, LEVEL, 0, x, y, new FillEdits.Reach(FillEdits.Reach.USUAL.gapPx(), 0));
        var lines = LineMask.of(shot, 0, List.of(LEVEL), false);
        int count = 0;
        for (int py = 0; py < HEIGHT; py++) {
            for (int px = 0; px < WIDTH; px++) {
                count += grown.pixels().at(px, py)
                                && !lines.at(px, py)
                                && !bare.orElseThrow().pixels().at(px, py)
                        ? 1
                        : 0;
            }
        }
        return count;
    }

    private static List<Stroke> strokes(SplittableRandom random, int count) {
        List<Stroke> out = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            double x = random.nextDouble(WIDTH);
            double y = random.nextDouble(HEIGHT);
            double[] values = new double[12];
            for (int p = 0; p < 4; p++) {
                values[3 * p] = x + random.nextDouble(-130, 130) * p;
                values[3 * p + 1] = y + random.nextDouble(-130, 130) * p;
                values[3 * p + 2] = random.nextDouble(0.1, 1);
            }
            out.add(new Stroke("chalk-1", Curve.of(values)));
        }
        return out;
    }

    private static Shot shot(List<Stroke> strokes) {
        return Shot.empty("t", new ShotSetup(FrameRate.FILM, new PictureSize(WIDTH, HEIGHT), 2, 1, Rgb.WHITE))
                .withLevels(List.of(Level.empty(LEVEL, LEVEL)
                        .with(new Drawing(1, strokes))
                        .with(new Exposures(List.of(Exposure.of(0, 2, 1))))));
    }

    private static void paint(Graphics2D graphics, List<Stroke> strokes, FillEdits.Found found) {
        graphics.translate(0, 40);
        graphics.scale(0.25, 0.25);
        graphics.setColor(new Color(0xE3B04B));
        graphics.fill(found.area().path());
        graphics.setColor(Color.BLACK);
        strokes.forEach(stroke -> graphics.draw(stroke.curve().path()));
    }
}
