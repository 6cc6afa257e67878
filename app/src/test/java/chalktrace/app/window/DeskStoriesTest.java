package chalktrace.app.window;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.app.session.Timing;
import chalktrace.app.session.View.Step;
import chalktrace.app.testing.BareSession;
import chalktrace.app.testing.OpenWindow;
import chalktrace.core.edit.LevelEdits;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.sound.PcmBuffer;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.time.FrameRange;
import chalktrace.media.export.Exporter;
import chalktrace.media.export.Exporters;
import chalktrace.media.file.ShotFile;
import chalktrace.media.footage.VideoClip;
import chalktrace.media.sound.SoundFiles;
import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ColorPicker;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.image.WritableImage;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.paint.Color;
import javafx.stage.Stage;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

/** What people do with the tray and the bench around a drawing, seen on the board and in files. Places are pixels of a shot of 640x360. */
@ExtendWith(ApplicationExtension.class)
class DeskStoriesTest {

    private OpenWindow window;
    private Path folder;

    @Start
    void start(Stage stage) throws Exception {
        folder = Files.createTempDirectory("desk");
        window = new OpenWindow(stage, folder.resolve("state"));
        ShotSetup setup = ShotSetup.standard();
        window.session
                .shelf()
                .startNew(Shot.empty(
                        "desk", new ShotSetup(setup.rate(), new PictureSize(640, 360), 48, 1, setup.paper())));
        window.session.view().stepProperty().set(Step.TRACE);
    }

    private Shot shot() {
        return window.session.shot();
    }

    private void draw(FxRobot robot, int frame, double... places) {
        robot.interact(() -> window.session.transport().go(frame));
        window.pen(robot, places);
    }

    /** The darkest that the window shows within a few pixels of a place of the shot, 0 to 1. */
    private double darkest(double x, double y) {
        window.awaitSettled();
        Point2D place = window.onFx(() -> {
            var board = window.workbench.board();
            var at = board.view().toBoard(x, y);
            return board.localToScene(at.getX(), at.getY());
        });
        return window.onFx(() -> {
            WritableImage seen = window.workbench.board().getScene().snapshot(null);
            double darkest = 1;
            for (int dx = -3; dx <= 3; dx++) {
                for (int dy = -3; dy <= 3; dy++) {
                    Color color = seen.getPixelReader()
                            .getColor((int) Math.round(place.getX()) + dx, (int) Math.round(place.getY()) + dy);
                    darkest = Math.min(darkest, (color.getRed() + color.getGreen() + color.getBlue()) / 3);
                }
            }
            return darkest;
        });
    }

    private void fire(FxRobot robot, String id) {
        robot.interact(() -> ((Button) robot.lookup(id).query()).fire());
        WaitForAsyncUtils.waitForFxEvents();
    }

    private void open(FxRobot robot, String fold) {
        robot.interact(() -> robot.lookup(fold).queryAs(ToggleButton.class).setSelected(true));
        WaitForAsyncUtils.waitForFxEvents();
    }

    private static void choose(FxRobot robot, String menu, String entry) {
        robot.interact(() -> {
            MenuButton button = robot.lookup(menu).queryAs(MenuButton.class);
            button.show();
            button.getItems().stream()
                    .filter(item -> entry.equals(item.getText()))
                    .findFirst()
                    .orElseThrow()
                    .fire();
            button.hide();
        });
        WaitForAsyncUtils.waitForFxEvents();
    }

    @Test
    void aChalkIsRecolouredCopiedAndGivenToStrokesThatAreThere(FxRobot robot) {
        robot.interact(() -> window.session.selection().chalkProperty().set("chalk-4"));
        draw(robot, 0, 100, 100, 300, 100);
        double before = darkest(200, 100);
        robot.interact(() -> {
            ColorPicker picker = robot.lookup(".tray .color-picker").queryAs(ColorPicker.class);
            picker.setValue(Color.web("#f8f0d0"));
            picker.getOnAction().handle(null);
        });
        assertThat(darkest(200, 100)).as("the line is pale now").isGreaterThan(before + 0.2);
        int chalks = shot().chalks().size();
        robot.interact(() -> robot.lookup((Node node) -> node instanceof Button button
                        && button.getTooltip() != null
                        && button.getTooltip().getText().startsWith("Another chalk like this one"))
                .queryButton()
                .fire());
        assertThat(shot().chalks()).hasSize(chalks + 1);
        String fresh = window.session.selection().chalkProperty().get();
        assertThat(shot().chalk(fresh).color())
                .isEqualTo(shot().chalk("chalk-4").color());
        draw(robot, 0, 100, 200, 300, 200);
        assertThat(strokes(0)).extracting(stroke -> stroke.chalk()).containsExactly("chalk-4", fresh);
        open(robot, "#fold-replace-chalk");
        choose(robot, "#give-all", shot().chalk("chalk-1").name());
        assertThat(strokes(0)).extracting(stroke -> stroke.chalk()).containsExactly("chalk-4", "chalk-1");
        robot.interact(window.session.document()::undo);
        assertThat(strokes(0)).extracting(stroke -> stroke.chalk()).containsExactly("chalk-4", fresh);
    }

