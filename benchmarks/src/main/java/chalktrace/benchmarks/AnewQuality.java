package chalktrace.benchmarks;

import chalktrace.core.between.InBetween;
import chalktrace.core.between.StrokeMatching;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.testing.DrawnAnew;
import chalktrace.core.testing.DrawnAnew.Kind;
import chalktrace.core.testing.DrawnAnew.Pose;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/**
 * How many strokes of figures find themselves when each pose is drawn anew: missed, wrong, exchanged left for right, and drafts whose
 * strokes fly beyond both keys. Not a benchmark of JMH: it prints a table.
 */
public final class AnewQuality {

    private static final int FIGURES = 5;
    private static final int POSES = 12;

    private AnewQuality() {}

    /** @param arguments nothing, or the picture to write the worst to, and a seed */
    public static void main(String[] arguments) throws Exception {
        long seed = arguments.length > 1 ? Long.parseLong(arguments[1]) : System.nanoTime();
        System.out.println("seed " + seed);
        QualityTable worst = new QualityTable();
        for (double degrees : new double[] {15, 30}) {
            int[] all = new int[6];
            List<Double> flown = new ArrayList<>();
            for (Kind kind : Kind.values()) {
                int[] sum = new int[6];
                for (int f = 0; f < FIGURES; f++) {
                    List<Pose> poses = DrawnAnew.poses(kind, seed + f, POSES, degrees);
                    for (int p = 0; p + 1 < POSES; p++) {
                        int[] counted = score(poses.get(p), poses.get(p + 1));
                        flown.add((double) Math.max(0, counted[4]));
                        for (int k = 0; k < sum.length; k++) {
                            sum[k] += counted[k];
                            all[k] += counted[k];
                        }
                        Pose a = poses.get(p);
                        Pose b = poses.get(p + 1);
                        worst.add(
                                kind + " " + degrees + " " + f + "." + p,
                                counted[1] + counted[2] + 0.01 * counted[4],
                                graphics -> paint(graphics, a, b));
                    }
                }
                print(kind + " by up to " + degrees, sum);
            }
            print("all by up to " + degrees, all);
            QualityTable.print("  flies out of both keys, px", flown);
        }
        if (arguments.length > 0) {
            worst.writeWorst(Path.of(arguments[0]));
        }
    }

    /** Strokes that are in both, of these missed, paired wrong, exchanged; how far a draft flies out; wrong or exchanged and not called unsure. */
    private static int[] score(Pose a, Pose b) {
        InBetween between = InBetween.of(a.strokes(), b.strokes());
        StrokeMatching.Matched matched = between.matched();
        Set<String> there = new HashSet<>();
        b.features().forEach(there::addAll);
        int in = 0;
        Set<Integer> right = new HashSet<>();
        int wrong = 0;
        int exchanged = 0;
        int untold = 0;
        for (StrokeMatching.Pair pair : matched.pairs()) {
            Set<String> mine = a.features().get(pair.of());
            Set<String> theirs = b.features().get(pair.with());
            if (mine.stream().anyMatch(theirs::contains)) {
                right.add(pair.of());
            } else if (mine.stream().anyMatch(feature -> theirs.contains(DrawnAnew.mirrored(feature)))) {
                exchanged++;
                untold += matched.unsure().contains(pair.of()) ? 0 : 1;
            } else {
                wrong++;
                untold += matched.unsure().contains(pair.of()) ? 0 : 1;
            }
        }
        for (int i = 0; i < a.strokes().size(); i++) {
            in += a.features().get(i).stream().anyMatch(there::contains) ? 1 : 0;
        }
        int paired = (int) matched.pairs().stream()
                .filter(pair -> a.features().get(pair.of()).stream().anyMatch(there::contains))
                .count();
        return new int[] {in, in - paired, wrong, exchanged, (int) flies(a, b, between), untold};
    }

    /** How far the strokes of a draft half way lie outside of what both keys span, in px. */
    private static double flies(Pose a, Pose b, InBetween between) {
        var box = bounds(a.strokes());
        box.add(bounds(b.strokes()));
        var draft = bounds(between.at(0.5).strokes());
        return Math.max(
                Math.max(box.getMinX() - draft.getMinX(), draft.getMaxX() - box.getMaxX()),
                Math.max(box.getMinY() - draft.getMinY(), draft.getMaxY() - box.getMaxY()));
    }

    private static java.awt.geom.Rectangle2D bounds(List<Stroke> strokes) {
        java.awt.geom.Rectangle2D out = null;
        for (Stroke stroke : strokes) {
            var box = stroke.curve().path().getBounds2D();
            if (out == null) {
                out = box;
            } else {
                out.add(box);
            }
        }
        return out;
    }

    private static void print(String name, int[] sum) {
        System.out.printf(
                Locale.ROOT,
                "%-26s strokes %5d   missed %5.1f %%   wrong %4.1f %%   exchanged %4.1f %%   of both not called unsure %4.1f %%%n",
                name,
                sum[0],
                100.0 * sum[1] / sum[0],
                100.0 * sum[2] / sum[0],
                100.0 * sum[3] / sum[0],
                100.0 * sum[5] / sum[0]);
    }

    private static void paint(Graphics2D graphics, Pose a, Pose b) {
        graphics.scale(0.7, 0.7);
        graphics.translate(-180, -60);
        InBetween between = InBetween.of(a.strokes(), b.strokes());
        draw(graphics, a.strokes(), new Color(0x2FA198), 1.2f);
        draw(graphics, b.strokes(), new Color(0xA45BB0), 1.2f);
        draw(graphics, between.at(0.5).strokes(), Color.BLACK, 2f);
        draw(graphics, between.at(0.5).alone(), new Color(0xE2775F), 2f);
    }

    private static void draw(Graphics2D graphics, List<Stroke> strokes, Color color, float width) {
        graphics.setColor(color);
        graphics.setStroke(new BasicStroke(width));
        strokes.forEach(stroke -> graphics.draw(stroke.curve().path()));
    }
}
