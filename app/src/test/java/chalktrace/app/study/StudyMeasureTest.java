package chalktrace.app.study;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.motion.MovingPoint;
import chalktrace.core.motion.Track;
import chalktrace.core.motion.TrackPath;
import chalktrace.core.picture.Rgb;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What a point that goes 3 to the right and 4 down a frame measures on a picture 100 high. */
class StudyMeasureTest {

    private static final MovingPoint WAY =
            new MovingPoint("hand", 10, new double[] {0, 3, 6, 9}, new double[] {50, 54, 58, 62});

    private static StudyWork.MovingTrack track(Optional<MovingPoint> partner, Map<Integer, TrackPath.Place> patch) {
        Track track = new Track("t", "hand", Rgb.WHITE, true, "clip", 20, TrackPath.NONE);
        return new StudyWork.MovingTrack(track, WAY, WAY, partner, patch, Optional.empty());
    }

    private static double of(StudyMeasure measure, StudyWork.MovingTrack track, int frame) {
        return measure.of(track, WAY, frame, 100).orElse(Double.NaN);
    }

    @Test
    void aPointAloneHasSpacingWayAndPlaceButNeitherLengthNorAngleNorSize() {
        StudyWork.MovingTrack alone = track(Optional.empty(), Map.of());
        assertThat(of(StudyMeasure.SPACING, alone, 11)).isEqualTo(5);
        assertThat(of(StudyMeasure.SPACING, alone, 10)).isNaN();
        assertThat(of(StudyMeasure.DIRECTION, alone, 12)).isCloseTo(53.13, within(0.01));
        assertThat(of(StudyMeasure.TURN, alone, 12)).isZero();
        assertThat(of(StudyMeasure.HEIGHT, alone, 12)).isEqualTo(42);
        assertThat(of(StudyMeasure.ACROSS, alone, 12)).isEqualTo(6);
        assertThat(of(StudyMeasure.LENGTH, alone, 12)).isNaN();
        assertThat(of(StudyMeasure.ANGLE, alone, 12)).isNaN();
        assertThat(of(StudyMeasure.SIZE, alone, 12)).isNaN();
    }

    @Test
    void aPairHasLengthAndAngleAndAPatchItsOwnTurnAndSize() {
        MovingPoint above = new MovingPoint("lid", 12, new double[] {6, 19}, new double[] {48, 62});
        Map<Integer, TrackPath.Place> turned =
                Map.of(12, new TrackPath.Place(4, 1, 2, 1.5, -30, 1, TrackPath.Origin.FOLLOWED));
        StudyWork.MovingTrack pair = track(Optional.of(above), turned);
        assertThat(of(StudyMeasure.LENGTH, pair, 12)).isEqualTo(10);
        assertThat(of(StudyMeasure.ANGLE, pair, 12)).as("straight up").isEqualTo(-90);
        assertThat(of(StudyMeasure.ANGLE, pair, 13)).as("to the right").isZero();
        assertThat(of(StudyMeasure.LENGTH, pair, 11)).isNaN();
        StudyWork.MovingTrack patch = track(Optional.empty(), turned);
        assertThat(of(StudyMeasure.ANGLE, patch, 12)).isEqualTo(-30);
        assertThat(of(StudyMeasure.SIZE, patch, 12)).isEqualTo(150);
        assertThat(of(StudyMeasure.SIZE, patch, 11)).isNaN();
    }

    @Test
    void onlyAnglesComeRound() {
        assertThat(StudyMeasure.DIRECTION.comesRound(179, -179)).isTrue();
        assertThat(StudyMeasure.DIRECTION.comesRound(-60, 60)).isFalse();
        assertThat(StudyMeasure.HEIGHT.comesRound(0, 400)).isFalse();
    }
}
