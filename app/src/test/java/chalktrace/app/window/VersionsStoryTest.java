package chalktrace.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.app.session.Comparing;
import chalktrace.app.session.View.Step;
import chalktrace.app.testing.OpenWindow;
import chalktrace.core.edit.Edit;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Shot;
import chalktrace.core.testing.Shots;
import chalktrace.core.testing.Strokes;
import chalktrace.media.file.ShotFile;
import chalktrace.media.file.Versions;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** A shot is saved again and again; an earlier state is looked at over the board and beside it, and taken back in part. */
@ExtendWith(ApplicationExtension.class)
class VersionsStoryTest {

    private Path file;
    private OpenWindow window;

    @Start
    void start(Stage stage) throws Exception {
        Path folder = Files.createTempDirectory("versions");
        window = new OpenWindow(stage, folder.resolve("state"));
        file = folder.resolve("shot.chalk");
    }

    private static Shot drawn(Shot shot, int number, double y) {
        return shot.withLevel(
                Shots.LEVEL, level -> level.with(Drawing.empty(number).plus(Strokes.line(20, y, 300, y)))
                        .with(level.exposures().with(Exposure.of(4 * number, 4, number))));
    }

    private void change(FxRobot robot, Shot to) {
        robot.interact(() -> window.session.document().apply(new Edit("draw", shot -> to)));
    }

    private void save() {
        window.onFx(() -> {
            window.session.shelf().save(file, () -> {});
            return null;
        });
        window.await(() -> window.session.jobs().running().isEmpty());
    }

    private Shot savedTwice(FxRobot robot) throws Exception {
        Shot first = drawn(drawn(Shots.empty(), 1, 40), 2, 60);
        ShotFile.fresh().save(first, file);
        window.open(file);
        change(robot, drawn(first, 1, 120).withName("changed"));
        save();
        return first;
    }

    private void look(FxRobot robot) {
        robot.interact(() -> window.session.view().stepProperty().set(Step.FINISH));
        window.await(() -> robot.lookup("#version-0").tryQuery().isPresent());
        robot.interact(() -> {
            Node row = robot.lookup("#version-0").query();
            row.getOnMouseClicked().handle(null);
        });
        window.await(() -> window.session.comparing().comparedProperty().get() != null);
    }

    private List<MenuItem> offers(FxRobot robot) {
        return robot.lookup("#take-back").queryAs(MenuButton.class).getItems();
    }

    @Test
    void aSaveKeepsTheStateBeforeItAndOneDrawingOfItIsTakenBack(FxRobot robot) throws Exception {
        Shot first = savedTwice(robot);
        Shot second = window.session.shot();
        look(robot);
        assertThat(window.session.comparing().comparedProperty().get().shot()).isEqualTo(first);
        window.await(() -> !offers(robot).isEmpty());
        String differs = robot.lookup("#version-differs").queryAs(Label.class).getText();
        assertThat(differs).contains("1 drawing on").contains("name");
        MenuItem drawing = offers(robot).stream()
                .filter(item -> item.getText().startsWith("Drawing 1"))
                .findFirst()
                .orElseThrow();
        robot.interact(drawing::fire);
        assertThat(Shots.level(window.session.shot()).drawing(1))
                .isEqualTo(Shots.level(first).drawing(1));
        assertThat(window.session.shot().name()).isEqualTo("changed");
        robot.interact(window.session.document()::undo);
        assertThat(window.session.shot()).isEqualTo(second);
        robot.interact(offers(robot).get(0)::fire);
        assertThat(window.session.shot()).isEqualTo(first);
    }

    @Test
    void ofManyDrawingsThoseAtTheGateAreOffered(FxRobot robot) throws Exception {
        Shot first = Shots.empty();
        Shot second = Shots.empty();
        for (int number = 1; number <= 10; number++) {
            first = drawn(first, number, 10 * number);
            second = drawn(second, number, 10 * number + 5);
        }
        ShotFile.fresh().save(first, file);
        window.open(file);
        change(robot, second);
        save();
        look(robot);
        window.await(() -> !offers(robot).isEmpty());
        for (int number : new int[] {3, 7}) {
            int shown = number;
            robot.interact(() -> {
                window.session.transport().go(4 * shown + 1);
                MenuButton back = robot.lookup("#take-back").queryAs(MenuButton.class);
                back.getOnShowing().handle(null);
            });
            assertThat(offers(robot))
                    .extracting(MenuItem::getText)
                    .filteredOn(text -> text.startsWith("Drawing"))
                    .singleElement()
                    .asString()
                    .startsWith("Drawing " + number + " ");
        }
    }

    @Test
    void itIsSeenOverTheBoardInStepWithTheShotAndBeside(FxRobot robot) throws Exception {
        savedTwice(robot);
        robot.interact(() -> window.session.transport().go(5));
        look(robot);
        window.awaitSettled();
        assertThat(robot.lookup("#version-pane").query().isVisible()).isTrue();
        var paper = window.colorAt(160, 40);
        robot.interact(() -> window.session.comparing().whereProperty().set(Comparing.Where.OVER));
        window.awaitSettled();
        assertThat(robot.lookup("#version-pane").query().isVisible()).isFalse();
        window.awaitSettled();
        assertThat(window.colorAt(160, 40)).isNotEqualTo(paper);
        // On the next drawing the line of the version lies elsewhere.
        robot.interact(() -> window.session.transport().go(8));
        window.awaitSettled();
        assertThat(window.colorAt(160, 40)).isEqualTo(paper);
        robot.interact(window.session.comparing()::end);
    }

    @Test
    void aSaveThatChangesNothingKeepsNoVersion(FxRobot robot) throws Exception {
        savedTwice(robot);
        save();
        save();
        assertThat(new Versions(file).all()).hasSize(1);
    }
}
