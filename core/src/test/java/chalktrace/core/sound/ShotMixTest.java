package chalktrace.core.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.shot.Shot;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.testing.Shots;
import java.nio.FloatBuffer;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class ShotMixTest {

    private static final PcmBuffer QUARTER = constant(100, 0.25f);

    private static PcmBuffer constant(int length, float value) {
        float[] samples = new float[length];
        Arrays.fill(samples, value);
        return new PcmBuffer(ShotMix.SAMPLE_RATE, 1, samples);
    }

    private static Shot with(SoundClip... clips) {
        return Shots.empty().withSounds(List.of(clips));
    }

    private static SoundClip at(String id, double seconds) {
        return SoundClip.of(id, id, "/" + id, seconds);
    }

    @Test
    void aClipIsHeardFromItsFirstSampleToItsLast() {
        ShotMix mix = ShotMix.of(with(at("a", 0.5)), clip -> Optional.of(QUARTER));
        float[] around = mix.render(24_000 - 2, 104);
        assertThat(around[2 * 1]).isZero();
        assertThat(around[2 * 2]).isEqualTo(0.25f);
        assertThat(around[2 * 101 + 1]).isEqualTo(0.25f);
        assertThat(around[2 * 102]).isZero();
    }

    @Test
    void clipsAddUpAndAreHeldWithinBounds() {
        ShotMix two = ShotMix.of(with(at("a", 0), at("b", 0)), clip -> Optional.of(QUARTER));
        assertThat(two.render(0, 1)[0]).isEqualTo(0.5f);
        ShotMix loud = ShotMix.of(with(at("a", 0), at("b", 0)), clip -> Optional.of(constant(10, 0.8f)));
        assertThat(loud.render(0, 1)[0]).isEqualTo(1f);
    }

    @Test
    void gainIsInDecibelsAndMutedIsSilent() {
        // Arithmetic: -6.0206 dB halves.
        ShotMix half = ShotMix.of(with(at("a", 0).withGain(-6.0206)), clip -> Optional.of(QUARTER));
        assertThat(half.render(0, 1)[0]).isCloseTo(0.125f, within(1e-5f));
        assertThat(ShotMix.of(with(at("a", 0).withMuted(true)), clip -> Optional.of(QUARTER))
                        .isSilent())
                .isTrue();
    }

    @Test
    void aClipThatStartsBeforeTheShotIsCutThere() {
        ShotMix mix = ShotMix.of(with(at("a", -50.0 / ShotMix.SAMPLE_RATE)), clip -> Optional.of(QUARTER));
        assertThat(mix.render(0, 51)[2 * 49]).isEqualTo(0.25f);
        assertThat(mix.render(0, 51)[2 * 50]).isZero();
    }

    @Test
    void whatIsTrimmedIsSilentAndTheRestStaysInItsPlace() {
        float[] rising = new float[100];
        for (int i = 0; i < rising.length; i++) {
            rising[i] = i / 1000f;
        }
        PcmBuffer sound = new PcmBuffer(ShotMix.SAMPLE_RATE, 1, rising);
        SoundClip trimmed =
                at("a", 0).withTrim(new SoundClip.Trim(20.0 / ShotMix.SAMPLE_RATE, 30.0 / ShotMix.SAMPLE_RATE));
        float[] heard = ShotMix.of(with(trimmed), clip -> Optional.of(sound)).render(0, 100);
        assertThat(heard[2 * 19]).isZero();
        assertThat(heard[2 * 20]).isEqualTo(rising[20]);
        assertThat(heard[2 * 69]).isEqualTo(rising[69]);
        assertThat(heard[2 * 70]).isZero();
    }

    @Test
    void soundInPiecesIsTheSameAsInOne() {
        FloatBuffer one = FloatBuffer.allocate(PcmBuffer.PIECE);
        FloatBuffer two = FloatBuffer.wrap(new float[] {0.1f, 0.2f, 0.3f, 0.4f});
        one.put(PcmBuffer.PIECE - 1, 0.9f);
        PcmBuffer sound = new PcmBuffer(ShotMix.SAMPLE_RATE, 2, PcmBuffer.PIECE + 4L, List.of(one, two));
        int last = PcmBuffer.PIECE / 2;
        assertThat(sound.length()).isEqualTo(last + 2);
        assertThat(sound.at(last - 1, 1)).isEqualTo(0.9f);
        assertThat(sound.at(last, 0)).isEqualTo(0.1f);
        assertThat(sound.at(last + 1, 1)).isEqualTo(0.4f);
        assertThat(sound.at(last + 2, 0)).isZero();
    }

    @Test
    void peaksFindTheLoudestSampleAtEveryZoom() {
        float[] samples = new float[48_000];
        samples[30_000] = 0.9f;
        samples[30_500] = -0.7f;
        Peaks peaks = new Peaks(new PcmBuffer(48_000, 1, samples));
        assertThat(peaks.between(0, 1)).isEqualTo(new Peaks.Range(-0.7f, 0.9f));
        assertThat(peaks.between(0.624, 0.626)).isEqualTo(new Peaks.Range(0, 0.9f));
        assertThat(peaks.between(0.1, 0.2)).isEqualTo(new Peaks.Range(0, 0));
    }
}
