package chalktrace.core.edit.selection;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.edit.ChalkEdits;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.drawing.StrokeLanding;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.testing.Shots;
import chalktrace.core.testing.Strokes;
import chalktrace.core.time.FrameRange;
import java.awt.geom.AffineTransform;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Rectangle2D;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

class PickEditsTest {

    private static final Rectangle2D LEFT = new Rectangle2D.Double(0, 0, 60, 180);

    /** Three lines: two at the left, one at the right; shown shifted by 10 to the right and turned on frame 2. */
    private static Shot shot() {
        Drawing drawing = new Drawing(
                1, List.of(Strokes.line(10, 20, 40, 20), Strokes.line(200, 20, 240, 20), Strokes.line(10, 60, 40, 90)));
        return Shots.empty().withLevel(Shots.LEVEL, level -> level.with(drawing)
                .with(Exposures.of(
                        Exposure.of(0, 2, 1),
                        new Exposure(
                                2, 2, 1, Placement.AS_IS.withPosition(10, 0).withDegrees(30)))));
    }

    private static List<Stroke> strokes(Shot shot) {
        return Shots.level(shot).drawing(1).orElseThrow().strokes();
    }

    private static Shot apply(Edit edit, Shot shot) {
        return edit.change().apply(shot);
    }

    @Test
    void aLoopTakesWhatLiesMostlyInItAndABoxWhatItTouches() {
        Pick loop = Pick.within(shot(), Shots.LEVEL, 0, LEFT, Pick.Rule.MOSTLY_WITHIN)
                .orElseThrow();
        assertThat(loop.strokes()).containsExactlyInAnyOrder(0, 2);
        Ellipse2D small = new Ellipse2D.Double(0, 10, 20, 20);
        assertThat(Pick.within(shot(), Shots.LEVEL, 0, small, Pick.Rule.MOSTLY_WITHIN))
                .isEmpty();
        assertThat(Pick.within(shot(), Shots.LEVEL, 0, small, Pick.Rule.TOUCHED)
                        .orElseThrow()
                        .strokes())
                .containsExactly(0);
        assertThat(Pick.at(shot(), Shots.LEVEL, 0, 220, 22, 3).orElseThrow().strokes())
                .containsExactly(1);
        assertThat(Pick.at(shot(), Shots.LEVEL, 0, 220, 90, 3)).isEmpty();
    }

    @Test
    void transformsComposeAndTheirInverseBringsBackTheVeryStrokes() throws Exception {
        Shot shot = shot();
        Pick pick = Pick.all(shot, Shots.LEVEL, 2).orElseThrow();
        AffineTransform turn = AffineTransform.getRotateInstance(0.7, 90, 40);
        turn.scale(1.5, 0.5);
        Shot there = apply(PickEdits.transform("turn", pick, turn), shot);
        Shot back = apply(PickEdits.transform("turn", pick, turn.createInverse()), there);
        for (int i = 0; i < 3; i++) {
            double[] was = strokes(shot).get(i).curve().toArray();
            double[] is = strokes(back).get(i).curve().toArray();
            for (int k = 0; k < was.length; k++) {
                assertThat(is[k]).isCloseTo(was[k], within(0.005));
            }
        }
    }

    @Test
    void throughAPlacedShowingAMoveIsOneOnThePicture() {
        Shot shot = shot();
        Pick pick = Pick.all(shot, Shots.LEVEL, 2).orElseThrow();
        Rectangle2D before = pick.bounds(shot);
        Shot moved = apply(PickEdits.transform("move", pick, AffineTransform.getTranslateInstance(25, -7)), shot);
        Rectangle2D after = pick.bounds(moved);
        assertThat(after.getX() - before.getX()).isCloseTo(25, within(0.01));
        assertThat(after.getY() - before.getY()).isCloseTo(-7, within(0.01));
    }

    @Test
    void twoEyesGrowEachAboutItsOwnMiddleSoThatTheirMiddlesStay() {
        Shot shot = shot();
        Pick pick = new Pick(Shots.LEVEL, 1, Placement.AS_IS, Set.of(0, 1), Set.of(), Set.of());
        Shot grown = apply(PickEdits.transformEach("grow", pick, AffineTransform.getScaleInstance(2, 2)), shot);
        assertThat(strokes(grown).get(0).curve().x(0)).isEqualTo(-5);
        assertThat(strokes(grown).get(0).curve().x(3)).isEqualTo(55);
        assertThat(strokes(grown).get(1).curve().x(0)).isEqualTo(180);
        assertThat(strokes(grown).get(2)).isEqualTo(strokes(shot).get(2));
    }

