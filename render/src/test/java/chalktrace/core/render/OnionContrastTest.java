package chalktrace.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.picture.ArgbPicture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Placement;
import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.testing.ColorDifference;
import chalktrace.core.testing.Grounds;
import chalktrace.core.testing.Shots;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Onion skins can be seen over any ground. Contrast is that of WCAG 2.2. */
class OnionContrastTest {

    private static final int WIDTH = 640;
    private static final int HEIGHT = 360;
    private static final PictureSize SIZE = new PictureSize(WIDTH, HEIGHT);

    /** Contrasts along the middle of a neighbour's line, sorted, and the words that it shows. */
    private record Seen(double[] contrasts, List<Rgb> colors) {

        double at(double share) {
            return contrasts[(int) (share * (contrasts.length - 1))];
        }
    }

    private static Seen seen(Grounds ground, boolean later, double strength) {
        return seen(ground.words(WIDTH, HEIGHT, 5), later, strength);
    }

    private static Seen seen(int[] below, boolean later, double strength) {
        int[] words = below.clone();
        Curve curve = Curve.of(40, 180, 0.8, 200, -60, 0.8, 420, 420, 0.8, 600, 170, 0.8);
        Drawing drawing =
                new Drawing(1, List.of(new Stroke(Shots.empty().chalks().get(0).id(), curve)));
        OnionSkin skin = OnionSkin.usual(Shots.LEVEL);
        DrawingLayer lines = new DrawingLayer(drawing, Shots.empty().chalks(), skin.look(later), Placement.AS_IS, 1);
        Viewpoint view = Viewpoint.plain(WIDTH, HEIGHT);
        Surface surface = new Surface(SIZE, view, new RasterCache(1 << 24), Haste.NONE);
        OnionGround under = new OnionGround(List.of(new FootageLayer(
                new FootagePictures.Shown(new ArgbPicture(SIZE, below), SIZE, 0),
                Placement.AS_IS,
                Footage.Look.AS_IS,
                false)));
        new OnionLayer(
                        List.of(skin.shown(
                                new OnionSkin.Neighbour(Exposure.of(0, 1, 1), later, strength, Placement.AS_IS),
                                lines)),
                        under)
                .paint(surface, PixelTile.whole(words, WIDTH, HEIGHT));
        List<Double> contrasts = new ArrayList<>();
        List<Rgb> colors = new ArrayList<>();
        int[] mask = lines.alone(surface, PixelTile.whole(new int[WIDTH * HEIGHT], WIDTH, HEIGHT));
        for (double t = 0; t <= 1; t += 0.002) {
            int at = (int) curve.at(0, t, 1) * WIDTH + (int) curve.at(0, t, 0);
            if (mask[at] >>> 24 > 200) {
                contrasts.add(rgb(words[at]).contrast(around(below, at)));
                colors.add(rgb(words[at]));
            }
        }
        return new Seen(contrasts.stream().mapToDouble(c -> c).sorted().toArray(), colors);
    }

    /** What lies about a place, nine pixels square: a line is seen against that. */
    private static Rgb around(int[] words, int at) {
        int[] sum = new int[3];
        for (int dy = -4; dy <= 4; dy++) {
            for (int dx = -4; dx <= 4; dx++) {
                int word = words[Math.max(0, Math.min(words.length - 1, at + dy * WIDTH + dx))];
                sum[0] += word >> 16 & 255;
                sum[1] += word >> 8 & 255;
                sum[2] += word & 255;
            }
        }
        return new Rgb(sum[0] / 81, sum[1] / 81, sum[2] / 81);
    }

    private static Rgb rgb(int word) {
        return Rgb.of(word);
    }

    @ParameterizedTest
    @EnumSource(Grounds.class)
    void neighboursStandOutAtTheUsualSettings(Grounds ground) {
        OnionSkin usual = OnionSkin.usual(Shots.LEVEL);
        for (boolean later : new boolean[] {false, true}) {
            Seen nearest = seen(ground, later, usual.strength());
            assertThat(nearest.at(0.5)).as("nearest, median").isGreaterThanOrEqualTo(3);
            assertThat(nearest.at(0.1)).as("nearest, 10th percentile").isGreaterThanOrEqualTo(2);
            Seen farthest = seen(ground, later, usual.strength() * usual.falloff());
            assertThat(farthest.at(0.5)).as("farthest, median").isGreaterThanOrEqualTo(1.8);
            assertThat(farthest.at(0.1)).as("farthest, 10th percentile").isGreaterThanOrEqualTo(1.4);
        }
    }

