package chalktrace.demo.scene;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class PerformanceTest {

    private final Performance performance = new Performance(frame -> 0);

    private static double distance(Vec a, Vec b) {
        return a.minus(b).length();
    }

    @Test
    void bonesKeepTheirLengthsOnEveryFrame() {
        for (int frame = 0; frame < Performance.FRAMES; frame++) {
            for (Pose.Arm arm : new Pose.Arm[] {
                performance.at(frame).right(), performance.at(frame).left()
            }) {
                assertThat(distance(arm.shoulder(), arm.elbow())).isCloseTo(Pose.Arm.UPPER, within(0.001));
                assertThat(distance(arm.elbow(), arm.hand())).isCloseTo(Pose.Arm.LOWER, within(0.001));
            }
        }
    }

    @Test
    void theHandStaysOnTheKettleFromLiftToSettingDown() {
        for (int frame = Performance.LIFT; frame <= Performance.KETTLE_DOWN; frame++) {
            Pose pose = performance.at(frame);
            assertThat(distance(pose.right().hand(), pose.grip()))
                    .as("frame " + frame)
                    .isLessThan(0.09);
        }
    }

    @Test
    void theCupMeetsTheCounterOnTheClinkAndNotBefore() {
        double onCounter = performance.at(Performance.CLINK).cup().y();
        assertThat(onCounter).isCloseTo(Bodies.COUNTER_TOP, within(0.01));
        assertThat(performance.at(Performance.CLINK - 3).cup().y()).isGreaterThan(onCounter + 0.01);
        assertThat(performance.at(Performance.CLINK + 10).cup())
                .isEqualTo(performance.at(Performance.CLINK).cup());
    }

    @Test
    void theKettleTurnsBackAtOnceAfterThePour() {
        double pouring = performance.at(Performance.POUR_END - 4).kettleTilt();
        double after = performance.at(Performance.POUR_END + 6).kettleTilt();
        assertThat(pouring).isGreaterThan(45);
        assertThat(after).isLessThan(5);
    }

    @Test
    void aTrackHoldsStillBetweenEqualKeysAndNeverOvershoots() {
        Track track = new Track(0, 1, 10, 1, 20, 5, 30, 4);
        assertThat(track.at(-3)).isEqualTo(1);
        assertThat(track.at(6)).isEqualTo(1);
        assertThat(track.at(99)).isEqualTo(4);
        for (double frame = 10; frame <= 20; frame += 0.25) {
            assertThat(track.at(frame)).isBetween(1.0, 5.0);
            assertThat(track.at(frame + 0.25)).isGreaterThanOrEqualTo(track.at(frame) - 1e-9 - (frame >= 20 ? 1 : 0));
        }
    }

    @Test
    void whatIsSeenLiesWhereItsRayGoes() {
        Camera camera = new Camera(12, 16.0 / 9);
        Vec ray = camera.ray(0.3, 0.6);
        double[] seen = camera.seen(camera.place().plus(ray.times(2)));
        assertThat(seen[0]).isCloseTo(0.3, within(1e-9));
        assertThat(seen[1]).isCloseTo(0.6, within(1e-9));
    }
}
