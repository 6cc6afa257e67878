package chalktrace.app.sound;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.app.testing.BareSession;
import chalktrace.app.testing.HandDevice;
import chalktrace.core.edit.Edit;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.sound.PlayPath.Round;
import chalktrace.core.time.FrameRange;
import chalktrace.core.time.FrameRate;
import java.nio.file.Path;
import java.util.Random;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.framework.junit5.ApplicationExtension;

/** The picture follows what a loudspeaker has played, whose clock is in the test's hand. */
@ExtendWith(ApplicationExtension.class)
class TransportTest {

    private static final int LENGTH = 100;
    private static final double FRAME = 1 / 24.0;

    @TempDir
    Path folder;

    private final HandDevice device = new HandDevice();
    private BareSession bare;
    private Transport transport;

    @BeforeEach
    void open() {
        ShotSetup like = ShotSetup.standard();
        bare = new BareSession(
                folder,
                Shot.empty(
                        "play", new ShotSetup(FrameRate.FILM, like.size(), LENGTH, like.firstNumber(), like.paper())),
                device);
        transport = bare.session.transport();
    }

    @AfterEach
    void close() {
        bare.close();
    }

    private void play(int direction) {
        int before = device.starts();
        bare.run(() -> transport.play(direction));
        bare.await(() -> device.starts() > before);
    }

    /** Lets it be so late on the device's clock, and waits until the gate has followed. */
    private void heard(double seconds, int frame) {
        device.hear(seconds);
        bare.await(() -> transport.frame() == frame);
    }

    private int dropped() {
        return bare.get(() -> transport.droppedProperty().get());
    }

    @Test
    void eachFrameIsAtTheGateWhileItsSoundIsHeard() {
        play(1);
        for (int frame = 0; frame < 20; frame++) {
            heard(frame * FRAME + 0.0001, frame);
            heard((frame + 1) * FRAME - 0.0001, frame);
        }
        assertThat(dropped()).isZero();
    }

    @Test
    void aClockThatDriftsAndJumpsIsFollowedAndWhatItPassesOverIsCounted() {
        long seed = System.nanoTime();
        System.out.println("jumps of seed " + seed);
        Random random = new Random(seed);
        play(1);
        int at = 0;
        int passedOver = 0;
        while (at < LENGTH - 12) {
            int jump = 1 + random.nextInt(4);
            at += jump;
            passedOver += jump - 1;
            heard((at + random.nextDouble() * 0.9 + 0.05) * FRAME, at);
        }
        assertThat(dropped()).isEqualTo(passedOver);
    }

    @Test
    void aLoudspeakerThatIsLateHoldsThePictureBack() {
        bare.run(() -> transport.latencyMillisProperty().set(250));
        play(1);
        heard(1.0 + 0.001, 18);
        heard(2.0 + 0.001, 42);
    }

    @Test
    void aLoopComesRoundAndOnlyWhatNobodySawIsCounted() {
        bare.run(() -> transport.withinProperty().set(new FrameRange(10, 34)));
        play(1);
        heard(23.5 * FRAME, 33);
        assertThat(dropped()).isEqualTo(22);
        heard(24.5 * FRAME, 10);
        heard(25.5 * FRAME, 11);
        heard(24 * 3 * FRAME + 0.5 * FRAME, 10);
        assertThat(dropped()).as("two rounds at once").isEqualTo(22 + 46);
    }

    @Test
    void backwardsTheSecondBeforeIsSeenASecondLater() {
        bare.run(() -> transport.go(50));
        play(-1);
        heard(0.5 * FRAME, 50);
        heard(1.5 * FRAME, 49);
        heard(1 + 0.5 * FRAME, 26);
    }

    @Test
    void atHalfSpeedAFrameIsHeardForTwoAndAtTwiceTheSpeedNoneIsDropped() {
        bare.run(() -> transport.speedProperty().set(0.5));
        play(1);
        heard(3.5 * FRAME, 1);
        heard(4.5 * FRAME, 2);
        bare.run(() -> transport.speedProperty().set(2));
        bare.run(() -> transport.go(0));
        play(1);
        for (int i = 1; i < 12; i++) {
            heard((i + 0.25) * FRAME, 2 * i);
        }
        assertThat(dropped()).isZero();
    }

    @Test
    void onceItStopsOnTheLastFrameWhenThatHasBeenHeard() {
        bare.run(() -> transport.roundProperty().set(Round.ONCE));
        bare.run(() -> transport.go(97));
        play(1);
        heard(2.5 * FRAME, 99);
        assertThat(bare.get(() -> transport.playingProperty().get())).isTrue();
        device.hear(3.01 * FRAME);
        bare.await(() -> !transport.playingProperty().get());
        assertThat(bare.get(transport::frame)).isEqualTo(99);
    }

    @Test
    void aShotThatBecomesShorterWhileItPlaysKeepsTheGateInside() {
        play(1);
        heard(80.5 * FRAME, 80);
        bare.run(() -> bare.session
                .document()
                .apply(new Edit("shorter", shot -> shot.withSetup(shot.setup().withLength(40)))));
        assertThat(bare.get(transport::frame)).isEqualTo(39);
        device.hear(90.5 * FRAME);
        bare.await(() -> transport.frame() == 39);
    }

    private int next() {
        return bare.get(() -> transport.nextFrame().orElse(-1));
    }

    @Test
    void theNextFrameIsTheOneThatPlayComesTo() {
        assertThat(next()).as("at rest").isEqualTo(-1);
        bare.run(() -> transport.withinProperty().set(new FrameRange(10, 34)));
        play(1);
        heard(0.5 * FRAME, 10);
        assertThat(next()).isEqualTo(11);
        heard(23.5 * FRAME, 33);
        assertThat(next()).as("round").isEqualTo(10);
        bare.run(() -> transport.withinProperty().set(null));
        bare.run(() -> transport.go(50));
        play(-1);
        heard(1.5 * FRAME, 49);
        assertThat(next()).as("backwards").isEqualTo(48);
        bare.run(() -> transport.roundProperty().set(Round.ONCE));
        bare.run(() -> transport.go(98));
        play(1);
        heard(1.5 * FRAME, 99);
        assertThat(next()).as("the last").isEqualTo(99);
    }
}
