package chalktrace.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.app.controls.Sentence;
import chalktrace.app.testing.OpenWindow;
import chalktrace.app.words.Words;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.LevelEdits;
import chalktrace.core.edit.timing.RateEdits;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.DrawnOn;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.time.FrameRate;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

/** Draw, on, draw: by the pointer and the keys, in a shot of 12 frames, on twos. */
@ExtendWith(ApplicationExtension.class)
class OnwardTest {

    private OpenWindow window;

    @Start
    void start(Stage stage) throws Exception {
        Path folder = Files.createTempDirectory("onward");
        window = new OpenWindow(stage, folder);
        ShotSetup setup = ShotSetup.standard();
        window.session
                .shelf()
                .startNew(Shot.empty(
                        "onward", new ShotSetup(setup.rate(), new PictureSize(640, 360), 12, 1, setup.paper())));
    }

    private Level level() {
        return window.session.shot().levels().get(0);
    }

    private List<String> runs() {
        return level().exposures().runs().stream()
                .map(run ->
                        run.drawing() + ": " + run.start() + "-" + run.range().last())
                .toList();
    }

    private void draw(FxRobot robot, double y) {
        robot.drag(window.onScreen(100, y)).dropTo(window.onScreen(300, y));
        WaitForAsyncUtils.waitForFxEvents();
    }

    private void press(FxRobot robot, KeyCode... keys) {
        robot.push(keys);
        WaitForAsyncUtils.waitForFxEvents();
    }

    private void go(FxRobot robot, int frame) {
        robot.interact(() -> window.session.transport().go(frame));
    }

    @Test
    void aStrokeAndOneKeyMakeDrawingsOnTwosAndThenAskForALongerShot(FxRobot robot) {
        for (int n = 0; n < 6; n++) {
            draw(robot, 100 + 20 * n);
            press(robot, KeyCode.V);
        }
        assertThat(runs()).containsExactly("1: 0-1", "2: 2-3", "3: 4-5", "4: 6-7", "5: 8-9", "6: 10-11");
        assertThat(window.session.transport().frame()).isEqualTo(10);
        assertThat(window.session.notices().latestProperty().get().offers()).hasSize(1);
        robot.interact(() -> window.session
                .notices()
                .latestProperty()
                .get()
                .offers()
                .get(0)
                .does()
                .run());
        draw(robot, 250);
        assertThat(runs()).hasSize(7).endsWith("7: 12-13");
        assertThat(window.session.shot().setup().length()).isEqualTo(14);
    }

    @Test
    void whereTheLastDrawingHoldsToTheEndTheNextStrokeEndsIt(FxRobot robot) {
        draw(robot, 100);
        for (int i = 0; i < 10; i++) {
            press(robot, KeyCode.SHIFT, KeyCode.F);
        }
        assertThat(runs()).containsExactly("1: 0-11");
        press(robot, KeyCode.V);
        assertThat(window.session.transport().frame()).isEqualTo(2);
        // Whoever steps there draws on what is shown.
        press(robot, KeyCode.D);
        press(robot, KeyCode.F);
        draw(robot, 120);
        assertThat(runs()).containsExactly("1: 0-11");
        go(robot, 0);
        press(robot, KeyCode.V);
        draw(robot, 140);
        draw(robot, 160);
        assertThat(runs()).containsExactly("1: 0-1", "2: 2-11");
        assertThat(level().drawing(1).orElseThrow().strokes()).hasSize(2);
        assertThat(level().drawing(2).orElseThrow().strokes()).hasSize(2);
    }

    @Test
    void stepsGoByTheHoldInForceFromTheShotsFirstFrame(FxRobot robot) {
        hold(robot, DrawnOn.frames(3));
        go(robot, 4);
        press(robot, KeyCode.ALT, KeyCode.F);
        assertThat(window.session.transport().frame()).isEqualTo(6);
        press(robot, KeyCode.ALT, KeyCode.F);
        assertThat(window.session.transport().frame()).isEqualTo(9);
        go(robot, 8);
        press(robot, KeyCode.ALT, KeyCode.D);
        assertThat(window.session.transport().frame()).isEqualTo(6);
        press(robot, KeyCode.ALT, KeyCode.D);
        assertThat(window.session.transport().frame()).isEqualTo(3);
        go(robot, 0);
        press(robot, KeyCode.ALT, KeyCode.D);
        assertThat(window.session.transport().frame()).isZero();
    }

