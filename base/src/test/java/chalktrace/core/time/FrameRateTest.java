package chalktrace.core.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class FrameRateTest {

    // Arithmetic: frame = seconds x rate (common practice), rounded for events, cut off for what is showing.
    @ParameterizedTest
    @CsvSource({"24, 0.38, 9, 9", "24, 4.0, 96, 96", "12, 4.970, 60, 59", "24, 3.875, 93, 93", "24, 4.125, 99, 99"})
    void nearestFrameAndShowingFrame(int rate, double seconds, int nearest, int showing) {
        assertThat(FrameRate.of(rate).nearestFrame(seconds)).isEqualTo(nearest);
        assertThat(FrameRate.of(rate).frameAt(seconds)).isEqualTo(showing);
    }

    @Test
    void aFrameShowsFromItsOwnStartAtEveryRate() {
        for (FrameRate rate : new FrameRate[] {FrameRate.FILM, FrameRate.NTSC, new FrameRate(24000, 1001)}) {
            for (int frame = 0; frame < 200_000; frame += 7) {
                assertThat(rate.frameAt(rate.seconds(frame))).isEqualTo(frame);
                assertThat(rate.nearestFrame(rate.seconds(frame))).isEqualTo(frame);
            }
        }
    }

    // Common practice: twos at the rates of film and television, where 12 to 15 drawings a second are drawn; so many at
    // others too.
    @ParameterizedTest
    @CsvSource({"12, 1", "15, 1", "24000/1001, 2", "24, 2", "25, 2", "30, 2", "36, 3", "48000/1001, 4", "50, 4", "60, 4"
    })
    void aDrawingIsUsuallyHeld(String rate, int frames) {
        assertThat(FrameRate.parse(rate).usualHold()).isEqualTo(frames);
    }

    // The rates of SMPTE ST 2036 and of film, and halves of them; from memory.
    @ParameterizedTest
    @CsvSource({
        "29.966, 30000/1001",
        "30.02, 30",
        "23.98, 24000/1001",
        "24.1, 24",
        "25, 25",
        "14.99, 15",
        "59.94, 60000/1001",
        "60.4, 60"
    })
    void aRateThatIsNearlyUsualIsTakenForIt(String rate, String usual) {
        assertThat(FrameRate.parse(rate).usual()).contains(FrameRate.parse(usual));
    }

    @ParameterizedTest
    @ValueSource(strings = {"10", "18", "27", "100", "119.88", "240"})
    void othersAreNearNone(String rate) {
        assertThat(FrameRate.parse(rate).usual()).isEmpty();
    }

    @Test
    void oneFrameAtTwentyFour() {
        assertThat(FrameRate.FILM.seconds(1)).isCloseTo(0.041667, within(1e-6));
        // Arithmetic: 16,000 frames at 24 are 11 min 6.67 s.
        assertThat(FrameRate.FILM.seconds(16_000)).isCloseTo(11 * 60 + 6.67, within(0.005));
    }

    @ParameterizedTest
    @CsvSource({"23.976, 24000/1001", "29.97, 30000/1001", "25, 25", "12.5, 25/2", "24000/1001, 24000/1001", "50/2, 25"
    })
    void ratesAsPeopleWriteThem(String written, String exact) {
        assertThat(FrameRate.parse(written).asText()).isEqualTo(exact);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "fast", "0", "-24", "24/0", "1e9", "24/1/1"})
    void whatIsNoRateIsRefusedWithASentence(String written) {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> FrameRate.parse(written))
                .withMessageContaining("frame");
    }
}
