package chalktrace.core.edit;

import static chalktrace.core.testing.Shots.LEVEL;
import static chalktrace.core.testing.Strokes.line;
import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.edit.drawing.StrokeLanding;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.DrawingItem;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.testing.Shots;
import chalktrace.core.testing.Strokes;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class HistoryTest {

    private static Edit draw(Shot shot, int frame) {
        return StrokeLanding.of(shot, LEVEL, frame).draw(line(0, 0, frame + 1, 9));
    }

    @Test
    void undoAndRedoGoThroughEqualValues() {
        Shot start = Shots.empty();
        History history = new History(start, 1 << 20);
        history.apply(draw(history.present(), 0));
        Shot one = history.present();
        history.apply(draw(history.present(), 5));
        Shot two = history.present();
        assertThat(history.undo()).isTrue();
        assertThat(history.present()).isEqualTo(one);
        assertThat(history.undo()).isTrue();
        assertThat(history.present()).isEqualTo(start);
        assertThat(history.undo()).isFalse();
        history.redo();
        history.redo();
        assertThat(history.present()).isEqualTo(two);
        assertThat(history.redo()).isFalse();
    }

    @Test
    void itKnowsWhatItCameFromAndNotWhatWasUndone() {
        History history = new History(Shots.empty(), 1 << 20);
        Shot start = history.present();
        history.apply(draw(start, 0));
        Shot one = history.present();
        history.apply(draw(one, 5));
        Shot two = history.present();
        assertThat(history.hasBeen(start)).isTrue();
        assertThat(history.hasBeen(one)).isTrue();
        assertThat(history.hasBeen(two)).isTrue();
        assertThat(history.hasBeen(Shots.empty().withName("another"))).isFalse();
        history.undo();
        assertThat(history.hasBeen(two)).isFalse();
        assertThat(history.hasBeen(one)).isTrue();
    }

    @Test
    void aNewEditEndsWhatCouldBeRedone() {
        History history = new History(Shots.empty(), 1 << 20);
        history.apply(draw(history.present(), 0));
        history.undo();
        history.apply(draw(history.present(), 9));
        assertThat(history.redoName()).isEmpty();
    }

    @Test
    void anEditThatChangesNothingIsNoStep() {
        History history = new History(Shots.empty(), 1 << 20);
        history.apply(new Edit("nothing", shot -> shot.withName(shot.name())));
        assertThat(history.undoName()).isEmpty();
    }

    @Test
    void beyondTheBudgetTheOldestStepsGo() {
        History history = new History(Shots.empty(), 10_000);
        for (int i = 0; i < 40; i++) {
            history.apply(draw(history.present(), 0));
        }
        Shot last = history.present();
        int steps = 0;
        while (history.undo()) {
            steps++;
        }
        assertThat(steps).isBetween(1, 5);
        for (int i = 0; i < steps; i++) {
            history.redo();
        }
        assertThat(history.present()).isEqualTo(last);
    }

    /** A budget of 256 MB is for what is really held: strokes that a drawing keeps are held once, however many steps it has been through. */
    @Test
    void fiveThousandStrokesOnACrowdedDrawingCanAllBeUndone() {
        Drawing crowded = Drawing.empty(1);
        List<DrawingItem> items = new ArrayList<>();
        for (int i = 0; i < 1000; i++) {
            items.add(new DrawingItem.Line(Strokes.line(i, 1, 2, 3)));
        }
        Shot start = Shots.showing(Exposure.of(0, 4, 1));
        Drawing full = crowded.withItems(items);
        Shot first = start.withLevel(Shots.LEVEL, level -> level.with(full));
        History history = new History(first, 256L << 20);
        for (int i = 0; i < 5000; i++) {
            Stroke stroke = Strokes.line(1, i, 2, 3);
            history.apply(new Edit(
                    "draw",
                    shot -> shot.withLevel(
                            Shots.LEVEL,
                            level -> level.with(level.drawing(1).orElseThrow().plus(stroke)))));
        }
        int undone = 0;
        while (history.undo()) {
            undone++;
        }
        assertThat(undone).isEqualTo(5000);
        assertThat(history.present()).isEqualTo(first);
    }
}
