package chalktrace.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PictureSamplingTest {

    /** The fast ways through whole rows give what sampling one place at a time gives. */
    @ParameterizedTest
    @CsvSource({
        "0, 1, 64, 0",
        "1, 1, 63, 5",
        "2, 1, 17, 46",
        "31, 1, 33, 47",
        "0, 1, 1, 3",
        "0.3, 0.7, 80, 11.25",
        "0, 2.3, 27, 30.5",
        "5.5, 0.01, 64, 0.4"
    })
    void rowsAgreeWithSinglePlaces(double first, double step, int count, double row) {
        for (int[] size : new int[][] {{64, 48}, {65, 49}}) {
            YuvPicture picture = noise(size[0], size[1]);
            int[] out = new int[count];
            picture.argbRow(new PictureSampling(first, step, count), row, count, out);
            for (int i = 0; i < count; i++) {
                int expected = picture.argbAt(first + i * step, row);
                for (int shift = 0; shift <= 24; shift += 8) {
                    assertThat(out[i] >>> shift & 255).isCloseTo(expected >>> shift & 255, within(2));
                }
            }
        }
    }

    private static YuvPicture noise(int width, int height) {
        int halfWidth = (width + 1) / 2;
        int halfHeight = (height + 1) / 2;
        return new YuvPicture(
                plane(width, height, 1),
                plane(halfWidth, halfHeight, 2),
                plane(halfWidth, halfHeight, 3),
                YuvMatrix.BT709,
                false);
    }

    private static Plane plane(int width, int height, long seed) {
        byte[] samples = new byte[width * height];
        new SplittableRandom(seed).nextBytes(samples);
        return new Plane(width, height, samples);
    }
}
