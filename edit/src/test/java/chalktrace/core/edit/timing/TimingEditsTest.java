package chalktrace.core.edit.timing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.check.Checks;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.LevelEdits;
import chalktrace.core.edit.drawing.BetweenEdits;
import chalktrace.core.edit.mouth.MouthLevels;
import chalktrace.core.edit.speech.SpeechEdits;
import chalktrace.core.shot.Cue;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.MouthChart;
import chalktrace.core.shot.MouthPlace;
import chalktrace.core.shot.MouthSpan;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.SpanExposures;
import chalktrace.core.shot.Word;
import chalktrace.core.testing.Shots;
import chalktrace.core.testing.Strokes;
import chalktrace.core.time.Conform;
import chalktrace.core.time.FrameRange;
import chalktrace.core.time.FrameRate;
import chalktrace.core.time.PictureTimes;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class TimingEditsTest {

    private static final List<String> LEVEL = List.of(Shots.LEVEL);

    @Test
    void marksComeOntoOddFramesAsAnimatorsMoveThem() {
        // Common practice (working on twos keeps drawings on odd frames, counted from 1): keys 1, 8, 12, 19 and
        // breakdowns
        // 5, 10, 14 become 1, 5, 9, 11, 13, 15, 19; twos then still want 3, 7, 17.
        List<Integer> numbers = List.of(1, 5, 8, 10, 12, 14, 19);
        List<Integer> moved = OntoTwos.proposal(numbers.stream().map(n -> n - 1).toList(), 2).stream()
                .map(move -> move.to() + 1)
                .toList();
        assertThat(moved).containsExactly(1, 5, 9, 11, 13, 15, 19);
        assertThat(OntoTwos.missing(moved.stream().map(n -> n - 1).toList(), 2))
                .extracting(frame -> frame + 1)
                .containsExactly(3, 7, 17);
    }

    @Test
    void marksThatCrowdTheLastComeBackAndTooManySaySo() {
        assertThat(OntoTwos.proposal(List.of(0, 5, 6, 7), 2))
                .extracting(OntoTwos.Move::to)
                .containsExactly(0, 4, 6, 7);
        assertThatIllegalArgumentException().isThrownBy(() -> OntoTwos.proposal(List.of(0, 1, 2, 3), 4));
    }

    @Test
    void drawingsGoAlongWithTheMarksAndSoundsStay() {
        Shot shot = Shots.showing(Exposure.of(0, 4, 1), Exposure.of(4, 3, 2), Exposure.of(7, 5, 3))
                .withMarks(List.of(new Mark(0, Mark.Kind.KEY), new Mark(7, Mark.Kind.KEY), new Mark(11, Mark.Kind.KEY)))
                .withCues(List.of(new Cue("cue-1", "clink", 0.3)));
        Shot moved = OntoTwos.apply(OntoTwos.proposal(shot, 2), false).change().apply(shot);
        assertThat(moved.marks()).extracting(Mark::frame).containsExactly(0, 8, 11);
        assertThat(Shots.level(moved).exposures().at(8).orElseThrow().drawing()).isEqualTo(3);
        assertThat(Shots.level(moved).exposures().at(7).orElseThrow().drawing()).isEqualTo(2);
        assertThat(moved.cues()).isEqualTo(shot.cues());
    }

    @Test
    void nothingOfAShotComesBehindItsEndWithTheMarksThere() {
        int last = Shots.empty().setup().length() - 1;
        Shot shot = Shots.showing(Exposure.of(13, last - 12, 1));
        assertThat(last).isOdd();
        List<Mark> marks = List.of(new Mark(last, Mark.Kind.KEY), new Mark(last + 16, Mark.Kind.KEY));
        for (Shot marked : List.of(shot.withMarks(marks), shot.withMarks(marks.subList(0, 1)))) {
            Shot moved =
                    OntoTwos.apply(OntoTwos.proposal(marked, 2), true).change().apply(marked);
            assertThat(Shots.level(moved).exposures().at(last)).isPresent();
            assertThat(moved.marks().get(0).frame()).isEqualTo(last - 1);
            assertThat(moved.marks().subList(1, moved.marks().size()))
                    .isEqualTo(marked.marks().subList(1, marked.marks().size()));
        }
        assertThat(OntoTwos.proposal(shot.withMarks(marks.subList(1, 2)), 2)).isEmpty();
    }

    @Test
    void eachMarkKeepsItsPictureOfAReferenceThatIsStretchedAlong() {
        PictureTimes times = PictureTimes.even(FrameRate.FILM, 40);
        for (Conform.Pace pace : List.of(Conform.Pace.KEEP_TIME, Conform.Pace.PICTURE_FOR_FRAME)) {
            Conform conform = new Conform(2, 0, 40, 1, pace);
            // The counts of a plan that moves onto odd frames, counted from 1: 1, 5, 8, 10, 12, 14, 19 (common
            // practice).
            Shot shot = Shots.showing(Exposure.of(0, 19, 1))
                    .withFootage(List.of(Footage.of("footage-1", "clip", "/clip.mp4", conform)))
                    .withMarks(Stream.of(0, 4, 7, 9, 11, 13, 18)
                            .map(frame -> new Mark(frame, Mark.Kind.KEY))
                            .toList());
            List<OntoTwos.Move> moves = OntoTwos.proposal(shot, 2);
            Shot moved = OntoTwos.apply(moves, true).change().apply(shot);
            Conform after = moved.footage().get(0).conform();
            for (OntoTwos.Move move : moves) {
                assertThat(after.pictureAt(move.to(), FrameRate.FILM, times))
                        .as("%s at %s", pace, move)
                        .isEqualTo(conform.pictureAt(move.from(), FrameRate.FILM, times));
            }
            Shot again = OntoTwos.apply(
                            moves.stream()
                                    .map(move -> new OntoTwos.Move(move.to(), move.from()))
                                    .toList(),
                            true)
                    .change()
                    .apply(moved);
            for (int frame = 0; frame < 40; frame++) {
                assertThat(again.footage().get(0).conform().pictureAt(frame, FrameRate.FILM, times))
                        .isEqualTo(conform.pictureAt(frame, FrameRate.FILM, times));
            }
        }
    }

    @Test
    void aLoopingStrideDoesNotShowItsFirstPoseTwice() {
        // Common practice: two strides with keys four frames apart repeat at frame 33 counted from 1; the loop is 1 to
        // 32.
        Exposure[] stride = new Exposure[9];
        for (int i = 0; i < 8; i++) {
            stride[i] = Exposure.of(4 * i, 4, i + 1);
        }
        stride[8] = Exposure.of(32, 4, 1);
        Exposures all = Exposures.of(stride);
        assertThat(SpanExposures.of(all, FrameRange.of(0, 36)).repeatsItsFirstPose())
                .isTrue();
        SpanExposures loop = SpanExposures.of(all, FrameRange.of(0, 32));
        assertThat(loop.repeatsItsFirstPose()).isFalse();
        Exposures twice = loop.repeated(2).put();
        assertThat(twice.at(32).orElseThrow().drawing()).isEqualTo(1);
        assertThat(twice.at(32).orElseThrow().frames()).isEqualTo(4);
    }

    @Test
    void toAndFroTurnsWithoutHoldingTheTurn() {
        Exposures all = Exposures.of(Exposure.of(0, 2, 1), Exposure.of(2, 2, 2), Exposure.of(4, 2, 3));
        Exposures fro = SpanExposures.of(all, FrameRange.of(0, 6)).toAndFro().put();
        assertThat(fro.runs()).extracting(Exposure::drawing).containsExactly(1, 2, 3, 2);
        assertThat(fro.end()).isEqualTo(8);
    }

    @Test
    void squeezingMoreShowingsThanFramesSaysSoAndChangesNothing() {
        Shot shot = Shots.showing(Exposure.of(0, 2, 1), Exposure.of(2, 2, 2), Exposure.of(4, 2, 3));
        Edit squeeze = TimingEdits.stretch(LEVEL, FrameRange.of(0, 6), 2);
        assertThatIllegalArgumentException()
                .isThrownBy(() -> squeeze.change().apply(shot))
                .withMessageContaining("nothing was changed");
    }

    @Test
    void framesForTheWholeShotTakeWordsAndCuesAlongIfWanted() {
        Shot shot = Shots.showing(Exposure.of(0, 10, 1))
                .withWords(List.of(new Word("word-1", "now", 0.25, 0.5), new Word("word-2", "hot", 1, 1.5)))
                .withCues(List.of(new Cue("cue-1", "clink", 1.25)))
                .withMarks(List.of(new Mark(20, Mark.Kind.KEY)));
        Shot along = ShotTimingEdits.insertFrames(12, 6, new ShotTimingEdits.Along(true, true))
                .change()
                .apply(shot);
        assertThat(along.setup().length()).isEqualTo(54);
        assertThat(along.words().get(0).startSeconds()).isEqualTo(0.25);
        assertThat(along.words().get(1).startSeconds()).isCloseTo(1.25, within(1e-9));
        assertThat(along.cues().get(0).seconds()).isCloseTo(1.5, within(1e-9));
        assertThat(along.marks().get(0).frame()).isEqualTo(26);
        Shot stay = ShotTimingEdits.insertFrames(12, 6, new ShotTimingEdits.Along(false, false))
                .change()
                .apply(shot);
        assertThat(stay.words()).isEqualTo(shot.words());
        Shot back = ShotTimingEdits.removeFrames(FrameRange.of(12, 6), new ShotTimingEdits.Along(true, true))
                .change()
                .apply(along);
        assertThat(back.setup()).isEqualTo(shot.setup());
        assertThat(back.marks()).isEqualTo(shot.marks());
        assertThat(back.levels()).isEqualTo(shot.levels());
        assertThatIllegalArgumentException().isThrownBy(() -> ShotTimingEdits.removeFrames(
                        FrameRange.of(0, 48), new ShotTimingEdits.Along(true, true))
                .change()
                .apply(shot));
    }

    @Test
    void spansBeyondTheShotAndNonsensicalCountsLeaveEverythingAsItIs() {
        Shot shot = Shots.showing(Exposure.of(0, 48, 1));
        ShotTimingEdits.Along along = new ShotTimingEdits.Along(true, true);
        Shot shorter = ShotTimingEdits.removeFrames(FrameRange.of(40, 30), along)
                .change()
                .apply(shot);
        assertThat(shorter.setup().length())
                .as("only what lies in the shot goes")
                .isEqualTo(40);
        for (Edit edit : List.of(
                ShotTimingEdits.removeFrames(FrameRange.of(60, 3), along),
                ShotTimingEdits.insertFrames(0, -2, along),
                TimingEdits.insertFrames(LEVEL, 3, -2),
                TimingEdits.repeat(LEVEL, FrameRange.of(0, 48), Integer.MAX_VALUE),
                TimingEdits.repeat(LEVEL, FrameRange.of(0, 48), 0))) {
            assertThatIllegalArgumentException().as(edit.name()).isThrownBy(() -> edit.change()
                    .apply(shot));
        }
    }

    @Test
    void aTieIsCutForOnePlaceOnly() {
        Shot shot = Shots.showing(Exposure.of(0, 2, 1), Exposure.of(2, 2, 2), Exposure.of(4, 2, 1));
        Shot cut = TimingEdits.cutTie(Shots.LEVEL, 4).change().apply(shot);
        assertThat(Shots.level(cut).exposures().at(4).orElseThrow().drawing()).isEqualTo(3);
        assertThat(Shots.level(cut).drawing(3).orElseThrow().strokes())
                .isEqualTo(Shots.level(shot).drawing(1).orElseThrow().strokes());
        assertThat(TimingEdits.cutTie(Shots.LEVEL, 2).change().apply(shot)).isEqualTo(shot);
    }

    @Test
    void drawingsAreMadeOnEverySecondFreeFrame() {
        Shot shot = Shots.showing(Exposure.of(4, 2, 1));
        Shot made =
                TimingEdits.drawings(LEVEL, FrameRange.of(0, 10), 2).change().apply(shot);
        assertThat(Shots.level(made).exposures().runs())
                .extracting(Exposure::start)
                .containsExactly(0, 2, 4, 6, 8);
        assertThat(Shots.level(made).exposures().at(4).orElseThrow().drawing()).isEqualTo(1);
        Shot pruned = TimingEdits.removeUnused(LEVEL)
                .change()
                .apply(made.withLevel(Shots.LEVEL, l -> l.with(Exposures.of(Exposure.of(4, 2, 1)))));
        assertThat(Shots.level(pruned).drawings()).extracting(Drawing::number).containsExactly(1);
    }

    @Test
    void twoLevelsExchangeWhatTheyShowAndKeepTheirNames() {
        Shot shot = Shots.showing(Exposure.of(0, 2, 1), Exposure.of(2, 2, 2));
        Shot two = LevelEdits.add("level-2", "line", Shots.LEVEL).change().apply(shot);
        Shot swapped = TimingEdits.swap(Shots.LEVEL, "level-2").change().apply(two);
        assertThat(swapped.level("level-2").orElseThrow().drawings())
                .isEqualTo(two.level(Shots.LEVEL).orElseThrow().drawings());
        assertThat(swapped.level("level-2").orElseThrow().name()).isEqualTo("line");
        assertThat(swapped.level(Shots.LEVEL).orElseThrow().exposures().runs()).isEmpty();
        assertThat(TimingEdits.swap(Shots.LEVEL, "level-2").change().apply(swapped))
                .isEqualTo(two);
    }

    @Test
    void anArcRunsThroughBothKeysAndBulgesAsItsNeighboursDo() {
        // Four poses of a ball on a circle of 100 about (0, 0): at -60, -20, 20 and 60 degrees.
        Shot shot =
                Shots.showing(Exposure.of(0, 2, 1), Exposure.of(2, 2, 2), Exposure.of(4, 2, 3), Exposure.of(6, 2, 4));
        for (int n = 1; n <= 4; n++) {
            double angle = Math.toRadians(-60 + 40 * (n - 1));
            double x = 100 * Math.cos(angle);
            double y = 100 * Math.sin(angle);
            Drawing ball = new Drawing(n, List.of(Strokes.line(x - 3, y, x + 3, y)));
            shot = shot.withLevel(Shots.LEVEL, level -> level.with(ball));
        }
        var runs = Shots.level(shot).exposures().runs();
        var arc = BetweenEdits.arc(Shots.level(shot), runs.get(1), runs.get(2)).orElseThrow();
        assertThat(arc.apply(0).getY()).isCloseTo(100 * Math.sin(Math.toRadians(-20)), within(0.01));
        assertThat(arc.apply(1).getY()).isCloseTo(100 * Math.sin(Math.toRadians(20)), within(0.01));
        double radius = Math.hypot(arc.apply(0.5).getX(), arc.apply(0.5).getY());
        assertThat(radius).as("a straight way would pass at 94").isBetween(98.0, 101.0);
        assertThat(BetweenEdits.arc(Shots.level(shot), runs.get(0), runs.get(1)))
                .as("nothing before")
                .isEmpty();
    }

    @Test
    void theChecksFindWhatIsProbablyNotMeant() {
        Shot shot = Shots.showing(
                        Exposure.of(0, 2, 1),
                        Exposure.of(2, 1, 2),
                        Exposure.of(3, 2, 3),
                        Exposure.of(6, 2, 4),
                        Exposure.of(60, 2, 5))
                .withLevel(Shots.LEVEL, level -> level.with(Drawing.empty(4)).with(Drawing.empty(9)));
        assertThat(Checks.of(shot))
                .extracting(f -> f.check() + " " + f.frame() + " " + f.drawing())
                .containsExactlyInAnyOrder(
                        "broken-twos 2 2", "one-frame-gap 5 0", "empty-shown 6 4", "outside 60 5", "never-shown 0 9");
        assertThat(Checks.of(Shots.showing(Exposure.of(0, 2, 1), Exposure.of(2, 2, 2))))
                .isEmpty();
    }

    /** "map" on frames 12 to 24 on a mouth level; lips close at its start and end, a frame early. */
    private static Shot speaking() {
        Shot shot =
                SpeechEdits.addWord(new Word("word-1", "map", 0.5, 1)).change().apply(Shots.empty());
        return MouthLevels.make(new MouthPlace(100, 100, 40, true)).change().apply(shot);
    }

    private static List<Integer> lipsClose(Shot shot) {
        return MouthLevels.seen(shot).stream()
                .filter(span -> span.shape().equals(MouthChart.CLOSED))
                .map(span -> span.range().start())
                .toList();
    }

    @ParameterizedTest
    @ValueSource(booleans = {true, false})
    void framesPutInMoveMouthsOnlyWithTheirSound(boolean soundAlong) {
        Shot shot = speaking();
        Shot longer = ShotTimingEdits.insertFrames(4, 6, new ShotTimingEdits.Along(soundAlong, true))
                .change()
                .apply(shot);
        int by = soundAlong ? 6 : 0;
        assertThat(lipsClose(longer))
                .isEqualTo(lipsClose(shot).stream().map(f -> f + by).toList());
        assertThat(longer.mouths()).noneMatch(MouthSpan::byHand);
        // What was moved is still no work of a hand: it follows its word again.
        Shot moved = SpeechEdits.changeWord("move", "word-1", word -> word.withTimes(1, 1.5))
                .change()
                .apply(longer);
        assertThat(moved.mouths()).noneMatch(MouthSpan::byHand);
        assertThat(lipsClose(moved)).contains(23);
    }

    @Test
    void framesTakenOutLeaveTheMouthsOnTheWords() {
        Shot shorter = ShotTimingEdits.removeFrames(FrameRange.of(2, 6), new ShotTimingEdits.Along(false, true))
                .change()
                .apply(speaking());
        assertThat(lipsClose(shorter)).isEqualTo(lipsClose(speaking()));
        assertThat(shorter.mouths()).noneMatch(MouthSpan::byHand);
    }
}
