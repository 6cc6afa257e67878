package chalktrace.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import chalktrace.core.edit.timing.TimingEdits;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Shot;
import chalktrace.core.testing.AfterEdits;
import chalktrace.core.testing.Shots;
import chalktrace.core.time.FrameRange;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What is typed into the sheet, and what belongs to showings that are turned round or shifted. */
class SheetEditsTest {

    private static Exposure run(int start, int frames, int drawing) {
        return new Exposure(start, frames, drawing, Placement.AS_IS);
    }

    private static List<Exposure> typed(Shot shot, int frame, String text) {
        Shot after = AfterEdits.after(shot, SheetEdits.type(Shots.level(shot), frame, text));
        return Shots.level(after).exposures().runs();
    }

    @Test
    void aNumberShowsUpToTheNextShowingOrTheEnd() {
        Shot shot = Shots.showing(run(10, 4, 1));
        assertThat(typed(shot, 2, "1")).containsExactly(run(2, 8, 1), run(10, 4, 1));
        assertThat(typed(shot, 20, " 1 ")).containsExactly(run(10, 4, 1), run(20, 28, 1));
        assertThat(typed(shot, 11, "x")).containsExactly(run(10, 1, 1), run(11, 3, Exposure.BLANK));
        assertThat(typed(shot, 11, "0")).isEqualTo(typed(shot, 11, "\u00d7"));
        assertThat(typed(shot, 12, "")).containsExactly(run(10, 2, 1));
    }

    @Test
    void aNumberThatIsNotThereYetMakesAnEmptyDrawing() {
        Shot shot = Shots.showing(run(10, 4, 1));
        Shot after = AfterEdits.after(shot, SheetEdits.type(Shots.level(shot), 0, "7"));
        assertThat(Shots.level(after).drawing(7).orElseThrow().isEmpty()).isTrue();
        assertThat(Shots.level(after).drawing(1)).isEqualTo(Shots.level(shot).drawing(1));
        Shot blank = AfterEdits.after(shot, SheetEdits.type(Shots.level(shot), 0, "x"));
        assertThat(Shots.level(blank).drawings()).hasSize(1);
    }

    @Test
    void whatIsNoDrawingAndALevelThatIsLockedAreRefused() {
        Shot shot = Shots.showing(run(10, 4, 1));
        for (String wrong : List.of("-1", "1.5", "a", "01", "1234567", "1 2")) {
            assertThatIllegalArgumentException()
                    .isThrownBy(() -> SheetEdits.type(Shots.level(shot), 0, wrong))
                    .withMessageContaining(wrong);
        }
        assertThatIllegalArgumentException()
                .isThrownBy(() -> SheetEdits.type(Shots.level(shot).withLocked(true), 0, "1"))
                .withMessageContaining("rough is locked");
    }

    private static Shot marked() {
        return Shots.showing(run(4, 2, 1), run(6, 3, 2))
                .withMarks(List.of(
                        new Mark(4, Mark.Kind.KEY, Optional.of(Shots.LEVEL), ""),
                        new Mark(6, Mark.Kind.BREAKDOWN, Optional.of(Shots.LEVEL), ""),
                        new Mark(20, Mark.Kind.KEY)));
    }

    private static Optional<Integer> frame(Shot shot, Mark.Kind kind) {
        return shot.marks().stream()
                .filter(mark -> mark.kind() == kind && !mark.isOfShot())
                .map(Mark::frame)
                .findFirst();
    }

    @Test
    void aLevelsMarksAreShiftedWithItsShowingsIntoTheSameDirection() {
        Shot later = AfterEdits.after(marked(), TimingEdits.shift(List.of(Shots.LEVEL), new FrameRange(4, 9), 3));
        assertThat(frame(later, Mark.Kind.KEY)).contains(7);
        assertThat(frame(later, Mark.Kind.BREAKDOWN)).contains(9);
        assertThat(later.markAt(20)).isPresent();
        assertThat(Shots.level(later).exposures().runs()).containsExactly(run(7, 2, 1), run(9, 3, 2));
        Shot sooner = AfterEdits.after(marked(), TimingEdits.shift(List.of(Shots.LEVEL), new FrameRange(4, 9), -2));
        assertThat(frame(sooner, Mark.Kind.KEY)).contains(2);
    }

    @Test
    void aLevelsMarksAreTurnedRoundWithItsShowings() {
        Shot turned = AfterEdits.after(marked(), TimingEdits.reverse(List.of(Shots.LEVEL), new FrameRange(4, 9)));
        assertThat(Shots.level(turned).exposures().runs()).containsExactly(run(4, 3, 2), run(7, 2, 1));
        assertThat(frame(turned, Mark.Kind.BREAKDOWN)).contains(4);
        assertThat(frame(turned, Mark.Kind.KEY)).contains(7);
    }
}
