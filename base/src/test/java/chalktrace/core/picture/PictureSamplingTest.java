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

    /** In play colours are spread in place of samples: the same but for rounding, where all of them are colours that a screen has and change slowly. */
    @ParameterizedTest
    @CsvSource({
        "0.3, 0.7, 80, 11.25",
        "0, 0.99, 60, 3.5",
        "-2, 0.5, 140, 46.9",
        "5.5, 0.01, 64, 0.4",
        "0.25, 0.62, 90, -0.5"
    })
    void coloursThatAreSpreadAgreeWithSpreadSamples(double first, double step, int count, double row) {
        for (int[] size : new int[][] {{64, 48}, {65, 49}}) {
            for (ChromaSite site : List.of(ChromaSite.middle(1, 1), ChromaSite.left(1, 1))) {
                YuvPicture picture = mildNoise(size[0], size[1], site);
                PictureSampling hasty = new PictureSampling(first, step, count, true);
                int[] out = new int[count];
                for (double below : new double[] {row, row + step, row}) {
                    picture.argbRow(hasty, below, count, out);
                    for (int i = 0; i < count; i++) {
                        assertNear(out[i], picture.argbAt(first + i * step, below), 3);
                    }
                }
            }
        }
    }

    private static void assertNear(int word, int expected) {
        assertNear(word, expected, 2);
    }

    private static void assertNear(int word, int expected, int steps) {
        for (int shift = 0; shift <= 24; shift += 8) {
            assertThat(word >>> shift & 255).isCloseTo(expected >>> shift & 255, within(steps));
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
                plane(width, height, 1, 0, 256),
                plane(halfWidth, halfHeight, 2, 0, 256),
                plane(halfWidth, halfHeight, 3, 0, 256),
                new VideoColour(YuvMatrix.BT709, false, site, VideoLight.SCREEN));
    }

    /** Of colours that a screen has, which change from sample to sample in lightness and slowly in colour. */
    private static YuvPicture mildNoise(int width, int height, ChromaSite site) {
        int halfWidth = (width + 1) / 2;
        int halfHeight = (height + 1) / 2;
        return new YuvPicture(
                plane(width, height, 1, 80, 180),
                slopes(halfWidth, halfHeight, 110, 1, 0),
                slopes(halfWidth, halfHeight, 140, 0, -1),
                new VideoColour(YuvMatrix.BT709, false, site, VideoLight.SCREEN));
    }

    private static Plane slopes(int width, int height, int start, int across, int down) {
        byte[] samples = new byte[width * height];
        for (int i = 0; i < samples.length; i++) {
            samples[i] = (byte) (start + across * (i % width) + down * (i / width));
        }
        return new Plane(width, height, samples);
    }

    private static Plane plane(int width, int height, long seed, int low, int end) {
        byte[] samples = new byte[width * height];
        SplittableRandom random = new SplittableRandom(seed);
        for (int i = 0; i < samples.length; i++) {
            samples[i] = (byte) random.nextInt(low, end);
        }
        return new Plane(width, height, samples);
    }
}
