package chalktrace.core.shot;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import chalktrace.core.testing.Shots;
import chalktrace.core.time.Conform;
import chalktrace.core.time.FrameRange;
import chalktrace.core.time.FrameRate;
import chalktrace.core.time.PictureTimes;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class FootageTest {

    private static final PictureTimes TEN = PictureTimes.even(FrameRate.FILM, 10);
    private static final Footage CLIP =
            Footage.of("footage-1", "walk", "/walk.mp4", new Conform(4, 0, 10, 1, Conform.Pace.KEEP_TIME));
    private static final Region LEFT_HALF = new Region(0, 0, 0.5, 1);

    private static Optional<Footage.Showing> at(Footage clip, int frame) {
        return clip.at(frame, FrameRate.FILM, TEN);
    }

    @Test
    void aSpanHidesFramesWithoutShiftingWhatTheOthersShow() {
        Footage clip = CLIP.withSpan(Optional.of(new FrameRange(6, 9)));
        assertThat(at(CLIP, 6)).map(Footage.Showing::picture).contains(2);
        assertThat(at(clip, 5)).isEmpty();
        assertThat(at(clip, 6)).map(Footage.Showing::picture).contains(2);
        assertThat(at(clip, 8)).map(Footage.Showing::picture).contains(4);
        assertThat(at(clip, 9)).isEmpty();
        assertThat(clip.frames(Shots.empty().setup(), TEN)).isEqualTo(new FrameRange(6, 9));
    }

    @Test
    void aStillShowsEachOfItsViewsUntilTheNext() {
        Footage still = CLIP.withViews(List.of(new StillView(20, 7, Region.WHOLE), new StillView(8, 2, LEFT_HALF)));
        assertThat(at(still, 0)).as("before its first view that one shows").contains(new Footage.Showing(2, LEFT_HALF));
        assertThat(at(still, 19)).contains(new Footage.Showing(2, LEFT_HALF));
        assertThat(at(still, 20)).contains(new Footage.Showing(7, Region.WHOLE));
        assertThat(at(still, 1000)).contains(new Footage.Showing(7, Region.WHOLE));
        assertThat(still.withView(new StillView(20, 3, LEFT_HALF)).views())
                .as("a view takes the place of the one on the same frame")
                .hasSize(2);
    }

    @Test
    void aViewOfAPictureThatTheSourceNoLongerHasShowsItsLast() {
        Footage still = CLIP.withViews(List.of(new StillView(0, 40, Region.WHOLE)));
        assertThat(at(still, 3)).map(Footage.Showing::picture).contains(9);
    }

    @Test
    void aRegionIsCutAtThePicturesEdgeAndNeverVanishes() {
        assertThat(Region.between(0.75, 1.2, 0.25, -0.3)).isEqualTo(new Region(0.25, 0, 0.5, 1));
        assertThatIllegalArgumentException().isThrownBy(() -> Region.between(0.5, 0.5, 0.501, 0.9));
        assertThatIllegalArgumentException().isThrownBy(() -> Region.between(1.2, 0, 1.4, 1));
    }
}
