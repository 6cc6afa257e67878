package chalktrace.core.edit.timing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.edit.reference.SoundEdits;
import chalktrace.core.edit.speech.SpeechEdits;
import chalktrace.core.shot.Cue;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.MouthChart;
import chalktrace.core.shot.MouthSpan;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.shot.Word;
import chalktrace.core.testing.AfterEdits;
import chalktrace.core.testing.Shots;
import chalktrace.core.time.FrameRange;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import net.jqwik.api.Assume;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

class CueEditsTest {

    private static Cue cue(String name, double seconds) {
        return new Cue("", name, seconds);
    }

    private static Cue only(Shot shot) {
        assertThat(shot.cues()).hasSize(1);
        return shot.cues().get(0);
    }

    @Test
    void manyCuesSetAtOnceHaveIdsOfTheirOwnAndLieInOrder() {
        Shot shot = AfterEdits.after(
                Shots.empty(), CueEdits.add(List.of(cue("b", 1))), CueEdits.add(List.of(cue("c", 1.5), cue("a", 0.5))));
        assertThat(shot.cues()).extracting(Cue::name).containsExactly("a", "b", "c");
        assertThat(shot.cues()).extracting(Cue::id).doesNotHaveDuplicates();
    }

    @Test
    void aCueTiedWithinAShowingIsTiedToItsFirstFrame() {
        Shot drawn = Shots.empty().withLevel("level-1", level -> level.with(new Drawing(1, List.of()))
                .with(level.exposures().with(Exposure.of(10, 6, 1))));
        Shot shot = AfterEdits.after(drawn, CueEdits.add(List.of(cue("step", 1))));
        String id = only(shot).id();
        Cue tied = only(AfterEdits.after(shot, CueEdits.lead(id, 2), CueEdits.tie(id, Optional.of("level-1"), 13)));
        assertThat(tied.tie().orElseThrow().frame()).isEqualTo(10);
        Cue led = only(AfterEdits.after(
                shot,
                CueEdits.tie(id, Optional.of("level-1"), 13),
                CueEdits.lead(id, 2),
                CueEdits.tie(id, Optional.empty(), 20)));
        assertThat(led.tie().orElseThrow()).isEqualTo(new Cue.Tie(Optional.empty(), 20, 2));
    }

    @Test
    void theWayToThePictureIsFramesByRateLessTheLead() {
        Shot shot = AfterEdits.after(Shots.empty(), CueEdits.add(List.of(cue("step", 0.9))));
        String id = only(shot).id();
        assertThat(CueEdits.secondsToPicture(shot, id)).isZero();
        // Common practice: a step sounds one frame before its contact. 24/24 s - 1/24 s - 0.9 s.
        Shot tied = AfterEdits.after(shot, CueEdits.tie(id, Optional.empty(), 24), CueEdits.lead(id, 1));
        assertThat(CueEdits.secondsToPicture(tied, id)).isCloseTo(1 - 1 / 24.0 - 0.9, within(1e-9));
    }

    @Test
    void aMarkGoesToTheFrameOfItsSoundAndTakesThePlaceOfAnother() {
        Shot shot = AfterEdits.after(
                Shots.empty().withMarks(List.of(new Mark(10, Mark.Kind.KEY), new Mark(24, Mark.Kind.BREAKDOWN))),
                CueEdits.add(List.of(cue("step", 1))));
        String id = only(shot).id();
        Shot moved = AfterEdits.after(shot, CueEdits.tie(id, Optional.empty(), 10), CueEdits.movePicture(id));
        assertThat(moved.marks()).extracting(Mark::frame).containsExactly(24);
        assertThat(moved.markAt(24).orElseThrow().kind()).isEqualTo(Mark.Kind.KEY);
        assertThat(CueEdits.secondsToPicture(moved, id)).isZero();
    }

    @Test
    void beatsLieOnTheGridUpToTheEnd() {
        // 120 beats a minute are 12 frames a beat at 24 frames a second.
        Shot shot = AfterEdits.after(Shots.empty(), CueEdits.beats("beat", 0.25, 0.5, 2));
        assertThat(shot.cues()).extracting(Cue::seconds).containsExactly(0.25, 0.75, 1.25, 1.75);
        assertThat(shot.cues()).allMatch(cue -> cue.kind() == Cue.Kind.BEAT);
    }

    @Test
    void aMovedVoiceTakesItsWordsMouthsAndCuesAlong() {
        Shot shot = AfterEdits.after(
                Shots.empty().withSounds(List.of(SoundClip.of("sound-1", "line", "line.wav", 0))),
                SpeechEdits.addWord(new Word("word-1", "map", 0.5, 1)),
                CueEdits.add(List.of(cue("clink", 0.25), cue("door", 1.5))));
        Shot moved = AfterEdits.after(shot, SoundEdits.move("move", "sound-1", 0.5, Set.of("word-1", "cue-1")));
        assertThat(moved.sounds().get(0).startSeconds()).isEqualTo(0.5);
        assertThat(moved.words().get(0).startSeconds()).isEqualTo(1);
        assertThat(moved.cues()).extracting(Cue::seconds).containsExactly(0.75, 1.5);
        assertThat(closed(moved))
                .isEqualTo(closed(shot).stream().map(f -> f + 12).toList());
    }

    @Test
    void whatWouldComeBeforeTheFirstFrameStays() {
        Shot shot = AfterEdits.after(
                Shots.empty().withSounds(List.of(SoundClip.of("sound-1", "line", "line.wav", 0))),
                SpeechEdits.addWord(new Word("word-1", "map", 0.5, 1)),
                CueEdits.add(List.of(cue("clink", 1.25))));
        Shot moved = AfterEdits.after(shot, SoundEdits.move("move", "sound-1", -1, Set.of("word-1", "cue-1")));
        assertThat(moved.sounds().get(0).startSeconds()).isEqualTo(-1);
        assertThat(moved.words()).isEqualTo(shot.words());
        assertThat(only(moved).seconds()).isEqualTo(0.25);
    }

    @Property
    void framesPutInOrTakenOutBesideACueAndItsPictureKeepThemTogether(
            @ForAll @IntRange(min = 8, max = 40) int picture,
            @ForAll @IntRange(min = 8, max = 40) int sound,
            @ForAll @IntRange(max = 47) int at,
            @ForAll @IntRange(min = 1, max = 6) int count,
            @ForAll boolean removed) {
        Shot shot = AfterEdits.after(Shots.empty(), CueEdits.add(List.of(cue("step", sound / 24.0))));
        String id = only(shot).id();
        Shot tied = AfterEdits.after(shot, CueEdits.tie(id, Optional.empty(), picture));
        int reach = removed ? count : 0;
        boolean between = at + reach > Math.min(picture, sound) && at <= Math.max(picture, sound);
        Assume.that(!between && at + reach <= 48);
        ShotTimingEdits.Along along = new ShotTimingEdits.Along(true, true);
        Shot changed = AfterEdits.after(
                tied,
                removed
                        ? ShotTimingEdits.removeFrames(FrameRange.of(at, count), along)
                        : ShotTimingEdits.insertFrames(at, count, along));
        assertThat(CueEdits.secondsToPicture(changed, id)).isCloseTo(CueEdits.secondsToPicture(tied, id), within(1e-9));
    }

    private static List<Integer> closed(Shot shot) {
        return shot.mouths().stream()
                .filter(span -> span.shape().equals(MouthChart.CLOSED))
                .map(MouthSpan::range)
                .map(range -> range.start())
                .toList();
    }
}
