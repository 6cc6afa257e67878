package chalktrace.core.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;

class PatchTrackerTest {

    private static final int WIDTH = 320;
    private static final int HEIGHT = 200;

    /** A texture of waves and blobs seen through a move, turn and scale about its middle, with grain. */
    private static Luma picture(double x, double y, double scale, double degrees, double light, Random grain) {
        double turn = Math.toRadians(degrees);
        byte[] out = new byte[WIDTH * HEIGHT];
        for (int py = 0; py < HEIGHT; py++) {
            for (int px = 0; px < WIDTH; px++) {
                double dx = (px - x) / scale;
                double dy = (py - y) / scale;
                double u = dx * Math.cos(turn) + dy * Math.sin(turn);
                double v = -dx * Math.sin(turn) + dy * Math.cos(turn);
                double value = 120
                        + 40 * Math.sin(u / 7 + Math.sin(v / 9))
                        + 35 * Math.cos(v / 5.3 - u / 17)
                        + 20 * Math.sin((u + v) / 13);
                out[py * WIDTH + px] = (byte) Math.max(0, Math.min(255, light * value + 2 * grain.nextGaussian()));
            }
        }
        return new Luma(out, WIDTH, HEIGHT);
    }

    @Test
    void aPatchThatMovesTurnsGrowsAndDarkensIsFollowed() {
        Random grain = new Random(2);
        PatchTracker tracker = new PatchTracker(picture(120, 100, 1, 0, 1, grain), 120, 100, 24);
        for (int frame = 1; frame <= 40; frame++) {
            double x = 120 + 2.1 * frame;
            double y = 100 + 12 * Math.sin(frame / 8.0);
            double scale = 1 + 0.006 * frame;
            double degrees = 25 * Math.sin(frame / 15.0);
            PatchTracker.Place found = tracker.next(picture(x, y, scale, degrees, 1 - 0.006 * frame, grain))
                    .orElseThrow();
            assertThat(found.x()).isCloseTo(x, within(0.15));
            assertThat(found.y()).isCloseTo(y, within(0.15));
            assertThat(found.scale()).isCloseTo(scale, within(0.01));
            assertThat(found.degrees()).isCloseTo(degrees, within(0.6));
        }
    }

    @Test
    void aPatchThatIsCoveredIsLostAndNotGuessed() {
        Random grain = new Random(2);
        PatchTracker tracker = new PatchTracker(picture(120, 100, 1, 0, 1, grain), 120, 100, 24);
        byte[] noise = new byte[WIDTH * HEIGHT];
        grain.nextBytes(noise);
        assertThat(tracker.next(new Luma(noise, WIDTH, HEIGHT))).isEmpty();
    }

    @Test
    void anEvenPictureHasNothingToFollow() {
        Luma even = new Luma(new byte[WIDTH * HEIGHT], WIDTH, HEIGHT);
        assertThatThrownBy(() -> new PatchTracker(even, 100, 100, 20))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("nothing to follow");
    }
}
