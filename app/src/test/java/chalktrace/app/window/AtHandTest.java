package chalktrace.app.window;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.app.controls.Colors;
import chalktrace.app.session.View.Tool;
import chalktrace.app.testing.OpenWindow;
import chalktrace.app.words.Words;
import chalktrace.core.edit.Edit;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Shot;
import chalktrace.core.testing.Strokes;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import javafx.event.ActionEvent;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Shape;
import javafx.stage.Stage;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** What is set without going to the tray: width and strength by a drag, levels and footage by keys. */
@ExtendWith(ApplicationExtension.class)
class AtHandTest {

    private static final double X = 640;
    private static final double Y = 360;

    private Path folder;
    private OpenWindow window;

    @Start
    void start(Stage stage) throws Exception {
        folder = Files.createTempDirectory("dial");
        window = new OpenWindow(stage, folder.resolve("state"));
    }

    @BeforeEach
    void open() throws Exception {
        window.open(DemoShot.copyTo(folder.resolve("demo"), true));
        window.awaitSettled();
    }

    private Chalk chalk(Shot shot) {
        return shot.chalk(window.session.selection().chalkProperty().get());
    }

    private double scale() {
        return window.onFx(window.workbench.board().view()::scale);
    }

    /** Presses in the picture's middle and moves by px of the screen; the button is still down. */
    private void drag(FxRobot robot, double dx, double dy) {
        Point2D at = window.onScreen(X, Y);
        robot.moveTo(at).press(MouseButton.PRIMARY);
        robot.moveTo(at.add(dx / 2, dy / 2)).moveTo(at.add(dx, dy));
        window.awaitSettled();
    }

    private boolean ringIsShown(FxRobot robot, double radius) {
        return robot.lookup(".brush-ring").queryAll().stream()
                .filter(Node::isVisible)
                .map(Circle.class::cast)
                .anyMatch(ring -> Math.abs(ring.getRadius() - radius) < 1.5);
    }

    @Test
    void theWidthIsTwiceTheDragAndShowsAsARingAndIsOneStep(FxRobot robot) {
        Shot before = window.session.shot();
        robot.press(KeyCode.DIGIT9);
        drag(robot, 30, 40);
        double wanted = 2 * 50 / scale();
        assertThat(ringIsShown(robot, 50)).isTrue();
        assertThat(chalk(window.session.document().shown()).width()).isCloseTo(wanted, within(3.0));
        assertThat(window.session.shot()).isEqualTo(before);
        robot.release(MouseButton.PRIMARY).release(KeyCode.DIGIT9);
        window.awaitSettled();
        assertThat(chalk(window.session.shot()).width()).isCloseTo(wanted, within(3.0));
        assertThat(window.session.shot().levels()).isEqualTo(before.levels());
        assertThat(window.session.view().toolProperty().get()).isEqualTo(Tool.CHALK);
        robot.interact(() -> window.session.document().undo());
        assertThat(window.session.shot()).isEqualTo(before);
    }

    /** The dial of the tray ends at 40 px. */
    @Test
    void whatIsWiderThanTheTraysDialStaysSoWhenItIsLookedAtAndIsTypedToo(FxRobot robot) {
        robot.press(KeyCode.DIGIT9);
        drag(robot, 60, 0);
        robot.release(MouseButton.PRIMARY).release(KeyCode.DIGIT9);
        window.awaitSettled();
        double width = chalk(window.session.shot()).width();
        assertThat(width).isGreaterThan(100);
        TextField field = robot.lookup(".tray .value-field").<TextField>queryAll().stream()
                .filter(one -> one.getText().equals(String.format(Locale.ROOT, "%.1f", width)))
                .findFirst()
                .orElseThrow();
        robot.interact(() -> {
            field.requestFocus();
            window.workbench.board().requestFocus();
        });
        assertThat(chalk(window.session.shot()).width()).isEqualTo(width);
        assertThat(field.getText()).isEqualTo(String.format(Locale.ROOT, "%.1f", width));
        robot.interact(() -> {
            field.setText("250");
            field.getOnAction().handle(new ActionEvent());
        });
        assertThat(chalk(window.session.shot()).width()).isEqualTo(250);
    }

    @Test
    void theKeyMayBeLetGoBeforeThePen(FxRobot robot) {
        robot.press(KeyCode.DIGIT9);
        drag(robot, 40, 0);
        robot.release(KeyCode.DIGIT9);
        robot.release(MouseButton.PRIMARY);
        window.awaitSettled();
        assertThat(chalk(window.session.shot()).width()).isCloseTo(2 * 40 / scale(), within(3.0));
        assertThat(window.session.view().toolProperty().get()).isEqualTo(Tool.CHALK);
        assertThat(robot.lookup(".dial-word").<Node>queryAll()).noneMatch(Node::isVisible);
    }

