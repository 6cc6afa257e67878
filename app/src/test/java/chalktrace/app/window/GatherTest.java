package chalktrace.app.window;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.app.footage.Footages;
import chalktrace.app.session.Placing;
import chalktrace.app.session.View;
import chalktrace.app.testing.OpenWindow;
import chalktrace.app.words.Words;
import chalktrace.core.edit.timing.MarkEdits;
import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Region;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.shot.StillView;
import chalktrace.core.time.Conform;
import chalktrace.core.time.FrameRate;
import chalktrace.media.export.PngFiles;
import chalktrace.media.footage.References;
import chalktrace.media.testing.Clips;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Pane;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

/** Taking footage in, with pointer and keys: looked at first, then the part that is wanted at the pace that is wanted. */
@ExtendWith(ApplicationExtension.class)
class GatherTest {

    private Path folder;
    private OpenWindow window;

    @Start
    void start(Stage stage) throws Exception {
        folder = Files.createTempDirectory("gather");
        window = new OpenWindow(stage, folder.resolve("state"));
    }

    private Shot shot() {
        return window.session.shot();
    }

    private void look(FxRobot robot, Path clip) {
        window.files.media = clip;
        robot.interact(() -> window.session.view().stepProperty().set(View.Step.GATHER));
        window.clickText(robot, "Import footage or sound");
        window.await(() -> robot.lookup("#take-in").tryQuery().isPresent());
        window.awaitSettled();
    }

    private String result(FxRobot robot) {
        return robot.lookup("#look-result").queryLabeled().getText();
    }

    private void type(FxRobot robot, String field, String text) {
        robot.doubleClickOn("#" + field).press(KeyCode.CONTROL).type(KeyCode.A).release(KeyCode.CONTROL);
        robot.write(text).type(KeyCode.ENTER);
    }

    @Test
    void theClipIsSteppedInPlaceAndAPartOfItTakenIn(FxRobot robot) throws Exception {
        look(robot, Clips.numbered(folder.resolve("walk.mp4"), 60, FrameRate.of(30), 20));
        Shot before = shot();
        assertThat(window.session.document().shown().setup().rate()).isEqualTo(FrameRate.of(30));
        assertThat(window.session.document().shown().setup().length()).isEqualTo(60);
        robot.clickOn("#frame-field").write("13").type(KeyCode.ENTER);
        window.awaitSettled();
        assertThat(window.session.transport().frame())
                .as("picture 12 of the clip, shown as 13")
                .isEqualTo(12);
        assertThat(robot.lookup("#time-field").queryTextInputControl().getText())
                .isEqualTo("0:00.400");
        robot.lookup("Set in").queryAll().stream().findFirst().ifPresent(robot::clickOn);
        type(robot, "out-number", "42");
        robot.interact(() -> window.session.document().apply(MarkEdits.turn(0)));
        assertThat(robot.lookup("#notice").queryLabeled().getText()).contains("Previewing");
        robot.interact(() -> window.workbench.board().requestFocus());
        robot.type(KeyCode.ENTER);
        robot.type(KeyCode.X);
        assertThat(robot.lookup("#words-field").query().isVisible()).isFalse();
        assertThat(robot.lookup("#cues-field").query().isVisible()).isFalse();
        assertThat(shot()).as("nothing is changed by looking").isSameAs(before);
        // Pictures 13 to 42 are a second of 30, which the shot takes as its rate: 30 frames.
        assertThat(result(robot)).startsWith("30 frames, 1.000 s: shot frames 1 to 30.");

        window.click(robot, "take-in");
        window.awaitSettled();
        Footage taken = shot().footage().get(0);
        assertThat(taken.conform()).isEqualTo(new Conform(0, 12, 42, 1, Conform.Pace.KEEP_TIME));
        assertThat(shot().setup().rate()).isEqualTo(FrameRate.of(30));
        assertThat(shot().setup().size()).isEqualTo(new PictureSize(352, 96));
        assertThat(shot().setup().length()).isEqualTo(30);
        // The click lies on picture 20: 8 pictures after the first one taken.
        double click = shot().sounds().get(0).startSeconds() + 20 / 30.0;
        assertThat(click).isCloseTo(8 / 30.0, within(0.01));
        assertThat(window.session.document().isLooking()).isFalse();
    }

