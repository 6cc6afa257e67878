package chalktrace.core.edit.drawing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.fill.Contours;
import chalktrace.core.fill.Fill;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.LevelStyle;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.testing.Shots;
import chalktrace.core.testing.Strokes;
import chalktrace.core.time.FrameRange;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class FillEditsTest {

    private static final FillEdits.Reach REACH = new FillEdits.Reach(4, 1);

    private static List<Stroke> box(double x, double y, double size) {
        return List.of(
                Strokes.line(x, y, x + size, y),
                Strokes.line(x + size, y, x + size, y + size),
                Strokes.line(x + size, y + size, x, y + size),
                Strokes.line(x, y + size, x, y));
    }

    /** A box that drifts to the right, one drawing on each two frames. */
    private static Shot drifting(int drawings, double by) {
        List<Drawing> all = new ArrayList<>();
        List<Exposure> runs = new ArrayList<>();
        for (int n = 1; n <= drawings; n++) {
            all.add(new Drawing(n, box(40 + by * (n - 1), 40, 60)));
            runs.add(Exposure.of(2 * (n - 1), 2, n));
        }
        return Shots.empty()
                .withLevels(List.of(
                        new Level(Shots.LEVEL, "line", true, false, 1, LevelStyle.ROUGH, all, new Exposures(runs))));
    }

    private static Shot paint(Shot shot, int frame, double x, double y) {
        FillEdits.Found found =
                FillEdits.region(shot, Shots.LEVEL, frame, x, y, REACH).orElseThrow();
        return FillEdits.paint(Shots.LEVEL, frame, "chalk-2", found.area())
                .change()
                .apply(shot);
    }

    private static Level paintLevel(Shot shot) {
        return shot.level(FillEdits.paintLevel(shot, Shots.LEVEL).orElseThrow()).orElseThrow();
    }

    @Test
    void paintGoesToALevelUnderTheLinesAndShowsWithThem() {
        Shot painted = paint(drifting(2, 10), 3, 80, 70);
        assertThat(painted.levels()).hasSize(2);
        assertThat(painted.levels().get(0).id()).isEqualTo(Shots.LEVEL);
        Level paint = paintLevel(painted);
        assertThat(paint.exposures().runs()).containsExactly(Exposure.of(2, 2, 2));
        assertThat(paint.drawing(2).orElseThrow().fills().get(0).area().contains(80, 70))
                .isTrue();
        assertThat(paintLevel(paint(painted, 0, 70, 70)).drawings())
                .as("no second level")
                .hasSize(2);
    }

    @Test
    void paintBelongsToItsLinesThoughTheLevelsAreTimedApart() {
        Shot painted = paint(drifting(2, 10), 0, 70, 70);
        // The paint of drawing 1 is moved to where the lines show drawing 2.
        Shot apart =
                painted.withLevel(paintLevel(painted).id(), level -> level.with(Exposures.of(Exposure.of(2, 2, 1))));
        Shot more = paint(apart, 1, 70, 70);
        assertThat(paintLevel(more).drawings()).hasSize(1);
        assertThat(paintLevel(more).drawing(1).orElseThrow().fills()).hasSize(2);
        assertThat(paintLevel(more).exposures().runs()).containsExactly(Exposure.of(2, 2, 1));
    }

    @Test
    void aPlacedShowingIsPaintedInTheDrawingsOwnPlace() {
        Shot placed = drifting(1, 0)
                .withLevel(
                        Shots.LEVEL,
                        level -> level.with(
                                new Exposures(List.of(new Exposure(0, 2, 1, Placement.AS_IS.withPosition(100, 20))))));
        Fill fill = paintLevel(paint(placed, 0, 170, 90))
                .drawing(1)
                .orElseThrow()
                .fills()
                .get(0);
        assertThat(fill.area().contains(70, 70)).isTrue();
        assertThat(fill.area().contains(170, 90)).isFalse();
    }

    @Test
    void aClickPaintsASpanByFollowingTheRegion() {
        Shot shot = drifting(8, 12);
        FillEdits.Followed followed =
                FillEdits.paintOnSpan(shot, Shots.LEVEL, new FrameRange(0, 16), 70, 70, "chalk-3", REACH);
        assertThat(followed.lostAt()).isEmpty();
        assertThat(followed.drawings()).isEqualTo(8);
        Shot painted = followed.edit().change().apply(shot);
        for (int n = 1; n <= 8; n++) {
            double middle = 70 + 12 * (n - 1);
            assertThat(paintLevel(painted)
                            .drawing(n)
                            .orElseThrow()
                            .fills()
                            .get(0)
                            .area()
                            .contains(middle, 70))
                    .isTrue();
        }
    }

    @Test
    void followingEndsWhereTheRegionJumpsAwayOrLeaks() {
        assertThat(FillEdits.paintOnSpan(drifting(3, 80), Shots.LEVEL, new FrameRange(0, 6), 70, 70, "chalk-3", REACH)
                        .lostAt())
                .isEqualTo(Optional.of(2));
        Shot leaks = drifting(3, 5)
                .withLevel(
                        Shots.LEVEL,
                        level -> level.with(new Drawing(2, box(45, 40, 60).subList(0, 3))));
        FillEdits.Followed followed =
                FillEdits.paintOnSpan(leaks, Shots.LEVEL, new FrameRange(0, 6), 70, 70, "chalk-3", REACH);
        assertThat(followed.lostAt()).isEqualTo(Optional.of(2));
        assertThat(followed.drawings()).isEqualTo(1);
    }

    @Test
    void aFrameWithoutLinesOrALockedPaintLevelIsLeftAsItIs() {
        Shot shot = drifting(1, 0);
        assertThat(FillEdits.paint(Shots.LEVEL, 20, "chalk-1", FillEdits.silhouette(shot, Shots.LEVEL, 0, REACH))
                        .change()
                        .apply(shot))
                .isEqualTo(shot);
        Shot painted = paint(shot, 0, 70, 70);
        Shot locked = painted.withLevel(paintLevel(painted).id(), level -> level.withLocked(true));
        assertThat(paint(locked, 0, 70, 70)).isEqualTo(locked);
    }

    @Test
    void inArtOfFilledOutlinesDarkPaintBoundsARegionWhenAsked() {
        // A ring of dark paint, 4 px wide, and no line.
        double[] outer = {40, 40, 100, 40, 100, 100, 40, 100};
        double[] inner = {44, 44, 44, 96, 96, 96, 96, 44};
        Shot base = Shots.empty();
        String ink = base.chalks().get(0).id();
        Drawing ring = new Drawing(1, List.of(), List.of(new Fill(ink, Contours.of(List.of(outer, inner)))));
        Shot shot = base.withLevels(List.of(new Level(
                Shots.LEVEL,
                "ink",
                true,
                false,
                1,
                LevelStyle.ROUGH,
                List.of(ring),
                new Exposures(List.of(Exposure.of(0, 4, 1))))));
        FillEdits.Found without =
                FillEdits.region(shot, Shots.LEVEL, 0, 70, 70, REACH).orElseThrow();
        assertThat(without.open()).isTrue();
        FillEdits.Found with = FillEdits.region(shot, Shots.LEVEL, 0, 70, 70, new FillEdits.Reach(4, 1, true))
                .orElseThrow();
        assertThat(with.open()).isFalse();
        assertThat(with.area().area()).isCloseTo(54 * 54, within(120.0));
    }
}
