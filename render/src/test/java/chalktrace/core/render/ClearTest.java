package chalktrace.core.render;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.picture.ArgbPicture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.testing.Shots;
import chalktrace.core.testing.Strokes;
import chalktrace.core.time.Conform;
import chalktrace.core.time.FrameRate;
import chalktrace.core.time.PictureTimes;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

/** What covers the paper, laid over any paper, looks as it was composed on that paper. */
class ClearTest {

    private static final PictureSize SIZE = new PictureSize(96, 54);

    /** What laying a word of 8 bits over another may be off by, for the levels that lie over each other here. */
    private static final int OFF = 3;

    @Property(tries = 60)
    void overAnyPaperItLooksAsItWasComposedThere(@ForAll long seed) {
        Random random = new Random(seed);
        Scene scene = scene(random);
        int[] clear = composer().composeClear(scene, Viewpoint.plain(SIZE.width(), SIZE.height()));
        Rgb paper = color(random);
        int[] composed = composer().composeWhole(scene.onPaper(paper));
        int worst = 0;
        for (int i = 0; i < clear.length; i++) {
            double alpha = (clear[i] >>> 24) / 255.0;
            for (int shift = 0; shift <= 16; shift += 8) {
                double over = alpha * (clear[i] >> shift & 255) + (1 - alpha) * (paper.argb() >> shift & 255);
                worst = Math.max(worst, (int) Math.abs(Math.round(over) - (composed[i] >> shift & 255)));
            }
        }
        assertThat(worst).isLessThanOrEqualTo(OFF);
    }

    @Test
    void whereNothingIsDrawnAllIsClearAndFullCoverKeepsItsColour() {
        Chalk chalk = new Chalk("chalk-1", "one", new Rgb(30, 140, 220), 20, 1);
        Shot shot = Shots.empty()
                .withChalks(List.of(chalk))
                .withLevels(List.of(level("a", 1, List.of(Strokes.line(40, 100, 240, 100)))));
        Scene scene = Scenes.of(shot, 0, SceneOptions.export(false), (clip, frame) -> Optional.empty());
        int[] clear = composer().composeClear(scene, new Viewpoint(1, 0, 0, 0, 300, 200));
        assertThat(clear[10 * 300 + 150]).isZero();
        assertThat(clear[100 * 300 + 150]).isEqualTo(chalk.color().argb());
    }

    private static FrameComposer composer() {
        return new FrameComposer(new RasterCache(1L << 22), Rgb.WHITE);
    }

    /** Chalks, levels and a reference of all opacities, over each other. */
    private static Scene scene(Random random) {
        List<Chalk> chalks = new ArrayList<>();
        for (int i = 1; i <= 3; i++) {
            chalks.add(new Chalk("chalk-" + i, "c", color(random), 1 + random.nextInt(20), random.nextDouble()));
        }
        List<Level> levels = new ArrayList<>();
        for (int l = 0; l < 2; l++) {
            List<Stroke> strokes = new ArrayList<>();
            for (int s = 0; s < 5; s++) {
                strokes.add(new Stroke(
                        "chalk-" + (1 + random.nextInt(3)),
                        Strokes.line(place(random), place(random), place(random), place(random))
                                .curve()));
            }
            levels.add(level("level-" + l, random.nextDouble(), strokes));
        }
        Shot shot = Shots.empty()
                .withSetup(new ShotSetup(FrameRate.FILM, SIZE, 10, 1, Rgb.WHITE))
                .withChalks(chalks)
                .withLevels(levels)
                .withFootage(List.of(Footage.of(
                        "footage-1", "still", "/still.png", Conform.whole(0, PictureTimes.even(FrameRate.FILM, 10)))));
        int[] words = new int[16 * 9];
        for (int i = 0; i < words.length; i++) {
            words[i] = random.nextInt();
        }
        PictureSize small = new PictureSize(16, 9);
        FootagePictures.Shown shown = new FootagePictures.Shown(new ArgbPicture(small, words), small, 0);
        return Scenes.of(shot, 0, SceneOptions.export(random.nextBoolean()), (clip, frame) -> Optional.of(shown));
    }

    private static double place(Random random) {
        return random.nextDouble() * 100;
    }

    private static Level level(String id, double opacity, List<Stroke> strokes) {
        return Level.empty(id, id)
                .with(Drawing.empty(1).withStrokes(strokes))
                .with(Exposures.of(Exposure.of(0, 10, 1)))
                .withOpacity(opacity);
    }

    private static Rgb color(Random random) {
        return new Rgb(random.nextInt(256), random.nextInt(256), random.nextInt(256));
    }
}
