package chalktrace.core.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.time.FrameRate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Step, stride and cadence as gait analysis defines them (J. Perry, "Gait Analysis", 1992; from memory). */
class WalkTest {

    private static MovingPoint point(String name, int frames, java.util.function.IntToDoubleFunction x, double bounce) {
        double[] across = new double[frames];
        double[] down = new double[frames];
        for (int f = 0; f < frames; f++) {
            across[f] = x.applyAsDouble(f);
            down[f] = 300 - bounce * Math.abs(Math.sin(Math.PI * f / 12));
        }
        return new MovingPoint(name, 0, across, down);
    }

    /** Contacts every 12 frames, in turn, each foot 80 px before the other: the common walk on twelves, 120 steps a minute at 24 frames a second. */
    @Test
    void aWalkOnTwelvesHasAHundredAndTwentyStepsAMinute() {
        MovingPoint left = point("left", 100, f -> Math.floor((f + 12) / 24.0) * 160, 0);
        MovingPoint right = point("right", 100, f -> 80 + Math.floor(f / 24.0) * 160, 0);
        List<Walk.Contact> contacts = new ArrayList<>();
        for (int f = 12; f < 96; f += 12) {
            contacts.add(new Walk.Contact(f, f / 12 % 2 == 1 ? left : right));
        }
        Walk walk = Walk.of(contacts, Optional.of(point("hips", 100, f -> f, 14)), FrameRate.of(24));
        assertThat(walk.cadence().getAsDouble()).isCloseTo(120, within(1e-9));
        assertThat(walk.stepPx().getAsDouble()).isCloseTo(80, within(1e-9));
        assertThat(walk.stridePx().getAsDouble()).isCloseTo(160, within(1e-9));
        assertThat(walk.bouncePx().getAsDouble()).isCloseTo(14, within(0.01));
    }

    @Test
    void oneFootAloneTellsStrideAndCadenceButNoStep() {
        MovingPoint foot = point("foot", 60, f -> f * 5.0, 0);
        Walk walk = Walk.of(
                List.of(new Walk.Contact(48, foot), new Walk.Contact(0, foot), new Walk.Contact(24, foot)),
                Optional.empty(),
                FrameRate.of(24));
        assertThat(walk.contacts()).extracting(Walk.Contact::frame).containsExactly(0, 24, 48);
        assertThat(walk.cadence().getAsDouble()).isCloseTo(120, within(1e-9));
        assertThat(walk.stridePx().getAsDouble()).isCloseTo(120, within(1e-9));
        assertThat(walk.stepPx()).isEmpty();
        assertThat(walk.bouncePx()).isEmpty();
    }
}
