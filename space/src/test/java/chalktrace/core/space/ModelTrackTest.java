package chalktrace.core.space;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.motion.TrackPath;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.testing.Models;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class ModelTrackTest {

    private static final PictureSize SIZE = new PictureSize(320, 180);
    private static final Figure CUBE = Models.cube();
    private static final Staging STAGING = Staging.of(CUBE, SIZE);

    /** The camera goes once round the cube in 36 frames. */
    private static Optional<StagedPicture> picture(int frame) {
        Orbit round = STAGING.view().withYaw(10.0 * frame).withPitch(0);
        return Optional.of(STAGING.withView(round).at(CUBE, frame, 0, SIZE));
    }

    @Test
    void aPointOnAFaceIsSeenFromTheFrontAndHiddenFromBehind() {
        TrackPath path = ModelTrack.of(ModelTrackTest::picture, 0, 160, 90, 37);
        assertThat(path.at(0).orElseThrow().origin()).isEqualTo(TrackPath.Origin.HAND);
        assertThat(path.at(4)).isPresent();
        assertThat(path.at(18)).isEmpty();
        assertThat(path.lost()).extracting(TrackPath.Lost::reason).containsExactly(ModelTrack.BEHIND);
        // Once round, it is where it was.
        assertThat(path.at(36).orElseThrow().x()).isCloseTo(160, within(1e-3));
        assertThat(path.at(36).orElseThrow().y()).isCloseTo(90, within(1e-3));
    }

    @Test
    void besideTheModelThereIsNothingToFollow() {
        TrackPath path = ModelTrack.of(ModelTrackTest::picture, 0, 2, 2, 37);
        assertThat(path.places()).hasSize(1);
        assertThat(path.lost()).extracting(TrackPath.Lost::reason).containsExactly(ModelTrack.NOTHING);
    }
}
