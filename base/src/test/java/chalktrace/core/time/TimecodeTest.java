package chalktrace.core.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TimecodeTest {

    // SMPTE ST 12-1: numbers 0 and 1 of each minute are left out, but not in minutes divisible by ten.
    @ParameterizedTest
    @CsvSource({
        "0, 00:00:00;00",
        "1799, 00:00:59;29",
        "1800, 00:01:00;02",
        "3597, 00:01:59;29",
        "3598, 00:02:00;02",
        "17981, 00:09:59;29",
        "17982, 00:10:00;00",
        "107892, 01:00:00;00"
    })
    void dropFrameTimecodeAfterTheStandard(int frame, String text) {
        assertThat(Timecode.of(frame, FrameRate.NTSC, true)).hasToString(text);
        assertThat(Timecode.parse(text).toFrame(FrameRate.NTSC)).isEqualTo(frame);
    }

    @Test
    void everyFrameOfAnHourComesBackFromItsDropFrameTimecode() {
        for (int frame = 0; frame <= 107_892; frame++) {
            Timecode timecode = Timecode.of(frame, FrameRate.NTSC, true);
            if (timecode.toFrame(FrameRate.NTSC) != frame) {
                assertThat(timecode.toFrame(FrameRate.NTSC))
                        .as(timecode.toString())
                        .isEqualTo(frame);
            }
        }
    }

    @Test
    void atSixtyFourNumbersAreLeftOutEachMinute() {
        // SMPTE ST 12-1, for 60000/1001.
        assertThat(Timecode.of(3600, new FrameRate(60000, 1001), true)).hasToString("00:01:00;04");
    }

    @Test
    void nonDropCountsPlainly() {
        assertThat(Timecode.of(96, FrameRate.FILM, false)).hasToString("00:00:04:00");
        assertThat(Timecode.of(107_892, FrameRate.NTSC, false)).hasToString("00:59:56:12");
    }

    @Test
    void aNumberThatIsLeftOutIsNoFrame() {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> Timecode.parse("00:01:00;00").toFrame(FrameRate.NTSC));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> Timecode.parse("00:00:00:24").toFrame(FrameRate.FILM));
        assertThatIllegalArgumentException().isThrownBy(() -> Timecode.of(0, FrameRate.FILM, true));
    }
}
