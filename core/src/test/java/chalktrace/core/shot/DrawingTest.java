package chalktrace.core.shot;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.fill.Contours;
import chalktrace.core.fill.Fill;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.testing.Shots;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Items keep their order whatever is done to one kind of them. */
class DrawingTest {

    private static final Stroke A = Shots.line(0, 0, 10, 0);
    private static final Stroke B = Shots.line(0, 10, 10, 10);
    private static final Stroke C = Shots.line(0, 20, 10, 20);
    private static final Fill PAINT = fill(0);

    private static Fill fill(double x) {
        return new Fill("p", Contours.of(List.of(new double[] {x, 0, x + 5, 0, x + 5, 5})));
    }

    private static DrawingItem line(Stroke stroke) {
        return new DrawingItem.Line(stroke);
    }

    private static DrawingItem paint(Fill fill) {
        return new DrawingItem.Paint(fill);
    }

    private static final Drawing MIXED = Drawing.of(1, List.of(line(A), paint(PAINT), line(B)));

    @Test
    void asManyTakeEachOthersPlaces() {
        assertThat(MIXED.withStrokes(List.of(B, A)).items()).containsExactly(line(B), paint(PAINT), line(A));
    }

    @Test
    void whatIsRemovedLeavesTheOthersWhereTheyAre() {
        assertThat(MIXED.withStrokes(List.of(B)).items()).containsExactly(paint(PAINT), line(B));
        assertThat(MIXED.without(List.of(B)).items()).containsExactly(line(A), paint(PAINT));
    }

    @Test
    void aStrokeInPiecesKeepsItsPlace() {
        assertThat(MIXED.withStrokes(List.of(C, C, B)).items())
                .containsExactly(line(C), line(C), paint(PAINT), line(B));
        assertThat(MIXED.replacing(List.of(A), stroke -> List.of(C, C)).items())
                .containsExactly(line(C), line(C), paint(PAINT), line(B));
    }

    @Test
    void newLinesLieInFrontAndNewPaintBehindTheLowestLine() {
        assertThat(MIXED.plus(C).items()).containsExactly(line(A), paint(PAINT), line(B), line(C));
        assertThat(MIXED.plus(fill(9)).items()).containsExactly(paint(fill(9)), line(A), paint(PAINT), line(B));
        Drawing usual = new Drawing(1, List.of(A), List.of(PAINT));
        assertThat(usual.plus(fill(9)).items()).containsExactly(paint(PAINT), paint(fill(9)), line(A));
    }
}
