package chalktrace.core.edit.reference;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.motion.Track;
import chalktrace.core.motion.TrackPath;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.testing.AfterEdits;
import chalktrace.core.testing.Shots;
import chalktrace.core.time.Conform;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Sounds cut in two, and points added, changed and taken away. */
class SoundAndTrackEditsTest {

    private static final double FILE_SECONDS = 10;

    /** Its file starts at 2 s of the shot; heard from 3 to 11 s. */
    private static final SoundClip STEPS = SoundClip.of("sound-1", "steps", "/steps.wav", 2)
            .withTrim(new SoundClip.Trim(1, 1))
            .withFade(new SoundClip.Fade(0.5, 0.25));

    private static final SoundClip OTHER = SoundClip.of("sound-2", "rain", "/rain.wav", 0);

    private static Shot split(double seconds) {
        return AfterEdits.after(
                Shots.empty().withSounds(List.of(STEPS, OTHER)), SoundEdits.split("sound-1", seconds, FILE_SECONDS));
    }

    @Test
    void aSoundIsCutWhereItIsHeardAndItsHalvesMeetThere() {
        List<SoundClip> sounds = split(5).sounds();
        assertThat(sounds).hasSize(3);
        SoundClip first = sounds.get(0);
        SoundClip second = sounds.get(1);
        assertThat(first.heardFrom()).isEqualTo(3);
        assertThat(first.heardTo(FILE_SECONDS)).isEqualTo(5);
        assertThat(second.heardFrom()).isEqualTo(5);
        assertThat(second.heardTo(FILE_SECONDS)).isEqualTo(11);
        assertThat(first.fade()).isEqualTo(new SoundClip.Fade(0.5, 0));
        assertThat(second.fade()).isEqualTo(new SoundClip.Fade(0, 0.25));
        // Both lie as the whole did, so that no sample moves.
        assertThat(List.of(first.startSeconds(), second.startSeconds())).containsOnly(2.0);
        assertThat(sounds).extracting(SoundClip::id).doesNotHaveDuplicates().startsWith("sound-1");
        assertThat(sounds.get(2)).isEqualTo(OTHER);
    }

    @Test
    void whereItIsNotHeardItStaysWhole() {
        for (double seconds : new double[] {0, 3, 11, 40}) {
            assertThat(split(seconds).sounds()).as("at %s s", seconds).containsExactly(STEPS, OTHER);
        }
    }

    private static Track track(String id) {
        return new Track(id, "point " + id, Track.color(0), true, "footage-1", 0, TrackPath.NONE);
    }

    @Test
    void pointsAreAddedBehindOthersChangedAloneAndLeaveNoPartnerBehind() {
        Conform conform = new Conform(0, 0, 24, 1, Conform.Pace.KEEP_TIME);
        Shot shot = AfterEdits.after(
                Shots.empty().withFootage(List.of(Footage.of("footage-1", "clip", "/clip.mp4", conform))),
                TrackEdits.add(List.of(track("a"))),
                TrackEdits.add(List.of(track("b").withPartner("a"), track("c").withPartner("b"))));
        assertThat(shot.tracks()).extracting(Track::id).containsExactly("a", "b", "c");
        assertThat(TrackEdits.add(List.of(track("a"))).name())
                .isNotEqualTo(TrackEdits.add(List.of(track("a"), track("b"))).name());
        Shot changed = AfterEdits.after(shot, TrackEdits.change("hide", "b", point -> point.withVisible(false)));
        assertThat(changed.tracks()).extracting(Track::visible).containsExactly(true, false, true);
        assertThat(AfterEdits.after(shot, TrackEdits.change("hide", "nobody", point -> point.withVisible(false))))
                .isEqualTo(shot);
        Shot without = AfterEdits.after(shot, TrackEdits.remove("a"));
        assertThat(without.tracks()).containsExactly(track("b"), track("c").withPartner("b"));
    }
}
