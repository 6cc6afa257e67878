package chalktrace.core.edit;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.fill.Contours;
import chalktrace.core.fill.Fill;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.testing.AfterEdits;
import chalktrace.core.testing.Shots;
import chalktrace.core.testing.Strokes;
import chalktrace.core.time.FrameRange;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** The chalk box, and drawings given to another chalk of it. */
class ChalkEditsTest {

    private static final Contours AREA = Contours.of(List.of(new double[] {0, 0, 20, 0, 20, 20, 0, 20}));

    /** Drawings 1 and 2, each with a line and paint of two chalks; the first shows on frames 0 and 8, the second on 4. */
    private static Shot shot() {
        List<Stroke> lines =
                List.of(Strokes.line(0, 0, 9, 9), Strokes.line(0, 5, 9, 9).withChalk("chalk-2"));
        List<Fill> paint = List.of(new Fill("chalk-1", AREA), new Fill("chalk-2", AREA));
        return Shots.empty().withLevel(Shots.LEVEL, level -> level.with(new Drawing(1, lines, paint))
                .with(new Drawing(2, lines, paint))
                .with(Exposures.of(Exposure.of(0, 4, 1), Exposure.of(4, 4, 2), Exposure.of(8, 2, 1))));
    }

    private static List<String> chalks(Shot shot, int drawing) {
        Drawing of = Shots.level(shot).drawing(drawing).orElseThrow();
        return Stream.concat(
                        of.strokes().stream().map(Stroke::chalk),
                        of.fills().stream().map(Fill::chalk))
                .toList();
    }

    private static Shot given(Optional<String> level, Optional<FrameRange> frames) {
        return AfterEdits.after(shot(), ChalkEdits.giveAllTo("chalk-1", "chalk-3", level, frames));
    }

    @Test
    void linesAndPaintOfOneChalkAreGivenToAnotherAndTheRestStays() {
        for (int drawing : new int[] {1, 2}) {
            assertThat(chalks(given(Optional.empty(), Optional.empty()), drawing))
                    .containsExactly("chalk-3", "chalk-2", "chalk-3", "chalk-2");
        }
        assertThat(given(Optional.of("level-9"), Optional.empty())).isEqualTo(shot());
    }

    @Test
    void withinFramesOnlyWhatShowsThereAndThatWhereverItShows() {
        Shot late = given(Optional.of(Shots.LEVEL), Optional.of(FrameRange.of(8, 1)));
        assertThat(chalks(late, 1)).containsExactly("chalk-3", "chalk-2", "chalk-3", "chalk-2");
        assertThat(chalks(late, 2)).containsExactly("chalk-1", "chalk-2", "chalk-1", "chalk-2");
        assertThat(given(Optional.empty(), Optional.of(FrameRange.of(30, 5)))).isEqualTo(shot());
    }

    @Test
    void lockedLevelsKeepTheirChalks() {
        Shot locked = shot().withLevel(Shots.LEVEL, level -> level.withLocked(true));
        assertThat(AfterEdits.after(
                        locked, ChalkEdits.giveAllTo("chalk-1", "chalk-3", Optional.empty(), Optional.empty())))
                .isEqualTo(locked);
    }

    @Test
    void aChalkIsChangedInItsPlaceAndAnotherLikeItComesLast() {
        Shot shot = shot();
        Chalk second = shot.chalks().get(1);
        Shot wide = AfterEdits.after(shot, ChalkEdits.change(second.withWidth(17)));
        assertThat(wide.chalks().get(1)).isEqualTo(second.withWidth(17));
        assertThat(wide.chalks().get(0)).isEqualTo(shot.chalks().get(0));
        Shot more = AfterEdits.after(shot, ChalkEdits.addLike(second, "chalk-77"));
        Chalk last = more.chalks().get(more.chalks().size() - 1);
        assertThat(last.id()).isEqualTo("chalk-77");
        assertThat(last.name()).isNotEqualTo(second.name());
        assertThat(last.withName(second.name()))
                .isEqualTo(new Chalk(
                        "chalk-77", second.name(), second.color(), second.line(), second.opacity(), second.role()));
    }
}