    @Test
    void whereEachStepIsADrawingAStrokeWithinAHoldMakesOne(FxRobot robot) {
        draw(robot, 100);
        for (int i = 0; i < 10; i++) {
            press(robot, KeyCode.SHIFT, KeyCode.F);
        }
        go(robot, 5);
        draw(robot, 120);
        assertThat(runs()).containsExactly("1: 0-11");
        window.click(robot, "holds");
        robot.clickOn("#each-step");
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(robot.lookup("#landing").queryLabeled().getText()).contains("new drawing 2, frames 5 to 6");
        draw(robot, 140);
        assertThat(runs()).containsExactly("1: 0-3", "2: 4-5", "1: 6-11");
        // In the first step of a drawing, and in its own, a stroke goes onto it.
        draw(robot, 160);
        go(robot, 1);
        draw(robot, 180);
        assertThat(runs()).containsExactly("1: 0-3", "2: 4-5", "1: 6-11");
        assertThat(level().drawing(2).orElseThrow().strokes()).hasSize(2);
        assertThat(level().drawing(1).orElseThrow().strokes()).hasSize(3);
    }

    @Test
    void theNextDrawingStartsAsACopyAndSoDoesANewOne(FxRobot robot) {
        draw(robot, 100);
        press(robot, KeyCode.ALT, KeyCode.V);
        assertThat(runs()).containsExactly("1: 0-1", "2: 2-3");
        assertThat(level().drawing(2).orElseThrow().strokes())
                .isEqualTo(level().drawing(1).orElseThrow().strokes());
        draw(robot, 140);
        go(robot, 5);
        press(robot, KeyCode.ALT, KeyCode.E);
        assertThat(runs()).containsExactly("1: 0-1", "2: 2-3", "3: 4-5");
        assertThat(level().drawing(3).orElseThrow().strokes())
                .isEqualTo(level().drawing(2).orElseThrow().strokes());
    }

    @Test
    void aCopyTakesOfALongBlankWhatAStrokeWould(FxRobot robot) {
        draw(robot, 100);
        robot.interact(() -> window.session
                .document()
                .apply(new Edit(
                        "blank",
                        shot -> shot.withLevel(
                                level().id(),
                                l -> l.with(Exposures.of(Exposure.of(0, 2, 1), Exposure.of(2, 10, Exposure.BLANK)))))));
        press(robot, KeyCode.ALT, KeyCode.V);
        assertThat(runs()).contains("1: 0-1", "2: 2-3");
    }

    @Test
    void aKeyMakesTheChalkWiderAndThinner(FxRobot robot) {
        double before = width();
        press(robot, KeyCode.DIGIT8);
        press(robot, KeyCode.DIGIT8);
        assertThat(width()).isEqualTo(before + 1);
        for (int i = 0; i < 40; i++) {
            press(robot, KeyCode.DIGIT7);
        }
        assertThat(width()).isEqualTo(0.5);
    }

    private double width() {
        return window.session
                .shot()
                .chalk(window.session.selection().chalkProperty().get())
                .width();
    }

    @Test
    void footageStaysOffUntilItIsTurnedOnAndTheHeadSaysSo(FxRobot robot) {
        press(robot, KeyCode.ALT, KeyCode.Q);
        assertThat(window.session.view().footageIsSeen()).isFalse();
        assertThat(robot.lookup(Sentence.of(Words.DESK.of("footage-is-off")))
                        .query()
                        .isVisible())
                .isTrue();
        robot.press(KeyCode.Q);
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(window.session.view().footageIsSeen()).isTrue();
        robot.release(KeyCode.Q);
        robot.clickOn("#footage-eye");
        assertThat(window.session.view().footageIsSeen()).isTrue();
    }

