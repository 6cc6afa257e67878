package chalktrace.app.board.pen;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;

class PointerTrailTest {

    private final Deque<PointerTrail.Spot> readings = new ArrayDeque<>();
    private final PointerTrail trail = new PointerTrail(() -> Optional.ofNullable(readings.poll()));

    @Test
    void aCornerBetweenTwoEventsIsNotLost() {
        goes(100, 100, false);
        goes(100, 100, true);
        trail.begin(100, 100);
        goes(150, 100, true);
        goes(200, 100, true);
        goes(200, 180, true);

        assertThat(through(200, 170)).containsExactly("100 100", "150 100", "200 100", "200 180");
    }

    @Test
    void theLineEndsWhereTheButtonCameUp() {
        goes(10, 10, true);
        trail.begin(10, 10);
        goes(30, 10, true);
        goes(40, 10, false);
        goes(90, 90, false);
        goes(95, 90, true);

        assertThat(through(40, 10)).containsExactly("10 10", "30 10");
    }

    @Test
    void whatTheButtonDidElsewhereBeforeIsNoPartOfTheLine() {
        goes(600, 300, true);
        goes(620, 300, true);
        goes(610, 310, false);
        goes(100, 100, false);
        goes(101, 100, true);
        goes(105, 100, true);
        trail.begin(100, 100);

        assertThat(through(105, 100)).containsExactly("101 100", "105 100");
    }

    @Test
    void twoQuickTapsThatAreHandledLateStayTwo() {
        goes(10, 10, true);
        goes(11, 10, true);
        goes(12, 10, false);
        goes(40, 10, true);
        goes(41, 10, true);
        goes(41, 11, false);
        trail.begin(10, 10);
        assertThat(through(12, 10)).containsExactly("10 10", "11 10");
        trail.begin(40, 10);
        assertThat(through(41, 11)).containsExactly("40 10", "41 10");
    }

    @Test
    void anEventWhereThePointerNeverWasIsLeftToItself() {
        goes(700, 20, false);
        trail.begin(100, 100);
        assertThat(trail.through(120, 100)).isEmpty();

        goes(100, 100, true);
        trail.begin(100, 100);
        assertThat(through(100, 100)).hasSize(1);
        goes(104, 100, true);
        assertThat(trail.through(160, 140)).isEmpty();
        assertThat(trail.through(104, 100)).as("until the next press").isEmpty();
    }

    @Test
    void anEventThatComesLaterThanItsPlaceWasGivenAddsNothing() {
        goes(10, 10, true);
        trail.begin(10, 10);
        goes(30, 10, true);
        goes(50, 10, true);
        assertThat(through(30, 10)).hasSize(3);
        assertThat(through(50, 10)).isEmpty();
    }

    @Test
    void aLineBeginsWhenTheButtonWentDownAndNotWhenThatWasHandled() {
        goes(10, 10, false);
        long down = System.nanoTime();
        readings.add(new PointerTrail.Spot(10, 10, true, down));
        trail.note();

        assertThat(trail.begin(10, 10)).isEqualTo(down);
    }

    @Test
    void aPressOfLongAgoIsNotTakenForThisOne() {
        readings.add(new PointerTrail.Spot(10, 10, true, System.nanoTime() - 2_000_000_000L));
        trail.note();
        goes(60, 60, true);
        goes(20, 20, false);
        goes(11, 10, false);
        goes(11, 10, true);
        trail.begin(11, 10);

        assertThat(through(11, 10)).containsExactly("11 10");
    }

    @Test
    void withoutAScreenToAskTheEventsAreAllThatIsKnown() {
        PointerTrail blind = new PointerTrail(Optional::empty);
        blind.begin(10, 10);
        assertThat(blind.through(20, 10)).isEmpty();
    }

    @Test
    void itIsReadForAsLongAsItMoves() throws InterruptedException {
        CountDownLatch read = new CountDownLatch(20);
        PointerTrail moving = new PointerTrail(() -> {
            read.countDown();
            return Optional.of(new PointerTrail.Spot(100 + read.getCount(), 50, true, System.nanoTime()));
        });
        moving.begin(119, 50);
        moving.wake();
        assertThat(read.await(10, TimeUnit.SECONDS)).isTrue();

        assertThat(moving.through(110, 50).orElseThrow()).hasSizeGreaterThanOrEqualTo(20);
    }

    private void goes(double x, double y, boolean down) {
        readings.add(new PointerTrail.Spot(x, y, down, System.nanoTime()));
        trail.note();
    }

    private List<String> through(double x, double y) {
        return trail.through(x, y).orElseThrow().stream()
                .map(spot -> Math.round(spot.x()) + " " + Math.round(spot.y()))
                .toList();
    }
}
