package chalktrace.benchmarks;

import chalktrace.core.between.InBetween;
import chalktrace.core.between.StrokeMatching;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.testing.Figures;
import chalktrace.core.testing.Figures.Build;
import chalktrace.core.testing.Figures.Poses;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/**
 * How many strokes of jointed figures find themselves in another pose, and what a draft half way costs. Not a benchmark of JMH: it
 * prints a table.
 */
public final class BetweenQuality {

    private static final int FIGURES = 34;

    private BetweenQuality() {}

    /** @param arguments nothing, or the picture to write the worst to */
    public static void main(String[] arguments) throws Exception {
        long seed = System.nanoTime();
        System.out.println("seed " + seed + "; shares missed and wrong");
        QualityTable worst = new QualityTable();
        for (double degrees : new double[] {10, 20, 30, 45, 60, 90}) {
            List<Double> missed = new ArrayList<>();
            for (Build build : Build.values()) {
                for (int i = 0; i < FIGURES; i++) {
                    missed.add(1 - score(Figures.oneLimb(build, seed + i, degrees))[0]);
                }
            }
            QualityTable.print("one limb by " + degrees, missed);
        }
        List<Double> milliseconds = new ArrayList<>();
        for (double degrees : new double[] {15, 30, 60}) {
            for (Build build : Build.values()) {
                List<Double> missed = new ArrayList<>();
                List<Double> wrong = new ArrayList<>();
                for (int i = 0; i < FIGURES; i++) {
                    Poses poses = Figures.wholePose(build, seed + i, degrees, 0.1);
                    long start = System.nanoTime();
                    InBetween between = InBetween.of(poses.first(), poses.second());
                    between.at(0.5);
                    milliseconds.add((System.nanoTime() - start) / 1e6);
                    double[] score = score(poses);
                    missed.add(1 - score[0]);
                    wrong.add(score[1]);
                    worst.add(
                            build + " " + degrees + " " + i, 1 - score[0], graphics -> paint(graphics, poses, between));
                }
                QualityTable.print(build + " by up to " + degrees + " missed", missed);
                QualityTable.print("  wrong", wrong);
            }
        }
        QualityTable.print("pair and draft, ms", milliseconds);
        if (arguments.length > 0) {
            worst.writeWorst(Path.of(arguments[0]));
        }
    }

    /** Shares of the strokes that are in both: paired right, paired wrong. */
    private static double[] score(Poses poses) {
        StrokeMatching.Matched matched = StrokeMatching.match(poses.first(), poses.second());
        long kept = 0;
        for (int i = 0; i < poses.first().size(); i++) {
            kept += poses.isKept(i) ? 1 : 0;
        }
        long right = matched.pairs().stream()
                .filter(pair -> poses.truth().get(pair.with()) == pair.of())
                .count();
        return new double[] {right / (double) kept, (matched.pairs().size() - right) / (double) kept};
    }

    private static void paint(Graphics2D graphics, Poses poses, InBetween between) {
        graphics.scale(0.62, 0.62);
        graphics.translate(-110, 60);
        draw(graphics, poses.first(), new Color(0x2FA198), 1.2f);
        draw(graphics, poses.second(), new Color(0xA45BB0), 1.2f);
        draw(graphics, between.at(0.5).strokes(), Color.BLACK, 2.5f);
        draw(graphics, between.at(0.5).added(), new Color(0xE2775F), 2.5f);
    }

    private static void draw(Graphics2D graphics, List<Stroke> strokes, Color color, float width) {
        graphics.setColor(color);
        graphics.setStroke(new BasicStroke(width));
        strokes.forEach(stroke -> graphics.draw(stroke.curve().path()));
    }
}
