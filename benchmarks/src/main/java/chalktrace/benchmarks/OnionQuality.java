package chalktrace.benchmarks;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Pixels;
import chalktrace.core.picture.Rgb;
import chalktrace.core.render.FrameComposer;
import chalktrace.core.render.OnionSkin;
import chalktrace.core.render.RasterCache;
import chalktrace.core.render.Scene;
import chalktrace.core.render.SceneOptions;
import chalktrace.core.render.Scenes;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.PastedPicture;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.testing.Grounds;
import chalktrace.core.time.FrameRate;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;

/**
 * How much the lines of neighbours stand out (contrast after WCAG 2.2) over papers and photos at the usual settings. Not a benchmark of
 * JMH: it prints a table, and the worst as a picture.
 */
public final class OnionQuality {

    private static final int WIDTH = 480;
    private static final int HEIGHT = 430;
    private static final int ROUNDS = 12;

    private OnionQuality() {}

    /** @param arguments nothing, or the picture to write the worst to */
    public static void main(String[] arguments) throws Exception {
        long seed = Long.getLong("chalktrace.seed", System.nanoTime());
        System.out.println("seed " + seed + "; contrast along the lines, 1 is unseen");
        QualityTable worst = new QualityTable();
        for (Grounds ground : Grounds.values()) {
            for (int neighbour : new int[] {-2, -1, 1, 2}) {
                List<Double> contrasts = new ArrayList<>();
                for (int round = 0; round < ROUNDS; round++) {
                    measure(ground, neighbour, seed + round, contrasts, worst);
                }
                QualityTable.print(ground + " " + neighbour, contrasts);
                List<Double> sorted = contrasts.stream().sorted().toList();
                System.out.printf("%32s10th percentile %.2f%n", "", sorted.get(sorted.size() / 10));
            }
        }
        if (arguments.length > 0) {
            worst.writeWorst(Path.of(arguments[0]));
        }
    }

    private static void measure(Grounds ground, int neighbour, long seed, List<Double> contrasts, QualityTable worst) {
        SplittableRandom random = new SplittableRandom(seed);
        int[] below = ground.words(WIDTH, HEIGHT, seed);
        Shot empty = Shot.empty("t", new ShotSetup(FrameRate.FILM, new PictureSize(WIDTH, HEIGHT), 5, 1, Rgb.WHITE));
        String chalk = empty.chalks().get(0).id();
        double[] values = new double[12];
        for (int i = 0; i < 12; i++) {
            values[i] = i % 3 == 2 ? 0.8 : random.nextDouble(30, i % 3 == 0 ? WIDTH - 30 : HEIGHT - 30);
        }
        Curve curve = Curve.of(values);
        Level back = Level.empty("back", "back")
                .with(new Drawing(
                        1,
                        List.of(),
                        List.of(),
                        List.of(PastedPicture.at(new Pixels(new PictureSize(WIDTH, HEIGHT), below), 0, 0, 1))))
                .with(new Exposures(List.of(Exposure.of(0, 5, 1))));
        List<Exposure> runs = new ArrayList<>();
        Level lines = Level.empty("lines", "lines");
        for (int frame = 0; frame < 5; frame++) {
            boolean shown = frame == 2 + neighbour;
            lines = lines.with(new Drawing(
                    frame + 1, List.of(shown ? new Stroke(chalk, curve) : Stroke.straight(chalk, -9, -9, -8, -9, 1))));
            runs.add(Exposure.of(frame, 1, frame + 1));
        }
        Shot shot = empty.withLevels(List.of(lines.with(new Exposures(runs)), back));
        OnionSkin skin = OnionSkin.usual("lines").withCounts(2, 2);
        int[] bare = composed(shot, Optional.empty());
        int[] seen = composed(shot, Optional.of(skin));
        double least = 21;
        for (double t = 0; t <= 1; t += 0.004) {
            int at = (int) curve.at(0, t, 1) * WIDTH + (int) curve.at(0, t, 0);
            if (seen[at] != bare[at]) {
                double contrast = rgb(seen[at]).contrast(around(bare, at));
                contrasts.add(contrast);
                least = Math.min(least, contrast);
            }
        }
        worst.add(ground + " " + neighbour, -least, graphics -> paint(graphics, seen));
    }

    private static int[] composed(Shot shot, Optional<OnionSkin> skin) {
        Scene scene = Scenes.of(
                shot,
                2,
                new SceneOptions(false, skin, Optional.empty(), Optional.empty()),
                (footage, frame) -> Optional.empty());
        return new FrameComposer(new RasterCache(1 << 24), Rgb.WHITE).composeWhole(scene);
    }

    private static Rgb around(int[] words, int at) {
        int[] sum = new int[3];
        for (int dy = -4; dy <= 4; dy++) {
            for (int dx = -4; dx <= 4; dx++) {
                int word = words[Math.max(0, Math.min(words.length - 1, at + dy * WIDTH + dx))];
                for (int part = 0; part < 3; part++) {
                    sum[part] += word >> 16 - 8 * part & 255;
                }
            }
        }
        return new Rgb(sum[0] / 81, sum[1] / 81, sum[2] / 81);
    }

    private static Rgb rgb(int word) {
        return Rgb.of(word);
    }

    private static void paint(Graphics2D graphics, int[] words) {
        BufferedImage image = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
        image.setRGB(0, 0, WIDTH, HEIGHT, words, 0, WIDTH);
        graphics.drawImage(image, 0, 30, null);
    }
}
