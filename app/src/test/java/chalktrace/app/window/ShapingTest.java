package chalktrace.app.window;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.app.board.PenHand;
import chalktrace.app.board.pen.PenEvent;
import chalktrace.app.session.View;
import chalktrace.app.testing.OpenWindow;
import chalktrace.core.edit.GuideEdits;
import chalktrace.core.edit.LevelEdits;
import chalktrace.core.edit.drawing.FillEdits;
import chalktrace.core.edit.selection.Ease;
import chalktrace.core.edit.selection.Pick;
import chalktrace.core.edit.selection.SpanMove;
import chalktrace.core.fill.Contours;
import chalktrace.core.fill.Fill;
import chalktrace.core.guide.Guide;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.PenSample;
import chalktrace.core.stroke.StrokeSelection;
import java.awt.geom.Rectangle2D;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

/** Shapes, points, guides, parts, groups and drawings of other programs, in the window. Places are pixels of a shot of 640x360. */
@ExtendWith(ApplicationExtension.class)
class ShapingTest {

    private OpenWindow window;
    private Path folder;

    @Start
    void start(Stage stage) throws Exception {
        folder = Files.createTempDirectory("shaping");
        window = new OpenWindow(stage, folder);
        ShotSetup setup = ShotSetup.standard();
        window.session
                .shelf()
                .startNew(Shot.empty(
                        "shapes", new ShotSetup(setup.rate(), new PictureSize(640, 360), 48, 1, setup.paper())));
    }

    private Shot shot() {
        return window.session.shot();
    }

    private Drawing drawing(int frame) {
        return shot().levels().get(0).drawingAt(frame).orElseThrow();
    }

    private Curve curve(int stroke) {
        return drawing(0).strokes().get(stroke).curve();
    }

    private void frame(FxRobot robot, int frame) {
        robot.interact(() -> window.session.transport().go(frame));
    }

    private void drag(FxRobot robot, double fromX, double fromY, double toX, double toY) {
        robot.drag(window.onScreen(fromX, fromY)).dropTo(window.onScreen(toX, toY));
        WaitForAsyncUtils.waitForFxEvents();
    }

    @Test
    void anEllipseAndAClosedShapeAreDrawnByTheirOwnKinds(FxRobot robot) {
        window.click(robot, "line-ellipse");
        window.pen(robot, 100, 80, 220, 140);
        assertThat(StrokeSelection.bounds(drawing(0).strokes().get(0)).getWidth())
                .isCloseTo(120, within(0.5));
        assertThat(curve(0).segments()).isEqualTo(4);
        window.click(robot, "line-closed");
        window.pen(robot, 300, 80, 400, 80, 400, 160);
        assertThat(curve(1).x(curve(1).points() - 1)).isEqualTo(curve(1).x(0));
        window.click(robot, "line-straight");
        window.pen(robot, 300, 300, 350, 200, 400, 300);
        assertThat(curve(2).segments()).isEqualTo(1);
        assertThat(curve(2).y(1)).isEqualTo(300);
    }

    @Test
    void aPointOfAPickedStrokeIsDraggedAddedAndTakenOut(FxRobot robot) {
        window.click(robot, "line-straight");
        window.pen(robot, 100, 200, 400, 200);
        robot.interact(() -> window.session.view().toolProperty().set(View.Tool.PICK));
        window.click(robot, "handling-points");
        robot.clickOn(window.onScreen(250, 200));
        WaitForAsyncUtils.waitForFxEvents();

        drag(robot, 400, 200, 420, 120);
        assertThat(curve(0).x(3)).isCloseTo(420, within(1.0));
        assertThat(curve(0).y(3)).isCloseTo(120, within(1.0));

        double x = curve(0).at(0.5, 0);
        double y = curve(0).at(0.5, 1);
        robot.doubleClickOn(window.onScreen(x, y));
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(curve(0).segments()).isEqualTo(2);

        robot.clickOn(window.onScreen(curve(0).x(3), curve(0).y(3))).type(KeyCode.DELETE);
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(curve(0).segments()).isEqualTo(1);
    }