    @Test
    void aPreviewIsSeenThoughFootageWasOff(FxRobot robot) throws Exception {
        robot.interact(() -> window.session.view().footageOffProperty().set(true));
        look(robot, Clips.numbered(folder.resolve("seen.mp4"), 12, FrameRate.FILM, -1));
        assertThat(window.session.view().footageIsSeen()).isTrue();
    }

    @Test
    void aClipOfAnOddRateMakesAShotAtTheUsualOneAndOffersOthers(FxRobot robot) throws Exception {
        Path phone = Clips.numbered(folder.resolve("phone.mp4"), 90, new FrameRate(29966, 1000), -1);
        robot.interact(() -> window.workbench.drop(List.of(phone)));
        window.await(() -> !shot().footage().isEmpty());
        assertThat(shot().setup().rate()).isEqualTo(FrameRate.NTSC);
        assertThat(window.session.notices().latestProperty().get().offers()).hasSize(3);
        window.clickText(robot, Words.GATHER.of("frames-a-second", "12"));
        assertThat(shot().setup().rate()).isEqualTo(FrameRate.of(12));
        // Three seconds, all of the clip, at its own speed; on ones at 12.
        assertThat(shot().setup().length()).isEqualTo(36);
        assertThat(shot().footage().get(0).conform().endPicture()).isEqualTo(90);
        assertThat(shot().footage().get(0).conform().keepsTime()).isTrue();
        assertThat(window.session.framesFromHere()).isEqualTo(1);
    }

    @Test
    void eachPictureBecomesAFrameAndTheShotKeepsItsRate(FxRobot robot) throws Exception {
        robot.interact(() -> window.workbench.drop(List.of(first())));
        window.await(() -> shot().footage().size() == 1);
        look(robot, Clips.numbered(folder.resolve("preview.mp4"), 20, FrameRate.of(10), -1));
        assertThat(result(robot)).startsWith("48 frames, 2.000 s");
        window.clickText(robot, "Picture for frame");
        type(robot, "every-number", "2");
        type(robot, "start-number", "5");
        assertThat(result(robot)).startsWith("10 frames, 0.417 s: shot frames 5 to 14.");
        window.click(robot, "take-in");
        window.awaitSettled();
        assertThat(shot().footage()).hasSize(2);
        assertThat(shot().footage().get(0).conform())
                .isEqualTo(new Conform(4, 0, 20, 2, Conform.Pace.PICTURE_FOR_FRAME));
        assertThat(shot().setup().rate()).isEqualTo(FrameRate.FILM);
        robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
        assertThat(shot().footage()).as("one step of the history").hasSize(1);
    }

    private String seen(FxRobot robot) {
        return robot.lookup(node ->
                        node instanceof Label label && label.getText().startsWith("Showing") && label.isVisible())
                .tryQueryAs(Label.class)
                .map(Label::getText)
                .orElse("");
    }

    /** A clip of one long group takes long to read out of order: its proxy is made by itself, shows in play, and gives way to the footage at rest. */
    @Test
    void footageThatIsSlowToReadGetsAProxyThatShowsInPlayOnly(FxRobot robot) throws Exception {
        Path clip = DemoShot.copyTo(folder.resolve("demo"), true).resolveSibling("kettle-clip.mp4");
        robot.interact(() -> window.workbench.drop(List.of(clip)));
        window.await(() -> shot().footage().size() == 1);
        String file = shot().footage().get(0).file();
        window.await(() -> window.session.footages().hasProxy(file)
                && window.session.jobs().running().isEmpty());
        // What it takes on the disk is counted after the job has ended.
        window.await(() -> window.session.proxies().bytesProperty().get() > 0);
        robot.interact(() -> window.session.transport().play(1));
        window.await(() -> seen(robot).equals("Showing proxy"));
        robot.interact(() -> window.session.transport().togglePlay());
        window.await(() -> seen(robot).equals("Showing original"));
        robot.interact(() -> window.session.transport().go(57));
        window.awaitSettled();
        window.await(() -> seen(robot).equals("Showing original"));
        Picture own = window.onFx(() -> window.session
                .footages()
                .at(shot().footage().get(0), 57)
                .orElseThrow()
                .picture());
        Picture exact = References.open(Path.of(file)).picture(57);
        assertThat(own.argbAt(200, 100)).as("the footage's own picture").isEqualTo(exact.argbAt(200, 100));
        // In play the proxy shows even where the footage's own picture is at hand: all frames look alike.
        window.await(() -> {
            window.session.transport().play(1);
            boolean proxy = window.session.footages().seenProperty().get() == Footages.Seen.PROXY;
            window.session.transport().togglePlay();
            return proxy;
        });
    }

