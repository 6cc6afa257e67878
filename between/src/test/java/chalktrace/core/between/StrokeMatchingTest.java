package chalktrace.core.between;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.between.StrokeMatching.Matched;
import chalktrace.core.between.StrokeMatching.Pair;
import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.Stroke;
import java.awt.geom.AffineTransform;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** Figures whose strokes are known one by one, as the second is the first moved as a whole. */
class StrokeMatchingTest {

    private static Stroke bow(Random random) {
        double x = 100 + 400 * random.nextDouble();
        double y = 100 + 400 * random.nextDouble();
        double dx = 160 * (random.nextDouble() - 0.5);
        double dy = 160 * (random.nextDouble() - 0.5);
        double bend = 60 * (random.nextDouble() - 0.5);
        return new Stroke(
                "chalk-1",
                Curve.of(
                        x,
                        y,
                        1,
                        x + dx / 3 - bend,
                        y + dy / 3 + bend,
                        1,
                        x + 2 * dx / 3 - bend,
                        y + 2 * dy / 3 + bend,
                        1,
                        x + dx,
                        y + dy,
                        1));
    }

    private static List<Stroke> figure(int seed, int strokes) {
        Random random = new Random(seed);
        return IntStream.range(0, strokes).mapToObj(i -> bow(random)).toList();
    }

    private static Stroke moved(Stroke stroke, AffineTransform move, boolean reversed) {
        Curve curve = stroke.curve().transformed(move);
        return stroke.withCurve(reversed ? curve.reversed() : curve);
    }

    @Property(tries = 60)
    void strokesOfAFigureThatMovedTurnedAndGrewFindEachOtherInAnyOrder(
            @ForAll @IntRange(max = 100_000) int seed,
            @ForAll @IntRange(min = 6, max = 24) int strokes,
            @ForAll @DoubleRange(min = -40, max = 40) double degrees,
            @ForAll @DoubleRange(min = 0.75, max = 1.35) double scale,
            @ForAll @DoubleRange(min = -300, max = 300) double x) {
        List<Stroke> first = figure(seed, strokes);
        AffineTransform move = AffineTransform.getTranslateInstance(x, x / 2);
        move.rotate(Math.toRadians(degrees), 300, 300);
        move.scale(scale, scale);
        List<Integer> order =
                new ArrayList<>(IntStream.range(0, strokes).boxed().toList());
        Collections.shuffle(order, new Random(seed + 1));
        List<Stroke> second =
                order.stream().map(i -> moved(first.get(i), move, i % 3 == 0)).toList();
        Matched matched = StrokeMatching.match(first, second);
        long right = matched.pairs().stream()
                .filter(pair -> order.get(pair.with()) == pair.of())
                .count();
        // Two bows of a random figure may be alike; all others must be right.
        assertThat(right).isGreaterThanOrEqualTo(strokes - 2L);
        assertThat(matched.pairs().stream()
                        .filter(pair -> order.get(pair.with()) == pair.of())
                        .filter(pair -> pair.reversed() == (pair.of() % 3 == 0))
                        .count())
                .isGreaterThanOrEqualTo(right - 1);
    }

    @Test
    void aLineOfTwoStrokesIsCountedAsBoth() {
        everyStrokeIsPairedLeftOverOrAddedExactlyOnce(23, 8, 7);
        everyStrokeIsPairedLeftOverOrAddedExactlyOnce(33, 12, 10);
    }

    @Property(tries = 60)
    void everyStrokeIsPairedLeftOverOrAddedExactlyOnce(
            @ForAll @IntRange(max = 100_000) int seed,
            @ForAll @IntRange(max = 12) int first,
            @ForAll @IntRange(max = 12) int second) {
        Matched matched = StrokeMatching.match(figure(seed, first), figure(seed + 1, second));
        List<Integer> ofFirst = new ArrayList<>(matched.leftOver());
        List<Integer> ofSecond = new ArrayList<>(matched.added());
        Set<Integer> inPieces = new TreeSet<>();
        for (Pair pair : matched.pairs()) {
            ofFirst.add(pair.of());
            // One line may be two strokes in either drawing.
            ofSecond.addAll(pair.span().more());
            boolean isPiece = pair.span().from() > 0 || pair.span().to() < 1;
            if (!isPiece || inPieces.add(pair.with())) {
                ofSecond.add(pair.with());
            }
        }
        assertThat(ofFirst)
                .containsExactlyInAnyOrderElementsOf(
                        IntStream.range(0, first).boxed().toList());
        assertThat(ofSecond)
                .containsExactlyInAnyOrderElementsOf(
                        IntStream.range(0, second).boxed().toList());
    }

    @Property(tries = 40)
    void strokesThatAreNewHinderNoOthers(
            @ForAll @IntRange(max = 100_000) int seed, @ForAll @DoubleRange(min = -200, max = 200) double x) {
        List<Stroke> first = new ArrayList<>(figure(seed, 8));
        AffineTransform move = AffineTransform.getTranslateInstance(x, 20);
        List<Stroke> second =
                first.stream().map(stroke -> moved(stroke, move, false)).toList();
        first.add(Stroke.straight("chalk-1", 1100, 900, 1120, 930, 1));
        Matched matched = StrokeMatching.match(first, second);
        assertThat(matched.pairs()).filteredOn(pair -> pair.of() == pair.with()).hasSizeGreaterThanOrEqualTo(7);
        assertThat(matched.leftOver()).contains(8);
    }

    @Test
    void aPairMadeByHandStaysWhateverItCosts() {
        List<Stroke> first = figure(3, 6);
        Matched matched = StrokeMatching.match(first, first, Map.of(0, 5));
        assertThat(matched.pairs()).anyMatch(pair -> pair.of() == 0 && pair.with() == 5);
        assertThat(matched.pairs()).filteredOn(pair -> pair.of() == pair.with()).hasSize(4);
    }

    @Test
    void anotherPartIsNoPartner() {
        Stroke arm = figure(4, 1).get(0).withPart("arm");
        Matched matched = StrokeMatching.match(List.of(arm), List.of(arm.withPart("leg")));
        assertThat(matched.pairs()).isEmpty();
        assertThat(matched.leftOver()).containsExactly(0);
        assertThat(matched.added()).containsExactly(0);
    }
}
