package chalktrace.app.window;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.app.session.View.Duster;
import chalktrace.app.session.View.Step;
import chalktrace.app.session.View.Tool;
import chalktrace.app.testing.OpenWindow;
import chalktrace.core.edit.LevelEdits;
import chalktrace.core.edit.drawing.FillEdits;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.render.FrameComposer;
import chalktrace.core.render.RasterCache;
import chalktrace.core.render.SceneOptions;
import chalktrace.core.render.Scenes;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.stroke.StrokeSelection;
import java.awt.geom.Rectangle2D;
import java.nio.file.Files;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.robot.Motion;

/** Tracing by pen, pointer and keys, in the window. Places are pixels of a shot of 640x360. */
@ExtendWith(ApplicationExtension.class)
class TraceTest {

    private OpenWindow window;

    @Start
    void start(Stage stage) throws Exception {
        window = new OpenWindow(stage, Files.createTempDirectory("trace"));
        ShotSetup setup = ShotSetup.standard();
        window.session
                .shelf()
                .startNew(Shot.empty(
                        "trace", new ShotSetup(setup.rate(), new PictureSize(640, 360), 48, 1, setup.paper())));
    }

    private Shot shot() {
        return window.session.shot();
    }

    private Drawing drawing(int frame) {
        return shot().levels().get(0).drawingAt(frame).orElseThrow();
    }

    private void pen(FxRobot robot, double... places) {
        window.pen(robot, places);
    }

    private void box(FxRobot robot, double x, double y, double size) {
        pen(robot, x, y, x + size, y);
        pen(robot, x + size, y, x + size, y + size);
        pen(robot, x + size, y + size, x, y + size);
        pen(robot, x, y + size, x, y);
    }

    private Rectangle2D bounds(Drawing drawing) {
        return drawing.strokes().stream()
                .map(StrokeSelection::bounds)
                .reduce(Rectangle2D::createUnion)
                .orElseThrow();
    }

    private void tool(FxRobot robot, Tool tool) {
        robot.interact(() -> window.session.view().toolProperty().set(tool));
    }

    private void shortcut(FxRobot robot, KeyCode key) {
        robot.press(KeyCode.CONTROL).type(key).release(KeyCode.CONTROL);
    }

    private Node name(FxRobot robot, int level) {
        return robot.lookup(".level-name").nth(level).query();
    }

    /** A click on a level's name makes it the current one, and the next key is a command and no letter of the name; a double click renames. */
    @Test
    void aLevelIsChosenByItsNameAndRenamedByADoubleClick(FxRobot robot) {
        robot.interact(() -> {
            window.session.view().stepProperty().set(Step.TRACE);
            window.session.document().apply(LevelEdits.add("level-2", "clean", "level-1"));
        });
        window.awaitSettled();
        Level rough = shot().levels().get(1);
        robot.clickOn(name(robot, 1)).type(KeyCode.E);
        assertThat(window.session.selection().level()).isEqualTo(rough.id());
        assertThat(shot().levels().get(1).drawings())
                .as("a new drawing by its key")
                .hasSize(1);
        assertThat(shot().levels().get(1).name()).isEqualTo(rough.name());
        robot.doubleClickOn(name(robot, 1)).write("lines").type(KeyCode.ENTER);
        assertThat(shot().levels().get(1).name()).isEqualTo("lines");
        robot.doubleClickOn(name(robot, 1)).write("other").type(KeyCode.ESCAPE);
        assertThat(shot().levels().get(1).name()).isEqualTo("lines");
        robot.type(KeyCode.F);
        assertThat(window.session.transport().frame())
                .as("keys are commands again")
                .isEqualTo(1);
    }

    @Test
    void aRoughIsCopiedOnSquashedTurnedOverFilledAndTracedASecondTime(FxRobot robot) {
        box(robot, 200, 100, 100);
        assertThat(drawing(0).strokes()).hasSize(4);

        // Copied on: pick all by keys, copy, go to frame 13, paste in place.
        robot.clickOn(window.onScreen(40, 330));
        shortcut(robot, KeyCode.Z);
        shortcut(robot, KeyCode.A);
        shortcut(robot, KeyCode.C);
        robot.interact(() -> window.session.transport().go(12));
        shortcut(robot, KeyCode.V);
        assertThat(drawing(12).number()).isNotEqualTo(drawing(0).number());
        assertThat(drawing(12).strokes()).isEqualTo(drawing(0).strokes());

        // Squashed: the handle in the middle of the lower side is dragged up by pointer.
        Rectangle2D before = bounds(drawing(12));
        robot.drag(window.onScreen(
                        250,
                        before.getMaxY()
                                + 6
                                        / window.onFx(() ->
                                                window.workbench.board().view().scale())))
                .dropTo(window.onScreen(250, before.getCenterY() + 30));
        Rectangle2D squashed = bounds(drawing(12));
        assertThat(squashed.getHeight()).isBetween(45.0, 75.0);
        assertThat(squashed.getWidth()).isCloseTo(before.getWidth(), within(0.5));

        // Nudged by keys, one pixel and ten.
        robot.type(KeyCode.RIGHT);
        robot.press(KeyCode.SHIFT).type(KeyCode.DOWN).release(KeyCode.SHIFT);
        assertThat(bounds(drawing(12)).getX() - squashed.getX()).isCloseTo(1, within(0.01));
        assertThat(bounds(drawing(12)).getY() - squashed.getY()).isCloseTo(10, within(0.01));
        assertThat(bounds(drawing(0))).as("the first drawing is as it was").isEqualTo(before);

        // Filled under the line on a level of its own.
        String lines = shot().levels().get(0).id();
        robot.interact(() -> {
            window.session.selection().chalkProperty().set("chalk-2");
            window.session.view().toolProperty().set(Tool.FILL);
        });
        robot.clickOn(window.onScreen(250, bounds(drawing(12)).getCenterY()));
        window.await(() -> FillEdits.paintLevel(shot(), lines).isPresent());
        Level paint =
                shot().level(FillEdits.paintLevel(shot(), lines).orElseThrow()).orElseThrow();
        assertThat(paint.drawingAt(12).orElseThrow().number())
                .isEqualTo(drawing(12).number());

        // A second pass on a new level in front.
        robot.interact(() -> window.session.view().toolProperty().set(Tool.CHALK));
        pen(robot, 210, 120, 290, 190);
        int[] pixels = new FrameComposer(new RasterCache(0), shot().setup().paper())
                .composeWhole(Scenes.of(shot(), 12, SceneOptions.export(false), (f, n) -> Optional.empty()));
        int inside = pixels[(int) bounds(drawing(12)).getCenterY() * 640 + 215];
        assertThat(inside).as("brick paint within the box").isEqualTo(0xFFD2543A);
        assertThat(pixels[20 * 640 + 20]).as("bare paper outside").isNotEqualTo(inside);
    }

