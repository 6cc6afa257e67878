package chalktrace.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Shot;
import chalktrace.core.testing.Shots;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

class OnionSkinTest {

    private static final OnionSkin TWO = OnionSkin.usual(Shots.LEVEL).withCounts(2, 2);

    /** Drawings 1 to 5, on frames 0, 2, 4, 10 and 12; drawing 2 is shown again at the end. */
    private static final Shot SHOT = Shots.showing(
                    Exposure.of(0, 2, 1),
                    Exposure.of(2, 2, 2),
                    Exposure.of(4, 6, 3),
                    Exposure.of(10, 2, 4),
                    Exposure.of(12, 2, 5),
                    Exposure.of(14, 4, 2))
            .withMarks(
                    List.of(new Mark(0, Mark.Kind.KEY), new Mark(2, Mark.Kind.BREAKDOWN), new Mark(12, Mark.Kind.KEY)));

    private static List<Integer> drawings(OnionSkin skin, int frame) {
        return skin.neighbours(SHOT, Shots.level(SHOT), frame).stream()
                .map(neighbour -> neighbour.run().drawing())
                .toList();
    }

    @Test
    void drawingsAreCountedHoweverLongTheyAreHeldFarthestFirst() {
        assertThat(drawings(TWO, 7)).containsExactly(1, 2, 5, 4);
        assertThat(drawings(TWO.withCounts(1, 0), 7)).containsExactly(2);
        assertThat(drawings(TWO, 0)).as("nothing before the first").containsExactly(3, 2);
        assertThat(drawings(TWO, 40)).as("beyond the last drawing").containsExactly(5, 2);
    }

    @Test
    void framesAreCountedAndAHoldAddsNothing() {
        OnionSkin byFrames = TWO.withStep(OnionSkin.Step.FRAMES);
        assertThat(drawings(byFrames, 7)).as("all within one hold").isEmpty();
        assertThat(drawings(byFrames, 5)).as("frame 3 only").containsExactly(2);
        assertThat(drawings(byFrames.withCounts(0, 4), 9)).containsExactly(5, 4);
    }

    @Test
    void keysOnly() {
        assertThat(drawings(TWO.withStep(OnionSkin.Step.KEYS), 7)).containsExactly(1, 5);
    }

    @Test
    void opacityFallsOffAndTheMixFavoursOneSide() {
        List<OnionSkin.Neighbour> even = TWO.withFading(0.8, 0.5, 0.5).neighbours(SHOT, Shots.level(SHOT), 7);
        assertThat(even).extracting(OnionSkin.Neighbour::opacity).containsExactly(0.4, 0.8, 0.4, 0.8);
        List<OnionSkin.Neighbour> later = TWO.withFading(0.8, 0.5, 0.75).neighbours(SHOT, Shots.level(SHOT), 7);
        assertThat(later.get(1).opacity()).isCloseTo(0.4, within(1e-9));
        assertThat(later.get(3).opacity()).isCloseTo(0.8, within(1e-9));
        assertThat(drawings(TWO.withFading(0.8, 0.5, 1), 7)).containsExactly(5, 4);
    }

    @Test
    void aKeptFrameStaysToCompareWith() {
        assertThat(drawings(TWO.withCounts(0, 0).withKept(Set.of(0, 6)), 13)).containsExactly(1, 3);
        assertThat(drawings(TWO.withCounts(0, 0).withKept(Set.of(12)), 13))
                .as("what is here already")
                .isEmpty();
    }

    @Test
    void onlyTheNearestIsLaidOver() {
        Placement laid = Placement.AS_IS.withPosition(30, 0);
        List<OnionSkin.Neighbour> all = TWO.withLaid(laid, Placement.AS_IS).neighbours(SHOT, Shots.level(SHOT), 7);
        assertThat(all)
                .extracting(OnionSkin.Neighbour::laid)
                .containsExactly(Placement.AS_IS, laid, Placement.AS_IS, Placement.AS_IS);
    }
}
