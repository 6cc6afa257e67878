package chalktrace.core.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.testing.HandHeldClip;
import chalktrace.core.testing.MovingClip;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

class FlowTest {

    private static Flow flow(Luma from, Luma to) {
        return Flow.between(new Pyramid(from), new Pyramid(to));
    }

    /** How far the flow of places on the thing is off, in px, in rising order. */
    private static List<Double> errors(MovingClip clip, Random random) {
        List<Double> out = new ArrayList<>();
        for (int frame = 3; frame < clip.frames() - 1; frame += 11) {
            Flow flow = flow(clip.picture(frame), clip.picture(frame + 1));
            for (int i = 0; i < 60; i++) {
                double angle = 2 * Math.PI * random.nextDouble();
                double far = 0.8 * clip.size() * Math.sqrt(random.nextDouble());
                double[] from = clip.truth(far * Math.cos(angle), far * Math.sin(angle), frame);
                double[] to = clip.truth(far * Math.cos(angle), far * Math.sin(angle), frame + 1);
                out.add(Math.hypot(
                        flow.right(from[0], from[1]) - to[0] + from[0], flow.down(from[0], from[1]) - to[1] + from[1]));
            }
        }
        out.sort(null);
        return out;
    }

    /** Turned, grown, in grain and changing light, up to 20 px a frame. jqwik prints the seed of each run. */
    @Property(tries = 8, edgeCases = EdgeCasesMode.NONE)
    void eachPlaceOfAMovingThingGoesWhereItDoes(@ForAll long seed, @ForAll boolean blurred) {
        List<Double> errors = errors(new MovingClip(seed, 40, 20, blurred, -1), new Random(seed));
        assertThat(errors.get(errors.size() / 2)).isLessThan(0.35);
        assertThat(errors.get(errors.size() * 9 / 10)).isLessThan(1.2);
    }

    @Test
    void aPictureThatStaysMovesNowhere() {
        Luma picture = new MovingClip(1, 2, 6, false, -1).picture(0);
        Flow flow = flow(picture, picture);
        for (int i = 0; i < 50; i++) {
            assertThat(Math.hypot(flow.right(9 * i, 5 * i), flow.down(9 * i, 5 * i)))
                    .isLessThan(0.01);
        }
    }

    @Test
    void whatIsEvenIsSaidToBeUnsure() {
        byte[] values = new byte[160 * 120];
        Random random = new Random(4);
        for (int y = 0; y < 120; y++) {
            for (int x = 0; x < 80; x++) {
                values[y * 160 + x] = (byte) random.nextInt(256);
            }
        }
        Luma half = new Luma(values, 160, 120);
        Flow flow = flow(half, half);
        assertThat(flow.sure(30, 60)).isEqualTo(1);
        assertThat(flow.sure(130, 60)).isZero();
    }

    @Test
    void aPictureTooSmallForASecondSizeIsNoTrouble() {
        Luma tiny = new Luma(new byte[9 * 8], 9, 8);
        assertThat(flow(tiny, tiny).right(4, 4)).isZero();
    }

    /** The way of the ground at the corners and in the middle, in px. */
    @Property(tries = 8, edgeCases = EdgeCasesMode.NONE)
    void theCamerasOwnMovementIsToldFromTheThings(@ForAll long seed) {
        HandHeldClip clip = new HandHeldClip(new MovingClip(seed, 30, 20, false, -1), seed, 4);
        int width = clip.displaySize().width();
        int height = clip.displaySize().height();
        for (int frame = 2; frame < 28; frame += 5) {
            Luma before = clip.luma(frame);
            Warp camera = CameraMotion.of(flow(before, clip.luma(frame + 1)), width, height);
            for (double[] at :
                    new double[][] {{0, 0}, {width, 0}, {0, height}, {width, height}, {width / 2.0, height / 2.0}}) {
                double[] was = clip.clipPlace(at[0], at[1], frame);
                double[] is = clip.clipPlace(camera.x(at[0], at[1]), camera.y(at[0], at[1]), frame + 1);
                assertThat(Math.hypot(is[0] - was[0], is[1] - was[1]))
                        .as("at frame " + frame)
                        .isLessThan(0.5);
            }
        }
    }

    /** Something near that fills most of the picture goes to the left; what shows along its edges goes to the right. */
    @Test
    void theGroundIsLookedForAlongTheEdges() {
        Luma ground = texture(11);
        Luma near = texture(12);
        Luma before = laid(near, ground, 0, 0);
        Luma after = laid(near, ground, -3, 2);
        Warp camera = CameraMotion.of(flow(before, after), before.width(), before.height());
        assertThat(camera.x(10, 10)).isCloseTo(12, within(0.3));
        assertThat(camera.y(10, 10)).isCloseTo(9, within(0.3));
    }

    /** Most of the ground is an even wall. */
    @Test
    void whatIsEvenSaysNothingOfTheCamera() {
        Luma ground = texture(13);
        Luma wall = new Luma(new byte[ground.width() * ground.height()], ground.width(), ground.height());
        int right = ground.width() * 2 / 5;
        Luma before = beside(ground, wall, right, 0);
        Luma after = beside(ground, wall, right, 4);
        Warp camera = CameraMotion.of(flow(before, after), before.width(), before.height());
        assertThat(camera.x(20, 60)).isCloseTo(24, within(0.5));
    }

    private static Luma texture(long seed) {
        Random random = new Random(seed);
        byte[] values = new byte[320 * 180];
        random.nextBytes(values);
        return soft(soft(new Luma(values, 320, 180)));
    }

    private static Luma soft(Luma luma) {
        byte[] out = new byte[luma.values().length];
        for (int i = 0; i < out.length; i++) {
            double sum = 0;
            for (int k = 0; k < 25; k++) {
                sum += luma.at(i % luma.width() + k % 5 - 2, i / luma.width() + k / 5 - 2) / 25;
            }
            out[i] = (byte) Math.max(0, Math.min(255, Math.rint(128 + 2.5 * (sum - 128))));
        }
        return new Luma(out, luma.width(), luma.height());
    }

    /** The ground goes by 2 px to the right and 1 px up against what lies before it, for each px of that. */
    private static Luma laid(Luma near, Luma ground, int right, int down) {
        byte[] out = new byte[ground.values().length];
        for (int i = 0; i < out.length; i++) {
            int x = i % ground.width();
            int y = i / ground.width();
            boolean middle = x > 30 && x < ground.width() - 30 && y > 22 && y < ground.height() - 22;
            out[i] = (byte) Math.rint(
                    middle
                            ? near.at(x - right, y - down)
                            : ground.at(x - Math.signum(-right) * 2, y + Math.signum(down)));
        }
        return new Luma(out, ground.width(), ground.height());
    }

    private static Luma beside(Luma ground, Luma wall, int edge, int right) {
        byte[] out = new byte[ground.values().length];
        for (int i = 0; i < out.length; i++) {
            int x = i % ground.width() - right;
            out[i] = (byte) Math.rint((x < edge ? ground : wall).at(x, i / ground.width()));
        }
        return new Luma(out, ground.width(), ground.height());
    }

    @Test
    void aCameraOnAStandDoesNotMoveThoughTheThingDoes() {
        MovingClip clip = new MovingClip(5, 30, 20, false, -1);
        for (int frame = 0; frame < 29; frame += 4) {
            Flow flow = flow(clip.picture(frame), clip.picture(frame + 1));
            assertThat(CameraMotion.of(flow, MovingClip.WIDTH, MovingClip.HEIGHT))
                    .isEqualTo(Warp.at(0, 0));
        }
    }
}