    @Test
    void theDusterCutsWhereItGoesAndEachSweepIsOneStep(FxRobot robot) {
        pen(robot, 100, 100, 400, 100);
        pen(robot, 250, 50, 250, 150);
        Drawing whole = drawing(0);
        tool(robot, Tool.DUSTER);
        robot.interact(() -> window.session.view().dusterProperty().set(Duster.TOUCH));
        pen(robot, 150, 60, 150, 140);
        assertThat(drawing(0).strokes()).hasSize(3);
        robot.interact(() -> window.session.view().dusterProperty().set(Duster.CROSSING));
        pen(robot, 380, 100, 381, 100);
        assertThat(bounds(drawing(0)).getMaxX()).isCloseTo(250, within(1.5));
        robot.interact(window.session.document()::undo);
        robot.interact(window.session.document()::undo);
        assertThat(drawing(0)).as("each sweep is one step").isEqualTo(whole);
    }

    @Test
    void aFillThatWouldLeakSaysSoAndPaintsNothing(FxRobot robot) {
        pen(robot, 200, 100, 300, 100);
        pen(robot, 300, 100, 300, 200);
        tool(robot, Tool.FILL);
        robot.clickOn(window.onScreen(250, 150));
        window.await(() -> window.session.notices().latestProperty().get() != null);
        assertThat(window.session.notices().latestProperty().get().text()).contains("open");
        assertThat(shot().levels()).hasSize(1);
    }

    @Test
    void aLoopPicksAndDeleteRemovesOnlyWhatIsPicked(FxRobot robot) {
        box(robot, 100, 100, 60);
        pen(robot, 400, 100, 500, 100);
        tool(robot, Tool.PICK);
        pen(robot, 380, 60, 520, 60, 520, 140, 380, 140, 380, 60);
        assertThat(window.session.selection().pickProperty().get().strokes()).containsExactly(4);
        robot.type(KeyCode.DELETE);
        assertThat(drawing(0).strokes()).hasSize(4);
        assertThat(window.session.selection().pickProperty().get()).isNull();
        shortcut(robot, KeyCode.Z);
        assertThat(drawing(0).strokes()).hasSize(5);
    }

    @Test
    void aDrawnLoopIsPaintedAndTheLevelUnderThePointerIsFound(FxRobot robot) {
        pen(robot, 100, 100, 200, 100);
        String lines = shot().levels().get(0).id();
        tool(robot, Tool.FILL);
        pen(robot, 300, 100, 400, 100, 400, 200, 300, 200, 300, 100);
        Level paint =
                shot().level(FillEdits.paintLevel(shot(), lines).orElseThrow()).orElseThrow();
        assertThat(paint.drawingAt(0).orElseThrow().fills().get(0).area().area())
                .isCloseTo(10_000, within(50.0));
        robot.interact(() -> window.session.selection().levelProperty().set(paint.id()));
        tool(robot, Tool.CHALK);
        robot.moveTo(window.onScreen(150, 100));
        robot.press(KeyCode.SHIFT).type(KeyCode.X).release(KeyCode.SHIFT);
        assertThat(window.session.selection().level()).isEqualTo(lines);
    }

    @Test
    void theRulerMeasuresWithoutDrawing(FxRobot robot) {
        window.click(robot, "ruler");
        pen(robot, 100, 200, 220, 40);
        // 120 across and 160 up: a triangle of 3, 4 and 5.
        Label words = robot.lookup((Label label) -> label.getText().contains("px   x"))
                .queryAs(Label.class);
        assertThat(words.getText()).startsWith("200.").contains("53.");
        assertThat(shot().levels().get(0).drawings()).isEmpty();
        window.click(robot, "ruler");
        pen(robot, 100, 200, 220, 40);
        assertThat(drawing(0).strokes()).hasSize(1);
    }

    @Test
    void aNoteIsWrittenOnItsLaneMovedAndEmptied(FxRobot robot) {
        robot.interact(() -> window.session.view().stepProperty().set(Step.STUDY));
        Node lane = robot.lookup((Node node) -> "notes lane".equals(node.getAccessibleText()))
                .query();
        robot.doubleClickOn(lane, Motion.DIRECT);
        robot.write("slower");
        robot.type(KeyCode.ENTER);
        assertThat(shot().marks()).containsExactly(new Mark(0, Mark.Kind.NOTE, Optional.empty(), "slower"));
        robot.drag(lane).moveBy(5 * 14, 0).drop();
        assertThat(shot().marks()).extracting(Mark::frame).containsExactly(5);
        robot.interact(() -> window.session.document().undo());
        assertThat(shot().marks()).extracting(Mark::frame).containsExactly(0);
    }
}
