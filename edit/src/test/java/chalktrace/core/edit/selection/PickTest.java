package chalktrace.core.edit.selection;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.fill.Contours;
import chalktrace.core.fill.Fill;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Rgb;
import chalktrace.core.render.LiftedPiece;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.DrawingItem;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Shot;
import chalktrace.core.testing.AfterEdits;
import chalktrace.core.testing.Shots;
import chalktrace.core.testing.Strokes;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** What of a drawing is taken hold of, and what of it is taken along. */
class PickTest {

    private static final Fill LEFT = square(10, 60);
    private static final Fill RIGHT = square(200, 60);

    private static Fill square(double x, double y) {
        return new Fill("chalk-1", Contours.of(List.of(new double[] {x, y, x + 20, y, x + 20, y + 20, x, y + 20})));
    }

    /** A line, paint at the left, a line, paint at the right: in this order, from behind to the front. */
    private static final Drawing DRAWING = Drawing.empty(1)
            .withItems(List.of(
                    new DrawingItem.Line(Strokes.line(10, 20, 40, 20)),
                    new DrawingItem.Paint(LEFT),
                    new DrawingItem.Line(Strokes.line(200, 20, 240, 20)),
                    new DrawingItem.Paint(RIGHT)));

    private static final Shot SHOT =
            Shots.empty().withLevel(Shots.LEVEL, level -> level.with(DRAWING).with(Exposures.of(Exposure.of(0, 4, 1))));

    private static Pick pick(Set<Integer> strokes, Set<Integer> fills) {
        return new Pick(Shots.LEVEL, 1, Placement.AS_IS, strokes, fills, Set.of());
    }

    @Test
    void paintIsTakenByALoopRoundItsMiddleAndByATouchWhereNoLineIs() {
        Pick left = Pick.within(SHOT, Shots.LEVEL, 0, new Ellipse2D.Double(0, 50, 60, 40), Pick.Rule.MOSTLY_WITHIN)
                .orElseThrow();
        assertThat(left).isEqualTo(pick(Set.of(), Set.of(0)));
        assertThat(Pick.at(SHOT, Shots.LEVEL, 0, 215, 75, 3)).hasValue(pick(Set.of(), Set.of(1)));
        assertThat(Pick.at(SHOT, Shots.LEVEL, 0, 15, 20, 3)).hasValue(pick(Set.of(0), Set.of()));
        assertThat(Pick.at(SHOT, Shots.LEVEL, 0, 100, 75, 3)).isEmpty();
        assertThat(Pick.at(SHOT, Shots.LEVEL, 9, 215, 75, 3))
                .as("where nothing shows")
                .isEmpty();
    }

    @Test
    void twoPicksOfOneDrawingAreOneAndOfAnotherTheLaterCounts() {
        Pick both = pick(Set.of(0), Set.of(1)).and(pick(Set.of(1), Set.of(1)));
        assertThat(both).isEqualTo(pick(Set.of(0, 1), Set.of(1)));
        Pick other = new Pick(Shots.LEVEL, 2, Placement.AS_IS, Set.of(0), Set.of(), Set.of());
        assertThat(both.and(other)).isEqualTo(other);
        Pick elsewhere = new Pick("level-9", 1, Placement.AS_IS, Set.of(0), Set.of(), Set.of());
        assertThat(both.and(elsewhere)).isEqualTo(elsewhere);
    }

    @Test
    void aBendTakesEachCornerOfPaintAlongOnThePicture() {
        Shot placed = SHOT.withLevel(
                Shots.LEVEL,
                level -> level.with(Exposures.of(new Exposure(0, 4, 1, Placement.AS_IS.withPosition(10, 0)))));
        Pick left = new Pick(Shots.LEVEL, 1, Placement.AS_IS.withPosition(10, 0), Set.of(), Set.of(0), Set.of());
        // Places at the right go down by as much as they lie to the right of 20.
        Shot bent = AfterEdits.after(placed, PickEdits.bend(left, (x, y) -> new Point2D.Double(x, y + x - 20)));
        List<Fill> fills = Shots.level(bent).drawing(1).orElseThrow().fills();
        Rectangle2D box = fills.get(0).area().path().getBounds2D();
        assertThat(box.getMinX()).isCloseTo(10, within(0.01));
        assertThat(box.getMaxX()).isCloseTo(30, within(0.01));
        assertThat(box.getMinY()).isCloseTo(60, within(0.01));
        assertThat(box.getMaxY()).isCloseTo(100, within(0.01));
        assertThat(fills.get(1)).isEqualTo(RIGHT);
    }

