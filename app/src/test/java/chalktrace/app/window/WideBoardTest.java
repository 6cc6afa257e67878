package chalktrace.app.window;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.app.session.View.Step;
import chalktrace.app.testing.OpenWindow;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.LevelEdits;
import chalktrace.core.shot.Level;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import javafx.geometry.Bounds;
import javafx.geometry.Rectangle2D;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.layout.Region;
import javafx.stage.Stage;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** The room that the board has, and what stands around it. The window is 1280 by 800 px. */
@ExtendWith(ApplicationExtension.class)
class WideBoardTest {

    private static final double WINDOW_AREA = 1280 * 800;

    private Path folder;
    private OpenWindow window;

    @Start
    void start(Stage stage) throws Exception {
        folder = Files.createTempDirectory("wide");
        window = new OpenWindow(stage, folder.resolve("state"));
    }

    @BeforeEach
    void open() throws Exception {
        window.open(DemoShot.copyTo(folder.resolve("demo"), true));
        window.awaitSettled();
    }

    private Bounds of(FxRobot robot, String query) {
        Node node = robot.lookup(query).query();
        return window.onFx(() -> node.localToScene(node.getLayoutBounds()));
    }

    private void go(FxRobot robot, Step step) {
        robot.interact(() -> window.session.view().stepProperty().set(step));
        window.awaitSettled();
    }

    @Test
    void inTraceTheBoardHasHalfOfTheWindowHoweverManyLevelsThereAre(FxRobot robot) {
        for (int levels : new int[] {4, 12}) {
            robot.interact(() -> {
                while (window.session.shot().levels().size() < levels) {
                    String id = window.session.shot().newId("level");
                    window.session.document().apply(LevelEdits.add(id, id, "level-1"));
                }
            });
            go(robot, Step.TRACE);
            Bounds board = of(robot, ".board");
            assertThat(board.getWidth() * board.getHeight()).isGreaterThanOrEqualTo(WINDOW_AREA / 2);
            assertThat(Math.min(board.getWidth(), board.getHeight() * 16 / 9)).isGreaterThanOrEqualTo(820);
            assertThat(of(robot, ".bench").getMinY())
                    .isCloseTo(of(robot, ".ledge").getMaxY(), within(0.5));
            assertThat(of(robot, ".bench").getMaxY()).isCloseTo(800, within(0.5));
        }
    }

    @Test
    void tabGivesTheBoardAllButTheHeadAndBack(FxRobot robot) {
        Bounds before = of(robot, ".board");
        robot.type(KeyCode.TAB);
        window.awaitSettled();
        Bounds board = of(robot, ".board");
        Bounds head = of(robot, ".head");
        assertThat(board.getMinY()).isCloseTo(head.getMaxY(), within(0.5));
        assertThat(board.getHeight()).isCloseTo(800 - head.getHeight(), within(0.5));
        assertThat(board.getWidth()).isCloseTo(1280, within(0.5));
        robot.type(KeyCode.TAB);
        window.awaitSettled();
        assertThat(of(robot, ".board")).isEqualTo(before);
    }

    @Test
    void theFiveStepsStandWhereTheyStoodAndTheirKeysGoToThem(FxRobot robot) {
        KeyCode[] keys = {KeyCode.DIGIT1, KeyCode.DIGIT2, KeyCode.DIGIT3, KeyCode.DIGIT4, KeyCode.DIGIT5};
        for (Step looked : Step.values()) {
            Set<Bounds> places = new HashSet<>();
            for (Step step : Step.values()) {
                robot.press(KeyCode.ALT).type(keys[step.ordinal()]).release(KeyCode.ALT);
                window.awaitSettled();
                assertThat(window.session.view().stepProperty().get()).isEqualTo(step);
                Button word = robot.lookup("#step-" + looked.id()).queryButton();
                assertThat(word.getStyleClass().contains("present")).isEqualTo(step == looked);
                places.add(of(robot, "#step-" + looked.id()));
            }
            assertThat(places).as("" + looked).hasSize(1);
        }
    }

    @Test
    void theBenchIsDraggedForOneStepAndGoesBackToItsLanes(FxRobot robot) {
        double before = of(robot, ".bench").getHeight();
        Rectangle2D grip = onScreen(robot, ".bench .grip");
        robot.moveTo(grip.getMinX() + 200, grip.getMinY() + 2)
                .press(MouseButton.PRIMARY)
                .moveBy(0, -30)
                .moveBy(0, -30)
                .release(MouseButton.PRIMARY);
        window.awaitSettled();
        assertThat(of(robot, ".bench").getHeight()).isCloseTo(before + 60, within(2.0));
        go(robot, Step.FINISH);
        double finish = of(robot, ".bench").getHeight();
        go(robot, Step.TRACE);
        assertThat(of(robot, ".bench").getHeight()).isCloseTo(before + 60, within(2.0));
        assertThat(finish).isNotCloseTo(before + 60, within(2.0));
        grip = onScreen(robot, ".bench .grip");
        robot.moveTo(grip.getMinX() + 200, grip.getMinY() + 2).doubleClickOn(MouseButton.PRIMARY);
        window.awaitSettled();
        assertThat(of(robot, ".bench").getHeight()).isCloseTo(before, within(0.5));
    }

