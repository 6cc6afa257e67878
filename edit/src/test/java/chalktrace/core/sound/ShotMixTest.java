package chalktrace.core.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.edit.reference.SoundEdits;
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
        PcmBuffer sound = rising(4800);
        SoundClip trimmed =
                at("a", 0).withTrim(new SoundClip.Trim(1000.0 / ShotMix.SAMPLE_RATE, 1500.0 / ShotMix.SAMPLE_RATE));
        float[] heard = ShotMix.of(with(trimmed), clip -> Optional.of(sound)).render(0, 4800);
        assertThat(heard[2 * 900]).isZero();
        assertThat(heard[2 * 1100]).isEqualTo(sound.at(1100, 0));
        assertThat(heard[2 * 3200]).isEqualTo(sound.at(3200, 0));
        assertThat(heard[2 * 3400]).isZero();
        // No step at the cuts is larger than a sine of 1 kHz at that level makes.
        for (int i = 1; i < 4800; i++) {
            assertThat(Math.abs(heard[2 * i] - heard[2 * i - 2])).isLessThan(0.01f);
        }
    }

    private static PcmBuffer rising(int count) {
        float[] rising = new float[count];
        for (int i = 0; i < rising.length; i++) {
            rising[i] = i / 10_000f;
        }
        return new PcmBuffer(ShotMix.SAMPLE_RATE, 1, rising);
    }

    @Test
    void aSoundThatIsSplitSoundsAsBefore() {
        PcmBuffer sound = rising(4800);
        Shot whole = with(at("sound-1", 0.01));
        Shot split = SoundEdits.split("sound-1", 0.05, sound.seconds()).change().apply(whole);
        assertThat(split.sounds()).hasSize(2);
        float[] before = ShotMix.of(whole, clip -> Optional.of(sound)).render(0, 6000);
        float[] after = ShotMix.of(split, clip -> Optional.of(sound)).render(0, 6000);
        for (int i = 0; i < before.length; i++) {
            assertThat(after[i]).isCloseTo(before[i], within(1e-5f));
        }
    }

    @Test
    void aSoundFadesInAndOutAndOneHeardAloneSilencesTheOthers() {
        PcmBuffer sound = new PcmBuffer(ShotMix.SAMPLE_RATE, 1, filled(4800, 0.5f));
        SoundClip fading = at("a", 0).withFade(new SoundClip.Fade(0.02, 0.02));
        float[] heard = ShotMix.of(with(fading), clip -> Optional.of(sound)).render(0, 4800);
        // A quarter of a sine: half of the way in it has 1 / sqrt 2 of the level, 3.01 dB less (arithmetic).
        assertThat(heard[2 * 480]).isCloseTo(0.5f / (float) Math.sqrt(2), within(1e-3f));
        assertThat(heard[2 * 2400]).isEqualTo(0.5f);
        assertThat(heard[2 * (4800 - 480)]).isCloseTo(0.5f / (float) Math.sqrt(2), within(1e-3f));
        ShotMix alone = ShotMix.of(with(fading.withSolo(true), at("b", 0)), clip -> Optional.of(sound));
        assertThat(alone.render(2400, 1)[0]).isEqualTo(0.5f);
    }

    private static float[] filled(int count, float value) {
        float[] out = new float[count];
        Arrays.fill(out, value);
        return out;
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
