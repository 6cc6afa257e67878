package chalktrace.media.sound;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;

class SilentOutTest {

    @Test
    void keepsTheTimeOfADeviceAndNeverRunsAheadOfWhatItWasGiven() throws Exception {
        AtomicLong clock = new AtomicLong(1_000_000_000L);
        SilentOut out = new SilentOut(clock::get);
        out.start();
        out.write(new float[2 * 4000]);
        assertThat(out.playedSamples()).isZero();
        clock.addAndGet(50_000_000L);
        assertThat(out.playedSamples()).isEqualTo(2400);
        clock.addAndGet(1_000_000_000L);
        assertThat(out.playedSamples()).isEqualTo(4000);
        out.stop();
        assertThat(out.playedSamples()).isZero();
        assertThat(out.isAudible()).isFalse();
    }
}
