package chalktrace.app.window;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.app.session.Timing;
import chalktrace.app.session.View;
import chalktrace.app.testing.OpenWindow;
import chalktrace.core.between.TimingChart;
import chalktrace.core.edit.drawing.DrawingEdits;
import chalktrace.core.edit.selection.Pick;
import chalktrace.core.edit.timing.MarkEdits;
import chalktrace.core.edit.timing.TimingEdits;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.stroke.StrokeSelection;
import chalktrace.core.time.FrameRange;
import java.nio.file.Files;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

/** Deciding when drawings are seen, in the window. Places are pixels of a shot of 640x360. */
@ExtendWith(ApplicationExtension.class)
class TimingTest {

    /** How wide a frame is on the bench before anybody zooms. */
    private static final double FRAME_PX = 14;

    private OpenWindow window;

    @Start
    void start(Stage stage) throws Exception {
        window = new OpenWindow(stage, Files.createTempDirectory("timing"));
        ShotSetup setup = ShotSetup.standard();
        window.session
                .shelf()
                .startNew(Shot.empty(
                        "timing", new ShotSetup(setup.rate(), new PictureSize(640, 360), 48, 1, setup.paper())));
    }

    private Shot shot() {
        return window.session.shot();
    }

    private List<String> runs() {
        return shot().levels().get(0).exposures().runs().stream()
                .map(run -> run.start() + ":" + run.frames() + ":" + run.drawing())
                .toList();
    }

    private void draw(FxRobot robot, int frame, double... places) {
        robot.interact(() -> window.session.transport().go(frame));
        window.pen(robot, places);
    }

    private void span(FxRobot robot, int start, int frames) {
        robot.interact(() -> window.session
                .timing()
                .spanProperty()
                .set(new Timing.Span(List.of("level-1"), FrameRange.of(start, frames))));
    }

    @Test
    void aSpanIsReversedRepeatedAndPutOnTwosAndEachIsOneStep(FxRobot robot) {
        draw(robot, 0, 100, 100, 200, 100);
        draw(robot, 2, 100, 150, 200, 150);
        draw(robot, 4, 100, 200, 200, 200);
        assertThat(runs()).containsExactly("0:2:1", "2:2:2", "4:2:3");
        span(robot, 0, 6);
        robot.interact(() -> window.session.timing().apply(s -> TimingEdits.reverse(s.levels(), s.frames())));
        assertThat(runs()).containsExactly("0:2:3", "2:2:2", "4:2:1");
        robot.interact(() -> window.session.timing().repeat(2));
        assertThat(runs()).hasSize(6);
        robot.interact(window.session.document()::undo);
        robot.interact(window.session.document()::undo);
        assertThat(runs()).containsExactly("0:2:1", "2:2:2", "4:2:3");
        robot.interact(() -> window.session.timing().apply(s -> TimingEdits.stretch(s.levels(), s.frames(), 2)));
        assertThat(window.session.notices().latestProperty().get().text()).contains("nothing was changed");
        assertThat(runs()).containsExactly("0:2:1", "2:2:2", "4:2:3");
    }

    @Test
    void aCycleThatWouldShowAPoseTwiceSaysSo(FxRobot robot) {
        draw(robot, 0, 100, 100, 200, 100);
        draw(robot, 2, 100, 150, 200, 150);
        span(robot, 0, 2);
        robot.interact(() -> {
            window.session.transport().go(4);
            window.session
                    .timing()
                    .apply(s -> TimingEdits.copyTied(
                            s.levels(), s.frames(), window.session.transport().frame()));
        });
        span(robot, 0, 6);
        robot.interact(() -> window.session.timing().repeat(2));
        assertThat(window.session.notices().latestProperty().get().text()).contains("twice in a row");
    }

