package chalktrace.core.edit.timing;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.edit.Edit;
import chalktrace.core.edit.History;
import chalktrace.core.edit.drawing.DrawingEdits;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.SpanExposures;
import chalktrace.core.testing.AfterEdits;
import chalktrace.core.testing.Shots;
import chalktrace.core.time.FrameRange;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.constraints.IntRange;

/** What holds for any exposures and any span of them. */
class TimingPropertiesTest {

    private static final int LENGTH = 40;

    @Provide
    Arbitrary<Exposures> exposures() {
        Arbitrary<int[]> piece = Combinators.combine(
                        Arbitraries.integers().between(1, 5),
                        Arbitraries.integers().between(0, 6),
                        Arbitraries.integers().between(0, 2))
                .as((frames, drawing, gap) -> new int[] {frames, drawing, gap});
        return piece.list().ofMaxSize(10).map(pieces -> {
            List<Exposure> runs = new ArrayList<>();
            int at = 0;
            for (int[] one : pieces) {
                at += one[2];
                runs.add(Exposure.of(at, one[0], one[1]));
                at += one[0];
            }
            return new Exposures(runs).joined();
        });
    }

    @Provide
    Arbitrary<FrameRange> spans() {
        return Combinators.combine(
                        Arbitraries.integers().between(0, 30),
                        Arbitraries.integers().between(1, 12))
                .as(FrameRange::of);
    }

    /** Which drawing shows on each frame; -1 where nothing does. */
    private static List<Integer> shown(Exposures exposures, int from, int to) {
        return IntStream.range(from, to)
                .map(f -> exposures.at(f).map(Exposure::drawing).orElse(-1))
                .boxed()
                .toList();
    }

    @Property
    void reversedTwiceIsAsBefore(@ForAll("exposures") Exposures exposures, @ForAll("spans") FrameRange span) {
        Exposures once = SpanExposures.of(exposures, span).reversed().put();
        Exposures twice = SpanExposures.of(once, span).reversed().put();
        assertThat(shown(twice, 0, LENGTH)).isEqualTo(shown(exposures, 0, LENGTH));
        List<Integer> backwards = new ArrayList<>(shown(exposures, span.start(), span.end()));
        Collections.reverse(backwards);
        assertThat(shown(once, span.start(), span.end())).isEqualTo(backwards);
        assertThat(shown(once, span.end(), LENGTH)).isEqualTo(shown(exposures, span.end(), LENGTH));
    }

    @Property
    void framesInsertedAndRemovedAgainChangeNothing(
            @ForAll("exposures") Exposures exposures,
            @ForAll @IntRange(max = 30) int frame,
            @ForAll @IntRange(min = 1, max = 9) int count) {
        Exposures more = Shots.level(
                        AfterEdits.after(shot(exposures), TimingEdits.insertFrames(List.of(Shots.LEVEL), frame, count)))
                .exposures();
        assertThat(shown(more, frame + count, LENGTH + count)).isEqualTo(shown(exposures, frame, LENGTH));
        Exposures back =
                SpanExposures.of(more, FrameRange.of(frame, count)).removed().put();
        assertThat(shown(back, 0, LENGTH)).isEqualTo(shown(exposures, 0, LENGTH));
    }

    @Property
    void repeatingShowsTheSpanAgainAndMovesWhatFollows(
            @ForAll("exposures") Exposures exposures,
            @ForAll("spans") FrameRange span,
            @ForAll @IntRange(min = 1, max = 4) int times) {
        Exposures repeated = SpanExposures.of(exposures, span).repeated(times).put();
        List<Integer> once = shown(exposures, span.start(), span.end());
        for (int i = 0; i < times; i++) {
            int from = span.start() + i * span.frames();
            assertThat(shown(repeated, from, from + span.frames())).isEqualTo(once);
        }
        int by = (times - 1) * span.frames();
        assertThat(shown(repeated, span.end() + by, LENGTH + by)).isEqualTo(shown(exposures, span.end(), LENGTH));
    }