    @Test
    void itIsGoodWhileItsDrawingHasAsMuchAsIsPicked() {
        assertThat(pick(Set.of(1), Set.of(1)).isIn(SHOT)).isTrue();
        assertThat(pick(Set.of(2), Set.of()).isIn(SHOT)).isFalse();
        assertThat(pick(Set.of(), Set.of(2)).isIn(SHOT)).isFalse();
        assertThat(new Pick(Shots.LEVEL, 1, Placement.AS_IS, Set.of(), Set.of(), Set.of(0)).isIn(SHOT))
                .isFalse();
        assertThat(new Pick(Shots.LEVEL, 7, Placement.AS_IS, Set.of(), Set.of(), Set.of()).isIn(SHOT))
                .isFalse();
    }

    @Test
    void whatIsPickedAndTheRestAreTheDrawingInItsOrder() {
        LiftedPiece apart = pick(Set.of(1), Set.of(0)).apart(SHOT);
        assertThat(apart.rest().items())
                .containsExactly(DRAWING.items().get(0), DRAWING.items().get(3));
        assertThat(apart.piece().items())
                .containsExactly(DRAWING.items().get(1), DRAWING.items().get(2));
        assertThat(Pick.all(SHOT, Shots.LEVEL, 0)).hasValue(pick(Set.of(0, 1), Set.of(0, 1)));
    }

    @Test
    void aPieceThatIsTooLargeIsMadeSmallerIntoTheMiddleAndASmallOneStaysAsLarge() {
        DrawingPiece piece = new DrawingPiece(List.of(new DrawingItem.Paint(square(0, 0))));
        PictureSize into = new PictureSize(320, 180);
        // 1000 x 900 fits into 320 x 180 at a fifth, and then lies 60 from each side.
        Rectangle2D small = piece.fitted(1000, 900, into).bounds();
        assertThat(small.getX()).isCloseTo(60, within(0.01));
        assertThat(small.getY()).isCloseTo(0, within(0.01));
        assertThat(small.getWidth()).isCloseTo(4, within(0.01));
        Rectangle2D whole = piece.fitted(20, 20, into).bounds();
        assertThat(whole.getX()).isCloseTo(150, within(0.01));
        assertThat(whole.getY()).isCloseTo(80, within(0.01));
        assertThat(whole.getWidth()).isCloseTo(20, within(0.01));
        assertThat(piece.fitted(0, 20, into)).isEqualTo(piece);
        assertThat(piece.fitted(20, Double.NaN, into)).isEqualTo(piece);
    }

    @Test
    void chalksFromOutsideAreTheShotsOwnWhereTheyAreEqualAndNewWhereOneThingDiffers() {
        Chalk own = SHOT.chalks().get(0);
        DrawingPiece piece = new DrawingPiece(List.of(new DrawingItem.Paint(new Fill("theirs", LEFT.area()))));
        Chalk equal = new Chalk("theirs", own.name(), own.color(), own.line(), own.opacity(), own.role());
        ImportEdits.Settled same = ImportEdits.settle(SHOT, piece, List.of(equal));
        assertThat(same.shot().chalks()).isEqualTo(SHOT.chalks());
        assertThat(same.piece().fills()).extracting(Fill::chalk).containsExactly(own.id());
        for (Chalk other : List.of(
                equal.withName("else"),
                equal.withColor(new Rgb(1, 2, 3)),
                equal.withWidth(own.width() + 1),
                equal.withOpacity(own.opacity() / 2),
                new Chalk("theirs", own.name(), own.color(), own.line(), own.opacity(), Chalk.Role.SELF_LINE))) {
            ImportEdits.Settled settled = ImportEdits.settle(SHOT, piece, List.of(other));
            assertThat(settled.shot().chalks())
                    .as("%s", other)
                    .hasSize(SHOT.chalks().size() + 1);
            Chalk made = settled.shot().chalks().get(SHOT.chalks().size());
            assertThat(settled.piece().fills()).extracting(Fill::chalk).containsExactly(made.id());
            assertThat(new Chalk("theirs", made.name(), made.color(), made.line(), made.opacity(), made.role()))
                    .isEqualTo(other);
        }
    }
}