    private Rectangle2D onScreen(FxRobot robot, String query) {
        Node node = robot.lookup(query).query();
        Bounds at = window.onFx(() -> node.localToScreen(node.getLayoutBounds()));
        return new Rectangle2D(at.getMinX(), at.getMinY(), at.getWidth(), at.getHeight());
    }

    @Test
    void aBenchWithFewLanesIsLower(FxRobot robot) {
        double before = of(robot, ".bench").getHeight();
        robot.interact(() -> window.session.document().apply(new Edit("few lanes", shot -> shot.withLevels(
                        shot.levels().subList(0, 1))
                .withSounds(List.of()))));
        window.awaitSettled();
        assertThat(of(robot, ".bench").getHeight()).isLessThan(before - 10);
    }

    @Test
    void theNarrowTrayHasLevelsAndChalkInEachStepAndIsNarrowTheNextTime(FxRobot robot) {
        robot.press(KeyCode.ALT).type(KeyCode.T).release(KeyCode.ALT);
        for (Step step : Step.values()) {
            go(robot, step);
            assertThat(of(robot, ".tray").getWidth()).isLessThanOrEqualTo(150);
            assertThat(robot.lookup(".tray .sheet-row").queryAll())
                    .hasSize(window.session.shot().levels().size());
            assertThat(robot.lookup(".tray .slider").queryAll()).hasSize(2);
            Region content = robot.lookup(".tray .content").queryAs(Region.class);
            assertThat(window.onFx(content::getWidth)).isLessThanOrEqualTo(148);
        }
        Node row = robot.lookup(".tray .sheet-row").query();
        window.pen(robot, 300, 300, 360, 340);
        window.awaitSettled();
        // A stroke makes no row anew.
        assertThat(robot.lookup(".tray .sheet-row").<Node>query()).isSameAs(row);
        Level first = window.session.shot().levels().get(0);
        Button eye = robot.from(robot.lookup(".tray .sheet-row").nth(0))
                .lookup(".button")
                .queryButton();
        robot.clickOn(eye);
        assertThat(window.session.shot().level(first.id()).orElseThrow().visible())
                .isFalse();
        Label second = robot.from(robot.lookup(".tray .sheet-row").nth(1))
                .lookup(".label")
                .queryAs(Label.class);
        robot.clickOn(second);
        assertThat(window.session.selection().level())
                .isEqualTo(window.session.shot().levels().get(1).id());
        assertThat(window.session.preferences().trayNarrow()).isTrue();
        robot.press(KeyCode.ALT).type(KeyCode.T).release(KeyCode.ALT);
        window.awaitSettled();
        assertThat(of(robot, ".tray").getWidth()).isGreaterThan(250);
        assertThat(window.session.preferences().trayNarrow()).isFalse();
    }

    @Test
    void theTrayStandsAtTheLeft(FxRobot robot) {
        Bounds before = of(robot, ".board");
        robot.press(KeyCode.ALT, KeyCode.SHIFT).type(KeyCode.T).release(KeyCode.SHIFT, KeyCode.ALT);
        window.awaitSettled();
        assertThat(of(robot, ".tray").getMinX()).isZero();
        assertThat(of(robot, ".board").getMinX()).isCloseTo(of(robot, ".tray").getMaxX(), within(0.5));
        assertThat(of(robot, ".board").getWidth()).isCloseTo(before.getWidth(), within(0.5));
        assertThat(window.session.preferences().trayLeft()).isTrue();
    }

    @Test
    void whereTheNextStrokeLandsStandsInOneLine(FxRobot robot) {
        Label landing = robot.lookup("#landing").queryAs(Label.class);
        assertThat(window.onFx(() -> landing.prefWidth(-1))).isLessThanOrEqualTo(window.onFx(landing::getWidth) + 0.5);
        assertThat(of(robot, "#landing").getHeight()).isLessThan(24);
        assertThat(of(robot, ".ledge").getHeight()).isLessThan(48);
    }

    @Test
    void theShotsMenuOpensItsSetUpAtTheTopOfGather(FxRobot robot) {
        robot.press(KeyCode.ALT).type(KeyCode.T).release(KeyCode.ALT);
        window.click(robot, "shot-menu");
        robot.clickOn("#shot-set-up");
        window.awaitSettled();
        assertThat(window.session.view().stepProperty().get()).isEqualTo(Step.GATHER);
        Bounds rate = of(robot, "#setup-rate");
        assertThat(rate.getMinY()).isLessThan(200);
        assertThat(rate.getMaxY()).isLessThan(of(robot, ".main-button").getMinY());
    }
}
