package chalktrace.core.edit;

import static chalktrace.core.testing.Shots.LEVEL;
import static chalktrace.core.testing.Shots.level;
import static chalktrace.core.testing.Shots.showing;
import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.shot.Cue;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.MouthSpan;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.Word;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.testing.Shots;
import chalktrace.core.time.FrameRange;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class EditsTest {

    private static Shot after(Shot shot, Edit... edits) {
        Shot now = shot;
        for (Edit edit : edits) {
            now = edit.change().apply(now);
        }
        return now;
    }

    @Test
    void theDusterTakesTheStrokesItTouchesOffEveryShowing() {
        Shot shot = showing(Exposure.of(0, 2, 2), Exposure.of(10, 2, 2));
        List<Stroke> touched = DrawingEdits.touched(shot, LEVEL, 0, 50, 43, 5);
        assertThat(touched).hasSize(1);
        assertThat(DrawingEdits.touched(shot, LEVEL, 0, 50, 80, 5)).isEmpty();
        Shot dusted = after(shot, DrawingEdits.erase(LEVEL, 0, touched));
        assertThat(level(dusted).drawingAt(11).orElseThrow().strokes()).isEmpty();
    }

    @Test
    void aShowingMovesOverWhatIsThere() {
        Shot shot = showing(Exposure.of(0, 4, 1), Exposure.of(4, 4, 2));
        Shot moved = after(shot, DrawingEdits.moveShowing(LEVEL, 0, 6));
        assertThat(level(moved).exposures()).isEqualTo(Exposures.of(Exposure.of(4, 2, 2), Exposure.of(6, 4, 1)));
    }

    @Test
    void aLockedLevelKeepsItsTiming() {
        Shot locked = showing(Exposure.of(0, 4, 1)).withLevel(LEVEL, l -> l.withLocked(true));
        assertThat(after(
                        locked,
                        DrawingEdits.hold(LEVEL, 0, 2),
                        DrawingEdits.trim(LEVEL, 0, 2),
                        DrawingEdits.moveShowing(LEVEL, 0, 5),
                        DrawingEdits.clearShowing(LEVEL, 0),
                        DrawingEdits.blank(LEVEL, FrameRange.of(0, 2))))
                .isEqualTo(locked);
    }

    @Test
    void aMarkTurnsFromKeyToBreakdownToNone() {
        Shot key = after(Shots.empty(), MarkEdits.turn(7));
        assertThat(key.marks()).containsExactly(new Mark(7, Mark.Kind.KEY));
        Shot breakdown = after(key, MarkEdits.turn(7));
        assertThat(breakdown.marks()).containsExactly(new Mark(7, Mark.Kind.BREAKDOWN));
        assertThat(after(breakdown, MarkEdits.turn(7)).marks()).isEmpty();
    }

    @Test
    void cuesStayInOrderWhenTheyAreMoved() {
        Shot shot = after(
                Shots.empty(),
                MarkEdits.addCue(new Cue("cue-1", "step", 0.5)),
                MarkEdits.addCue(new Cue("cue-2", "clink", 1.0)),
                MarkEdits.changeCue("move", new Cue("cue-1", "step", 1.5)));
        assertThat(shot.cues()).extracting(Cue::name).containsExactly("clink", "step");
        assertThat(after(shot, MarkEdits.removeCue("cue-2")).cues()).hasSize(1);
    }

    @Test
    void aWordMovedOverItsNeighbourShortensIt() {
        Shot shot = after(
                Shots.empty(),
                SpeechEdits.addWord(new Word("word-1", "careful", 0.2, 0.6)),
                SpeechEdits.addWord(new Word("word-2", "now", 0.6, 1.0)),
                SpeechEdits.changeWord("move", "word-2", word -> word.withTimes(0.5, 0.9)));
        assertThat(shot.words().get(0).endSeconds()).isEqualTo(0.5);
        assertThat(shot.words().get(1).startSeconds()).isEqualTo(0.5);
    }

    @Test
    void mouthsSetByHandOutliveAChangeOfWordsUntilTheyAreGivenBack() {
        Word word = new Word("word-1", "map", 0, 0.5);
        Shot shot = after(Shots.empty(), SpeechEdits.addWord(word), SpeechEdits.setMouth(FrameRange.of(2, 3), "round"));
        Shot renamed = after(shot, SpeechEdits.changeWord("rename", "word-1", w -> w.withText("fee")));
        assertThat(renamed.mouthAt(3)).map(MouthSpan::shape).hasValue("round");
        Shot given = after(renamed, SpeechEdits.releaseMouths(FrameRange.of(2, 3)));
        assertThat(given.mouths()).noneMatch(MouthSpan::byHand);
        assertThat(given.mouthAt(3)).map(MouthSpan::shape).isNotEqualTo(Optional.of("round"));
    }

    @Test
    void levelsAreAddedInFrontReorderedAndTheLastOneStays() {
        Shot two = after(Shots.empty(), LevelEdits.add("level-2", "line", LEVEL));
        assertThat(two.levels()).extracting(Level::id).containsExactly("level-2", LEVEL);
        Shot turned = after(two, LevelEdits.reorder("level-2", 1));
        assertThat(turned.levels()).extracting(Level::id).containsExactly(LEVEL, "level-2");
        Shot one = after(turned, LevelEdits.remove(LEVEL), LevelEdits.remove("level-2"));
        assertThat(one.levels()).extracting(Level::id).containsExactly("level-2");
    }
}
