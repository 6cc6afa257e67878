package chalktrace.core.shot;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.motion.Track;
import chalktrace.core.motion.TrackPath;
import chalktrace.core.picture.Rgb;
import chalktrace.core.testing.Shots;
import chalktrace.core.time.Conform;
import chalktrace.core.time.FrameRange;
import chalktrace.core.time.FrameRate;
import chalktrace.core.time.PictureTimes;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

class PartsOfAShotTest {

    private static final SoundClip LINE = SoundClip.of("sound-1", "line", "/line.wav", 2);
    private static final Footage CLIP =
            Footage.of("footage-1", "clip", "/clip.mp4", new Conform(4, 0, 10, 1, Conform.Pace.KEEP_TIME));

    @Test
    void aTrimmedSoundIsHeardInItsMiddleAlone() {
        SoundClip trimmed = LINE.withTrim(new SoundClip.Trim(0.5, 0.75));
        assertThat(trimmed.heardFrom()).isEqualTo(2.5);
        assertThat(trimmed.heardTo(3)).isEqualTo(4.25);
        assertThat(trimmed.heardTo(1)).as("no more is left than is cut off").isEqualTo(2.5);
        assertThat(LINE.isAttached()).isFalse();
        assertThat(LINE.withFootage("footage-1").isAttached()).isTrue();
        // 6 dB are a factor of two in amplitude, to within a part in 200.
        assertThat(LINE.withGain(6).gain()).isCloseTo(2, within(0.01));
        assertThat(LINE.withGain(6).withMuted(true).gain()).isZero();
    }

    @Test
    void soundsMoveWithTheFramesOnlyWhenTheyAreMeantTo() {
        FrameRate rate = FrameRate.of(24);
        InsertedFrames with = new InsertedFrames(24, 12, rate, new FrameReach(Set.of(), true, true, true));
        InsertedFrames without = new InsertedFrames(24, 12, rate, new FrameReach(Set.of(), true, false, true));
        assertThat(LINE.moved(with).orElseThrow().startSeconds()).isCloseTo(2.5, within(1e-9));
        assertThat(LINE.moved(without)).contains(LINE);
    }

    @Test
    void footageStandsStillWhereItIsHeldOrShowsChosenPictures() {
        assertThat(CLIP.isStill()).isFalse();
        assertThat(CLIP.withViews(List.of(new StillView(0, 3, Region.WHOLE))).isStill())
                .isTrue();
        assertThat(CLIP.withConform(new Conform(4, 0, 10, 1, Conform.Pace.HELD)).isStill())
                .isTrue();
    }

    @Test
    void footageShowsOnItsOwnFramesWithinItsSpan() {
        ShotSetup setup = Shots.empty().setup();
        PictureTimes times = PictureTimes.even(FrameRate.of(24), 10);
        assertThat(CLIP.frames(setup, times)).isEqualTo(new FrameRange(4, 14));
        assertThat(CLIP.withSpan(Optional.of(new FrameRange(6, 30))).frames(setup, times))
                .isEqualTo(new FrameRange(6, 14));
        assertThat(CLIP.withSpan(Optional.of(new FrameRange(0, 8))).frames(setup, times))
                .isEqualTo(new FrameRange(4, 8));
        assertThat(CLIP.withConform(new Conform(4, 0, 10, 1, Conform.Pace.HELD)).frames(setup, times))
                .isEqualTo(setup.frames());
        assertThat(setup.frames()).isEqualTo(new FrameRange(0, 48));
        assertThat(setup.seconds()).isCloseTo(2, within(1e-9));
        assertThat(setup.clamp(48)).isEqualTo(47);
        assertThat(setup.frame(setup.number(7))).isEqualTo(7);
    }

    @Test
    void partsAreFoundByTheirIdsAndOthersAreNot() {
        Track point = new Track("track-1", "hand", new Rgb(1, 2, 3), true, "footage-1", 0, TrackPath.NONE);
        Shot shot = Shots.empty()
                .withFootage(List.of(CLIP))
                .withSounds(List.of(LINE))
                .withTracks(List.of(point));
        assertThat(shot.sound("sound-1")).contains(LINE);
        assertThat(shot.sound("sound-2")).isEmpty();
        assertThat(shot.track("track-1")).contains(point);
        assertThat(shot.track("track-2")).isEmpty();
        assertThat(shot.footage("footage-2")).isEmpty();
        assertThat(shot.mediaFiles()).containsExactlyInAnyOrder("/clip.mp4", "/line.wav");
        assertThat(shot.newIds("track", 2)).doesNotContain("track-1").doesNotHaveDuplicates();
        assertThat(shot.withFootage(List.of()).tracks())
                .as("a point goes with its footage")
                .isEmpty();
    }

    @Test
    void nothingRidesOnAPointThatHasComeToLieOnItself() {
        Track point = new Track("track-1", "hand", new Rgb(1, 2, 3), true, "footage-1", 0, TrackPath.NONE);
        Track moved = new Track("track-1", "hand", new Rgb(1, 2, 3), true, "footage-2", 0, TrackPath.NONE);
        Ride ride = new Ride("footage-2", "track-1", 0, false, new TreeMap<>());
        Shot shot = Shots.empty()
                .withFootage(List.of(CLIP, Footage.of("footage-2", "b", "/b.mp4", CLIP.conform())))
                .withTracks(List.of(point))
                .withRides(List.of(ride));
        assertThat(shot.rides()).containsExactly(ride);
        assertThat(shot.withTracks(List.of(moved)).rides()).isEmpty();
        assertThat(shot.withName("other").rides()).isSameAs(shot.rides());
    }

    @Test
    void anIdIsThereOnceInAllParts() {
        Shot shot = Shots.empty().withFootage(List.of(CLIP));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> shot.withSounds(List.of(LINE.withId("footage-1"))))
                .withMessageContaining("footage-1");
        assertThatIllegalArgumentException().isThrownBy(() -> shot.withFootage(List.of(CLIP, CLIP)));
    }

    @Test
    void aPartOfAPictureLiesBetweenItsCornersAndWithinThePicture() {
        assertThat(Region.between(0.75, 0.9, 0.25, 0.4)).isEqualTo(new Region(0.25, 0.4, 0.5, 0.5));
        assertThat(Region.between(-1, 0.5, 0.5, 2)).isEqualTo(new Region(0, 0.5, 0.5, 0.5));
        assertThat(Region.between(-1, -1, 2, 2).isWhole()).isTrue();
        assertThat(Region.between(0, 0, 1, 0.5).isWhole()).isFalse();
        assertThatIllegalArgumentException().isThrownBy(() -> Region.between(0.5, 0.5, 0.5, 1));
    }

    @Test
    void marksOfPosesAreToldFromNotes() {
        assertThat(new Mark(3, Mark.Kind.KEY).isPose()).isTrue();
        assertThat(new Mark(3, Mark.Kind.NOTE, Optional.empty(), "a").isPose()).isFalse();
        assertThat(new Mark(3, Mark.Kind.KEY).isOfShot()).isTrue();
        assertThat(new Mark(3, Mark.Kind.KEY, Optional.of("level-1"), "").isOfShot())
                .isFalse();
    }
}