    @Test
    void anInBetweenIsShownAsADraftAcceptedAndMadeOnTwos(FxRobot robot) {
        draw(robot, 0, 100, 300, 100, 200);
        draw(robot, 8, 100, 300, 200, 300);
        robot.interact(() -> {
            window.session.transport().go(4);
            window.trace().inBetweening().showDraft(0.5);
        });
        window.await(() -> window.trace().inBetweening().draftProperty().get() != null);
        assertThat(window.trace().inBetweening().draftProperty().get().strokes())
                .hasSize(1);
        robot.interact(window.trace().inBetweening()::acceptDraft);
        Curve line = shot().levels()
                .get(0)
                .drawingAt(4)
                .orElseThrow()
                .strokes()
                .get(0)
                .curve();
        int end = line.points() - 1;
        // A line that turns by a right angle stands at 45 degrees half way, as long as before: a straight blend is
        // shorter.
        assertThat(Math.hypot(line.x(end) - line.x(0), line.y(end) - line.y(0))).isCloseTo(100, within(2.0));
        robot.interact(window.session.document()::undo);
        robot.interact(() -> {
            window.session.transport().go(0);
            window.trace().inBetweening().makeInBetweens(TimingChart.Spacing.EVEN, 2);
        });
        window.await(() -> runs().size() == 5);
        assertThat(runs()).containsExactly("0:2:1", "2:2:3", "4:2:4", "6:2:5", "8:2:2");
    }

    @Test
    void aPairMadeByHandCountsInTheNextDraft(FxRobot robot) {
        draw(robot, 0, 100, 100, 200, 100);
        draw(robot, 0, 100, 140, 200, 140);
        draw(robot, 8, 100, 100, 200, 100);
        draw(robot, 8, 100, 140, 200, 140);
        for (int[] touch : new int[][] {{0, 100}, {8, 140}, {0, 140}, {8, 100}}) {
            robot.interact(() -> {
                window.session.transport().go(touch[0]);
                window.session
                        .selection()
                        .pickProperty()
                        .set(Pick.at(shot(), "level-1", touch[0], 150, touch[1], 4)
                                .orElseThrow());
                window.trace().inBetweening().touchForPair();
            });
        }
        robot.interact(() -> {
            window.session.transport().go(4);
            window.trace().inBetweening().showDraft(0.45);
        });
        window.await(() -> window.trace().inBetweening().draftProperty().get() != null);
        // About half way the two have come close to each other: each goes to where the other one was.
        List<Stroke> draft = window.trace().inBetweening().draftProperty().get().strokes();
        assertThat(StrokeSelection.bounds(draft.get(0)).getCenterY()).isBetween(115.0, 125.0);
        assertThat(StrokeSelection.bounds(draft.get(1)).getCenterY()).isBetween(115.0, 125.0);
    }

    @Test
    void whereOnlyKeysAreSeenStepsGoFromKeyToKeyAndAHeldFrameIsNotDrawnOn(FxRobot robot) {
        draw(robot, 0, 100, 100, 200, 100);
        draw(robot, 6, 100, 200, 200, 200);
        robot.interact(() -> {
            window.session.document().apply(MarkEdits.turn(0));
            window.session.document().apply(MarkEdits.turn(6));
            window.session.transport().go(0);
            window.session.view().onlyProperty().set(View.Only.KEYS);
            window.workbench.board().requestFocus();
        });
        robot.type(KeyCode.F);
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(window.session.transport().frame()).isEqualTo(6);
        Shot before = shot();
        draw(robot, 3, 300, 100, 400, 100);
        assertThat(shot()).as("frame 3 shows what is held from frame 0").isSameAs(before);
        assertThat(window.session.view().seen(shot(), 9)).isEqualTo(6);
    }

