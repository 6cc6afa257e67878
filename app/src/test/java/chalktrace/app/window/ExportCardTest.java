package chalktrace.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.app.session.View.Step;
import chalktrace.app.testing.OpenWindow;
import chalktrace.app.words.Words;
import chalktrace.core.shot.Shot;
import chalktrace.media.export.Choices;
import chalktrace.media.export.Chosen;
import chalktrace.media.export.Exporter;
import chalktrace.media.export.Exporters;
import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.image.Image;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** What is chosen in Finish is what is written. */
@ExtendWith(ApplicationExtension.class)
class ExportCardTest {

    private Path folder;
    private OpenWindow window;

    @Start
    void start(Stage stage) throws Exception {
        folder = Files.createTempDirectory("export");
        window = new OpenWindow(stage, folder.resolve("state"));
    }

    @BeforeEach
    void open(FxRobot robot) throws Exception {
        window.open(DemoShot.copyTo(folder.resolve("demo"), true));
        robot.interact(() -> window.session.view().stepProperty().set(Step.FINISH));
        window.awaitSettled();
    }

    @Test
    void aSpanAtHalfSizeWithoutPaper(FxRobot robot) throws Exception {
        Shot shot = window.session.shot();
        kind(robot, "pictures");
        select(robot, "range", 3);
        type(robot, "#export-frames", "61-63");
        select(robot, "size", 1);
        select(robot, "paper", 1);
        window.files.folder = Files.createDirectories(folder.resolve("pictures"));
        robot.clickOn("#export-now");
        window.awaitSettled();
        List<Path> written;
        try (Stream<Path> files = Files.list(window.files.folder)) {
            written = files.sorted().toList();
        }
        assertThat(written.stream().map(file -> file.toString().replaceAll(".*\\.(\\d+)\\.png", "$1")))
                .containsExactly("0061", "0062", "0063");
        BufferedImage picture = ImageIO.read(written.get(0).toFile());
        assertThat(picture.getWidth()).isEqualTo(shot.setup().size().width() / 2);
        assertThat(picture.getRGB(2, 2) >>> 24).isZero();
        // As the command line writes the same.
        Choices same = Choices.USUAL
                .read(Chosen.RANGE, "60-60")
                .read(Chosen.SIZE, "50%")
                .read(Chosen.PAPER, "none");
        Path still = folder.resolve("still.png");
        Exporters.byId("still").orElseThrow().write(shot, still, same, (done, total) -> true);
        assertThat(Files.readAllBytes(written.get(0))).isEqualTo(Files.readAllBytes(still));
    }

    @Test
    void whatWasChosenForAKindStaysForTheNextShotButNotItsFrames(FxRobot robot) throws Exception {
        kind(robot, "webm");
        select(robot, "size", 1);
        select(robot, "quality", 2);
        select(robot, "range", 2);
        assertThat(facts(robot)).contains(half());
        kind(robot, "movie");
        assertThat(facts(robot)).doesNotContain(half());
        window.open(DemoShot.copyTo(folder.resolve("another"), true));
        kind(robot, "webm");
        assertThat(box(robot, "size").getValue()).isEqualTo(new Chosen.Size(50, true));
        assertThat(box(robot, "quality").getValue()).isEqualTo(Chosen.Quality.BEST);
        assertThat(robot.lookup("#export-frames").query().isVisible()).isFalse();
    }

    @Test
    void picturesOfAnEarlierExportAreReplacedOnlyWhenThatIsSaid(FxRobot robot) throws Exception {
        kind(robot, "pictures");
        select(robot, "range", 2);
        window.files.folder = Files.createDirectories(folder.resolve("pictures"));
        robot.clickOn("#export-now");
        window.awaitSettled();
        Path written;
        try (Stream<Path> files = Files.list(window.files.folder)) {
            written = files.findFirst().orElseThrow();
        }
        Files.writeString(written, "mine");
        robot.clickOn("#export-now");
        window.awaitSettled();
        assertThat(written).hasContent("mine");
        window.clickText(robot, Words.FINISH.of("replace-them"));
        window.awaitSettled();
        assertThat(ImageIO.read(written.toFile())).isNotNull();
    }

    @Test
    void whatWasWrittenIsLookedAtAndShownInItsFolder(FxRobot robot) {
        kind(robot, "webm");
        select(robot, "range", 3);
        type(robot, "#export-frames", "61-66");
        select(robot, "size", 0);
        Path movie = folder.resolve("out.webm");
        window.files.exports.put("webm", movie);
        robot.clickOn("#export-now");
        window.awaitSettled();
        window.clickText(robot, Words.FINISH.of("show-in-folder"));
        assertThat(window.files.shown).isEqualTo(movie);
        robot.clickOn("#export-now");
        window.awaitSettled();
        window.clickText(robot, Words.FINISH.of("look-at-it"));
        window.await(() -> window.session.document().isLooking());
        assertThat(window.session.document().shown().setup().length()).isEqualTo(6);
    }

    @Test
    void theFrameAtTheGateIsCopiedWithAndWithoutPaper(FxRobot robot) {
        robot.interact(() -> {
            window.session.transport().go(100);
            window.workbench.board().requestFocus();
        });
        robot.type(KeyCode.F4);
        int paper = window.session.shot().setup().paper().argb();
        window.await(() -> corner() == paper);
        robot.press(KeyCode.SHIFT).type(KeyCode.F4).release(KeyCode.SHIFT);
        window.await(() -> corner() >>> 24 == 0);
    }

    /** Of the picture in the clipboard; an odd word where there is none. */
    private static int corner() {
        Image picture = Clipboard.getSystemClipboard().getImage();
        return picture == null ? 1 << 24 : picture.getPixelReader().getArgb(2, 2);
    }

    @Test
    void framesThatTheShotHasNotAreMarkedAndTheLastOnesStay(FxRobot robot) {
        kind(robot, "movie");
        select(robot, "range", 3);
        type(robot, "#export-frames", "5-8");
        String four = facts(robot);
        type(robot, "#export-frames", "5-100000");
        assertThat(robot.lookup("#export-frames").query().getStyleClass()).contains("wrong");
        assertThat(facts(robot)).isEqualTo(four);
        type(robot, "#export-frames", "6");
        assertThat(robot.lookup("#export-frames").query().getStyleClass()).doesNotContain("wrong");
        assertThat(facts(robot)).isNotEqualTo(four);
    }

    private String half() {
        Shot shot = window.session.shot();
        return shot.setup().size().width() / 2 + "x" + shot.setup().size().height() / 2;
    }

    private static String facts(FxRobot robot) {
        return robot.lookup("#export-facts").queryAs(Label.class).getText();
    }

    private void kind(FxRobot robot, String id) {
        robot.interact(() -> robot.lookup("#export-kind")
                .<Exporter>queryComboBox()
                .setValue(Exporters.byId(id).orElseThrow()));
        window.awaitSettled();
    }

    private static ComboBox<Object> box(FxRobot robot, String choice) {
        return robot.lookup("#export-" + choice).queryComboBox();
    }

    private void select(FxRobot robot, String choice, int index) {
        robot.interact(() -> box(robot, choice).getSelectionModel().select(index));
        window.awaitSettled();
    }

    private void type(FxRobot robot, String field, String text) {
        robot.interact(() -> {
            TextField typed = robot.lookup(field).queryAs(TextField.class);
            typed.setText(text);
            typed.getOnAction().handle(null);
        });
        window.awaitSettled();
    }
}
