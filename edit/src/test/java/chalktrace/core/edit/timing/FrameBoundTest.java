package chalktrace.core.edit.timing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.offset;

import chalktrace.core.edit.Edit;
import chalktrace.core.edit.drawing.DrawingEdits;
import chalktrace.core.shot.Cue;
import chalktrace.core.shot.Cycle;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.MouthSpan;
import chalktrace.core.shot.Region;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.shot.StillView;
import chalktrace.core.shot.Word;
import chalktrace.core.testing.AfterEdits;
import chalktrace.core.testing.Shots;
import chalktrace.core.time.Conform;
import chalktrace.core.time.FrameRange;
import chalktrace.core.time.FrameRate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;

/** Whatever lies on frames of a shot goes along when these move. */
class FrameBoundTest {

    private static final List<String> LEVEL = List.of(Shots.LEVEL);

    /** Each drawing shows once, for some frames; a cue and a mark belong to each showing. */
    private static Shot shot(List<Integer> holds) {
        List<Exposure> runs = new ArrayList<>();
        List<Cue> cues = new ArrayList<>();
        List<Mark> marks = new ArrayList<>();
        int at = 0;
        for (int i = 0; i < holds.size(); i++) {
            runs.add(Exposure.of(at, holds.get(i), i + 1));
            Cue.Tie tie = new Cue.Tie(Optional.of(Shots.LEVEL), at, 0);
            cues.add(new Cue("cue-" + i, "" + (i + 1), at / 24.0, Cue.Kind.HIT, Optional.of(tie)));
            marks.add(new Mark(at, Mark.Kind.NOTE, Optional.of(Shots.LEVEL), "" + (i + 1)));
            at += holds.get(i);
        }
        Footage still = Footage.of("still", "still", "/a.png", new Conform(0, 0, 9, 1, Conform.Pace.HELD))
                .withSpan(Optional.of(new FrameRange(3, 17)))
                .withViews(List.of(new StillView(3, 0, Region.WHOLE), new StillView(9, 4, Region.WHOLE)));
        Footage clip = Footage.of("clip", "clip", "/a.mp4", new Conform(5, 0, 90, 1, Conform.Pace.KEEP_TIME));
        return Shots.showing(runs.toArray(Exposure[]::new))
                .withCues(cues)
                .withMarks(marks)
                .withCycles(List.of(new Cycle(Shots.LEVEL, new FrameRange(2, 14))))
                .withFootage(List.of(still, clip))
                .withSounds(List.of(SoundClip.of("sound", "sound", "/a.wav", 10 / 24.0)))
                .withWords(List.of(new Word("word", "now", 12 / 24.0, 15 / 24.0)))
                .withMouths(List.of(new MouthSpan(new FrameRange(12, 15), "E", true)));
    }

    @Property
    void framesPutInAndTakenOutAgainChangeNothing(
            @ForAll @Size(min = 1, max = 12) List<@IntRange(min = 1, max = 5) Integer> holds,
            @ForAll @IntRange(max = 30) int frame,
            @ForAll @IntRange(min = 1, max = 9) int count) {
        ShotTimingEdits.Along all = new ShotTimingEdits.Along(true, true);
        Shot before = shot(holds);
        Shot more = AfterEdits.after(before, ShotTimingEdits.insertFrames(frame, count, all));
        Shot back = AfterEdits.after(more, ShotTimingEdits.removeFrames(FrameRange.of(frame, count), all));
        assertThat(back.cycles()).isEqualTo(before.cycles());
        assertThat(back.footage()).isEqualTo(before.footage());
        assertThat(back.marks()).isEqualTo(before.marks());
        assertThat(back.mouths()).filteredOn(MouthSpan::byHand).isEqualTo(before.mouths());
        assertThat(back.words().get(0).startSeconds()).isCloseTo(0.5, offset(1e-9));
        assertThat(Shots.level(back).exposures()).isEqualTo(Shots.level(before).exposures());
        for (int i = 0; i < before.cues().size(); i++) {
            assertThat(back.cues().get(i).tie()).isEqualTo(before.cues().get(i).tie());
            assertThat(back.cues().get(i).seconds())
                    .isCloseTo(before.cues().get(i).seconds(), offset(1e-9));
        }
    }