    private List<Stroke> strokes(int frame) {
        return shot().levels().get(0).drawingAt(frame).orElseThrow().strokes();
    }

    @Test
    void theOnionSkinShowsTheNeighbourAndGoesAndComes(FxRobot robot) {
        robot.interact(() -> window.session.view().onionSkinProperty().set(false));
        draw(robot, 0, 100, 100, 300, 100);
        draw(robot, 12, 100, 250, 300, 250);
        double paper = darkest(200, 180);
        assertThat(darkest(200, 100)).isCloseTo(paper, within(0.02));
        robot.clickOn(window.onScreen(600, 340));
        robot.interact(window.session.document()::undo);
        robot.type(KeyCode.W);
        assertThat(darkest(200, 100)).as("the drawing before shines through").isLessThan(paper - 0.15);
        robot.interact(() -> {
            TextField before = robot.lookup("#onion-before-number").queryAs(TextField.class);
            before.setText("0");
            before.getOnAction().handle(null);
        });
        assertThat(darkest(200, 100)).as("none before is wanted").isCloseTo(paper, within(0.02));
        assertThat(darkest(200, 250)).as("the drawing itself").isLessThan(paper - 0.2);
    }

    @Test
    void aGroupIsHiddenAndShownAsOne(FxRobot robot) {
        draw(robot, 0, 100, 100, 300, 100);
        robot.interact(() -> {
            window.session.document().apply(LevelEdits.add("level-2", "second", "level-1"));
            window.session.selection().levelProperty().set("level-2");
        });
        draw(robot, 0, 100, 250, 300, 250);
        double paper = darkest(200, 180);
        open(robot, "#fold-the-current-level");
        choose(robot, "#level-group", "a new group");
        robot.interact(() -> window.session.selection().levelProperty().set("level-1"));
        choose(robot, "#level-group", shot().groups().get(0).name());
        assertThat(shot().groups().get(0).levels()).containsExactlyInAnyOrder("level-1", "level-2");
        byTooltip(robot, "Show or hide this group");
        assertThat(darkest(200, 100)).isCloseTo(paper, within(0.02));
        assertThat(darkest(200, 250)).isCloseTo(paper, within(0.02));
        byTooltip(robot, "Show or hide this group");
        assertThat(darkest(200, 100)).isLessThan(paper - 0.2);
        assertThat(darkest(200, 250)).isLessThan(paper - 0.2);
    }

    private static void byTooltip(FxRobot robot, String words) {
        robot.interact(() -> robot.lookup((Node node) -> node instanceof Button button
                        && button.getTooltip() != null
                        && button.getTooltip().getText().startsWith(words))
                .queryButton()
                .fire());
        WaitForAsyncUtils.waitForFxEvents();
    }

    @Test
    void aCycleIsMarkedAndRunsOnToTheEndOfTheShot(FxRobot robot) {
        draw(robot, 0, 100, 100, 200, 100);
        draw(robot, 2, 100, 150, 200, 150);
        robot.interact(() ->
                window.session.timing().spanProperty().set(new Timing.Span(List.of("level-1"), FrameRange.of(0, 4))));
        open(robot, "#fold-cycles");
        fire(robot, "#cycle-mark");
        assertThat(shot().cycles()).extracting(cycle -> cycle.frames()).containsExactly(FrameRange.of(0, 4));
        robot.interact(() -> robot.lookup((Button button) -> "Run on".equals(button.getText()))
                .queryButton()
                .fire());
        Level level = shot().levels().get(0);
        for (int frame = 0; frame < 48; frame++) {
            assertThat(level.exposures().at(frame).orElseThrow().drawing())
                    .as("frame " + frame)
                    .isEqualTo(frame % 4 < 2 ? 1 : 2);
        }
    }

