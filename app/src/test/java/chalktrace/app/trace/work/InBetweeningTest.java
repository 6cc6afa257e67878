package chalktrace.app.trace.work;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.app.testing.BareSession;
import chalktrace.app.trace.work.InBetweening.Way;
import chalktrace.core.between.TimingChart;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.selection.Pick;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.Curve;
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

/** An upright line at x = 40 on frame 0 that has come to x = 200 on frame 8. */
@ExtendWith(ApplicationExtension.class)
class InBetweeningTest {

    @TempDir
    Path folder;

    private BareSession bare;
    private InBetweening inBetweening;

    @BeforeEach
    void open() {
        Shot shot = Shots.showing(Exposure.of(0, 2, 1), Exposure.of(8, 2, 2))
                .withLevel(Shots.LEVEL, level -> level.with(new Drawing(1, List.of(Strokes.line(40, 60, 40, 120))))
                        .with(new Drawing(2, List.of(Strokes.line(200, 60, 200, 120)))));
        bare = new BareSession(folder, shot);
        inBetweening = bare.get(() -> new TraceWork(bare.session)).inBetweening();
    }

    @AfterEach
    void close() {
        bare.close();
    }

    private static Rectangle2D box(Stroke stroke) {
        return stroke.curve().path().getBounds2D();
    }

    private Stroke drawnAt(int frame) {
        return Shots.level(bare.shot()).drawingAt(frame).orElseThrow().strokes().get(0);
    }

    private Drawing draft(double share) {
        bare.run(() -> inBetweening.showDraft(share));
        bare.await(() -> inBetweening.draftProperty().get() != null);
        return bare.get(() -> inBetweening.draftProperty().get());
    }

    private String notice() {
        return bare.get(() -> bare.session.notices().latestProperty().get().text());
    }

    @Test
    void aDraftLiesAtItsShareOfTheWayAndGoesWhenTheGateMoves() {
        Rectangle2D quarter = box(draft(0.25).strokes().get(0));
        assertThat(quarter.getCenterX()).isCloseTo(80, within(0.5));
        assertThat(quarter.getHeight()).isCloseTo(60, within(0.5));
        bare.run(() -> bare.session.transport().go(4));
        assertThat(bare.get(() -> inBetweening.draftProperty().get())).isNull();
    }

    @Test
    void anAcceptedDraftIsADrawingAtTheGateOfOneStep() {
        bare.run(() -> bare.session.transport().go(4));
        draft(0.5);
        bare.run(inBetweening::acceptDraft);
        assertThat(box(drawnAt(4)).getCenterX()).isCloseTo(120, within(0.5));
        bare.run(() -> bare.session.document().undo());
        assertThat(Shots.level(bare.shot()).drawings()).hasSize(2);
    }

    @Test
    void inBetweensOnTwosStandOnTheirFramesByTheChart() {
        // Common practice: slow out halves the way from the first key again and again: 1/8, 1/4, 1/2 for three.
        bare.run(() -> inBetweening.makeInBetweens(TimingChart.Spacing.SLOW_OUT, 2));
        bare.await(() -> Shots.level(bare.session.shot()).drawings().size() == 5);
        assertThat(box(drawnAt(2)).getCenterX()).isCloseTo(60, within(0.5));
        assertThat(box(drawnAt(4)).getCenterX()).isCloseTo(80, within(0.5));
        assertThat(box(drawnAt(6)).getCenterX()).isCloseTo(120, within(0.5));
        assertThat(box(drawnAt(8)).getCenterX()).isEqualTo(200);
    }

    @Test
    void inBetweensGoAlongADrawnLine() {
        assertThat(bare.get(inBetweening::takeDrawnWay)).contains("select that one line");
        assertThat(bare.get(() -> inBetweening.wayProperty().get())).isEqualTo(Way.OWN);
        // A Bezier's middle lies three quarters of the way to its handles: 90 - 0.75 * 60 = 45.
        Stroke arc = new Stroke("chalk-1", Curve.of(40, 90, 1, 90, 30, 1, 150, 30, 1, 200, 90, 1));
        Level way = Level.empty("level-9", "way")
                .with(new Drawing(1, List.of(arc)))
                .with(Exposures.of(Exposure.of(0, 8, 1)));
        bare.run(() -> {
            Shot shot = bare.session.shot().withLevels(List.of(Shots.level(bare.session.shot()), way));
            bare.session.document().apply(new Edit("a way", before -> shot));
            bare.session
                    .selection()
                    .pickProperty()
                    .set(Pick.all(shot, "level-9", 0).orElseThrow());
            inBetweening.takeDrawnWay();
        });
        assertThat(bare.get(() -> inBetweening.wayProperty().get())).isEqualTo(Way.DRAWN);
        Rectangle2D middle = box(draft(0.5).strokes().get(0));
        assertThat(middle.getCenterX()).isCloseTo(120, within(2.0));
        assertThat(middle.getCenterY()).isCloseTo(45, within(2.0));
    }

    @Test
    void outsideOfTwoDrawingsItIsSaidWhatIsMissing() {
        bare.run(() -> {
            bare.session.transport().go(20);
            inBetweening.showDraft(0.5);
        });
        assertThat(notice()).isEqualTo(bare.get(inBetweening::keyWords));
        assertThat(bare.get(() -> inBetweening.draftProperty().get())).isNull();
    }

    @Test
    void aStrokeWithoutAPartnerStaysUpToHalfWayAndIsSaid() {
        Shot more = bare.shot()
                .withLevel(
                        Shots.LEVEL,
                        level -> level.with(new Drawing(
                                1, List.of(Strokes.line(40, 60, 40, 120), Strokes.line(280, 10, 300, 12)))));
        bare.run(() -> bare.session.document().apply(new Edit("more", before -> more)));
        assertThat(draft(0.5).strokes()).hasSize(2);
        assertThat(bare.get(() -> inBetweening.withoutPartner().orElseThrow().strokes()))
                .hasSize(1);
        assertThat(notice()).contains("no partner");
        bare.run(inBetweening::hideDraft);
        assertThat(draft(0.6).strokes()).hasSize(1);
    }
}
