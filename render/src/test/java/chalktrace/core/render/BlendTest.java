package chalktrace.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;

class BlendTest {

    private final SplittableRandom random = new SplittableRandom(5);

    @Test
    void clearHidesNothingAndOpaqueHidesAll() {
        for (int i = 0; i < 1000; i++) {
            int below = 0xFF000000 | random.nextInt(0x1000000);
            int opaque = 0xFF000000 | random.nextInt(0x1000000);
            assertThat(Blend.over(below, 0)).isEqualTo(below);
            assertThat(Blend.over(below, opaque)).isEqualTo(opaque);
            assertThat(Blend.mix(below, opaque, 0)).isEqualTo(below);
            assertThat(Blend.mix(below, opaque, 256)).isEqualTo(opaque);
        }
    }

    /** Porter and Duff, "Compositing Digital Images", 1984: over = above + (1 - alpha) below, to within a step or two. */
    @Test
    void overFollowsPorterAndDuff() {
        for (int i = 0; i < 2000; i++) {
            int below = 0xFF000000 | random.nextInt(0x1000000);
            int alpha = random.nextInt(256);
            int above = Blend.premultiply(alpha << 24 | random.nextInt(0x1000000));
            int out = Blend.over(below, above);
            assertThat(out >>> 24).isEqualTo(255);
            for (int shift = 0; shift <= 16; shift += 8) {
                double expected = (above >> shift & 255) + (1 - alpha / 255.0) * (below >> shift & 255);
                assertThat((double) (out >> shift & 255)).isCloseTo(expected, within(2.0));
            }
        }
    }
}
