package chalktrace.core.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.time.FrameMap.Knot;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

class FrameMapTest {

    /** Law: what two moves in turn do is what both together do, at every frame. */
    @Property(tries = 200, edgeCases = EdgeCasesMode.NONE)
    void oneMoveThenAnotherIsBoth(@ForAll long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        FrameMap first = any(random);
        FrameMap next = any(random);
        FrameMap both = first.then(next);
        for (double frame = -20; frame < 140; frame += 0.7) {
            assertThat(both.was(frame)).isCloseTo(first.was(next.was(frame)), within(1e-6));
        }
    }

    @Property(tries = 100, edgeCases = EdgeCasesMode.NONE)
    void whereAFrameCameToIsWhereItWas(@ForAll long seed) {
        FrameMap map = any(new SplittableRandom(seed));
        for (double frame = -20; frame < 140; frame += 1.3) {
            assertThat(map.now(map.was(frame))).isCloseTo(frame, within(1e-6));
        }
    }

    @Test
    void framesThatChangePlacesAreRefused() {
        assertThatIllegalArgumentException().isThrownBy(() -> new FrameMap(List.of(new Knot(0, 5), new Knot(10, 4))));
    }

    private static FrameMap any(SplittableRandom random) {
        List<Knot> knots = new ArrayList<>();
        double frame = random.nextInt(10);
        double was = random.nextInt(10);
        for (int i = 0; i < 1 + random.nextInt(5); i++) {
            knots.add(new Knot(frame, was));
            frame += 1 + random.nextInt(30);
            was += 1 + random.nextInt(30);
        }
        return new FrameMap(knots);
    }
}
