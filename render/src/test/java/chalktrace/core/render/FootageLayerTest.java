package chalktrace.core.render;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.picture.ArgbPicture;
import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Plane;
import chalktrace.core.picture.Rgb;
import chalktrace.core.picture.YuvMatrix;
import chalktrace.core.picture.YuvPicture;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Placement;
import chalktrace.core.testing.Shots;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

class FootageLayerTest {

    /** Footage of all kinds, placed anyhow, over other footage: as where a drawing lies under it, even an empty one, and each is painted. */
    @Property(tries = 300)
    void footageThatHidesWhatLiesUnderItLooksAsIfAllWerePainted(@ForAll long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        PictureSize size = new PictureSize(64, 36);
        List<SceneLayer> layers = new ArrayList<>(List.of(new PaperLayer(new Rgb(250, 250, 240))));
        IntStream.range(0, 3).forEach(i -> layers.add(footage(random)));
        Viewpoint view = new Viewpoint(
                random.nextBoolean() ? 1 : random.nextDouble(0.3, 4),
                random.nextInt(4) == 0 ? random.nextDouble(-180, 180) : 0,
                random.nextBoolean(),
                random.nextDouble(-20, 20),
                random.nextDouble(-20, 20),
                64,
                36);
        PixelTile hidden = new PixelTile(new int[16 * 16], 0, 16, random.nextInt(48), random.nextInt(20), 16, 16);
        PixelTile all = new PixelTile(new int[16 * 16], 0, 16, hidden.x(), hidden.y(), 16, 16);
        FrameComposer composer = new FrameComposer(new RasterCache(1 << 20), new Rgb(10, 20, 30));
        composer.compose(new Scene(size, layers), view, hidden);
        layers.add(
                1,
                new DrawingLayer(new Drawing(1, List.of()), Shots.empty().chalks(), InkLook.CHALK, Placement.AS_IS, 1));
        composer.compose(new Scene(size, layers), view, all);
        assertThat(hidden.pixels()).isEqualTo(all.pixels());
    }

    private static FootageLayer footage(SplittableRandom random) {
        Picture picture = random.nextBoolean() ? halfClear(random) : opaque(random);
        return new FootageLayer(
                new FootagePictures.Shown(picture, new PictureSize(16, 9), 90 * random.nextInt(4)),
                new Placement(
                        random.nextInt(-3, 4),
                        random.nextInt(-3, 4),
                        random.nextBoolean() ? 1 : random.nextDouble(0.2, 3),
                        random.nextInt(3) == 0 ? random.nextDouble(-180, 180) : 0,
                        random.nextBoolean() ? 1 : random.nextDouble()),
                Footage.Look.AS_IS,
                random.nextBoolean());
    }

    private static Picture halfClear(SplittableRandom random) {
        int[] words = new int[16 * 9];
        Arrays.setAll(words, i -> 0x80000000 | random.nextInt(0x1000000));
        return new ArgbPicture(new PictureSize(16, 9), words);
    }

    private static Picture opaque(SplittableRandom random) {
        byte[] luma = new byte[16 * 9];
        byte[] chroma = new byte[8 * 5];
        random.nextBytes(luma);
        random.nextBytes(chroma);
        return new YuvPicture(
                new Plane(16, 9, luma), new Plane(8, 5, chroma), new Plane(8, 5, chroma), YuvMatrix.BT709, true);
    }
}
