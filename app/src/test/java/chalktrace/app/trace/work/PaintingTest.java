package chalktrace.app.trace.work;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.app.testing.BareSession;
import chalktrace.core.edit.Edit;
import chalktrace.core.fill.Contours;
import chalktrace.core.fill.Fill;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.testing.Shots;
import chalktrace.core.testing.Strokes;
import java.awt.geom.Point2D;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.framework.junit5.ApplicationExtension;

/** A box of 60 by 60 from (40, 40), on frames 0 and 1; on 2 and 3 it has come 6 to the right. */
@ExtendWith(ApplicationExtension.class)
class PaintingTest {

    @TempDir
    Path folder;

    private BareSession bare;
    private Painting painting;

    private static List<Stroke> box(double x, double gap) {
        return List.of(
                Strokes.line(x, 40, x + 60 - gap, 40),
                Strokes.line(x + 60, 40, x + 60, 100),
                Strokes.line(x + 60, 100, x, 100),
                Strokes.line(x, 100, x, 40));
    }

    @BeforeEach
    void open() {
        bare = new BareSession(folder, boxes(0));
        painting = bare.get(() -> new TraceWork(bare.session)).painting();
    }

    private static Shot boxes(double gap) {
        return Shots.showing(Exposure.of(0, 2, 1), Exposure.of(2, 2, 2))
                .withLevel(Shots.LEVEL, level -> level.with(new Drawing(1, box(40, gap)))
                        .with(new Drawing(2, box(46, gap))));
    }

    @AfterEach
    void close() {
        bare.close();
    }

    private List<Fill> fills(int frame) {
        return bare.shot().levels().stream()
                .flatMap(level -> level.drawingAt(frame).stream())
                .flatMap(drawing -> drawing.fills().stream())
                .toList();
    }

    private String notice() {
        return bare.get(() -> bare.session.notices().latestProperty().get() == null
                ? ""
                : bare.session.notices().latestProperty().get().text());
    }

    private void await(int frame) {
        bare.await(() -> bare.session.shot().levels().stream()
                .flatMap(level -> level.drawingAt(frame).stream())
                .anyMatch(drawing -> !drawing.fills().isEmpty()));
    }

    private void use(Shot shot) {
        bare.run(() -> bare.session.document().apply(new Edit("other lines", before -> shot)));
    }

    @Test
    void aTouchPaintsTheBoxWithTheChalkInHandAndLeavesTheOthersAlone() {
        bare.run(() -> {
            bare.session.selection().chalkProperty().set("chalk-2");
            painting.fillAt(70, 70);
        });
        await(0);
        Fill fill = fills(0).get(0);
        assertThat(fill.chalk()).isEqualTo("chalk-2");
        // The box within its lines, which are 5 wide, and what is grown under them.
        assertThat(fill.area().area()).isBetween(55.0 * 55, 60.0 * 60);
        assertThat(fill.area().contains(70, 70)).isTrue();
        assertThat(fill.area().contains(110, 70)).isFalse();
        assertThat(fills(2)).isEmpty();
        bare.run(() -> bare.session.document().undo());
        assertThat(fills(0)).isEmpty();
    }

    @Test
    void aGapThatIsTooWideIsSaidAndOneThatIsAllowedCloses() {
        use(boxes(10));
        bare.run(() -> {
            painting.gapProperty().set(2);
            painting.fillAt(70, 70);
        });
        bare.await(() -> bare.session.notices().latestProperty().get() != null);
        assertThat(notice()).contains("2 px");
        assertThat(fills(0)).isEmpty();
        bare.run(() -> {
            painting.gapProperty().set(14);
            painting.fillAt(70, 70);
        });
        await(0);
        assertThat(fills(0).get(0).area().contains(70, 70)).isTrue();
    }

    @Test
    void whatATouchWouldPaintIsShownBeforeAndGoesWithTheFrame() {
        bare.run(() -> painting.look(70, 70));
        bare.await(() -> painting.lookedProperty().get() != null);
        assertThat(bare.get(() -> painting.lookedProperty().get().open())).isFalse();
        assertThat(fills(0)).isEmpty();
        bare.run(() -> bare.session.transport().go(2));
        assertThat(bare.get(() -> painting.lookedProperty().get())).isNull();
    }

    @Test
    void onASpanTheRegionIsFollowedThroughTheDrawings() {
        bare.run(() -> {
            painting.spanProperty().set(4);
            painting.fillAt(70, 70);
        });
        await(2);
        assertThat(middleX(fills(0).get(0).area())).isCloseTo(70, within(1.0));
        assertThat(middleX(fills(2).get(0).area())).isCloseTo(76, within(1.0));
    }

    @Test
    void aLoopPaintsWhatLiesWithinItWhateverTheLinesAre() {
        bare.run(() -> painting.fillLoop(List.of(
                new Point2D.Double(200, 20),
                new Point2D.Double(260, 20),
                new Point2D.Double(260, 50),
                new Point2D.Double(200, 50))));
        assertThat(fills(0).get(0).area().area()).isCloseTo(60 * 30, within(1.0));
    }

    @Test
    void theSilhouetteIsAllWithinTheOutermostLines() {
        Shot nested = boxes(0).withLevel(Shots.LEVEL, level -> {
            Drawing first = level.drawing(1).orElseThrow();
            return level.with(first.plus(Strokes.line(60, 60, 80, 60)).plus(Strokes.line(80, 60, 60, 80)));
        });
        use(nested);
        bare.run(painting::silhouette);
        await(0);
        assertThat(fills(0).get(0).area().area()).isGreaterThan(55.0 * 55);
        assertThat(fills(0).get(0).area().contains(70, 62)).isTrue();
    }

    @Test
    void whereThereAreNoLinesThatIsSaid() {
        use(Shots.empty().withLevels(List.of(Level.empty(Shots.LEVEL, "rough"))));
        bare.run(painting::silhouette);
        bare.await(() -> bare.session.notices().latestProperty().get() != null);
        assertThat(notice()).contains("no closed outline");
    }

    private static double middleX(Contours area) {
        return area.path().getBounds2D().getCenterX();
    }
}
