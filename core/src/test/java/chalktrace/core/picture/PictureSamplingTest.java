package chalktrace.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

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
            assertAgrees(noise(size[0], size[1], ChromaSite.middle(1, 1)), first, step, count, row);
            assertAgrees(noise(size[0], size[1], ChromaSite.left(1, 1)), first, step, count, row);
        }
    }

    private static void assertAgrees(YuvPicture picture, double first, double step, int count, double row) {
        int[] out = new int[count];
        picture.argbRow(new PictureSampling(first, step, count), row, count, out);
        for (int i = 0; i < count; i++) {
            assertNear(out[i], picture.argbAt(first + i * step, row));
        }
    }

    private static void assertNear(int word, int expected) {
        for (int shift = 0; shift <= 24; shift += 8) {
            assertThat(word >>> shift & 255).isCloseTo(expected >>> shift & 255, within(2));
        }
    }

    /** What is kept from row to row must be that of the row, whichever come after each other, in pictures that are spread or squeezed. */
    @ParameterizedTest
    @ValueSource(doubles = {0.4, 0.9, 1.3})
    void rowsOfOneSamplingAgreeInAnyOrder(double step) {
        YuvPicture picture = noise(40, 30, ChromaSite.left(1, 1));
        int count = (int) (38 / step);
        PictureSampling sampling = new PictureSampling(0.3, step, count);
        SplittableRandom random = new SplittableRandom(3);
        int[] out = new int[count];
        for (int n = 0; n < 60; n++) {
            double row = n < 30 ? n * step : random.nextDouble(0, 29);
            picture.argbRow(sampling, row, count, out);
            for (int i = 0; i < count; i++) {
                assertNear(out[i], picture.argbAt(0.3 + i * step, row));
            }
        }
    }

    /** A colour that grows evenly from left to right, stored where the standard puts its samples, is read as even again. */
    @ParameterizedTest
    @CsvSource({"0, 0", "0.5, 0.5", "0, 0.5", "0.5, 1"})
    void chromaIsReadWhereItLies(double x, double y) {
        int width = 64;
        byte[] across = new byte[width * width / 4];
        byte[] down = new byte[width * width / 4];
        for (int i = 0; i < across.length; i++) {
            across[i] = slope(x + 2 * (i % (width / 2)));
            down[i] = slope(y + 2 * (i / (width / 2)));
        }
        byte[] grey = new byte[width * width];
        Arrays.fill(grey, (byte) 128);
        YuvPicture picture = new YuvPicture(
                new Plane(width, width, grey),
                new Plane(width / 2, width / 2, across),
                new Plane(width / 2, width / 2, down),
                new VideoColour(YuvMatrix.BT709, true, new ChromaSite(x, y), VideoLight.SCREEN));
        for (int at = 23; at < 42; at++) {
            // Blue and red differences: 1.8556 and 1.5748 of ITU-R BT.709, item 3.4 (full range).
            double blue = 128 + 1.8556 * 6 * (at - 32);
            double red = 128 + 1.5748 * 6 * (at - 32);
            for (Picture seen : List.of(picture, picture.half())) {
                double place = seen == picture ? at : (at - 0.5) / 2;
                assertThat((double) (seen.argbAt(place, 16) & 255)).isCloseTo(blue, within(2.2));
                assertThat((double) (seen.argbAt(16, place) >> 16 & 255)).isCloseTo(red, within(2.2));
            }
        }
    }

    /** Six of 255 a sample of luma, in the middle of the values at 32. */
    private static byte slope(double at) {
        return (byte) Math.round(Math.max(0, Math.min(255, 128 + 6 * (at - 32))));
    }

    private static YuvPicture noise(int width, int height, ChromaSite site) {
        int halfWidth = (width + 1) / 2;
        int halfHeight = (height + 1) / 2;
        return new YuvPicture(
                plane(width, height, 1),
                plane(halfWidth, halfHeight, 2),
                plane(halfWidth, halfHeight, 3),
                new VideoColour(YuvMatrix.BT709, false, site, VideoLight.SCREEN));
    }

    private static Plane plane(int width, int height, long seed) {
        byte[] samples = new byte[width * height];
        new SplittableRandom(seed).nextBytes(samples);
        return new Plane(width, height, samples);
    }
}