    @Test
    void aSoundLanePullsTheShotThroughTheGateAndMovesNoSound(FxRobot robot) throws Exception {
        Path sound = folder.resolve("tone.wav");
        float[] samples = new float[48_000];
        for (int i = 0; i < samples.length; i++) {
            samples[i] = (float) (0.5 * Math.sin(i * 0.05));
        }
        SoundFiles.writeWav(new PcmBuffer(48_000, 1, samples), sound);
        robot.interact(() -> window.workbench.drop(List.of(sound)));
        window.await(() -> !shot().sounds().isEmpty());
        window.awaitSettled();
        robot.interact(() -> window.session.view().stepProperty().set(Step.VOICE));
        WaitForAsyncUtils.waitForFxEvents();
        robot.interact(() -> window.session.transport().go(12));
        SoundClip before = shot().sounds().get(0);
        Node lane = robot.lookup((Node node) -> (before.name() + " lane").equals(node.getAccessibleText()))
                .query();
        robot.drag(lane, MouseButton.PRIMARY).moveBy(-5 * 14, 0).drop();
        assertThat(window.session.transport().frame()).isEqualTo(17);
        assertThat(shot().sounds()).containsExactly(before);
    }

    @Test
    void eachExportOfTheTrayWritesWhatWasDrawn(FxRobot robot) throws Exception {
        draw(robot, 0, 100, 100, 300, 100);
        window.files.folder = Files.createDirectories(folder.resolve("pictures"));
        robot.interact(() -> window.session.view().stepProperty().set(Step.FINISH));
        for (Exporter exporter : Exporters.all()) {
            if (!exporter.endings().isEmpty()) {
                window.files.exports.put(
                        exporter.id(),
                        folder.resolve(
                                "out-" + exporter.id() + exporter.endings().get(0)));
            }
            robot.interact(
                    () -> robot.lookup("#export-kind").<Exporter>queryComboBox().setValue(exporter));
            if (exporter.id().equals("still")) {
                robot.interact(() -> {
                    robot.lookup("#export-range")
                            .queryComboBox()
                            .getSelectionModel()
                            .select(2);
                });
            }
            fire(robot, "#export-now");
            window.awaitSettled();
        }
        for (Path file : window.files.exports.values()) {
            assertThat(file).isNotEmptyFile();
        }
        try (VideoClip movie = VideoClip.open(window.files.exports.get("movie"))) {
            assertThat(movie.times().count()).isEqualTo(48);
        }
        try (Stream<Path> pictures = Files.walk(window.files.folder)) {
            List<Path> all = pictures.filter(Files::isRegularFile).sorted().toList();
            assertThat(all).hasSize(48);
            BufferedImage first = ImageIO.read(all.get(0).toFile());
            BufferedImage last = ImageIO.read(all.get(47).toFile());
            assertThat(first.getRGB(200, 100)).isNotEqualTo(last.getRGB(200, 100));
            assertThat(first.getRGB(200, 200)).isEqualTo(last.getRGB(200, 200));
        }
    }

    @Test
    void aShotThatIsOpenElsewhereIsLookedAtAndSavedUnderAnotherName(FxRobot robot) throws Exception {
        Path file = folder.resolve("shared.chalk");
        ShotFile.fresh().save(shot().withName("shared"), file);
        try (BareSession other = new BareSession(folder.resolve("other"), shot())) {
            other.run(() -> other.session.shelf().open(file, found -> {}));
            other.await(
                    () -> file.equals(other.session.document().pathProperty().get()));
            window.open(file);
            assertThat(window.session.notices().latestProperty().get().text()).contains("is open by");
            draw(robot, 0, 100, 100, 300, 100);
            window.files.saveAs = folder.resolve("mine.chalk");
            robot.press(KeyCode.CONTROL).press(KeyCode.S).release(KeyCode.S).release(KeyCode.CONTROL);
            window.await(() -> Files.exists(window.files.saveAs)
                    && !window.session.document().unsavedProperty().get());
            assertThat(ShotFile.open(window.files.saveAs).shot().levels().get(0).drawings())
                    .hasSize(1);
            assertThat(ShotFile.open(file).shot().levels().get(0).drawings()).isEmpty();
            assertThat(window.session.document().whyReadOnlyProperty().get())
                    .as("this one is ours")
                    .isNull();
        }
    }
}
