package chalktrace.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PictureColorTest {

    // Full-scale colours in limited range: ITU-R BT.709 and BT.601, 8 bit, from the standards' own equations.
    @ParameterizedTest
    @CsvSource({
        "BT709, 235, 128, 128, FFFFFF",
        "BT709, 16, 128, 128, 000000",
        "BT709, 63, 102, 240, FF0000",
        "BT709, 173, 42, 26, 00FF00",
        "BT709, 32, 240, 118, 0000FF",
        "BT601, 81, 90, 240, FF0000",
        "BT601, 145, 54, 34, 00FF00",
        "BT601, 41, 240, 110, 0000FF"
    })
    void standardsColoursComeOutRight(YuvMatrix matrix, int y, int u, int v, String rgb) {
        int word = flat(matrix, false, y, u, v).toArgb()[0];
        int expected = Integer.parseInt(rgb, 16);
        for (int shift = 0; shift <= 16; shift += 8) {
            assertThat(word >> shift & 255).isCloseTo(expected >> shift & 255, within(2));
        }
    }

    @Test
    void fullRangeBlackAndWhiteReachTheEnds() {
        assertThat(flat(YuvMatrix.BT601, true, 0, 128, 128).toArgb()[0]).isEqualTo(0xFF000000);
        assertThat(flat(YuvMatrix.BT601, true, 255, 128, 128).toArgb()[0]).isEqualTo(0xFFFFFFFF);
    }

    @Test
    void contrastAfterWcag() {
        // WCAG 2.2: black on white is 21:1; #767676 on white is the well-known least grey of 4.54:1.
        assertThat(new Rgb(0, 0, 0).contrast(Rgb.WHITE)).isCloseTo(21, within(0.01));
        assertThat(Rgb.parse("#767676").contrast(Rgb.WHITE)).isCloseTo(4.54, within(0.01));
    }

    private static YuvPicture flat(YuvMatrix matrix, boolean full, int y, int u, int v) {
        return new YuvPicture(plane(4, 2, y), plane(2, 1, u), plane(2, 1, v), matrix, full);
    }

    private static Plane plane(int width, int height, int value) {
        byte[] samples = new byte[width * height];
        Arrays.fill(samples, (byte) value);
        return new Plane(width, height, samples);
    }
}