    @Test
    void aPictureThatIsMissingFromARunIsToldAndTheOneBeforeShows(FxRobot robot) throws Exception {
        for (int n : new int[] {1, 2, 3, 6, 7}) {
            PngFiles.write(Clips.picture(n), Clips.SIZE, folder.resolve("run." + n + ".png"));
        }
        robot.interact(() -> window.workbench.drop(List.of(folder.resolve("run.3.png"))));
        window.await(() -> shot().footage().size() == 1);
        robot.interact(() -> window.session.transport().go(3));
        window.await(() -> window.session.footages().doubtProperty().get() != null);
        assertThat(window.session.footages().doubtProperty().get()).contains("number 4");
        assertThat(Clips.number(window.onFx(() -> window.session
                        .footages()
                        .at(shot().footage().get(0), 3)
                        .orElseThrow()
                        .picture())))
                .as("the picture before stands in")
                .isEqualTo(3);
        assertThat(window.session.footages().settlingProperty().get()).isFalse();
        robot.interact(() -> window.session.transport().go(5));
        window.awaitSettled();
        assertThat(window.session.footages().doubtProperty().get()).isNull();
    }

    @Test
    void goingBackChangesNothingAndNonsenseIsSaidInPlace(FxRobot robot) throws Exception {
        look(robot, Clips.numbered(folder.resolve("walk.mp4"), 30, FrameRate.FILM, -1));
        Shot before = shot();
        type(robot, "in-number", "99");
        assertThat(result(robot)).contains("1 to 30").contains("99");
        type(robot, "in-number", "1");
        type(robot, "every-number", "0");
        assertThat(result(robot)).contains("every 0");
        window.clickText(robot, "Cancel");
        assertThat(shot()).isSameAs(before);
        assertThat(window.session.document().shown()).isSameAs(before);
    }

    @Test
    void aLostFileIsFoundAndWithItAllOthersOfItsFolder(FxRobot robot) throws Exception {
        Path one = first();
        Path two = Clips.numbered(folder.resolve("second.mp4"), 24, FrameRate.FILM, 3);
        robot.interact(() -> window.workbench.drop(List.of(one, two)));
        window.await(() -> shot().footage().size() == 2);
        Path shotFile = folder.resolve("lost.chalk");
        robot.interact(() -> window.session.shelf().save(shotFile, () -> {}));
        window.await(() -> !window.session.document().unsavedProperty().get());
        robot.interact(() -> window.session.shelf().startNew(Shot.empty("other", ShotSetup.standard())));
        Path moved = Files.createDirectories(folder.resolve("moved/deeper"));
        Files.move(one, moved.resolve("first.mp4"));
        Files.move(two, folder.resolve("moved/second.mp4"));

        window.open(shotFile);
        window.await(() -> window.session.footages().problems().size() == 2);
        robot.interact(() -> window.session.view().stepProperty().set(View.Step.GATHER));
        window.files.media = folder.resolve("moved/second.mp4");
        window.clickText(robot, "Find the file");
        window.await(() -> window.session.footages().problems().isEmpty()
                && window.session.footages().opened().size() == 2);
        assertThat(shot().footage()).extracting(Footage::file).allMatch(file -> Files.exists(Path.of(file)));
        assertThat(shot().sounds()).allMatch(clip -> Files.exists(Path.of(clip.file())));
    }