    @Test
    void theEndOfAHoldTakesFromWhatFollowsOrPushesIt(FxRobot robot) {
        draw(robot, 0, 100, 100, 200, 100);
        draw(robot, 2, 100, 200, 200, 200);
        robot.interact(() -> window.session.document().apply(DrawingEdits.hold("level-1", 2, 4)));
        assertThat(runs()).containsExactly("0:2:1", "2:6:2");
        Node lane = robot.lookup(node -> "rough lane".equals(node.getAccessibleText()))
                .query();
        var box = lane.localToScreen(lane.getBoundsInLocal());
        double y = box.getMinY() + box.getHeight() / 2;
        robot.interact(() -> window.session.transport().go(0));
        double gate = box.getMinX() + box.getWidth() / 2 - FRAME_PX / 2;
        robot.drag(gate + 2 * FRAME_PX, y).dropTo(gate + 4 * FRAME_PX, y);
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(runs()).containsExactly("0:4:1", "4:4:2");
        robot.interact(window.session.document()::undo);
        robot.press(KeyCode.ALT);
        robot.drag(gate + 2 * FRAME_PX, y).dropTo(gate + 4 * FRAME_PX, y);
        robot.release(KeyCode.ALT);
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(runs()).containsExactly("0:4:1", "4:6:2");
    }

    @Test
    void theSheetIsFilledInByKeysAlone(FxRobot robot) {
        draw(robot, 0, 100, 100, 200, 100);
        robot.interact(() -> {
            window.session.transport().go(6);
            window.session.view().sheetProperty().set(true);
        });
        WaitForAsyncUtils.waitForFxEvents();
        robot.type(KeyCode.DIGIT1, KeyCode.ENTER, KeyCode.DIGIT7, KeyCode.ENTER, KeyCode.X, KeyCode.ENTER);
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(window.session.transport().frame()).isEqualTo(12);
        assertThat(runs()).containsExactly("0:2:1", "6:2:1", "8:2:7", "10:38:0");
        robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
        robot.type(KeyCode.UP);
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(runs()).containsExactly("0:2:1", "6:2:1", "8:40:7");
        assertThat(window.session.transport().frame()).isEqualTo(11);
        robot.type(KeyCode.DIGIT1, KeyCode.BACK_SPACE, KeyCode.PERIOD);
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(runs()).contains("8:41:7");
        robot.press(KeyCode.SHIFT).type(KeyCode.TAB).release(KeyCode.SHIFT);
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(window.session.view().sheetProperty().get()).isFalse();
    }

    @Test
    void aDragWithShiftOverALaneChoosesASpan(FxRobot robot) {
        draw(robot, 0, 100, 100, 200, 100);
        Node lane = robot.lookup(node -> "rough lane".equals(node.getAccessibleText()))
                .query();
        var box = lane.localToScreen(lane.getBoundsInLocal());
        double gate = box.getMinX() + box.getWidth() / 2;
        double y = box.getMinY() + box.getHeight() / 2;
        robot.press(KeyCode.SHIFT);
        robot.drag(gate + 20, y).dropTo(gate + 120, y);
        robot.release(KeyCode.SHIFT);
        WaitForAsyncUtils.waitForFxEvents();
        Timing.Span span = window.session.timing().spanProperty().get();
        assertThat(span.levels()).containsExactly("level-1");
        assertThat(span.frames().frames()).isGreaterThan(3);
        assertThat(window.session.transport().frame())
                .as("the shot was not pulled")
                .isZero();
    }

    @Test
    void aDragThatRestsAtTheLanesEndGoesOn(FxRobot robot) {
        draw(robot, 0, 100, 100, 200, 100);
        Node lane = robot.lookup(node -> "rough lane".equals(node.getAccessibleText()))
                .query();
        var box = lane.localToScreen(lane.getBoundsInLocal());
        robot.interact(() -> window.session.transport().go(0));
        double y = box.getMinY() + box.getHeight() / 2;
        double end = box.getMinX() + box.getWidth() / 2 - FRAME_PX / 2 + 2 * FRAME_PX;
        double edge = box.getMaxX() - 10;
        robot.moveTo(end, y).press(MouseButton.PRIMARY).moveTo(end + 40, y).moveTo(edge, y);
        window.await(() -> window.session.transport().frame() >= 6);
        robot.release(MouseButton.PRIMARY);
        WaitForAsyncUtils.waitForFxEvents();
        int frame = window.session.transport().frame();
        long held = Math.min(48, 2 + Math.round((edge - end) / FRAME_PX + frame));
        assertThat(runs()).containsExactly("0:" + held + ":1");
    }
}
