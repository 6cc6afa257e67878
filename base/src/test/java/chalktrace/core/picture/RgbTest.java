package chalktrace.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class RgbTest {

    @Test
    void luminanceFollowsTheTransferCurveOfTheStandard() {
        // IEC 61966-2-1: half the code value is linear 0.2140, a tenth (26 of 255) 0.0103; weights 0.2126, 0.7152,
        // 0.0722.
        assertThat(new Rgb(128, 128, 128).luminance()).isCloseTo(0.2159, within(1e-4));
        assertThat(new Rgb(26, 26, 26).luminance()).isCloseTo(0.0103, within(1e-4));
        assertThat(new Rgb(10, 10, 10).luminance())
                .as("the straight part near black")
                .isCloseTo(10 / 255.0 / 12.92, within(1e-6));
        assertThat(new Rgb(255, 0, 0).luminance()).isCloseTo(0.2126, within(1e-4));
        assertThat(new Rgb(0, 255, 0).luminance()).isCloseTo(0.7152, within(1e-4));
        assertThat(new Rgb(0, 0, 255).luminance()).isCloseTo(0.0722, within(1e-4));
    }

    @Test
    void contrastIsThatOfTheAccessibilityGuidelines() {
        assertThat(new Rgb(0, 0, 0).contrast(Rgb.WHITE)).isCloseTo(21, within(1e-9));
        // #767676 is known as the lightest grey that passes 4.5 to 1 on white (WCAG techniques; from memory).
        assertThat(Rgb.parse("#767676").contrast(Rgb.WHITE)).isGreaterThanOrEqualTo(4.5);
        assertThat(Rgb.parse("#777777").contrast(Rgb.WHITE)).isLessThan(4.5);
    }
}