    @Test
    void aCornerOfAPickIsPulledFreely(FxRobot robot) {
        for (double[] side : new double[][] {{200, 100, 300, 100}, {300, 100, 300, 200}, {300, 200, 200, 200}}) {
            window.pen(robot, side);
        }
        robot.interact(() -> {
            window.trace().picking().all();
            window.session.view().handlingProperty().set(View.Handling.CORNERS);
        });
        WaitForAsyncUtils.waitForFxEvents();
        drag(robot, 300, 100, 340, 60);
        // The upper right corner goes along, the lower left stays.
        int last = curve(0).points() - 1;
        assertThat(curve(0).x(last)).isCloseTo(340, within(3.0));
        assertThat(curve(0).y(last)).isCloseTo(60, within(3.0));
        Curve bottom = curve(2);
        assertThat(bottom.x(bottom.points() - 1)).isCloseTo(200, within(1.5));
    }

    @Test
    void aLineThatStartsNearAGuideRunsAlongItUntilThatIsSwitchedOff(FxRobot robot) {
        Guide floor = new Guide("guide-1", Guide.Kind.FLOOR, List.of(new Guide.Spot(100, 300)));
        robot.interact(() -> window.session.document().apply(GuideEdits.add(floor)));
        window.pen(robot, 100, 303, 300, 280);
        for (int p = 0; p < curve(0).points(); p++) {
            assertThat(curve(0).y(p)).isEqualTo(300);
        }
        window.click(robot, "along-guides");
        window.pen(robot, 100, 303, 300, 280);
        assertThat(curve(1).y(curve(1).points() - 1)).isCloseTo(280, within(0.6));

        robot.interact(() -> window.session.view().toolProperty().set(View.Tool.GUIDES));
        drag(robot, 500, 300, 500, 250);
        assertThat(shot().guides().get(0).point(0).y()).isCloseTo(250, within(1.5));
    }

    @Test
    void aNamedPartIsMovedOnManyFramesWithKeysAndEasing(FxRobot robot) {
        for (int at = 0; at < 12; at += 4) {
            frame(robot, at);
            window.pen(robot, 100, 100, 140, 100);
            window.pen(robot, 300, 100, 340, 100);
        }
        robot.interact(() -> window.session.view().toolProperty().set(View.Tool.PICK));
        // The part is named on each drawing by a touch.
        for (int at = 0; at < 12; at += 4) {
            frame(robot, at);
            robot.interact(() -> {
                window.session
                        .selection()
                        .pickProperty()
                        .set(Pick.at(
                                        shot(),
                                        "level-1",
                                        window.session.transport().frame(),
                                        120,
                                        100,
                                        4)
                                .orElseThrow());
                window.trace().picking().name("eye");
            });
        }
        frame(robot, 0);
        robot.clickOn(window.onScreen(120, 100));
        SpanMove move = new SpanMove(Map.of(0, SpanMove.Key.NONE, 8, new SpanMove.Key(80, 0, 1, 0, 1)), Ease.EVEN);
        robot.interact(() -> window.trace().picking().moveOnSpan(12, move, false));

        double[] moved = {0, 40, 80};
        for (int i = 0; i < 3; i++) {
            assertThat(drawing(4 * i).strokes().get(0).curve().x(0)).isCloseTo(100 + moved[i], within(0.7));
            assertThat(drawing(4 * i).strokes().get(1).curve().x(0)).isCloseTo(300, within(0.7));
        }
        robot.interact(window.session.document()::undo);
        assertThat(drawing(8).strokes().get(0).curve().x(0)).as("one step").isCloseTo(100, within(0.7));
    }

    @Test
    void aLoopPicksOnAllLevelsAndAPushMovesThemAsOneStep(FxRobot robot) {
        window.pen(robot, 100, 100, 160, 100);
        robot.interact(() -> {
            window.session.document().apply(LevelEdits.add("level-2", "line", "level-1"));
            window.session.selection().levelProperty().set("level-2");
        });
        window.pen(robot, 100, 140, 160, 140);
        robot.interact(() -> {
            window.session.view().toolProperty().set(View.Tool.PICK);
            window.session.view().pickAcrossProperty().set(true);
        });
        window.pen(robot, 80, 80, 180, 80, 180, 160, 80, 160, 80, 80);
        assertThat(window.trace().picking().picks()).hasSize(2);
        robot.type(KeyCode.RIGHT);
        WaitForAsyncUtils.waitForFxEvents();
        for (String level : List.of("level-1", "level-2")) {
            assertThat(shot().level(level)
                            .orElseThrow()
                            .drawingAt(0)
                            .orElseThrow()
                            .strokes()
                            .get(0)
                            .curve()
                            .x(0))
                    .isCloseTo(101, within(0.7));
        }
        robot.interact(window.session.document()::undo);
        assertThat(shot().level("level-1")
                        .orElseThrow()
                        .drawingAt(0)
                        .orElseThrow()
                        .strokes()
                        .get(0)
                        .curve()
                        .x(0))
                .isCloseTo(100, within(0.7));
    }

