package chalktrace.core.space;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.FrameReach;
import chalktrace.core.shot.InsertedFrames;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.testing.Models;
import chalktrace.core.time.Conform;
import chalktrace.core.time.FrameRate;
import java.util.Set;
import org.junit.jupiter.api.Test;

class StagingTest {

    private static final PictureSize SIZE = new PictureSize(160, 90);
    private static final Figure BONES = Models.twoBones();

    private final Staging staging = Staging.of(BONES, SIZE);

    @Test
    void frameNIsThePoseAtNByTheRate() {
        Footage clip = Footage.of("f", "bones", "bones.glb", new Conform(0, 0, 1, 1, Conform.Pace.KEEP_TIME))
                .withStaging(staging);
        assertThat(clip.staged(BONES, 12, ShotSetup.standard()).orElseThrow().seconds())
                .isCloseTo(12 / 24.0, within(1e-12));
        assertThat(clip.withConform(clip.conform().withStartFrame(6))
                        .staged(BONES, 12, ShotSetup.standard())
                        .orElseThrow()
                        .seconds())
                .isCloseTo(6 / 24.0, within(1e-12));
    }

    @Test
    void onTwosEachPoseIsHeldForTwoFrames() {
        Staging twos = staging.withEvery(2);
        assertThat(twos.poseFrame(0)).isZero();
        assertThat(twos.poseFrame(1)).isZero();
        assertThat(twos.poseFrame(7)).isEqualTo(6);
    }

    @Test
    void atItsEndItHoldsOrStartsAgain() {
        assertThat(staging.at(BONES, 0, 1.25, SIZE).seconds()).isEqualTo(1);
        assertThat(staging.withLoops(true).at(BONES, 0, 1.25, SIZE).seconds()).isCloseTo(0.25, within(1e-9));
    }

    @Test
    void theCameraGoesFromKeyToKey() {
        Orbit here = staging.view().withYaw(0);
        Orbit there = here.withYaw(80);
        Staging eased = staging.withKey(new CameraKey(10, here, CameraKey.Move.EASED))
                .withKey(new CameraKey(20, there, CameraKey.Move.CUT))
                .withKey(new CameraKey(30, here, CameraKey.Move.EASED));
        assertThat(eased.cameraAt(0)).isEqualTo(here);
        assertThat(eased.cameraAt(15).yaw()).isCloseTo(40, within(1e-9));
        // Eased: 3 s^2 - 2 s^3 of the way.
        assertThat(eased.cameraAt(12).yaw()).isCloseTo(80 * (3 * 0.04 - 2 * 0.008), within(1e-9));
        assertThat(eased.cameraAt(29)).isEqualTo(there);
        assertThat(eased.cameraAt(30)).isEqualTo(here);
        assertThat(eased.withCameraEvery(2).cameraAt(13)).isEqualTo(eased.cameraAt(12));
    }

    @Test
    void keysGoAlongWithTheFramesThatMove() {
        Staging keyed = staging.withKey(new CameraKey(4, staging.view(), CameraKey.Move.EVEN))
                .withKey(new CameraKey(9, staging.view().withYaw(5), CameraKey.Move.EVEN));
        Footage clip = Footage.of("f", "bones", "bones.glb", new Conform(0, 0, 1, 1, Conform.Pace.KEEP_TIME))
                .withStaging(keyed);
        Footage moved = clip.moved(
                        new InsertedFrames(6, 3, FrameRate.of(24), new FrameReach(Set.of(), true, true, true)))
                .orElseThrow();
        assertThat(moved.staging().orElseThrow().keys())
                .extracting(CameraKey::frame)
                .containsExactly(4, 12);
    }

    @Test
    void turningTheCameraOfAKeyedShotSetsAKeyAtTheGate() {
        Staging free = staging.seenFrom(7, staging.view().withYaw(1));
        assertThat(free.keys()).isEmpty();
        Staging keyed = staging.withKey(new CameraKey(0, staging.view(), CameraKey.Move.EVEN))
                .seenFrom(7, staging.view().withYaw(1));
        assertThat(keyed.keys()).hasSize(2);
        assertThat(keyed.keyAt(7).orElseThrow().move()).isEqualTo(CameraKey.Move.EVEN);
        assertThat(keyed.cameraAt(7).yaw()).isEqualTo(1);
    }

    @Test
    void withoutItsLastKeyTheCameraStaysWhereItWas() {
        Orbit there = staging.view().withYaw(77);
        Staging keyed = staging.withKey(new CameraKey(3, there, CameraKey.Move.CUT));
        assertThat(keyed.withoutKey(3).cameraAt(0)).isEqualTo(there);
    }
}