    @Test
    void aShotWithoutDrawingsIsHeldAsIsUsualAtItsRate(FxRobot robot) {
        assertThat(window.session.framesFromHere()).isEqualTo(2);
        ShotSetup setup = window.session.shot().setup();
        robot.interact(() -> window.session.document().apply(RateEdits.keepSeconds(FrameRate.of(12))));
        assertThat(window.session.framesFromHere()).isEqualTo(1);
        draw(robot, 100);
        robot.interact(() -> window.session
                .shelf()
                .startNew(Shot.empty("fast", new ShotSetup(FrameRate.of(60), setup.size(), 120, 1, setup.paper()))));
        assertThat(window.session.framesFromHere()).isEqualTo(4);
    }

    @Test
    void aNewDrawingTakesThePlaceOfItsHoldAndLeavesNoOtherWithoutAFrame(FxRobot robot) {
        draw(robot, 100);
        press(robot, KeyCode.E);
        assertThat(level().exposures().runs()).containsExactly(Exposure.of(0, 2, 1));
        go(robot, 1);
        press(robot, KeyCode.E);
        assertThat(runs()).containsExactly("1: 0-0", "2: 1-1");
        go(robot, 7);
        press(robot, KeyCode.E);
        assertThat(runs()).contains("3: 6-7");
    }

    @Test
    void aLevelRemembersItsHoldAndCanTakeThatOfAnother(FxRobot robot) {
        clickHold(robot, 3);
        draw(robot, 100);
        assertThat(runs()).containsExactly("1: 0-2");
        String rough = window.session.selection().level();
        robot.interact(() -> {
            window.session.document().apply(LevelEdits.add("clean", "clean", rough));
            window.session.selection().levelProperty().set("clean");
        });
        clickHold(robot, 1);
        robot.interact(() -> window.session.selection().levelProperty().set(rough));
        assertThat(window.session.framesFromHere()).isEqualTo(3);
        robot.interact(() -> {
            window.session.selection().levelProperty().set("clean");
            MenuButton holds = holds(robot);
            holds.show();
            holds.getItems().stream()
                    .filter(item -> "as-level".equals(item.getId()))
                    .map(Menu.class::cast)
                    .forEach(as -> as.getItems().get(0).fire());
            holds.hide();
        });
        assertThat(holds(robot).getText()).contains(level(rough).name());
        draw(robot, 140);
        assertThat(level("clean").exposures().runs()).containsExactly(Exposure.of(0, 3, 1));
        press(robot, KeyCode.CONTROL, KeyCode.Z);
        press(robot, KeyCode.CONTROL, KeyCode.Z);
        assertThat(window.session.shot().drawnOn("clean")).isEqualTo(DrawnOn.frames(1));
    }

    @Test
    void anyNumberOfFramesIsTypedAndIsOneStep(FxRobot robot) {
        robot.clickOn("#holds");
        robot.clickOn("#hold-number").press(KeyCode.CONTROL).type(KeyCode.A).release(KeyCode.CONTROL);
        robot.write("7").type(KeyCode.ENTER);
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(holds(robot).isShowing()).isFalse();
        draw(robot, 100);
        assertThat(runs()).containsExactly("1: 0-6");
        press(robot, KeyCode.CONTROL, KeyCode.Z);
        press(robot, KeyCode.CONTROL, KeyCode.Z);
        assertThat(window.session.framesFromHere()).isEqualTo(2);
    }

    private static void clickHold(FxRobot robot, int frames) {
        robot.interact(() -> holds(robot).getItems().get(frames - 1).fire());
    }

    private static MenuButton holds(FxRobot robot) {
        return robot.lookup("#holds").queryAs(MenuButton.class);
    }

    private Level level(String id) {
        return window.session.shot().level(id).orElseThrow();
    }

    private void hold(FxRobot robot, DrawnOn on) {
        robot.interact(() -> window.session
                .document()
                .apply(LevelEdits.change(
                        "hold",
                        window.session.selection().level(),
                        level -> level.withStyle(level.style().withDrawnOn(Optional.of(on))))));
    }
}
