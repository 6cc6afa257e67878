package chalktrace.core.shot;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import chalktrace.core.time.FrameRange;
import org.junit.jupiter.api.Test;

class ExposuresTest {

    private static final Exposures ONE_TWO = Exposures.of(Exposure.of(0, 4, 1), Exposure.of(4, 2, 2));

    @Test
    void aTrimTakesFromWhatFollowsOrLeavesItFree() {
        assertThat(ONE_TWO.trimmed(0, 5)).isEqualTo(Exposures.of(Exposure.of(0, 5, 1), Exposure.of(5, 1, 2)));
        assertThat(ONE_TWO.trimmed(0, 2)).isEqualTo(Exposures.of(Exposure.of(0, 2, 1), Exposure.of(4, 2, 2)));
        assertThat(ONE_TWO.trimmed(0, 2).at(3)).isEmpty();
    }

    @Test
    void aRunLaidInsideAnotherKeepsBothEnds() {
        Placement moved = Placement.AS_IS.withPosition(5, 0);
        Exposures held = Exposures.of(new Exposure(0, 10, 1, moved));
        assertThat(held.with(Exposure.of(4, 2, 2)))
                .isEqualTo(
                        Exposures.of(new Exposure(0, 4, 1, moved), Exposure.of(4, 2, 2), new Exposure(6, 4, 1, moved)));
    }

    @Test
    void oneDrawingMayShowAtSeveralPlaces() {
        Exposures tied = ONE_TWO.with(Exposure.of(20, 3, 1));
        assertThat(tied.showing(1)).extracting(Exposure::start).containsExactly(0, 20);
    }

    @Test
    void clearedFramesShowNothing() {
        Exposures cleared = ONE_TWO.cleared(FrameRange.of(2, 3));
        assertThat(cleared).isEqualTo(Exposures.of(Exposure.of(0, 2, 1), Exposure.of(5, 1, 2)));
        assertThat(cleared.nextTaken(2, 48)).isEqualTo(5);
        assertThat(cleared.nextTaken(6, 48)).isEqualTo(48);
    }

    @Test
    void theNearestStartLiesStrictlyBesideAFrameAndBlanksHaveNone() {
        Exposures some = ONE_TWO.with(Exposure.of(6, 2, Exposure.BLANK)).with(Exposure.of(9, 1, 1));
        assertThat(some.startBeside(4, 1)).hasValue(9);
        assertThat(some.startBeside(4, -1)).hasValue(0);
        assertThat(some.startBeside(5, -1)).hasValue(4);
        assertThat(some.startBeside(0, -1)).isEmpty();
        assertThat(some.startBeside(9, 1)).isEmpty();
    }

    @Test
    void overlapsCanNotBeMade() {
        assertThatIllegalArgumentException().isThrownBy(() -> Exposures.of(Exposure.of(0, 4, 1), Exposure.of(3, 2, 2)));
    }
}
