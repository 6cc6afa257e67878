package chalktrace.core.edit.reference;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.edit.Edit;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Region;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.shot.StillView;
import chalktrace.core.testing.Shots;
import chalktrace.core.time.Conform;
import chalktrace.core.time.FrameRange;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

class ReferenceEditsTest {

    private static final Footage CLIP =
            Footage.of("footage-1", "walk", "/walk.mp4", new Conform(0, 5, 30, 2, Conform.Pace.PICTURE_FOR_FRAME));
    private static final SoundClip ITS_SOUND =
            SoundClip.of("sound-1", "walk", "/walk.mp4", 0.25).withFootage("footage-1");
    private static final SoundClip OTHER = SoundClip.of("sound-2", "rain", "/rain.wav", 1);

    private static Shot shot() {
        Shot taken = ReferenceEdits.takeIn(CLIP, List.of(ITS_SOUND)).change().apply(Shots.empty());
        return ReferenceEdits.takeIn(OTHER).change().apply(taken);
    }

    private static Shot apply(Edit edit, Shot shot) {
        return edit.change().apply(shot);
    }

    @Test
    void movedFootageTakesItsOwnSoundItsSpanAndItsViewsAlong() {
        Shot before = shot().withFootage("footage-1", f -> f.withSpan(Optional.of(new FrameRange(2, 9)))
                .withViews(List.of(new StillView(3, 1, Region.WHOLE))));
        Shot moved = apply(ReferenceEdits.moveTo("footage-1", 12, Set.of()), before);
        Footage clip = moved.footage().get(0);
        assertThat(clip.conform()).isEqualTo(CLIP.conform().withStartFrame(12));
        assertThat(clip.span()).contains(new FrameRange(14, 21));
        assertThat(clip.views()).extracting(StillView::start).containsExactly(15);
        // Twelve frames at 24 are half a second.
        assertThat(moved.sounds().get(0).startSeconds()).isCloseTo(0.75, within(1e-12));
        assertThat(moved.sounds().get(1)).isEqualTo(OTHER);
    }

    @Test
    void detachedSoundStaysWhereItIsAndOutlivesItsFootage() {
        Shot detached = apply(ReferenceEdits.detach("sound-1"), shot());
        assertThat(apply(ReferenceEdits.moveTo("footage-1", 12, Set.of()), detached)
                        .sounds()
                        .get(0)
                        .startSeconds())
                .isEqualTo(0.25);
        assertThat(apply(ReferenceEdits.remove("footage-1"), detached).sounds()).hasSize(2);
        assertThat(apply(ReferenceEdits.remove("footage-1"), shot()).sounds()).containsExactly(OTHER);
    }

    @Test
    void anotherSourceInItsPlaceKeepsPlaceSizeLookAndTiming() {
        Shot placed = shot().withFootage("footage-1", f -> f.withPlacement(
                        f.placement().withScale(0.4).withPosition(7, -9))
                .withLook(f.look().withTint(0.5))
                .withNote("from the harbour"));
        Shot other = apply(ReferenceEdits.relink("/walk.mp4", "/walk-2.mov"), placed);
        assertThat(other.footage().get(0)).isEqualTo(placed.footage().get(0).withFile("/walk-2.mov"));
        assertThat(other.sounds()).extracting(SoundClip::file).containsExactly("/walk-2.mov", "/rain.wav");
    }
}
