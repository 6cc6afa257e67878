package chalktrace.core.edit;

import static chalktrace.core.testing.Shots.LEVEL;
import static chalktrace.core.testing.Shots.level;
import static chalktrace.core.testing.Shots.showing;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.edit.drawing.DrawingEdits;
import chalktrace.core.edit.timing.MarkEdits;
import chalktrace.core.fill.Contours;
import chalktrace.core.fill.Fill;
import chalktrace.core.shot.Cue;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.testing.AfterEdits;
import chalktrace.core.testing.Shots;
import chalktrace.core.testing.Strokes;
import chalktrace.core.time.FrameRange;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class EditsTest {

    @Test
    void theDusterTakesTheStrokesItTouchesOffEveryShowing() {
        Shot shot = showing(Exposure.of(0, 2, 2), Exposure.of(10, 2, 2));
        List<Stroke> touched = DrawingEdits.touched(shot, LEVEL, 0, 50, 43, 5);
        assertThat(touched).hasSize(1);
        assertThat(DrawingEdits.touched(shot, LEVEL, 0, 50, 80, 5)).isEmpty();
        Shot dusted = AfterEdits.after(shot, DrawingEdits.erase(LEVEL, 0, touched));
        assertThat(level(dusted).drawingAt(11).orElseThrow().strokes()).isEmpty();
    }

    @Test
    void aShowingMovesOverWhatIsThere() {
        Shot shot = showing(Exposure.of(0, 4, 1), Exposure.of(4, 4, 2));
        Shot moved = AfterEdits.after(shot, DrawingEdits.moveShowing(LEVEL, 0, 6));
        assertThat(level(moved).exposures()).isEqualTo(Exposures.of(Exposure.of(4, 2, 2), Exposure.of(6, 4, 1)));
    }

    @Test
    void aLockedLevelKeepsItsTiming() {
        Shot locked = showing(Exposure.of(0, 4, 1)).withLevel(LEVEL, l -> l.withLocked(true));
        assertThat(AfterEdits.after(
                        locked,
                        DrawingEdits.hold(LEVEL, 0, 2),
                        DrawingEdits.trim(LEVEL, 0, 2),
                        DrawingEdits.moveShowing(LEVEL, 0, 5),
                        DrawingEdits.clearShowing(LEVEL, 0),
                        DrawingEdits.blank(LEVEL, FrameRange.of(0, 2))))
                .isEqualTo(locked);
    }

    @Test
    void aMarkTurnsFromKeyToBreakdownToInBetweenToNone() {
        Shot key = AfterEdits.after(Shots.empty(), MarkEdits.turn(7));
        assertThat(key.marks()).containsExactly(new Mark(7, Mark.Kind.KEY));
        Shot breakdown = AfterEdits.after(key, MarkEdits.turn(7));
        assertThat(breakdown.marks()).containsExactly(new Mark(7, Mark.Kind.BREAKDOWN));
        Shot between = AfterEdits.after(breakdown, MarkEdits.turn(7));
        assertThat(between.marks()).containsExactly(new Mark(7, Mark.Kind.INBETWEEN));
        assertThat(AfterEdits.after(between, MarkEdits.turn(7)).marks()).isEmpty();
        Shot noted = AfterEdits.after(key, MarkEdits.note(7, " hold it "));
        assertThat(noted.markAt(7)).contains(new Mark(7, Mark.Kind.KEY));
        assertThat(AfterEdits.after(noted, MarkEdits.note(7, "")).marks()).isEqualTo(key.marks());
    }

    @Test
    void cuesStayInOrderWhenTheyAreMoved() {
        Shot shot = AfterEdits.after(
                Shots.empty(),
                MarkEdits.addCue(new Cue("cue-1", "step", 0.5)),
                MarkEdits.addCue(new Cue("cue-2", "clink", 1.0)),
                MarkEdits.changeCue("move", new Cue("cue-1", "step", 1.5)));
        assertThat(shot.cues()).extracting(Cue::name).containsExactly("clink", "step");
        assertThat(AfterEdits.after(shot, MarkEdits.removeCue("cue-2")).cues()).hasSize(1);
    }

    @Test
    void levelsAreAddedInFrontReorderedAndTheLastOneStays() {
        Shot two = AfterEdits.after(Shots.empty(), LevelEdits.add("level-2", "line", LEVEL));
        assertThat(two.levels()).extracting(Level::id).containsExactly("level-2", LEVEL);
        Shot turned = AfterEdits.after(two, LevelEdits.reorder("level-2", 1));
        assertThat(turned.levels()).extracting(Level::id).containsExactly(LEVEL, "level-2");
        Shot one = AfterEdits.after(turned, LevelEdits.remove(LEVEL), LevelEdits.remove("level-2"));
        assertThat(one.levels()).extracting(Level::id).containsExactly("level-2");
    }

    @Test
    void aDusterTakesWholeStrokesWhatItTouchesOrAPieceUpToACrossing() {
        Shot shot = Shots.showing(Exposure.of(0, 2, 1))
                .withLevel(
                        Shots.LEVEL,
                        level -> level.with(
                                new Drawing(1, List.of(Strokes.line(10, 20, 100, 20), Strokes.line(60, 0, 60, 90)))));
        assertThat(dusted(DrawingEdits.dustStrokes(shot, Shots.LEVEL, 0, 30, 21, 4), shot))
                .hasSize(1);
        List<Stroke> swept = dusted(DrawingEdits.dustSweep(shot, Shots.LEVEL, 0, 30, 10, 30, 30, 5), shot);
        assertThat(swept).hasSize(3);
        assertThat(swept.get(0).curve().x(3)).isCloseTo(25, within(0.01));
        List<Stroke> trimmed = dusted(DrawingEdits.dustToCrossing(shot, Shots.LEVEL, 0, 90, 21, 4), shot);
        assertThat(trimmed).hasSize(2);
        assertThat(trimmed.get(0).curve().x(3)).isCloseTo(60, within(0.01));
        assertThat(DrawingEdits.dustSweep(shot, Shots.LEVEL, 0, 200, 100, 210, 100, 5))
                .isEmpty();
        Shot locked = shot.withLevel(Shots.LEVEL, level -> level.withLocked(true));
        assertThat(DrawingEdits.dustStrokes(locked, Shots.LEVEL, 0, 30, 21, 4)).isEmpty();
    }

    @Test
    void whereTheDusterTouchesNoStrokeItTakesThePaintInFront() {
        Contours square = Contours.of(List.of(new double[] {100, 100, 140, 100, 140, 140, 100, 140}));
        Drawing painted = new Drawing(
                1,
                List.of(Strokes.line(10, 20, 100, 20)),
                List.of(new Fill("chalk-1", square), new Fill("chalk-2", square)));
        Shot shot = Shots.showing(Exposure.of(0, 2, 1)).withLevel(Shots.LEVEL, level -> level.with(painted));
        Shot after = DrawingEdits.dustStrokes(shot, Shots.LEVEL, 0, 120, 120, 4)
                .orElseThrow()
                .change()
                .apply(shot);
        assertThat(Shots.level(after).drawing(1).orElseThrow().fills())
                .extracting(Fill::chalk)
                .containsExactly("chalk-1");
    }

    private static List<Stroke> dusted(Optional<Edit> edit, Shot shot) {
        return Shots.level(edit.orElseThrow().change().apply(shot))
                .drawing(1)
                .orElseThrow()
                .strokes();
    }

    @Test
    void anEditIsWorkedOutAheadForOneShotAndAnewForAnyOther() {
        List<Shot> asked = new ArrayList<>();
        Edit edit = new Edit("name", shot -> {
            asked.add(shot);
            return shot.withName(shot.name() + "!");
        });
        Shot mine = Shots.empty().withName("mine");
        Shot other = mine.withName("other");
        Edit ready = edit.workedOutFor(mine);
        assertThat(ready.change().apply(mine).name()).isEqualTo("mine!");
        assertThat(ready.change().apply(mine)).isSameAs(ready.change().apply(mine));
        assertThat(asked).containsExactly(mine);
        assertThat(ready.change().apply(other).name()).isEqualTo("other!");
    }
}