    @Test
    void aPoseOfASheetStandsBesideTheBoardAnotherFromALaterFrameOn(FxRobot robot) throws Exception {
        Path sheet = folder.resolve("poses.png");
        PngFiles.write(Clips.picture(5), Clips.SIZE, sheet);
        robot.interact(() -> window.workbench.drop(List.of(sheet)));
        window.await(() -> shot().footage().size() == 1);
        robot.interact(() -> window.session.view().stepProperty().set(View.Step.GATHER));
        window.awaitSettled();
        window.click(robot, "where-beside");
        window.click(robot, "fold-look");
        window.click(robot, "fold-still");
        window.await(() -> picker(robot).getWidth() > 100);
        dragOverPicker(robot, 0.1, 0.1, 0.6, 0.9);
        assertThat(shot().footage().get(0).where()).isEqualTo(Footage.Where.BESIDE_BOARD);
        Region chosen = shot().footage().get(0).views().get(0).region();
        assertThat(chosen.x()).isCloseTo(0.1, within(0.03));
        assertThat(chosen.width()).isCloseTo(0.5, within(0.03));

        robot.interact(() -> window.session.transport().go(12));
        window.click(robot, "another-view");
        dragOverPicker(robot, 0.7, 0.2, 1.4, 0.8);
        List<StillView> views = shot().footage().get(0).views();
        assertThat(views).extracting(StillView::start).containsExactly(0, 12);
        assertThat(views.get(0).region()).isEqualTo(chosen);
        assertThat(views.get(1).region().x() + views.get(1).region().width())
                .as("cut at the picture's edge")
                .isCloseTo(1, within(1e-9));
    }

    private static Pane picker(FxRobot robot) {
        return robot.lookup("#part-picker").queryAs(Pane.class);
    }

    /** From one place of the picture to another, in parts of its width and height. */
    private void dragOverPicker(FxRobot robot, double x0, double y0, double x1, double y1) {
        WaitForAsyncUtils.waitForFxEvents();
        Pane picker = picker(robot);
        double width = picker.getWidth();
        double height = picker.getHeight();
        robot.drag(window.onFx(() -> picker.localToScreen(x0 * width, y0 * height)))
                .dropTo(window.onFx(() -> picker.localToScreen(x1 * width, y1 * height)));
        WaitForAsyncUtils.waitForFxEvents();
    }

    @Test
    void footageIsPlacedOnTheBoardByHand(FxRobot robot) throws Exception {
        robot.interact(() -> window.workbench.drop(List.of(first())));
        window.await(() -> shot().footage().size() == 1);
        robot.interact(() -> window.session
                .view()
                .placingProperty()
                .set(Placing.footage(shot().footage().get(0).id())));
        window.awaitSettled();
        Placement before = shot().footage().get(0).placement();
        robot.drag(window.onScreen(100, 60)).dropTo(window.onScreen(50, 48));
        Placement moved = shot().footage().get(0).placement();
        assertThat(moved.x() - before.x()).isCloseTo(-50, within(1.5));
        assertThat(moved.y() - before.y()).isCloseTo(-12, within(1.5));
        // From its lower right corner half the way to its middle.
        robot.drag(window.onScreen(352 + moved.x(), 96 + moved.y()))
                .dropTo(window.onScreen(264 + moved.x(), 72 + moved.y()));
        assertThat(shot().footage().get(0).placement().scale()).isCloseTo(0.5, within(0.03));
        window.click(robot, "placed");
        assertThat(shot().levels()).as("nothing was drawn").allMatch(level -> level.drawings()
                .isEmpty());
        robot.press(KeyCode.CONTROL).type(KeyCode.Z).type(KeyCode.Z).release(KeyCode.CONTROL);
        assertThat(shot().footage().get(0).placement())
                .as("two steps of the history")
                .isEqualTo(before);
    }

    @Test
    void aFileThatWasChangedIsOfferedAndReadAgain(FxRobot robot) throws Exception {
        Path file = first();
        robot.interact(() -> window.workbench.drop(List.of(file)));
        window.await(() -> window.session.footages().opened().size() == 1);
        robot.interact(() -> window.session.view().stepProperty().set(View.Step.GATHER));
        Path other = Clips.numbered(folder.resolve("other.mp4"), 20, FrameRate.FILM, -1);
        Files.move(other, file, StandardCopyOption.REPLACE_EXISTING);
        window.await(() -> !window.session.footages().changed().isEmpty());
        window.await(() -> robot.lookup("#read-again").query().isVisible());
        WaitForAsyncUtils.waitForFxEvents();
        window.click(robot, "read-again");
        window.await(() -> window.session.footages().opened().values().stream()
                .anyMatch(reference -> reference.times().count() == 20));
        assertThat(window.session.footages().changed()).isEmpty();
    }

    private Path first() {
        try {
            return Clips.numbered(folder.resolve("first.mp4"), 48, FrameRate.FILM, -1);
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }
}