    @Property
    void stretchingLosesNoShowingAndDoublingDoublesEach(
            @ForAll("exposures") Exposures exposures,
            @ForAll("spans") FrameRange span,
            @ForAll @IntRange(max = 20) int more) {
        SpanExposures row = SpanExposures.of(exposures, span);
        int wanted = row.count() + more;
        Exposures stretched = row.stretched(wanted).put();
        assertThat(SpanExposures.of(stretched, FrameRange.of(span.start(), wanted))
                        .count())
                .isLessThanOrEqualTo(row.count());
        assertThat(distinct(shown(stretched, span.start(), span.start() + wanted)))
                .isEqualTo(distinct(shown(exposures, span.start(), span.end())));
        assertThat(shown(stretched, span.start() + wanted, LENGTH + wanted - span.frames()))
                .isEqualTo(shown(exposures, span.end(), LENGTH));
        Exposures doubled = row.stretched(2 * span.frames()).put();
        for (int f = span.start(); f < span.end(); f++) {
            int at = span.start() + 2 * (f - span.start());
            int expected = shown(exposures, f, f + 1).get(0);
            assertThat(shown(doubled, at, at + 2)).containsExactly(expected, expected);
        }
    }

    @Property
    void shiftedThereAndBackIsAsBeforeWhereThereIsRoom(
            @ForAll("exposures") Exposures exposures, @ForAll @IntRange(min = 1, max = 20) int by) {
        FrameRange all = FrameRange.of(0, 1000);
        Exposures back = exposures.shifted(all, by).shifted(FrameRange.of(0, 2000), -by);
        assertThat(back).isEqualTo(exposures);
    }

    @Property
    void aHoldMadeLongerAndShorterAgainIsAsBefore(
            @ForAll("exposures") Exposures exposures,
            @ForAll @IntRange(max = 30) int frame,
            @ForAll @IntRange(min = 1, max = 9) int by) {
        Shot back = AfterEdits.after(
                shot(exposures), DrawingEdits.hold(Shots.LEVEL, frame, by), DrawingEdits.hold(Shots.LEVEL, frame, -by));
        assertThat(Shots.level(back).exposures()).isEqualTo(exposures);
    }

    @Property
    void everyTimingEditUndoesToAnEqualValueAndKeepsTies(
            @ForAll("exposures") Exposures exposures, @ForAll("spans") FrameRange span) {
        Shot before = shot(exposures);
        List<String> level = List.of(Shots.LEVEL);
        History history = new History(before, 1 << 20);
        for (Edit edit : List.of(
                TimingEdits.reverse(level, span),
                TimingEdits.repeat(level, span, 2),
                TimingEdits.toAndFro(level, span),
                TimingEdits.each(level, span, 2),
                TimingEdits.onEvery(level, span, 2),
                TimingEdits.removeFrames(level, span),
                TimingEdits.insertFrames(level, span.start(), 3),
                TimingEdits.shift(level, span, 2),
                TimingEdits.copyTied(level, span, 9),
                TimingEdits.blanks(level, span, 3))) {
            history.apply(edit);
            assertThat(Shots.level(history.present()).drawings())
                    .as("no drawing is made or lost by %s", edit.name())
                    .isEqualTo(Shots.level(before).drawings());
            while (history.undo()) {
                // Back to the start.
            }
            assertThat(history.present()).isEqualTo(before);
        }
    }

    @Property
    void aCopyOfItsOwnLooksTheSameAndSharesNoDrawing(
            @ForAll("exposures") Exposures exposures, @ForAll("spans") FrameRange span) {
        Shot before = shot(exposures);
        Shot tied =
                TimingEdits.copyTied(List.of(Shots.LEVEL), span, 60).change().apply(before);
        Shot own = TimingEdits.copyOwn(List.of(Shots.LEVEL), span, 60).change().apply(before);
        assertThat(shown(Shots.level(tied).exposures(), 60, 60 + span.frames()))
                .isEqualTo(shown(exposures, span.start(), span.end()));
        for (int i = 0; i < span.frames(); i++) {
            Optional<Exposure> a = Shots.level(own).exposures().at(span.start() + i);
            Optional<Exposure> b = Shots.level(own).exposures().at(60 + i);
            boolean drawn = a.filter(run -> !run.isBlank()).isPresent();
            assertThat(b.filter(run -> !run.isBlank()).isPresent()).isEqualTo(drawn);
            if (drawn) {
                assertThat(b.get().drawing()).isNotEqualTo(a.get().drawing());
                assertThat(Shots.level(own)
                                .drawing(b.get().drawing())
                                .orElseThrow()
                                .strokes())
                        .isEqualTo(Shots.level(own)
                                .drawing(a.get().drawing())
                                .orElseThrow()
                                .strokes());
            }
        }
    }

    private static Shot shot(Exposures exposures) {
        return Shots.showing(Exposure.of(0, 1, 1), Exposure.of(1, 1, 6))
                .withLevel(Shots.LEVEL, level -> level.with(exposures));
    }

    private static List<Integer> distinct(List<Integer> shown) {
        return shown.stream().distinct().toList();
    }
}