    @Test
    void aTouchWithoutADragChangesNothing(FxRobot robot) {
        Shot before = window.session.shot();
        for (KeyCode key : new KeyCode[] {KeyCode.DIGIT9, KeyCode.DIGIT0}) {
            robot.press(key).moveTo(window.onScreen(X, Y)).press(MouseButton.PRIMARY);
            // A hand shakes.
            robot.moveBy(1, 0).moveBy(0, 1).release(MouseButton.PRIMARY).release(key);
        }
        window.awaitSettled();
        assertThat(window.session.shot()).isEqualTo(before);
    }

    @Test
    void escapeLeavesTheWidthAsItWas(FxRobot robot) {
        Shot before = window.session.shot();
        robot.press(KeyCode.DIGIT9);
        drag(robot, 60, 0);
        robot.type(KeyCode.ESCAPE).release(MouseButton.PRIMARY).release(KeyCode.DIGIT9);
        window.awaitSettled();
        assertThat(window.session.document().shown()).isEqualTo(before);
    }

    @Test
    void theDusterHasAWidthOfItsOwn(FxRobot robot) {
        Shot before = window.session.shot();
        robot.type(KeyCode.R);
        double width = window.session.view().dusterWidthProperty().get();
        robot.press(KeyCode.DIGIT9);
        drag(robot, 0, 45);
        robot.release(MouseButton.PRIMARY).release(KeyCode.DIGIT9);
        window.awaitSettled();
        assertThat(window.session.view().dusterWidthProperty().get())
                .isCloseTo(2 * 45 / scale(), within(3.0))
                .isNotEqualTo(width);
        assertThat(window.session.view().toolProperty().get()).isEqualTo(Tool.DUSTER);
        robot.type(KeyCode.DIGIT8);
        assertThat(window.session.view().dusterWidthProperty().get()).isGreaterThan(2 * 45 / scale() + 3);
        assertThat(window.session.shot()).isEqualTo(before);
    }

    @Test
    void strengthSinksToTheLeftAndStaysWithinItsBounds(FxRobot robot) {
        robot.press(KeyCode.DIGIT0);
        drag(robot, -100, 0);
        assertThat(robot.lookup(".dial-word").queryAll().stream()
                        .filter(Node::isVisible)
                        .map(node -> ((Labeled) node).getText()))
                .containsExactly("50 %");
        robot.release(MouseButton.PRIMARY);
        window.awaitSettled();
        assertThat(chalk(window.session.shot()).opacity()).isCloseTo(0.5, within(0.03));
        drag(robot, -300, 0);
        robot.release(MouseButton.PRIMARY).release(KeyCode.DIGIT0);
        window.awaitSettled();
        assertThat(chalk(window.session.shot()).opacity()).isBetween(0.01, 0.1);
    }

    private void alt(FxRobot robot, KeyCode key) {
        robot.press(KeyCode.ALT).type(key).release(KeyCode.ALT);
        window.awaitSettled();
    }

    @Test
    void levelsAreChosenShownAndSeenAloneByKeys(FxRobot robot) {
        List<String> ids =
                window.session.shot().levels().stream().map(Level::id).toList();
        robot.interact(() -> window.session.selection().levelProperty().set(ids.get(1)));
        alt(robot, KeyCode.W);
        assertThat(window.session.selection().level()).isEqualTo(ids.get(0));
        alt(robot, KeyCode.W);
        assertThat(window.session.selection().level()).isEqualTo(ids.get(0));
        alt(robot, KeyCode.X);
        assertThat(window.session.shot().level(ids.get(0)).orElseThrow().visible())
                .isFalse();
        alt(robot, KeyCode.X);
        assertThat(window.session.shot().level(ids.get(0)).orElseThrow().visible())
                .isTrue();
        alt(robot, KeyCode.A);
        assertThat(window.session.view().aloneProperty().get()).isEqualTo(ids.get(0));
        alt(robot, KeyCode.S);
        assertThat(window.session.selection().level()).isEqualTo(ids.get(1));
        assertThat(window.session.view().aloneProperty().get()).isEqualTo(ids.get(1));
        alt(robot, KeyCode.A);
        assertThat(window.session.view().aloneProperty().get()).isNull();
    }

    @Test
    void footageFadesByKeysAndStaysWithinItsBounds(FxRobot robot) {
        Placement before = window.session.shot().footage().get(0).placement();
        alt(robot, KeyCode.DIGIT8);
        assertThat(window.session.shot().footage().get(0).placement()).isEqualTo(before);
        alt(robot, KeyCode.DIGIT7);
        alt(robot, KeyCode.DIGIT7);
        assertThat(window.session.shot().footage().get(0).placement().opacity())
                .isCloseTo(before.opacity() - 0.2, within(1e-9));
        for (int i = 0; i < 12; i++) {
            alt(robot, KeyCode.DIGIT7);
        }
        assertThat(window.session.shot().footage().get(0).placement().opacity()).isZero();
        alt(robot, KeyCode.DIGIT8);
        assertThat(window.session.shot().footage().get(0).placement().opacity()).isCloseTo(0.1, within(1e-9));
    }

