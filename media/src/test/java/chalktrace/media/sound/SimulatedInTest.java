package chalktrace.media.sound;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.sound.Loudness;
import chalktrace.core.sound.PcmBuffer;
import chalktrace.core.sound.ShotMix;
import chalktrace.core.sound.SpeechActivity;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;

class SimulatedInTest {

    private static final int CHUNK = 2048;

    @Test
    void theStandInMicrophoneKeepsItsPaceAndHasABreathBeforeItsVoice() throws Exception {
        AtomicLong nanos = new AtomicLong();
        SimulatedIn in = new SimulatedIn(nanos::get);
        in.start();
        nanos.set(3_000_000_000L);
        PcmBuffer heard = new PcmBuffer(ShotMix.SAMPLE_RATE, 1, in.read(3 * ShotMix.SAMPLE_RATE - CHUNK));
        assertThat(new SpeechActivity(heard).start()).isBetween(0.95, 1.1);
        assertThat(new Loudness(heard).atSeconds(0.4)).isGreaterThan(-50);
    }
}
