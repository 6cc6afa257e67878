package chalktrace.core.edit.selection;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.edit.Edit;
import chalktrace.core.edit.GroupEdits;
import chalktrace.core.edit.LevelEdits;
import chalktrace.core.edit.drawing.DrawingEdits;
import chalktrace.core.edit.drawing.StrokeLanding;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.LevelGroup;
import chalktrace.core.shot.LevelStyle;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.testing.Shots;
import chalktrace.core.testing.Strokes;
import chalktrace.core.time.FrameRange;
import java.awt.geom.Point2D;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class SpanEditsTest {

    private static final SpanMove RIGHT = SpanMove.constant(new SpanMove.Key(10, 0, 1, 0, 1));

    @Test
    void aNamedPartMovesOnEachDrawingOfTheSpanAndOnlyThere() {
        Shot shot = threeDrawings();
        Pick eye = Pick.part(shot, Shots.LEVEL, 0, "eye").orElseThrow();

        Shot moved =
                SpanEdits.movePart(eye, new FrameRange(0, 4), RIGHT).change().apply(shot);

        assertThat(x(moved, 1, 0)).isEqualTo(x(shot, 1, 0) + 10);
        assertThat(x(moved, 2, 0)).isEqualTo(x(shot, 2, 0) + 10);
        assertThat(x(moved, 3, 0)).as("beyond the span").isEqualTo(x(shot, 3, 0));
        assertThat(x(moved, 1, 1)).as("another part").isEqualTo(x(shot, 1, 1));
        assertThat(SpanEdits.drawingsWithPart(shot, eye, new FrameRange(0, 4))).isEqualTo(2);
    }

    @Test
    void withoutANameWhatLiesInTheSameBoxIsTheSamePart() {
        Shot shot = threeDrawings();
        Shot nameless = shot.withLevel(Shots.LEVEL, level -> level.with(
                        new Drawing(1, List.of(Strokes.line(0, 0, 20, 0), Strokes.line(0, 80, 50, 80))))
                .with(new Drawing(2, List.of(Strokes.line(1, 0, 19, 0), Strokes.line(0, 80, 50, 80)))));
        Pick both = Pick.all(nameless, Shots.LEVEL, 0).orElseThrow();

        Shot moved =
                SpanEdits.movePart(both, new FrameRange(0, 4), RIGHT).change().apply(nameless);

        assertThat(x(moved, 1, 1)).isEqualTo(10);
        assertThat(x(moved, 2, 0)).isEqualTo(11);
    }

    @Test
    void keyedMovesAreEasedBetweenTheirKeys() {
        SpanMove move = new SpanMove(
                Map.of(0, SpanMove.Key.NONE, 4, new SpanMove.Key(100, 40, 4, 90, 0.5)), Ease.SLOW_OUT_AND_IN);
        assertThat(move.at(-3)).isEqualTo(SpanMove.Key.NONE);
        assertThat(move.at(1).right()).isEqualTo(12.5);
        assertThat(move.at(2).scale())
                .as("sizes go by ratios: half way to four is two")
                .isCloseTo(2, within(1e-9));
        assertThat(move.at(2).opacity()).isEqualTo(0.75);
        assertThat(move.at(9).degrees()).isEqualTo(90);
    }

    @Test
    void eachEaseStartsAtNothingEndsAtAllAndMirrorsItsOpposite() {
        for (Ease ease : Ease.values()) {
            assertThat(ease.at(0)).isZero();
            assertThat(ease.at(1)).isEqualTo(1);
        }
        for (double t = 0; t <= 1; t += 0.125) {
            assertThat(Ease.SLOW_IN.at(t)).isCloseTo(1 - Ease.SLOW_OUT.at(1 - t), within(1e-12));
            assertThat(Ease.SLOW_OUT_AND_IN.at(t)).isCloseTo(1 - Ease.SLOW_OUT_AND_IN.at(1 - t), within(1e-12));
        }
    }

    @Test
    void aTiedDrawingIsPlacedFrameByFrameAndStaysOneDrawing() {
        Shot shot = threeDrawings().withLevel(Shots.LEVEL, level -> level.with(Exposures.of(Exposure.of(0, 6, 1))));
        SpanMove move = new SpanMove(Map.of(1, SpanMove.Key.NONE, 3, new SpanMove.Key(20, 0, 1, 90, 1)), Ease.EVEN);

        Shot placed = SpanEdits.placeShowings(Shots.LEVEL, new FrameRange(1, 4), move, 30, 40)
                .change()
                .apply(shot);

        var runs = placed.level(Shots.LEVEL).orElseThrow().exposures();
        assertThat(runs.runs()).extracting(Exposure::start).containsExactly(0, 2, 3, 4);
        assertThat(runs.runs()).extracting(Exposure::drawing).containsOnly(1);
        // A point of the picture goes where turning it about (30, 40) and moving it says.
        Placement there = runs.at(3).orElseThrow().placement();
        double w = shot.setup().size().width() / 2.0;
        double h = shot.setup().size().height() / 2.0;
        Point2D corner = there.transform(w, h).transform(new Point2D.Double(40, 40), null);
        assertThat(corner.getX()).isCloseTo(30 + 20, within(1e-9));
        assertThat(corner.getY()).isCloseTo(50, within(1e-9));
    }

    @Test
    void aGroupIsRetimedTogetherOnlyWhereItIsSoAndMovesTogether() {
        Shot two = threeDrawings();
        Shot shot = two.withLevels(List.of(
                        two.levels().get(0),
                        new Level(
                                "level-2",
                                "line",
                                true,
                                false,
                                1,
                                LevelStyle.ROUGH,
                                two.levels().get(0).drawings(),
                                two.levels().get(0).exposures())))
                .withGroups(List.of(
                        new LevelGroup("group-1", "figure", List.of(Shots.LEVEL, "level-2"), true, false, 1, false)));
        Edit hold = DrawingEdits.hold(Shots.LEVEL, 0, 2);
        Shot alone = hold.change().apply(shot);
        Shot together = hold.change()
                .apply(GroupEdits.change("", "group-1", g -> g.withRetimed(true))
                        .change()
                        .apply(shot));

        assertThat(alone.level("level-2").orElseThrow().exposures().end()).isEqualTo(6);
        assertThat(together.level("level-2").orElseThrow().exposures().end()).isEqualTo(8);
        Shot moved = SpanEdits.moveGroup("group-1", 5, -2).change().apply(shot);
        assertThat(moved.level("level-2").orElseThrow().exposures().runs())
                .allMatch(run -> run.placement().x() == 5 && run.placement().y() == -2);
    }

    @Test
    void aLevelIsInOneGroupAndAnEmptyGroupGoes() {
        Shot shot = threeDrawings();
        Shot first = GroupEdits.make("group-1", "a", Shots.LEVEL).change().apply(shot);
        Shot second = GroupEdits.make("group-2", "b", Shots.LEVEL).change().apply(first);
        assertThat(second.groups()).extracting(LevelGroup::id).containsExactly("group-2");
        assertThat(GroupEdits.take(Shots.LEVEL).change().apply(second).groups()).isEmpty();
    }

    @Test
    void aHeldBackgroundShowsOverTheWholeShotHoweverLongItIs() {
        Shot held = LevelEdits.change(
                        "hold",
                        Shots.LEVEL,
                        level -> level.withStyle(level.style().withHeld(true)))
                .change()
                .apply(threeDrawings());
        assertThat(held.level(Shots.LEVEL).orElseThrow().exposures().runs()).hasSize(1);
        Shot longer = held.withSetup(held.setup().withLength(240));
        assertThat(longer.level(Shots.LEVEL)
                        .orElseThrow()
                        .drawingAt(239)
                        .orElseThrow()
                        .number())
                .isEqualTo(1);
        assertThat(StrokeLanding.afresh(longer, Shots.LEVEL, 100).kind()).isEqualTo(StrokeLanding.Kind.ONTO_DRAWING);
    }

    @Test
    void aLoosePartTrailsBehindWhatItHangsOnAndItsRootGoesAlong() {
        Shot shot = Shots.showing(Exposure.of(0, 1, 1));
        Exposure[] runs = new Exposure[12];
        for (int f = 0; f < 12; f++) {
            double x = 10 * Math.min(f, 6);
            Drawing drawing = new Drawing(
                    f + 1,
                    List.of(
                            Strokes.line(x, 40, x, 60),
                            Strokes.line(x + 1, 60, x + 1, 160).withPart("scarf")));
            runs[f] = Exposure.of(f, 1, f + 1);
            shot = shot.withLevel(Shots.LEVEL, level -> level.with(drawing));
        }
        Shot rigid = shot.withLevel(Shots.LEVEL, level -> level.with(new Exposures(List.of(runs))));
        Pick scarf = Pick.part(rigid, Shots.LEVEL, 0, "scarf").orElseThrow();
        Shot loose = SpanEdits.followThrough(scarf, new FrameRange(0, 12), 2, 0.5)
                .change()
                .apply(rigid);

        Stroke moving = Shots.level(loose).drawing(6).orElseThrow().strokes().get(1);
        int end = moving.curve().points() - 1;
        assertThat(moving.curve().x(0)).as("the root").isCloseTo(51, within(3.0));
        assertThat(51 - moving.curve().x(end))
                .as("the tip is about two frames late")
                .isBetween(10.0, 30.0);
        assertThat(Shots.level(loose).drawing(6).orElseThrow().strokes().get(0))
                .isEqualTo(Shots.level(rigid).drawing(6).orElseThrow().strokes().get(0));
    }

    /** Three drawings on twos, each with a part "eye" and one of no name. */
    private static Shot threeDrawings() {
        Shot shot = Shots.showing(Exposure.of(0, 2, 1), Exposure.of(2, 2, 2), Exposure.of(4, 2, 3));
        for (int n = 1; n <= 3; n++) {
            Stroke eye = Strokes.line(10 * n, 5, 10 * n + 20, 9).withPart("eye");
            Drawing drawing = new Drawing(n, List.of(eye, Strokes.line(0, 80, 50, 80)));
            shot = shot.withLevel(Shots.LEVEL, level -> level.with(drawing));
        }
        return shot;
    }

    private static double x(Shot shot, int drawing, int stroke) {
        return shot.level(Shots.LEVEL)
                .orElseThrow()
                .drawing(drawing)
                .orElseThrow()
                .strokes()
                .get(stroke)
                .curve()
                .x(0);
    }
}