    @ParameterizedTest
    @ValueSource(booleans = {false, true})
    void whereLightMeetsDarkALineIsLostOnNeitherSide(boolean later) {
        double strength = OnionSkin.usual(Shots.LEVEL).strength();
        for (long seed = 1; seed <= 12; seed++) {
            Seen nearest = seen(Grounds.STRIPES.words(WIDTH, HEIGHT, seed), later, strength);
            assertThat(nearest.at(0.02)).as("of seed %d", seed).isGreaterThan(1.6);
            assertThat(nearest.at(0.1)).as("of seed %d", seed).isGreaterThan(2.9);
        }
    }

    @ParameterizedTest
    @ValueSource(booleans = {false, true})
    void overGroundOfSoftLightALineChangesByAndByAndNotFromWhiteToBlack(boolean later) {
        int[] below = new int[WIDTH * HEIGHT];
        for (int i = 0; i < below.length; i++) {
            int grey = (int) (105 + 45 * Math.sin(i % WIDTH / 20.0));
            below[i] = 0xFF000000 | 0x10101 * grey;
        }
        List<Rgb> colors =
                seen(below, later, OnionSkin.usual(Shots.LEVEL).strength()).colors();
        // A later one's line is broken, so that its next place may be far off.
        for (int i = 1; i < colors.size(); i++) {
            Rgb color = colors.get(i);
            assertThat(color.luminance()).as("place %d", i).isGreaterThan(0.15);
            assertThat(Math.abs(color.luminance() - colors.get(i - 1).luminance()))
                    .as("place %d", i)
                    .isLessThan(later ? 1 : 0.07);
        }
    }

    @ParameterizedTest
    @ValueSource(booleans = {false, true})
    void onEvenGroundALineHasOneTone(boolean later) {
        int[] below = Grounds.MID_GREY.words(WIDTH, HEIGHT, 1);
        Seen line = seen(below, later, OnionSkin.usual(Shots.LEVEL).strength());
        assertThat(line.at(1) - line.at(0)).isLessThan(0.1);
    }

    @ParameterizedTest
    @EnumSource(Grounds.class)
    void theStrengthDialReachesNearlyInvisible(Grounds ground) {
        assertThat(seen(ground, false, 0.02).at(0.5)).isLessThan(ground == Grounds.STRIPES ? 1.8 : 1.3);
    }

    @ParameterizedTest
    @EnumSource(
            value = Grounds.class,
            names = {"WHITE_PAPER", "MID_GREY", "DARK_PHOTO", "BRIGHT_PHOTO"})
    void earlierAndLaterDifferAlsoForTheColourBlind(Grounds ground) {
        List<Rgb> earlier = seen(ground, false, 0.6).colors();
        List<Rgb> later = seen(ground, true, 0.6).colors();
        for (ColorDifference.Sight sight : ColorDifference.Sight.values()) {
            double[] differences = new double[Math.min(earlier.size(), later.size())];
            for (int i = 0; i < differences.length; i++) {
                Rgb a = earlier.get(i * earlier.size() / differences.length);
                Rgb b = later.get(i * later.size() / differences.length);
                differences[i] = ColorDifference.of(a, b, sight);
            }
            Arrays.sort(differences);
            assertThat(differences[differences.length / 2]).as("%s", sight).isGreaterThanOrEqualTo(15);
        }
    }

    @Test
    void theDifferenceOfColoursIsThePublishedOne() {
        // Pairs 1, 17 and 25 of Sharma, Wu, Dalal 2005 (from memory).
        assertThat(ColorDifference.ofLab(new double[] {50, 2.6772, -79.7751}, new double[] {50, 0, -82.7485}))
                .isCloseTo(2.0425, within(1e-4));
        assertThat(ColorDifference.ofLab(new double[] {50, 2.5, 0}, new double[] {73, 25, -18}))
                .isCloseTo(27.1492, within(1e-4));
        assertThat(ColorDifference.ofLab(
                        new double[] {60.2574, -34.0099, 36.2677}, new double[] {60.4626, -34.1751, 39.4387}))
                .isCloseTo(1.2644, within(1e-4));
    }
}
