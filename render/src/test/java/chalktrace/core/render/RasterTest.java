package chalktrace.core.render;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Rectangle;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class RasterTest {

    private static final int WIDTH = 97;
    private static final int HEIGHT = 41;

    /** Keeping only runs of painted words must not change a pixel of what is laid. */
    @ParameterizedTest
    @ValueSource(doubles = {0, 0.02, 0.3, 0.9, 1})
    void layingRunsIsLayingEveryPixel(double painted) {
        SplittableRandom random = new SplittableRandom((long) (painted * 100));
        int[] words = new int[WIDTH * HEIGHT];
        for (int i = 0; i < words.length; i++) {
            if (random.nextDouble() < painted) {
                int alpha = random.nextInt(1, 256);
                words[i] = alpha << 24
                        | random.nextInt(alpha + 1) << 16
                        | random.nextInt(alpha + 1) << 8
                        | random.nextInt(alpha + 1);
            }
        }
        Raster raster = Raster.of(new Rectangle(-5, 7, WIDTH, HEIGHT), words, WIDTH);
        for (double opacity : new double[] {1, 0.4, 0}) {
            int[] laid = paper();
            raster.over(new PixelTile(laid, 0, 80, 3, 2, 80, 60), opacity);
            int[] expected = paper();
            int share = Blend.share(opacity);
            for (int y = 0; y < 60; y++) {
                for (int x = 0; x < 80; x++) {
                    int column = x + 3 + 5;
                    int row = y + 2 - 7;
                    if (column < WIDTH && row >= 0 && row < HEIGHT && share > 0) {
                        int word = words[row * WIDTH + column];
                        int above = share == 256 ? word : Blend.scale(word, share);
                        expected[y * 80 + x] =
                                word == 0 ? expected[y * 80 + x] : Blend.over(expected[y * 80 + x], above);
                    }
                }
            }
            assertThat(laid).isEqualTo(expected);
        }
    }

    /** One after the other, word by word, is what laying all at once must give. */
    @Property(tries = 60)
    void rastersAreMergedAsIfTheyWereLaidOneAfterTheOther(@ForAll long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        int width = random.nextInt(1, 300);
        int height = random.nextInt(1, 40);
        int[] expected = new int[width * height];
        List<Raster> all = new ArrayList<>();
        for (int n = random.nextInt(1, 6); n > 0; n--) {
            int[] words = new int[width * height];
            for (int dots = random.nextInt(1, 12); dots > 0; dots--) {
                int at = random.nextInt(words.length);
                int alpha = random.nextInt(1, 256);
                Arrays.fill(
                        words, at, Math.min(words.length, at + random.nextInt(1, 70)), alpha << 24 | alpha / 2 << 8);
            }
            all.add(Raster.of(new Rectangle(20, 30, width, height), words, width));
            for (int i = 0; i < words.length; i++) {
                expected[i] = words[i] == 0 ? expected[i] : Blend.overClear(expected[i], words[i]);
            }
        }
        assertThat(Raster.merged(all).alone(new PixelTile(new int[0], 0, width, 20, 30, width, height)))
                .isEqualTo(expected);
    }

    private static int[] paper() {
        int[] words = new int[80 * 60];
        Arrays.fill(words, 0xFFF4F1E8);
        return words;
    }
}
