package chalktrace.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class VideoLightTest {

    /** The columns of the matrix of ITU-R BT.2087-0, annex 1: what full red, green and blue of BT.709 are in linear BT.2020. */
    @ParameterizedTest
    @CsvSource({"0.6274, 0.0691, 0.0164, FF0000", "0.3293, 0.9195, 0.0880, 00FF00", "0.0433, 0.0114, 0.8956, 0000FF"})
    void fullColoursOfTheScreenComeBack(double red, double green, double blue, String screen) {
        int shown = VideoLight.WIDE.toScreen(0xFF000000 | signal(red) << 16 | signal(green) << 8 | signal(blue));
        int wanted = Integer.parseInt(screen, 16);
        for (int shift = 0; shift <= 16; shift += 8) {
            assertThat(light(shown >> shift & 255)).isCloseTo(light(wanted >> shift & 255), within(0.01));
        }
    }

    private static double light(int part) {
        return Math.pow(part / 255.0, 2.4);
    }

    private static int signal(double light) {
        // ITU-R BT.1886.
        return (int) Math.round(255 * Math.pow(light, 1 / 2.4));
    }

    @Test
    void greysOfWideColourStay() {
        for (int grey = 0; grey <= 255; grey++) {
            int word = 0xFF000000 | grey * 0x010101;
            assertThat(VideoLight.SCREEN.toScreen(word)).isEqualTo(word);
            int shown = VideoLight.WIDE.toScreen(word);
            assertThat(shown >> 8 & 255).isCloseTo(grey, within(1));
            assertThat(shown >> 16 & 255).isCloseTo(shown & 255, within(1));
        }
    }

    /** ITU-R BT.2408-7, table 1: white of 203 cd/m2 is 58 % of the signal with PQ and 75 % with HLG; a grey card, of 26 cd/m2 then, 38 % of either. From memory. */
    @ParameterizedTest
    @CsvSource({"PQ, 0.58, 0.38", "HLG, 0.75, 0.38"})
    void whiteOfAPageIsBrightAndAGreyCardIsAsAlways(VideoLight light, double white, double card) {
        assertThat(grey(light, white)).isBetween(220, 245);
        assertThat(grey(light, card)).isCloseTo(signal(26.0 / 203), within(3));
        assertThat(grey(light, 0)).isZero();
    }

    private static int grey(VideoLight light, double signal) {
        int word = (int) Math.round(255 * signal);
        return light.toScreen(0xFF000000 | word * 0x010101) >> 8 & 255;
    }

    @ParameterizedTest
    @EnumSource
    void brighterStaysBrighter(VideoLight light) {
        int before = -1;
        for (int signal = 0; signal <= 255; signal++) {
            int shown = grey(light, signal / 255.0);
            assertThat(shown).isGreaterThanOrEqualTo(before);
            before = shown;
        }
        assertThat(before).isEqualTo(255);
    }
}
