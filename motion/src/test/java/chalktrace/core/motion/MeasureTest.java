package chalktrace.core.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MeasureTest {

    /** The triangle of 3, 4 and 5, turned through the four quarters; up on the screen counts as up. */
    @ParameterizedTest
    @CsvSource({"4, -3, 36.87", "-4, -3, 143.13", "-4, 3, -143.13", "4, 3, -36.87", "5, 0, 0", "0, -5, 90", "-5, 0, 180"
    })
    void lengthAndAngleOfALine(double x, double y, double degrees) {
        Measure line = new Measure(100, 50, 100, 50).to(100 + x, 50 + y);
        assertThat(line.lengthPx()).isCloseTo(5, within(1e-9));
        assertThat(line.degrees()).isCloseTo(degrees, within(0.01));
        assertThat(line.words()).startsWith("5.0 px");
    }
}
