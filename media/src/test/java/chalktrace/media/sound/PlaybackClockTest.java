package chalktrace.media.sound;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.sound.Loudness;
import chalktrace.core.sound.PcmBuffer;
import chalktrace.core.sound.PlayPath;
import chalktrace.core.sound.ShotMix;
import chalktrace.core.sound.SpeechActivity;
import chalktrace.core.time.FrameRate;
import java.util.Random;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;

class PlaybackClockTest {

    private static final FrameRate RATE = FrameRate.FILM;
    private static final int CHUNK = 2048;

    /**
     * Ten minutes of play against a device whose clock runs 0.3 % fast and then slow, and now and then jumps by up to 60 ms, as
     * that of a real one does when the machine is busy. What is seen is the frame of what is heard, within half a frame.
     */
    @Test
    void pictureStaysWithinHalfAFrameOfTheSoundOverTenMinutes() throws Exception {
        AtomicLong nanos = new AtomicLong();
        SilentOut device = new SilentOut(nanos::get);
        long length = 600L * ShotMix.SAMPLE_RATE;
        PlayPath path = new PlayPath(0, 0, length, 1, PlayPath.Round.ONCE);
        Random random = new Random(9);
        device.start();
        long written = 0;
        double worst = 0;
        while (nanos.get() < 599_000_000_000L) {
            // The program writes ahead only as far as the device takes it without waiting.
            while (written + CHUNK - heard(nanos.get()) < ShotMix.SAMPLE_RATE / 10) {
                device.write(new float[2 * CHUNK]);
                written += CHUNK;
            }
            double place = path.placeAt(device.playedSamples());
            int seen = RATE.frameAt(place / ShotMix.SAMPLE_RATE);
            double heardFrame = Math.min(written, heard(nanos.get())) / (double) ShotMix.SAMPLE_RATE * 24;
            worst = Math.max(worst, Math.abs(seen + 0.5 - heardFrame));
            double drift = Math.sin(nanos.get() / 60e9) > 0 ? 1.003 : 0.997;
            long jump = random.nextInt(200) == 0 ? random.nextInt(60_000_000) : 0;
            nanos.addAndGet(Math.round(16_700_000 * drift) + jump);
        }
        assertThat(worst).isLessThanOrEqualTo(0.5 + 1e-6);
    }

    private static long heard(long nanos) {
        return nanos * ShotMix.SAMPLE_RATE / 1_000_000_000L;
    }

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