    @Test
    void aDrawingGoesOutAsSvgAndComesBackTheSame(FxRobot robot) {
        window.pen(robot, 100, 100, 160, 130);
        window.files.drawing = folder.resolve("out.svg");
        robot.interact(() -> window.trace().drawingExchange().save(window.files.drawing));
        window.awaitSettled();
        Drawing before = drawing(0);
        frame(robot, 10);
        robot.interact(() -> window.trace().drawingExchange().takeIn(window.files.drawing));
        window.await(() -> shot().levels().get(0).drawingAt(10).isPresent());
        assertThat(drawing(10).strokes()).isEqualTo(before.strokes());
        assertThat(shot().chalks()).hasSize(6);
    }

    @Test
    void aDrawingThatCantBeReadSaysSoAndChangesNothing(FxRobot robot) throws Exception {
        window.pen(robot, 100, 100, 160, 130);
        Shot before = shot();
        Path bad = Files.writeString(folder.resolve("bad.svg"), "<svg><path d='M0 0");
        robot.interact(() -> window.trace().drawingExchange().takeIn(bad));
        window.await(() -> window.session.notices().latestProperty().get() != null);
        assertThat(window.session.notices().latestProperty().get().text()).startsWith("bad.svg ");
        assertThat(shot()).isSameAs(before);
    }

    @Test
    void aStrokeStaysWithinPaintAndBecomesPaintItself(FxRobot robot) {
        window.pen(robot, 300, 100, 400, 100);
        Contours square = Contours.of(List.of(new double[] {300, 100, 400, 100, 400, 200, 300, 200}));
        robot.interact(() -> {
            window.session.document().apply(FillEdits.paint("level-1", 0, "chalk-3", square));
            window.session.view().withinPaintProperty().set(true);
        });
        window.pen(robot, 250, 150, 450, 150);
        String paint = FillEdits.paintLevel(shot(), "level-1").orElseThrow();
        window.await(() -> fills(paint).size() == 2);
        Rectangle2D box = fills(paint).get(1).area().path().getBounds2D();
        assertThat(box.getMinX()).isCloseTo(300, within(0.6));
        assertThat(box.getMaxX()).isCloseTo(400, within(0.6));
        assertThat(drawing(0).strokes()).hasSize(1);
    }

    @Test
    void aPenThatIsPulledOutInTheMiddleLeavesWhatItDrew(FxRobot robot) {
        robot.interact(() -> {
            PenHand hand = window.workbench.board().hand();
            hand.take(new PenEvent(PenEvent.Kind.DOWN, new PenSample(100, 100, 0.5, 1)));
            hand.take(new PenEvent(PenEvent.Kind.MOVE, new PenSample(150, 100, 0.5, 1.1)));
            hand.take(new PenEvent(PenEvent.Kind.MOVE, new PenSample(Double.NaN, 100, 0.5, 1.15)));
            hand.take(new PenEvent(PenEvent.Kind.MOVE, new PenSample(200, 100, 9, 0.2)));
            hand.take(new PenEvent(PenEvent.Kind.LOST, new PenSample(0, 0, 0, 0)));
            assertThat(hand.isBusy()).isFalse();
        });
        assertThat(drawing(0).strokes()).hasSize(1);
        assertThat(curve(0).x(curve(0).points() - 1)).isCloseTo(200, within(0.6));
        window.pen(robot, 300, 100, 400, 100);
        assertThat(drawing(0).strokes()).hasSize(2);
    }

    @Test
    void theViewIsTurnedOverAndALineLandsWhereItIsSeen(FxRobot robot) {
        robot.interact(() -> window.workbench.board().view().turnOver());
        WaitForAsyncUtils.waitForFxEvents();
        // Seen at the right it lies at the left.
        assertThat(window.onScreen(100, 100).getX())
                .isGreaterThan(window.onScreen(500, 100).getX());
        drag(robot, 100, 100, 200, 100);
        assertThat(curve(0).x(0)).isCloseTo(100, within(1.5));
        robot.interact(() -> window.workbench.board().view().fit());
        assertThat(window.onScreen(100, 100).getX())
                .isLessThan(window.onScreen(500, 100).getX());
    }

    private List<Fill> fills(String level) {
        return shot().level(level)
                .orElseThrow()
                .drawingAt(0)
                .map(Drawing::fills)
                .orElse(List.of());
    }
}
