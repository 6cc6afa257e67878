package chalktrace.core.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.shot.SoundClip;
import chalktrace.core.sound.PlayPath.Round;
import chalktrace.core.testing.Shots;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class PlayPathTest {

    /** A sound whose sample at place p is p / 10,000. */
    private static ShotMix ramp() {
        float[] samples = new float[8000];
        for (int i = 0; i < samples.length; i++) {
            samples[i] = i / 10_000f;
        }
        return ShotMix.of(
                Shots.empty().withSounds(List.of(SoundClip.of("a", "a", "/a", 0))),
                clip -> Optional.of(new PcmBuffer(ShotMix.SAMPLE_RATE, 1, samples)));
    }

    @Test
    void aLoopComesRoundToItsStart() {
        PlayPath loop = new PlayPath(900, 500, 1000, 1, Round.LOOP);
        assertThat(loop.placeAt(0)).isEqualTo(900);
        assertThat(loop.placeAt(99)).isEqualTo(999);
        assertThat(loop.placeAt(100)).isEqualTo(500);
        assertThat(loop.placeAt(600)).isEqualTo(500);
        assertThat(loop.isOverAt(1_000_000)).isFalse();
    }

    @Test
    void backwardsALoopComesRoundToItsEnd() {
        PlayPath back = new PlayPath(510, 500, 1000, -1, Round.LOOP);
        assertThat(back.placeAt(10)).isEqualTo(500);
        assertThat(back.placeAt(11)).isEqualTo(999);
    }

    @Test
    void toAndFroTurnsAtBothEnds() {
        PlayPath path = new PlayPath(0, 0, 100, 1, Round.TO_AND_FRO);
        assertThat(path.placeAt(99)).isEqualTo(99);
        assertThat(path.placeAt(101)).isEqualTo(99);
        assertThat(path.placeAt(199)).isEqualTo(1);
        assertThat(path.placeAt(230)).isEqualTo(30);
    }

    @Test
    void onceEndsAtItsEndInEitherDirection() {
        PlayPath on = new PlayPath(900, 0, 1000, 2, Round.ONCE);
        assertThat(on.isOverAt(49)).isFalse();
        assertThat(on.isOverAt(50)).isTrue();
        assertThat(on.placeAt(80)).isEqualTo(1000);
        PlayPath back = new PlayPath(100, 0, 1000, -1, Round.ONCE);
        assertThat(back.isOverAt(100)).isFalse();
        assertThat(back.isOverAt(101)).isTrue();
    }

    @Test
    void soundRunsWithThePicture() {
        ShotMix mix = ramp();
        float[] plain = new PlayPath(1000, 0, 8000, 1, Round.ONCE).render(mix, 500, 64);
        assertThat(plain[2 * 10]).isCloseTo(0.1510f, within(1e-5f));
        float[] half = new PlayPath(1000, 0, 8000, 0.5, Round.ONCE).render(mix, 0, 64);
        assertThat(half[2 * 3]).isCloseTo(0.10015f, within(1e-5f));
        float[] back = new PlayPath(1000, 0, 8000, -1, Round.LOOP).render(mix, 0, 64);
        assertThat(back[2 * 10 + 1]).isCloseTo(0.0990f, within(1e-5f));
    }

    @Test
    void aChunkOverTheSeamOfALoopHasBothSides() {
        float[] seam = new PlayPath(990, 500, 1000, 1, Round.LOOP).render(ramp(), 0, 64);
        assertThat(seam[2 * 9]).isCloseTo(0.0999f, within(1e-5f));
        assertThat(seam[2 * 10]).isCloseTo(0.0500f, within(1e-5f));
    }

    @Test
    void nothingCanNotBePlayed() {
        assertThatIllegalArgumentException().isThrownBy(() -> new PlayPath(0, 5, 5, 1, Round.LOOP));
        assertThatIllegalArgumentException().isThrownBy(() -> new PlayPath(0, 0, 5, 0, Round.LOOP));
    }
}
