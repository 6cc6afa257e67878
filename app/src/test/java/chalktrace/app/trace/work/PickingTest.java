package chalktrace.app.trace.work;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.app.testing.BareSession;
import chalktrace.core.between.SquashAndStretch;
import chalktrace.core.edit.selection.Pick;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.testing.Shots;
import chalktrace.core.testing.Strokes;
import java.awt.geom.Rectangle2D;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.framework.junit5.ApplicationExtension;

/** Drawing 1, on frames 0 to 3 (from 0), is a level line and an upright one; nothing follows. */
@ExtendWith(ApplicationExtension.class)
class PickingTest {

    @TempDir
    Path folder;

    private BareSession bare;
    private Picking picking;

    @BeforeEach
    void open() {
        Shot shot = Shots.showing(Exposure.of(0, 4, 1))
                .withLevel(
                        Shots.LEVEL,
                        level -> level.with(new Drawing(
                                1, List.of(Strokes.line(40, 40, 120, 40), Strokes.line(200, 60, 200, 100)))));
        bare = new BareSession(folder, shot);
        picking = bare.get(() -> new TraceWork(bare.session)).picking();
        bare.run(picking::all);
    }

    @AfterEach
    void close() {
        bare.close();
    }

    private List<Stroke> strokes(int frame) {
        return Shots.level(bare.shot()).drawingAt(frame).map(Drawing::strokes).orElse(List.of());
    }

    private static Rectangle2D box(Stroke stroke) {
        return stroke.curve().path().getBounds2D();
    }

    private static void isAt(Rectangle2D box, double x, double y, double right, double bottom) {
        assertThat(new double[] {box.getMinX(), box.getMinY(), box.getMaxX(), box.getMaxY()})
                .containsExactly(new double[] {x, y, right, bottom}, within(1e-6));
    }

    private Pick picked() {
        return bare.get(() -> bare.session.selection().pickProperty().get());
    }

    @Test
    void aCopyIsPastedInPlaceOnAnotherFrameAndIsPickedThere() {
        bare.run(() -> {
            picking.copy();
            bare.session.transport().go(10);
            picking.paste();
        });
        assertThat(strokes(10)).isEqualTo(strokes(0));
        assertThat(Shots.level(bare.shot()).exposures().at(10).map(Exposure::drawing))
                .hasValue(2);
        assertThat(picked().drawing()).isEqualTo(2);
        assertThat(picked().strokes()).containsExactlyInAnyOrder(0, 1);
    }

    @Test
    void aCopyOnASpanIsOneDrawingThatIsTied() {
        bare.run(() -> {
            picking.copy();
            bare.session.transport().go(10);
            picking.pasteOnSpan(6);
        });
        assertThat(List.of(10, 12, 15)).allSatisfy(frame -> assertThat(
                        Shots.level(bare.shot()).exposures().at(frame).map(Exposure::drawing))
                .hasValue(2));
        assertThat(Shots.level(bare.shot()).exposures().at(16)).isEmpty();
    }

    @Test
    void aDuplicateLiesOverWhatItIsOfAndIsPicked() {
        bare.run(picking::duplicate);
        assertThat(strokes(0)).hasSize(4);
        assertThat(strokes(0).subList(2, 4)).isEqualTo(strokes(0).subList(0, 2));
        assertThat(picked().strokes()).containsExactlyInAnyOrder(2, 3);
        bare.run(() -> {
            picking.nudge(5, 0);
            bare.session.document().undo();
            bare.session.document().undo();
        });
        assertThat(strokes(0)).hasSize(2);
    }

    @Test
    void aQuarterTurnAtTwiceTheSizeGoesAboutTheMiddleOfAll() {
        // The box is 40..200 by 40..100, its middle (120, 70).
        bare.run(() -> picking.change(10, -5, 200, 90));
        isAt(box(strokes(0).get(0)), 130 + 60, 65 - 160, 130 + 60, 65);
        isAt(box(strokes(0).get(1)), 130 - 60, 65 + 160, 130 + 20, 65 + 160);
    }

    @Test
    void turnedOverSidewaysTheLeftComesToTheRight() {
        bare.run(() -> picking.mirror(true));
        isAt(box(strokes(0).get(0)), 120, 40, 200, 40);
        isAt(box(strokes(0).get(1)), 40, 60, 40, 100);
        bare.run(() -> picking.mirror(true));
        isAt(box(strokes(0).get(0)), 40, 40, 120, 40);
    }

    @Test
    void partsThatDoNotTouchAreScaledEachAboutItsOwnMiddle() {
        bare.run(() -> picking.scaleEach(50));
        isAt(box(strokes(0).get(0)), 60, 40, 100, 40);
        isAt(box(strokes(0).get(1)), 200, 70, 200, 90);
    }

    @Test
    void squashedToHalfItIsTwiceAsWide() {
        // Common practice: squash and stretch keep the area.
        bare.run(() -> picking.squash(90, 50, true, SquashAndStretch.Stays.MIDDLE));
        Rectangle2D all = bare.get(() -> picking.bounds(bare.session.shot()));
        assertThat(all.getWidth()).isCloseTo(320, within(0.01));
        assertThat(all.getHeight()).isCloseTo(30, within(0.01));
    }

    @Test
    void aStrokeGoesToTheBackAndStaysPicked() {
        bare.run(() -> {
            bare.session
                    .selection()
                    .pickProperty()
                    .set(Pick.at(bare.session.shot(), Shots.LEVEL, 0, 200, 80, 4)
                            .orElseThrow());
            picking.reorder(false);
        });
        isAt(box(strokes(0).get(0)), 200, 60, 200, 100);
        assertThat(picked().strokes()).containsExactly(0);
    }

    @Test
    void aNamedPartIsFoundAgainByItsName() {
        bare.run(() -> {
            bare.session
                    .selection()
                    .pickProperty()
                    .set(Pick.at(bare.session.shot(), Shots.LEVEL, 0, 200, 80, 4)
                            .orElseThrow());
            picking.name(" arm ");
            picking.putAway();
            picking.pickPart("arm");
        });
        assertThat(bare.get(picking::partNames)).containsExactly("arm");
        assertThat(picked().strokes()).containsExactly(1);
        assertThat(bare.get(() -> picking.reachWords(40))).contains("1 drawing ");
    }

    @Test
    void aPickLastsAsLongAsItsDrawingIsSeen() {
        bare.run(() -> bare.session.transport().go(3));
        assertThat(picked()).isNotNull();
        bare.run(() -> bare.session.transport().go(4));
        assertThat(picked()).isNull();
        assertThat(bare.get(picking::remove)).isFalse();
        bare.run(() -> {
            bare.session.transport().go(0);
            picking.all();
        });
        assertThat(bare.get(picking::remove)).isTrue();
        assertThat(strokes(0)).isEmpty();
        assertThat(bare.get(() -> bare.session.document().undoName())).isPresent();
    }
}
