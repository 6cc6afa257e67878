package chalktrace.core.shot;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import chalktrace.core.time.FrameRange;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** Frames brought to others, and those between them in proportion. */
class StretchedFramesTest {

    private static final FrameReach ALL = FrameReach.of(List.of("level-1"));

    private static StretchedFrames stretched(Map<Integer, Integer> to) {
        return new StretchedFrames(new TreeMap<>(to), ALL);
    }

    /** Some frames in rising order, each brought to one no earlier than the one before it is. */
    @Provide
    Arbitrary<Map<Integer, Integer>> rising() {
        return Arbitraries.integers()
                .between(1, 9)
                .list()
                .ofMinSize(2)
                .ofMaxSize(12)
                .map(steps -> {
                    Map<Integer, Integer> out = new TreeMap<>();
                    int from = 0;
                    int to = 0;
                    for (int i = 0; i + 1 < steps.size(); i += 2) {
                        from += steps.get(i);
                        to += steps.get(i + 1) - 1;
                        out.put(from, to);
                    }
                    return out;
                });
    }

    @Property(tries = 500)
    void framesKeepTheirOrderAndThoseThatAreNamedComeWhereIsSaid(
            @ForAll("rising") Map<Integer, Integer> to, @ForAll @IntRange(max = 60) int frame) {
        StretchedFrames change = stretched(to);
        to.forEach((from, there) -> assertThat(change.frame(from)).isEqualTo(there));
        assertThat(change.frame(frame + 1)).isGreaterThanOrEqualTo(change.frame(frame));
    }

    @Property(tries = 500)
    void framesThatBelongTogetherKeepOneAtLeast(
            @ForAll("rising") Map<Integer, Integer> to,
            @ForAll @IntRange(max = 60) int start,
            @ForAll @IntRange(min = 1, max = 9) int frames) {
        FrameRange moved = stretched(to).range(FrameRange.of(start, frames)).orElseThrow();
        assertThat(moved.frames()).isPositive();
        assertThat(moved.start()).isEqualTo(stretched(to).frame(start));
    }

    @Test
    void betweenTwoTheyLieInProportionAndBeyondThemTheyMoveAlong() {
        StretchedFrames change = stretched(Map.of(10, 20, 20, 40));
        assertThat(change.frame(15)).isEqualTo(30);
        assertThat(change.frame(12)).isEqualTo(24);
        assertThat(change.frame(3)).isEqualTo(13);
        assertThat(change.frame(25)).isEqualTo(45);
        assertThat(stretched(Map.of()).frame(7)).isEqualTo(7);
        assertThat(change.seconds(1.5)).isEqualTo(1.5);
        assertThat(change.removes(15)).isFalse();
    }

    @Test
    void framesThatWouldChangePlacesAreRefusedAndSayWhich() {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> stretched(Map.of(24, 41, 39, 40)))
                .withMessageContaining("39")
                .withMessageContaining("40");
        assertThat(stretched(Map.of(3, 9, 5, 9)).frame(4)).isEqualTo(9);
    }
}