    @Test
    void whatIsCopiedOnOneFrameIsPastedInItsPlaceOnAnother() {
        Shot shot = shot();
        DrawingPiece piece = Pick.within(shot, Shots.LEVEL, 0, LEFT, Pick.Rule.MOSTLY_WITHIN)
                .orElseThrow()
                .lifted(shot);
        StrokeLanding landing = StrokeLanding.of(shot, Shots.LEVEL, 10);
        Shot pasted = apply(PickEdits.paste(landing, piece), shot);
        assertThat(Shots.level(pasted).drawingAt(10).orElseThrow().strokes()).isEqualTo(piece.strokes());
        assertThat(PickEdits.pasted(pasted, landing, piece).lifted(pasted)).isEqualTo(piece);
        // Onto the turned showing it goes where it looked, not where the numbers are.
        StrokeLanding turned = StrokeLanding.of(shot, Shots.LEVEL, 2);
        Shot onto = apply(PickEdits.paste(turned, piece), shot);
        Rectangle2D bounds = PickEdits.pasted(onto, turned, piece).bounds(onto);
        assertThat(bounds.getX()).isCloseTo(10, within(0.01));
        assertThat(strokes(onto)).hasSize(5);
    }

    @Test
    void aPasteOnASpanIsOneDrawingThatEachFramePlacesForItself() {
        Shot shot = shot();
        DrawingPiece eyes = Pick.all(shot, Shots.LEVEL, 0).orElseThrow().lifted(shot);
        Shot pasted = apply(PickEdits.pasteOnSpan(Shots.LEVEL, new FrameRange(20, 23), eyes), shot);
        assertThat(Shots.level(pasted).exposures().showing(2))
                .extracting(Exposure::start)
                .containsExactly(20, 21, 22);
        assertThat(Shots.level(pasted).drawings()).hasSize(2);
    }

    @Test
    void orderChalkAndRemovalTouchOnlyWhatIsPicked() {
        Shot shot = shot();
        Pick first = new Pick(Shots.LEVEL, 1, Placement.AS_IS, Set.of(0), Set.of(), Set.of());
        Shot front = apply(PickEdits.reorder(first, true), shot);
        assertThat(strokes(front).get(2)).isEqualTo(strokes(shot).get(0));
        assertThat(PickEdits.reordered(first, shot, true).strokes()).containsExactly(2);
        Shot red = apply(PickEdits.rechalk(first, "chalk-2"), shot);
        assertThat(strokes(red)).extracting(Stroke::chalk).containsExactly("chalk-2", "chalk-1", "chalk-1");
        assertThat(strokes(apply(PickEdits.remove(first), shot)))
                .isEqualTo(strokes(shot).subList(1, 3));
        Shot locked = shot.withLevel(Shots.LEVEL, level -> level.withLocked(true));
        assertThat(apply(PickEdits.remove(first), locked)).isEqualTo(locked);
    }

    @Test
    void allStrokesOfAChalkGoToAnotherOnAllLevelsOrOne() {
        Shot two = shot().withLevels(List.of(
                Shots.level(shot()),
                Level.empty("level-2", "line").with(new Drawing(4, List.of(Strokes.line(0, 0, 9, 9))))));
        Shot all = apply(ChalkEdits.giveAllTo("chalk-1", "chalk-3", Optional.empty(), Optional.empty()), two);
        assertThat(all.levels())
                .allSatisfy(level -> assertThat(level.drawings().get(0).strokes())
                        .extracting(Stroke::chalk)
                        .containsOnly("chalk-3"));
        Shot one = apply(ChalkEdits.giveAllTo("chalk-1", "chalk-3", Optional.of("level-2"), Optional.empty()), two);
        Shot early = apply(
                ChalkEdits.giveAllTo("chalk-1", "chalk-3", Optional.empty(), Optional.of(FrameRange.of(40, 2))), two);
        assertThat(early.levels()).as("nothing shows on those frames").isEqualTo(two.levels());
        assertThat(one.levels().get(0)).isEqualTo(two.levels().get(0));
        assertThat(one.levels().get(1).drawings().get(0).strokes().get(0).chalk())
                .isEqualTo("chalk-3");
    }
}
