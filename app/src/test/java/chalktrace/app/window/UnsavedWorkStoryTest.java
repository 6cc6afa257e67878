package chalktrace.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.app.testing.OpenWindow;
import chalktrace.app.words.Words;
import chalktrace.core.edit.Edit;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Shot;
import chalktrace.core.testing.Shots;
import chalktrace.core.testing.Strokes;
import chalktrace.media.file.Journal;
import chalktrace.media.file.SavedShot;
import chalktrace.media.file.ShotFile;
import chalktrace.media.file.UnsavedWork;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.control.MenuButton;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** From the empty start of the program to work that an earlier run left, and back from the bin. */
@ExtendWith(ApplicationExtension.class)
class UnsavedWorkStoryTest {

    private Path folder;
    private OpenWindow window;

    @Start
    void start(Stage stage) throws Exception {
        folder = Files.createTempDirectory("left");
        window = new OpenWindow(stage, folder.resolve("state"));
    }

    private Path saved(String name) throws Exception {
        Path file = folder.resolve(name);
        ShotFile.fresh().save(Shots.empty(), file);
        return file;
    }

    /** What a run leaves that is killed. */
    private Shot left(Path file) throws Exception {
        Shot drawn = Shots.empty()
                .withName("as it was drawn")
                .withLevel(Shots.LEVEL, level -> level.with(Drawing.empty(1).plus(Strokes.line(9, 3, 9, 9))));
        SavedShot inTheFile = new SavedShot(ShotFile.open(file).shot(), Optional.empty());
        try (Journal journal = Journal.of(file, inTheFile, folder.resolve("state/unsaved"))) {
            journal.keep(drawn, false);
        }
        return drawn;
    }

    private void fromTheMenu(FxRobot robot) {
        Platform.runLater(() -> robot.lookup("#shot-menu").queryAs(MenuButton.class).getItems().stream()
                .filter(item -> "unsaved-work".equals(item.getId()))
                .findFirst()
                .orElseThrow()
                .fire());
    }

    @Test
    void workOnAShotThatWasDeletedIsToldAtTheStartAndOpened(FxRobot robot) throws Exception {
        Path file = saved("gone.chalk");
        Shot drawn = left(file);
        Files.delete(file);
        robot.interact(window.workbench::offerUnsavedWork);
        window.answer(robot, Words.DESK.of("show-unsaved-work"));
        window.answer(robot, "#open");
        window.await(() -> window.session.shot().equals(drawn));
        assertThat(window.session.document().pathProperty().get()).isNull();
        assertThat(window.<Boolean>onFx(
                        () -> window.session.document().unsavedProperty().get()))
                .isTrue();
        Path elsewhere = folder.resolve("elsewhere.chalk");
        window.onFx(() -> {
            window.session.shelf().save(elsewhere, () -> {});
            return null;
        });
        window.await(
                () -> Files.exists(elsewhere) && window.session.jobs().running().isEmpty());
        assertThat(new UnsavedWork(folder.resolve("state/unsaved")).all()).isEmpty();
    }

    @Test
    void whatIsDiscardedIsOpenedOutOfTheBinOnItsShot(FxRobot robot) throws Exception {
        Path file = saved("there.chalk");
        Shot drawn = left(file);
        fromTheMenu(robot);
        window.answer(robot, "#discard");
        UnsavedWork work = new UnsavedWork(folder.resolve("state/unsaved"));
        window.await(() -> work.all().isEmpty() && work.discarded().size() == 1);
        fromTheMenu(robot);
        window.answer(robot, "#open");
        window.await(() -> window.session.shot().equals(drawn));
        assertThat(window.session.document().pathProperty().get()).isEqualTo(file);
    }

    @Test
    void aCopyIsSavedAndAllStaysAsItIs(FxRobot robot) throws Exception {
        Path file = saved("there.chalk");
        Shot drawn = left(file);
        window.files.saveAs = folder.resolve("copy");
        fromTheMenu(robot);
        window.answer(robot, "#save-a-copy");
        Path copy = folder.resolve("copy.chalk");
        window.await(() -> Files.exists(copy));
        assertThat(ShotFile.open(copy).shot()).isEqualTo(drawn);
        assertThat(new UnsavedWork(folder.resolve("state/unsaved")).all()).hasSize(1);
        assertThat(window.session.document().pathProperty().get()).isNull();
    }

    @Test
    void whatAnotherProgramWroteIsAskedAboutBeforeASaveReplacesIt(FxRobot robot) throws Exception {
        Path file = saved("shared.chalk");
        window.open(file);
        robot.interact(() -> window.session.document().apply(new Edit("name", shot -> shot.withName("mine"))));
        ShotFile.fresh().save(Shots.empty().withName("theirs"), file);
        window.onFx(() -> {
            window.session.shelf().save(file, () -> {});
            return null;
        });
        window.await(() -> robot.lookup(Words.DESK.of("replace-it")).tryQuery().isPresent());
        assertThat(ShotFile.open(file).shot().name()).isEqualTo("theirs");
        window.files.saveAs = folder.resolve("mine.chalk");
        window.answer(robot, Words.DESK.of("save-elsewhere"));
        window.await(() -> Files.exists(folder.resolve("mine.chalk")));
        window.await(() -> window.session.jobs().running().isEmpty());
        assertThat(ShotFile.open(file).shot().name()).isEqualTo("theirs");
        assertThat(ShotFile.open(folder.resolve("mine.chalk")).shot().name()).isEqualTo("mine");
    }
}
