package chalktrace.core.space;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.space.Channel.Property;
import chalktrace.core.space.Channel.Way;
import net.jqwik.api.ForAll;
import net.jqwik.api.constraints.DoubleRange;
import org.joml.Quaterniond;
import org.junit.jupiter.api.Test;

/** By the formulas of glTF 2.0, appendix C. */
class ChannelTest {

    private static final float[] TIMES = {1, 2, 4};

    @Test
    void stepsHoldTheKeyBefore() {
        Channel steps = new Channel(0, Property.MOVE, Way.STEP, TIMES, new float[] {1, 1, 1, 5, 5, 5, 9, 9, 9});
        assertThat(steps.at(1.999)[0]).isEqualTo(1);
        assertThat(steps.at(2)[0]).isEqualTo(5);
        assertThat(steps.at(3.9)[0]).isEqualTo(5);
    }

    @Test
    void beforeTheFirstKeyAndAfterTheLastTheyHold() {
        Channel line = new Channel(0, Property.SCALE, Way.LINEAR, TIMES, new float[] {1, 1, 1, 5, 5, 5, 9, 9, 9});
        assertThat(line.at(-3)[2]).isEqualTo(1);
        assertThat(line.at(100)[2]).isEqualTo(9);
    }

    @Test
    void straightWaysGoInEvenSteps() {
        Channel line = new Channel(0, Property.MOVE, Way.LINEAR, TIMES, new float[] {0, 0, 0, 10, 20, 30, 10, 20, 30});
        assertThat(line.at(1.25)).containsExactly(new double[] {2.5, 5, 7.5}, within(1e-9));
    }

    /** JOML 1.10 as an independent slerp. */
    @net.jqwik.api.Property(tries = 200)
    void turnsTakeTheShorterWayAsJomlDoes(
            @ForAll @DoubleRange(min = -3, max = 3) double a,
            @ForAll @DoubleRange(min = -3, max = 3) double b,
            @ForAll @DoubleRange(min = 0, max = 1) double share) {
        Quaterniond from = new Quaterniond().rotateXYZ(a, 0.3, b);
        Quaterniond to = new Quaterniond().rotateXYZ(b, -a, 1);
        Channel turn = new Channel(0, Property.TURN, Way.LINEAR, new float[] {0, 1}, new float[] {
            (float) from.x, (float) from.y, (float) from.z, (float) from.w,
            (float) to.x, (float) to.y, (float) to.z, (float) to.w
        });
        double[] ours = turn.at(share);
        Quaterniond theirs = from.slerp(to, share);
        double same = ours[0] * theirs.x + ours[1] * theirs.y + ours[2] * theirs.z + ours[3] * theirs.w;
        assertThat(Math.abs(same)).isCloseTo(1, within(1e-5));
    }

    /**
     * The specification's formula with t = 0.5 and a span of 2 s: (v0 + v1) / 2 + 2 (out - in) / 8, worked out by hand.
     */
    @Test
    void splinesFollowTheirTangents() {
        Channel spline =
                new Channel(0, Property.MORPHS, Way.CUBIC_SPLINE, new float[] {0, 2}, new float[] {0, 1, 4, -2, 3, 0});
        assertThat(spline.width()).isEqualTo(1);
        assertThat(spline.at(1)[0]).isCloseTo((1 + 3) / 2.0 + 2 * (4 - -2) / 8.0, within(1e-9));
        assertThat(spline.at(0)[0]).isEqualTo(1);
        assertThat(spline.at(2)[0]).isEqualTo(3);
    }

    @Test
    void timesThatDoNotRiseAreRefused() {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> new Channel(
                        0, Property.MOVE, Way.LINEAR, new float[] {0, 1, 1}, new float[] {0, 0, 0, 0, 0, 0, 0, 0, 0}))
                .withMessageContaining("rise");
    }
}