    @Property
    void cuesAndMarksStayWithTheirShowings(
            @ForAll @Size(min = 1, max = 12) List<@IntRange(min = 1, max = 5) Integer> holds,
            @ForAll @IntRange(max = 20) int start,
            @ForAll @IntRange(min = 1, max = 12) int frames,
            @ForAll @IntRange(min = 1, max = 4) int by) {
        Shot before = shot(holds);
        FrameRange span = FrameRange.of(start, frames);
        ShotTimingEdits.Along none = new ShotTimingEdits.Along(false, false);
        int showing =
                Shots.level(before).exposures().at(start).map(Exposure::start).orElse(0);
        for (Edit edit : List.of(
                DrawingEdits.hold(Shots.LEVEL, start, by),
                DrawingEdits.hold(Shots.LEVEL, start, -by),
                DrawingEdits.trim(Shots.LEVEL, showing, showing + by),
                DrawingEdits.moveShowing(Shots.LEVEL, showing, showing + by),
                TimingEdits.reverse(LEVEL, span),
                TimingEdits.each(LEVEL, span, by),
                TimingEdits.stretch(LEVEL, span, frames + 12),
                TimingEdits.onEvery(LEVEL, span, by),
                TimingEdits.removeFrames(LEVEL, span),
                TimingEdits.insertFrames(LEVEL, start, by),
                TimingEdits.shift(LEVEL, span, by),
                ShotTimingEdits.insertFrames(start, by, none),
                ShotTimingEdits.removeFrames(span, none),
                RateEdits.keepSeconds(FrameRate.of(12)),
                RateEdits.keepSeconds(FrameRate.of(60)),
                OntoTwos.apply(List.of(new OntoTwos.Move(start, start + by)), true))) {
            Shot after = AfterEdits.after(before, edit);
            for (Cue cue : after.cues()) {
                assertOnItsShowing(
                        edit, after, cue.name(), cue.tie().orElseThrow().frame());
            }
            for (Mark mark : after.marks()) {
                if (!mark.text().isEmpty()) {
                    assertOnItsShowing(edit, after, mark.text(), mark.frame());
                }
            }
        }
    }

    /** Its last drawing, shown on the last frame alone, would come to lie behind the end; what belongs to it would be left on another. */
    @Test
    void noShowingIsPushedOutOfTheShotAtAnotherRate() {
        for (int hold : new int[] {1, 3}) {
            Shot before = shot(List.of(1, 1, 5, 5, 5, 5, 5, 5, 5, 5, 4, 1, hold));
            Shot after = AfterEdits.after(before, RateEdits.keepSeconds(FrameRate.of(12)));
            Exposure last = Shots.level(after).exposures().showing(13).get(0);
            assertThat(last.start()).isLessThan(after.setup().length());
            assertThat(after.marks())
                    .filteredOn(mark -> mark.text().equals("13"))
                    .extracting(Mark::frame)
                    .containsExactly(last.start());
        }
    }

    /** A showing behind the end stays there with its mark, which comes onto no drawing that is seen. */
    @Test
    void whatLiesBehindTheEndStaysThereAtAnotherRate() {
        Shot before = shot(List.of(1, 2, 5, 5, 5, 5, 5, 5, 5, 5, 5, 1));
        Shot after = AfterEdits.after(before, RateEdits.keepSeconds(FrameRate.of(12)));
        assertThat(after.marks())
                .filteredOn(mark -> mark.text().equals("12"))
                .extracting(Mark::frame)
                .containsExactly(
                        Shots.level(after).exposures().showing(12).get(0).start());
    }

    /** What belonged to a drawing's showing lies on its start, wherever that is now; of one that is gone nothing is asked. */
    private static void assertOnItsShowing(Edit edit, Shot after, String drawing, int frame) {
        List<Exposure> showings = Shots.level(after).exposures().showing(Integer.parseInt(drawing));
        if (!showings.isEmpty() && frame < after.setup().length()) {
            assertThat(showings).as("%s of drawing %s", edit.name(), drawing).anyMatch(run -> run.start() == frame);
        }
    }

    @Test
    void spansViewsAndCyclesComeToTheirSecondsAtAnotherRate() {
        Shot after = AfterEdits.after(shot(List.of(4, 4, 4, 4)), RateEdits.keepSeconds(FrameRate.of(12)));
        Footage still = after.footage("still").orElseThrow();
        assertThat(still.span()).contains(new FrameRange(2, 9));
        assertThat(still.views()).extracting(StillView::start).containsExactly(2, 5);
        assertThat(after.cycles()).containsExactly(new Cycle(Shots.LEVEL, new FrameRange(1, 7)));
        assertThat(after.footage("clip").orElseThrow().conform().startFrame()).isEqualTo(3);
        assertThat(after.words().get(0).startSeconds()).isEqualTo(0.5);
    }

    @Test
    void ofASpanThatIsTakenOutWholeNothingIsSeen() {
        Shot after = AfterEdits.after(
                shot(List.of(4, 4, 4, 4, 4)),
                ShotTimingEdits.removeFrames(new FrameRange(2, 18), new ShotTimingEdits.Along(true, true)));
        assertThat(after.footage("still").orElseThrow().span()).contains(new FrameRange(2, 2));
        assertThat(after.cycles()).isEmpty();
    }

    @Test
    void levelsThatChangePlacesTakeTheirCyclesCuesAndMarksAlong() {
        Shot two = shot(List.of(4, 4));
        Shot before = two.withLevels(List.of(Shots.level(two), Level.empty("level-2", "clean")));
        Shot after = AfterEdits.after(before, TimingEdits.swap(Shots.LEVEL, "level-2"));
        assertThat(after.cycles()).extracting(Cycle::level).containsExactly("level-2");
        assertThat(after.cues()).allMatch(cue -> cue.tie().orElseThrow().level().equals(Optional.of("level-2")));
        assertThat(after.marks()).allMatch(mark -> mark.level().equals(Optional.of("level-2")));
        assertThat(after.level("level-2").orElseThrow().exposures().runs()).hasSize(2);
    }
}