    private void touchHolding(FxRobot robot, KeyCode key, double x, double y) {
        robot.press(key).moveTo(window.onScreen(x, y)).press(MouseButton.PRIMARY);
        window.awaitSettled();
        robot.release(MouseButton.PRIMARY).release(key);
        window.awaitSettled();
    }

    @Test
    void aHeldKeyTakesTheColourUnderThePointerIntoTheChalk(FxRobot robot) {
        Chalk drawn = bar(robot);
        robot.interact(() ->
                window.session.selection().chalkProperty().set(other(drawn).id()));
        Shot before = window.session.shot();
        robot.press(KeyCode.F2).moveTo(window.onScreen(X, Y)).moveBy(1, 0);
        window.awaitSettled();
        assertThat(robot.lookup(".colour-sample").<Shape>queryAll().stream()
                        .filter(Node::isVisible)
                        .map(Shape::getFill))
                .containsExactly(Colors.of(drawn.color()));
        robot.release(KeyCode.F2);
        assertThat(window.session.shot()).isEqualTo(before);
        assertThat(robot.lookup(".colour-sample").<Node>queryAll()).noneMatch(Node::isVisible);
        touchHolding(robot, KeyCode.F2, X, Y);
        assertThat(chalk(window.session.shot()).color()).isEqualTo(drawn.color());
        assertThat(window.session.shot().levels()).isEqualTo(before.levels());
        assertThat(window.session.view().toolProperty().get()).isEqualTo(Tool.CHALK);
        robot.interact(() -> window.session.document().undo());
        assertThat(window.session.shot()).isEqualTo(before);
    }

    @Test
    void theChalkThatDrewALineIsFoundByATouch(FxRobot robot) {
        Chalk drawn = bar(robot);
        Shot before = window.session.shot();
        robot.interact(() ->
                window.session.selection().chalkProperty().set(other(drawn).id()));
        touchHolding(robot, KeyCode.F3, X, Y + 120);
        assertThat(chalk(window.session.shot())).isEqualTo(other(drawn));
        touchHolding(robot, KeyCode.F3, X, Y);
        assertThat(chalk(window.session.shot())).isEqualTo(drawn);
        assertThat(window.session.shot()).isEqualTo(before);
    }

    @Test
    void fromDrawingsAloneNothingIsTakenWhereNoneIs(FxRobot robot) {
        Chalk drawn = bar(robot);
        robot.interact(() ->
                window.session.selection().chalkProperty().set(other(drawn).id()));
        Shot before = window.session.shot();
        robot.clickOn("#take-colour");
        robot.clickOn(Words.TRACE.of("from-drawings"));
        robot.moveTo(window.onScreen(X, Y + 120)).clickOn(MouseButton.PRIMARY);
        window.awaitSettled();
        assertThat(window.session.shot()).isEqualTo(before);
        assertThat(window.session.view().toolProperty().get()).isEqualTo(Tool.CHALK);
        robot.clickOn("#take-colour");
        robot.moveTo(window.onScreen(X, Y)).clickOn(MouseButton.PRIMARY);
        window.awaitSettled();
        assertThat(chalk(window.session.shot()).color()).isEqualTo(drawn.color());
    }

    /** A shot of one broad bar of a strong chalk across the picture's middle. */
    private Chalk bar(FxRobot robot) {
        Chalk strong = window.session.shot().chalks().get(0).withOpacity(1).withWidth(60);
        robot.interact(() -> {
            Shot shot = window.session.shot();
            int y = shot.setup().size().height() / 2;
            Level level = Level.empty("bar", "bar")
                    .with(Drawing.empty(1)
                            .plus(Strokes.line(100, y, shot.setup().size().width() - 100, y)
                                    .withChalk(strong.id())))
                    .with(Exposures.of(Exposure.of(0, shot.setup().length(), 1)));
            window.session.document().apply(new Edit("bar", was -> was.withLevels(
                            List.of(level, Level.empty("other", "other")))
                    .withFootage(List.of())
                    .withMouths(List.of())
                    .withChalks(List.of(strong, other(strong)))));
            window.session.selection().levelProperty().set("bar");
        });
        window.awaitSettled();
        return strong;
    }

    private Chalk other(Chalk chalk) {
        return window.session.shot().chalks().stream()
                .filter(one -> !one.id().equals(chalk.id()))
                .findFirst()
                .orElseThrow();
    }
}
