package chalktrace.core.edit.selection;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.edit.selection.SpanMove.Key;
import java.awt.geom.Point2D;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** What moves over a span: between its keys in even steps or eased, and beyond them as they are. */
class SpanMoveTest {

    private static final Key FIRST = new Key(10, -20, 1, 30, 1);
    private static final Key LAST = new Key(50, 20, 4, -30, 0.5);
    private static final SpanMove MOVE = new SpanMove(Map.of(4, FIRST, 12, LAST), Ease.EVEN);

    @Test
    void onAKeyAndBeyondTheKeysItIsTheKey() {
        for (int frame : new int[] {0, 3, 4}) {
            assertThat(MOVE.at(frame)).isEqualTo(FIRST);
        }
        for (int frame : new int[] {12, 13, 900}) {
            assertThat(MOVE.at(frame)).isEqualTo(LAST);
        }
        assertThat(SpanMove.constant(LAST).at(-3)).isEqualTo(LAST);
    }

    @Test
    void aQuarterOfTheWayIsAQuarterOfEachButOfTheSizeWhoseRatiosAreEqual() {
        Key quarter = MOVE.at(6);
        assertThat(quarter.right()).isCloseTo(20, within(1e-12));
        assertThat(quarter.down()).isCloseTo(-10, within(1e-12));
        assertThat(quarter.degrees()).isCloseTo(15, within(1e-12));
        assertThat(quarter.opacity()).isCloseTo(0.875, within(1e-12));
        // Four times as large in eight frames: by the fourth root of two a frame.
        assertThat(quarter.scale()).isCloseTo(Math.sqrt(2), within(1e-12));
        assertThat(MOVE.at(8).scale()).isCloseTo(2, within(1e-12));
    }

    @Property(tries = 300)
    void eachFrameGrowsByTheSameRatio(@ForAll @IntRange(min = 4, max = 10) int frame) {
        double ratio = MOVE.at(frame + 1).scale() / MOVE.at(frame).scale();
        double next = MOVE.at(frame + 2).scale() / MOVE.at(frame + 1).scale();
        assertThat(next).isCloseTo(ratio, within(1e-9));
    }

    @Test
    void aPlaceIsScaledAndTurnedAboutAPointAndThenMoved() {
        SpanMove quarterTurn = SpanMove.constant(new Key(5, 7, 2, 90, 1));
        // Twice as far from (100, 50), a quarter turn clockwise (y goes down), and then moved.
        Point2D place = quarterTurn.transformAt(0, 100, 50).transform(new Point2D.Double(110, 50), null);
        assertThat(place.getX()).isCloseTo(105, within(1e-9));
        assertThat(place.getY()).isCloseTo(77, within(1e-9));
    }

    @Property(tries = 300)
    void aPointTurnedAboutItselfIsOnlyMoved(
            @ForAll @DoubleRange(min = -400, max = 400) double x,
            @ForAll @DoubleRange(min = -400, max = 400) double y,
            @ForAll @IntRange(max = 20) int frame) {
        Point2D place = MOVE.transformAt(frame, x, y).transform(new Point2D.Double(x, y), null);
        assertThat(place.getX() - x).isCloseTo(MOVE.at(frame).right(), within(1e-6));
        assertThat(place.getY() - y).isCloseTo(MOVE.at(frame).down(), within(1e-6));
    }

    @Test
    void whatIsNoMoveIsRefused() {
        assertThatIllegalArgumentException().isThrownBy(() -> new SpanMove(Map.of(), Ease.EVEN));
        assertThatIllegalArgumentException().isThrownBy(() -> new Key(Double.NaN, 0, 1, 0, 1));
        assertThatIllegalArgumentException().isThrownBy(() -> new Key(0, 0, 1, Double.POSITIVE_INFINITY, 1));
        assertThatIllegalArgumentException().isThrownBy(() -> new Key(0, 0, 0, 0, 1));
        assertThatIllegalArgumentException().isThrownBy(() -> new Key(0, 0, 101, 0, 1));
        assertThatIllegalArgumentException().isThrownBy(() -> new Key(0, 0, 1, 0, 1.01));
        assertThatIllegalArgumentException().isThrownBy(() -> new Key(0, 0, 1, 0, -0.01));
        assertThat(new Key(0, 0, 100, 0, 0).scale()).isEqualTo(100);
    }
}
