package chalktrace.core.edit.timing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import chalktrace.core.check.Checks;
import chalktrace.core.check.Finding;
import chalktrace.core.shot.Cycle;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.testing.AfterEdits;
import chalktrace.core.testing.Shots;
import chalktrace.core.testing.Strokes;
import chalktrace.core.time.FrameRange;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class CycleEditsTest {

    private static final FrameRange STRIDE = FrameRange.of(0, 8);

    private static Shot walk() {
        return Shots.showing(Exposure.of(0, 4, 1), Exposure.of(4, 4, 2), Exposure.of(10, 2, 3));
    }

    private static Cycle cycle(Shot shot) {
        return shot.cycles().get(0);
    }

    @Test
    void aCycleRunsOnAsTiesToTheShotsEnd() {
        Shot marked = AfterEdits.after(walk(), CycleEdits.mark("level-1", STRIDE));
        Shot running = AfterEdits.after(marked, CycleEdits.runOn(cycle(marked)));
        for (int frame = 0; frame < running.setup().length(); frame++) {
            assertThat(Shots.level(running).exposures().at(frame))
                    .map(Exposure::drawing)
                    .hasValue(frame % 8 < 4 ? 1 : 2);
        }
        assertThat(Shots.level(running).drawings())
                .isEqualTo(Shots.level(walk()).drawings());
    }

    @Test
    void aCycleIsMarkedWithinTheShotOverThoseThatItCutsAndTakenAwayAlone() {
        Shot two = AfterEdits.after(
                walk(),
                CycleEdits.mark("level-1", FrameRange.of(0, 4)),
                CycleEdits.mark("level-1", FrameRange.of(4, 4)));
        assertThat(two.cycles()).hasSize(2);
        assertThat(AfterEdits.after(two, CycleEdits.unmark(cycle(two))).cycles())
                .extracting(Cycle::frames)
                .containsExactly(FrameRange.of(4, 4));
        Shot over = AfterEdits.after(two, CycleEdits.mark("level-1", new FrameRange(3, 100)));
        assertThat(over.cycles())
                .extracting(Cycle::frames)
                .containsExactly(new FrameRange(3, two.setup().length()));
        for (FrameRange nothing : List.of(FrameRange.of(20, 4), FrameRange.of(100, 4))) {
            assertThatIllegalArgumentException()
                    .isThrownBy(() -> AfterEdits.after(walk(), CycleEdits.mark("level-1", nothing)))
                    .withMessageContaining("rough");
        }
        assertThatIllegalArgumentException()
                .isThrownBy(() -> AfterEdits.after(walk(), CycleEdits.mark("level-9", STRIDE)))
                .withMessageContaining("no such level");
    }

    @Test
    void aCycleThatEndsWithItsFirstPoseIsFoundOut() {
        // Common practice: loop without the last frame, or the first pose shows twice.
        Shot same = Shots.showing(Exposure.of(0, 4, 1), Exposure.of(4, 4, 2), Exposure.of(8, 1, 1));
        Shot marked = AfterEdits.after(same, CycleEdits.mark("level-1", FrameRange.of(0, 9)));
        assertThat(Checks.of(marked)).extracting(Finding::check).contains("cycle-shows-twice");
        Shot without = AfterEdits.after(same, CycleEdits.mark("level-1", FrameRange.of(0, 8)));
        assertThat(Checks.of(without)).extracting(Finding::check).doesNotContain("cycle-shows-twice");
    }

    @Test
    void theSecondHalfIsTheFirstWithLegsExchanged() {
        Stroke left = Strokes.line(0, 0, 10, 100).withPart("left leg").withChalk("chalk-1");
        Stroke right = Strokes.line(50, 0, 60, 100).withPart("right leg").withChalk("chalk-2");
        Stroke head = Strokes.line(20, 0, 30, 10);
        Shot shot = walk().withLevel("level-1", level -> level.with(new Drawing(1, List.of(left, head, right))));
        assertThat(CycleEdits.sides(Shots.level(shot))).containsEntry("left leg", "right leg");
        Shot whole =
                AfterEdits.after(shot, CycleEdits.secondHalf("level-1", STRIDE, CycleEdits.sides(Shots.level(shot))));
        Level level = Shots.level(whole);
        Drawing opposite = level.drawingAt(8).orElseThrow();
        assertThat(opposite.number()).isGreaterThan(3);
        // The leg that was drawn in front now is the other's, in its chalk, behind.
        assertThat(opposite.strokes())
                .containsExactly(
                        right.withPart("left leg").withChalk("chalk-1"),
                        head,
                        left.withPart("right leg").withChalk("chalk-2"));
        assertThat(level.exposures().at(12).map(Exposure::frames)).hasValue(4);
        assertThat(level.exposures().at(18).map(Exposure::drawing))
                .as("pushed on")
                .hasValue(3);
        assertThatThrownBy(() -> AfterEdits.after(shot, CycleEdits.secondHalf("level-1", STRIDE, Map.of())))
                .hasMessageContaining("nothing was changed");
    }

    @Test
    void aCycleMovesAndGrowsWithItsFramesAndOneOfWhichNothingIsLeftGoes() {
        Shot marked = AfterEdits.after(walk(), CycleEdits.mark("level-1", FrameRange.of(4, 4)));
        ShotTimingEdits.Along along = new ShotTimingEdits.Along(true, true);
        assertThat(cycle(AfterEdits.after(marked, ShotTimingEdits.insertFrames(0, 3, along)))
                        .frames())
                .isEqualTo(FrameRange.of(7, 4));
        assertThat(cycle(AfterEdits.after(marked, ShotTimingEdits.insertFrames(6, 3, along)))
                        .frames())
                .isEqualTo(FrameRange.of(4, 7));
        assertThat(AfterEdits.after(marked, ShotTimingEdits.removeFrames(FrameRange.of(3, 6), along))
                        .cycles())
                .isEmpty();
        assertThatThrownBy(() -> AfterEdits.after(walk(), CycleEdits.mark("level-1", FrameRange.of(8, 2))))
                .hasMessageContaining("Nothing shows");
        assertThatThrownBy(() -> AfterEdits.after(walk(), CycleEdits.mark("level-1", FrameRange.of(0, 1))))
                .hasMessageContaining("two frames");
    }

    @Test
    void aLevelThatChangesOneFrameBesideTheOtherIsFoundOut() {
        Shot shot = Shots.showing(
                        Exposure.of(0, 4, 1), Exposure.of(4, 4, 2), Exposure.of(8, 4, 3), Exposure.of(12, 4, 1))
                .withLevels(List.of());
        Level first = Shots.level(
                Shots.showing(Exposure.of(0, 4, 1), Exposure.of(4, 4, 2), Exposure.of(8, 4, 3), Exposure.of(12, 4, 1)));
        Level second = new Level(
                "level-2",
                "line",
                true,
                false,
                1,
                first.style(),
                first.drawings(),
                Exposures.of(Exposure.of(0, 4, 1), Exposure.of(4, 4, 2), Exposure.of(8, 5, 3), Exposure.of(13, 3, 1)));
        assertThat(Checks.of(shot.withLevels(List.of(first, second))))
                .filteredOn(finding -> finding.check().equals("almost-together"))
                .singleElement()
                .matches(finding -> finding.frame() == 13 && finding.level().equals("level-2"));
    }
}
