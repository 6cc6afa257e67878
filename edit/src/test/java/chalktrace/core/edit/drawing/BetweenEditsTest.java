package chalktrace.core.edit.drawing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.between.InBetween;
import chalktrace.core.between.TimingChart;
import chalktrace.core.edit.Edit;
import chalktrace.core.fill.Contours;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.testing.AfterEdits;
import chalktrace.core.testing.Shots;
import chalktrace.core.testing.Strokes;
import java.awt.geom.AffineTransform;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** In-betweens put on the frames between two keys, over what is there, with their paint. */
class BetweenEditsTest {

    private static final Placement MOVED = Placement.AS_IS.withPosition(7, -3);
    private static final Exposure FIRST = new Exposure(2, 8, 1, MOVED);
    private static final Exposure SECOND = Exposure.of(10, 4, 2);

    /** A line that goes from a height of 20 to one of 60. */
    private static Shot keys() {
        return Shots.empty().withLevel(Shots.LEVEL, level -> level.with(new Drawing(1, square(20)))
                .with(new Drawing(2, square(60)))
                .with(level.exposures().with(FIRST).with(SECOND)));
    }

    private static List<Stroke> square(double y) {
        return List.of(
                Strokes.line(10, y, 50, y),
                Strokes.line(50, y, 50, y + 30),
                Strokes.line(50, y + 30, 10, y + 30),
                Strokes.line(10, y + 30, 10, y));
    }

    private static Contours area(double y) {
        return Contours.of(List.of(new double[] {10, y, 50, y, 50, y + 30, 10, y + 30}));
    }

    private static Edit make(int every, Double... ticks) {
        return BetweenEdits.make(
                Shots.LEVEL,
                FIRST,
                SECOND,
                InBetween.of(square(20), square(60)),
                new TimingChart(List.of(ticks)),
                every,
                Optional.empty());
    }

    private static double top(Drawing drawing) {
        return drawing.strokes().get(0).curve().y(0);
    }

    @Test
    void onTwosEachShowsForTwoFramesWhereItsTickSays() {
        Level level = Shots.level(AfterEdits.after(keys(), make(2, 0.25, 0.5, 0.9)));
        assertThat(level.exposures().runs())
                .containsExactly(
                        new Exposure(2, 2, 1, MOVED),
                        new Exposure(4, 2, 3, MOVED),
                        new Exposure(6, 2, 4, MOVED),
                        new Exposure(8, 2, 5, MOVED),
                        SECOND);
        assertThat(top(level.drawing(3).orElseThrow())).isCloseTo(30, within(0.2));
        assertThat(top(level.drawing(4).orElseThrow())).isCloseTo(40, within(0.2));
        assertThat(top(level.drawing(5).orElseThrow())).isCloseTo(56, within(0.2));
    }

    @Test
    void theLastLastsToTheKeyWhereTheyDoNotComeOutEven() {
        // Seven frames lie between: threes have room for two.
        assertThat(BetweenEdits.frames(FIRST, SECOND, 3)).isEqualTo(2);
        Level level = Shots.level(AfterEdits.after(keys(), make(3, 0.3, 0.6)));
        assertThat(level.exposures().runs())
                .extracting(Exposure::start, Exposure::frames)
                .containsExactly(tuple(2, 3), tuple(5, 3), tuple(8, 2), tuple(10, 4));
        assertThatIllegalArgumentException().isThrownBy(() -> make(3, 0.3)).withMessageContaining("1 ticks");
    }

    @Test
    void lockedAndHeldLevelsAndThoseThatAreGoneStayAsTheyAre() {
        Shot locked = keys().withLevel(Shots.LEVEL, level -> level.withLocked(true));
        assertThat(AfterEdits.after(locked, make(2, 0.25, 0.5, 0.75))).isEqualTo(locked);
        Shot held = keys().withLevel(
                        Shots.LEVEL, level -> level.withStyle(level.style().withHeld(true)));
        assertThat(AfterEdits.after(held, make(2, 0.25, 0.5, 0.75))).isEqualTo(held);
        assertThat(AfterEdits.after(Shots.empty().withLevels(List.of()), make(2, 0.25, 0.5, 0.75))
                        .levels())
                .isEmpty();
    }

    @Test
    void paintGoesWithItsLinesUnderTheSameNumbersWhereBothKeysHaveIt() {
        Shot one = AfterEdits.after(keys(), FillEdits.paint(Shots.LEVEL, 3, "chalk-1", area(20).transformed(moved())));
        String paint = FillEdits.paintLevel(one, Shots.LEVEL).orElseThrow();
        Shot alone = AfterEdits.after(one, make(2, 0.25, 0.5, 0.75));
        assertThat(alone.level(paint)).isEqualTo(one.level(paint));
        Shot both = AfterEdits.after(one, FillEdits.paint(Shots.LEVEL, 11, "chalk-1", area(60)));
        Level painted =
                AfterEdits.after(both, make(2, 0.25, 0.5, 0.75)).level(paint).orElseThrow();
        for (int i = 0; i < 3; i++) {
            Drawing drawing = painted.drawing(3 + i).orElseThrow();
            assertThat(drawing.strokes()).isEmpty();
            Contours area = drawing.fills().get(0).area();
            assertThat(area.area()).isCloseTo(1200, within(12.0));
            assertThat(area.contains(30, 20 + 10 * (i + 1) + 2)).isTrue();
            assertThat(area.contains(30, 20 + 10 * (i + 1) - 2)).isFalse();
            assertThat(painted.exposures().at(4 + 2 * i)).map(Exposure::drawing).hasValue(3 + i);
        }
        Shot locked = both.withLevel(paint, level -> level.withLocked(true));
        assertThat(AfterEdits.after(locked, make(2, 0.25, 0.5, 0.75)).level(paint))
                .isEqualTo(locked.level(paint));
    }

    private static AffineTransform moved() {
        return AffineTransform.getTranslateInstance(7, -3);
    }
}
