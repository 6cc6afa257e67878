package chalktrace.app.window;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.app.session.View;
import chalktrace.app.testing.OpenWindow;
import chalktrace.app.trace.TraceFeature;
import chalktrace.app.tray.Tray;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.LevelEdits;
import chalktrace.core.edit.speech.SpeechEdits;
import chalktrace.core.edit.timing.MarkEdits;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Cue;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.Word;
import chalktrace.core.sound.PlayPath.Round;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.time.FrameRange;
import chalktrace.core.time.FrameRate;
import chalktrace.media.file.ShotFile;
import chalktrace.media.testing.Clips;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.concurrent.atomic.AtomicBoolean;
import javafx.event.ActionEvent;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Labeled;
import javafx.scene.control.MenuButton;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.layout.Region;
import javafx.scene.text.Text;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

/** What people do with pointer and keys, and what bad input gets. */
@ExtendWith(ApplicationExtension.class)
class WindowTest {

    private Path folder;
    private OpenWindow window;

    @Start
    void start(Stage stage) throws Exception {
        folder = Files.createTempDirectory("window");
        window = new OpenWindow(stage, folder.resolve("state"));
    }

    private Shot shot() {
        return window.session.shot();
    }

    private Level level() {
        return shot().level("level-1").orElseThrow();
    }

    private void stroke(FxRobot robot, double x1, double y1, double x2, double y2) {
        robot.moveTo(window.onScreen(x1, y1))
                .press(MouseButton.PRIMARY)
                .moveTo(window.onScreen((x1 + x2) / 2, (y1 + y2) / 2))
                .moveTo(window.onScreen(x2, y2))
                .release(MouseButton.PRIMARY);
        window.awaitSettled();
    }

    private String notice(FxRobot robot) {
        return robot.lookup("#notice").queryLabeled().getText();
    }

    @Test
    void theMouseDrawsOnTwosAndTheDusterTakesItOff(FxRobot robot) {
        stroke(robot, 300, 200, 700, 300);
        assertThat(level().exposures()).isEqualTo(Exposures.of(Exposure.of(0, 2, 1)));
        assertThat(level().drawing(1).orElseThrow().strokes()).hasSize(1);
        robot.type(KeyCode.F, 2);
        stroke(robot, 300, 260, 700, 360);
        assertThat(level().exposures().runs()).hasSize(2);
        robot.type(KeyCode.R);
        assertThat(window.session.view().toolProperty().get()).isEqualTo(View.Tool.DUSTER);
        stroke(robot, 500, 200, 500, 420);
        assertThat(level().drawing(2).orElseThrow().strokes()).isEmpty();
        assertThat(level().drawing(1).orElseThrow().strokes()).hasSize(1);
    }

    @Test
    void arrowsMoveWhatIsSelectedOrElseStep(FxRobot robot) {
        stroke(robot, 300, 200, 700, 300);
        robot.type(KeyCode.RIGHT, 3).type(KeyCode.LEFT, 2);
        assertThat(window.session.transport().frame()).isEqualTo(1);
        Stroke drawn = level().drawing(1).orElseThrow().strokes().get(0);
        robot.press(KeyCode.CONTROL).type(KeyCode.A).release(KeyCode.CONTROL);
        robot.type(KeyCode.RIGHT, 3).type(KeyCode.LEFT);
        assertThat(window.session.transport().frame()).isEqualTo(1);
        Stroke moved = level().drawing(1).orElseThrow().strokes().get(0);
        assertThat(moved.curve().x(0) - drawn.curve().x(0)).isCloseTo(2, within(1e-6));
        robot.type(KeyCode.ESCAPE).type(KeyCode.LEFT);
        assertThat(window.session.transport().frame()).isZero();
    }

    @Test
    void aLockedLevelSaysAtThePenWhyItTakesNoStroke(FxRobot robot) {
        robot.interact(
                () -> window.session.document().apply(LevelEdits.change("lock", "level-1", l -> l.withLocked(true))));
        // It goes away again by itself: what counts is that it was there.
        AtomicBoolean shown = new AtomicBoolean();
        robot.interact(() -> robot.lookup(".pen-word")
                .queryLabeled()
                .visibleProperty()
                .addListener((property, before, visible) -> shown.compareAndSet(false, visible)));
        stroke(robot, 300, 200, 700, 300);
        assertThat(level().drawings()).isEmpty();
        assertThat(shown).isTrue();
        assertThat(robot.lookup(".pen-word").queryLabeled().getText()).contains("rough is locked");
        assertThat(robot.lookup("#landing").queryLabeled().getText()).contains("locked");
    }

    @Test
    void aModifierHeldUnevenlyNeverEdits(FxRobot robot) {
        robot.clickOn(window.workbench.board());
        robot.interact(() -> window.session.document().undo());
        Shot before = shot();
        robot.press(KeyCode.CONTROL).press(KeyCode.Z).release(KeyCode.CONTROL).release(KeyCode.Z);
        robot.press(KeyCode.SHIFT).press(KeyCode.D).release(KeyCode.SHIFT).release(KeyCode.D);
        assertThat(shot()).isEqualTo(before);
        assertThat(window.session.transport().frame()).isZero();
        assertThat(window.workbench.board().movingProperty().get()).isFalse();
    }

    @Test
    void aCommandIsFoundByAnEverydayWordAndRun(FxRobot robot) {
        robot.press(KeyCode.F1).release(KeyCode.F1);
        robot.interact(() -> ((TextField) robot.lookup("#key-search").query()).setText("eraser"));
        robot.interact(() -> robot.lookup("#key-search").query().fireEvent(new ActionEvent()));
        assertThat(robot.lookup("#key-search").tryQuery()).as("the list closes").isEmpty();
        assertThat(window.session.view().toolProperty().get()).isEqualTo(View.Tool.DUSTER);
    }

    @Test
    void shotsThatWereOpenAreOfferedAgain(FxRobot robot) throws Exception {
        Path first = Files.createTempDirectory("recent").resolve("first.chalk");
        Path second = first.resolveSibling("second.chalk");
        ShotFile.fresh().save(shot(), first);
        ShotFile.fresh().save(shot(), second);
        window.open(first);
        window.open(second);
        assertThat(window.session.preferences().recent()).startsWith(second, first);
    }

    @Test
    void aKeyChangedInTheSheetDoesItsWorkAtOnceAndTheOldOneNothing(FxRobot robot) {
        robot.interact(() -> ((MenuButton) robot.lookup("#shot-menu").query())
                .getItems().stream()
                        .filter(item -> "keys".equals(item.getId()))
                        .findFirst()
                        .orElseThrow()
                        .fire());
        robot.interact(() -> ((Button) robot.lookup("#key-FRAME_ON").query()).fire());
        robot.type(KeyCode.K);
        // The same key by the pointer: it is exchanged.
        robot.interact(() -> ((Button) robot.lookup("#key-MARK").query()).fire());
        robot.type(KeyCode.E);
        robot.interact(() -> ((Button) robot.lookup("#keys-done").query()).fire());
        assertThat(robot.lookup("#key-MARK").tryQuery()).isEmpty();
        robot.type(KeyCode.F);
        assertThat(window.session.transport().frame()).isZero();
        robot.type(KeyCode.K);
        assertThat(window.session.transport().frame()).isEqualTo(1);
        robot.type(KeyCode.E);
        assertThat(shot().marks()).hasSize(1);
        assertThat(level().drawings()).isEmpty();
        robot.type(KeyCode.B);
        assertThat(level().drawings()).hasSize(1);
    }

    @Test
    void inAFieldLettersAreLetters(FxRobot robot) {
        robot.type(KeyCode.ENTER).write("fed").type(KeyCode.ENTER);
        assertThat(shot().words()).extracting(Word::text).containsExactly("fed");
        assertThat(window.session.transport().frame()).isZero();
        robot.type(KeyCode.X).write("clink").type(KeyCode.ENTER);
        assertThat(shot().cues()).extracting(Cue::name).containsExactly("clink");
    }

    @Test
    void aWordIsMovedAndTrimmedByDraggingAndEachDragIsOneStep(FxRobot robot) {
        robot.interact(() -> {
            window.session.view().stepProperty().set(View.Step.VOICE);
            window.session.document().apply(SpeechEdits.addWord(new Word("word-1", "kettle", 1.0, 2.0)));
            window.session.transport().go(36);
        });
        // The gate is in the middle of the lane and the word around it, 14 px a frame: 168 px on either side.
        var lane = robot.lookup(node -> "words lane".equals(node.getAccessibleText()))
                .query();
        robot.drag(lane, MouseButton.PRIMARY).moveBy(28, 0).drop();
        Word moved = shot().words().get(0);
        assertThat(moved.startSeconds()).isEqualTo(1.0 + 2 / 24.0, within(0.01));
        assertThat(moved.endSeconds() - moved.startSeconds()).isEqualTo(1.0, within(1e-9));
        assertThat(window.session.document().undoName()).hasValue("move the word kettle");
        robot.interact(() -> window.session.document().undo());
        assertThat(shot().words().get(0).startSeconds()).isEqualTo(1.0);
    }

    @Test
    void draggingAnEmptyLanePullsTheShotThroughTheGate(FxRobot robot) {
        var lane = robot.lookup(node -> "marks lane".equals(node.getAccessibleText()))
                .query();
        robot.drag(lane, MouseButton.PRIMARY).moveBy(-70, 0).drop();
        assertThat(window.session.transport().frame()).isEqualTo(5);
    }

    @Test
    void playKeepsToItsFramesAndGoesBackwardsOnce(FxRobot robot) {
        robot.clickOn("#frame-field").write("5").type(KeyCode.ENTER);
        robot.press(KeyCode.SHIFT).type(KeyCode.E).release(KeyCode.SHIFT);
        robot.clickOn("#frame-field").write("8").type(KeyCode.ENTER);
        robot.press(KeyCode.SHIFT).type(KeyCode.R).release(KeyCode.SHIFT);
        assertThat(window.session.transport().withinProperty().get()).isEqualTo(new FrameRange(4, 8));
        robot.interact(() -> window.session.transport().roundProperty().set(Round.ONCE));
        robot.press(KeyCode.SHIFT).type(KeyCode.SPACE).release(KeyCode.SHIFT);
        window.await(() -> !window.session.transport().playingProperty().get());
        assertThat(window.session.transport().frame()).isEqualTo(4);
        robot.type(KeyCode.SPACE);
        window.await(() -> !window.session.transport().playingProperty().get());
        assertThat(window.session.transport().frame()).isEqualTo(7);
    }

    @Test
    void stepsGoByCueAndSecondAndFlippingShowsTheKeptFrame(FxRobot robot) {
        robot.interact(() -> window.session.document().apply(MarkEdits.addCue(new Cue("cue-1", "step", 1.0))));
        robot.press(KeyCode.SHIFT).type(KeyCode.G).release(KeyCode.SHIFT);
        assertThat(window.session.transport().frame()).isEqualTo(24);
        robot.press(KeyCode.SHIFT).type(KeyCode.BACK_QUOTE).release(KeyCode.SHIFT);
        robot.press(KeyCode.SHIFT).type(KeyCode.V).release(KeyCode.SHIFT);
        assertThat(window.session.transport().frame()).isEqualTo(48);
        robot.press(KeyCode.SHIFT).type(KeyCode.C).release(KeyCode.SHIFT);
        robot.press(KeyCode.BACK_QUOTE);
        assertThat(window.session.view().flippedProperty().get()).isTrue();
        assertThat(window.session.view().keptFrameProperty().get()).isEqualTo(24);
        robot.release(KeyCode.BACK_QUOTE);
        assertThat(window.session.view().flippedProperty().get()).isFalse();
    }

    @Test
    void theShotIsSetUpAnewAtAnyTimeAndNonsenseIsRefused(FxRobot robot) {
        robot.interact(() -> window.session.view().stepProperty().set(View.Step.GATHER));
        WaitForAsyncUtils.waitForFxEvents();
        window.click(robot, "fold-the-shot");
        robot.interact(() -> {
            TextField first = robot.lookup("#setup-first-number").queryAs(TextField.class);
            first.setText("101");
            first.fireEvent(new ActionEvent());
            TextField rate = robot.lookup("#setup-rate").queryAs(TextField.class);
            rate.setText("12");
            rate.fireEvent(new ActionEvent());
        });
        assertThat(shot().setup().firstNumber()).isEqualTo(101);
        assertThat(shot().setup().rate()).isEqualTo(FrameRate.of(12));
        assertThat(robot.lookup("#frame-field").queryTextInputControl().getText())
                .isEqualTo("101");
        Shot before = shot();
        robot.interact(() -> {
            TextField size = robot.lookup("#setup-size").queryAs(TextField.class);
            size.setText("huge");
            size.fireEvent(new ActionEvent());
        });
        assertThat(shot()).isSameAs(before);
        assertThat(notice(robot)).contains("huge");
    }

    @Test
    void aNewShotIsMadeInOneCardWithTheClipsOwnValuesOffered(FxRobot robot) throws Exception {
        window.files.media = Clips.numbered(folder.resolve("walk.mp4"), 60, FrameRate.of(25), 10);
        robot.press(KeyCode.CONTROL).type(KeyCode.N).release(KeyCode.CONTROL);
        window.clickText(robot, "Use values of a clip");
        window.await(() ->
                "25".equals(robot.lookup("#new-rate").queryTextInputControl().getText()));
        robot.clickOn("#make-shot");
        window.awaitSettled();
        assertThat(shot().name()).isEqualTo("walk");
        assertThat(shot().setup().rate()).isEqualTo(FrameRate.of(25));
        assertThat(shot().setup().size()).isEqualTo(new PictureSize(352, 96));
        assertThat(shot().setup().length()).isEqualTo(60);
        assertThat(shot().footage()).hasSize(1);
        assertThat(shot().sounds()).hasSize(1);
    }

    @Test
    void aWrongSetUpIsRefusedInItsCard(FxRobot robot) {
        robot.press(KeyCode.CONTROL).type(KeyCode.N).release(KeyCode.CONTROL);
        robot.doubleClickOn("#new-rate").write("fast");
        robot.clickOn("#make-shot");
        assertThat(robot.lookup("#make-shot").tryQuery()).isPresent();
        robot.type(KeyCode.ESCAPE);
        assertThat(robot.lookup("#make-shot").tryQuery()).isEmpty();
        assertThat(shot().name()).isEqualTo("untitled");
    }

    @Test
    void droppedFilesAreTakenInAndBadOnesSaySoAndChangeNothing(FxRobot robot) throws Exception {
        Path clip = Clips.numbered(folder.resolve("clip.mp4"), 30, FrameRate.FILM, -1);
        Path text = Files.writeString(folder.resolve("notes.mp4"), "no movie at all");
        Path cut = Files.write(
                folder.resolve("cut.mp4"), Arrays.copyOf(Files.readAllBytes(clip), (int) Files.size(clip) / 2));
        Path letter = Files.writeString(folder.resolve("letter.chalk"), "dear sir");
        for (Path bad : List.of(text, cut, folder.resolve("gone.mp4"), letter)) {
            Shot before = shot();
            robot.interact(() -> window.workbench.drop(List.of(bad)));
            window.await(() -> notice(robot).contains(bad.getFileName().toString()));
            assertThat(shot()).isSameAs(before);
        }
        robot.interact(() -> window.workbench.drop(List.of(clip)));
        window.await(() -> shot().footage().size() == 1);
        assertThat(shot().setup().length())
                .as("the first clip brings its length")
                .isEqualTo(30);
    }

    @Test
    void unsavedWorkIsAskedAboutAndSavedOnRequest(FxRobot robot) {
        stroke(robot, 300, 200, 700, 300);
        window.files.saveAs = folder.resolve("mine.chalk");
        robot.press(KeyCode.CONTROL).type(KeyCode.N).release(KeyCode.CONTROL);
        window.answer(robot, "Cancel");
        assertThat(robot.lookup("#make-shot").tryQuery()).isEmpty();
        robot.press(KeyCode.CONTROL).type(KeyCode.N).release(KeyCode.CONTROL);
        window.answer(robot, "Save");
        window.await(() -> robot.lookup("#make-shot").tryQuery().isPresent());
        assertThat(folder.resolve("mine.chalk")).exists();
        robot.type(KeyCode.ESCAPE);
    }

    @Test
    void anExportCanBeCancelledAndLeavesNothing(FxRobot robot) {
        robot.interact(() -> window.session
                .document()
                .apply(new Edit("long", s -> s.withSetup(s.setup().withLength(5000)))));
        window.files.exports.put("movie", folder.resolve("long.mp4"));
        window.click(robot, "step-finish");
        window.click(robot, "export-now");
        window.await(() -> robot.lookup("#cancel-job").tryQuery().isPresent());
        window.files.saveAs = folder.resolve("meanwhile.chalk");
        robot.press(KeyCode.CONTROL).type(KeyCode.S).release(KeyCode.CONTROL);
        window.await(() -> !window.session.document().unsavedProperty().get());
        assertThat(window.onFx(() -> window.session.jobs().running().stream()
                        .map(job -> job.name())
                        .toList()))
                .as("a save does not wait for an export")
                .contains("write long.mp4");
        window.onFx(() -> {
            robot.lookup("#cancel-job").queryButton().fire();
            return null;
        });
        window.awaitSettled();
        assertThat(notice(robot)).contains("cancelled");
        assertThat(folder.toFile().listFiles((dir, name) -> name.contains("long")))
                .isEmpty();
    }

    private static boolean isSeen(Node node) {
        for (Node at = node; at != null; at = at.getParent()) {
            if (!at.isVisible()) {
                return false;
            }
        }
        return true;
    }

    /** The words that are shown with an ellipsis, and what stands in fields too narrow for it. */
    private static List<String> cutWords(Node whole) {
        List<String> cut = new ArrayList<>();
        for (Node part : whole.lookupAll("*")) {
            for (Node words : isSeen(part) ? part.lookupAll(".text") : Set.<Node>of()) {
                if (part instanceof Labeled labeled
                        && labeled.getText() != null
                        && words instanceof Text shown
                        && !shown.getText().equals(labeled.getText())) {
                    cut.add(labeled.getText());
                } else if (part instanceof TextField field
                        && words.getBoundsInLocal().getWidth()
                                > field.getWidth() - field.snappedLeftInset() - field.snappedRightInset() + 1) {
                    cut.add(field.getText());
                }
            }
        }
        return cut;
    }

    @Test
    void noTrayIsWiderThanItsRoom(FxRobot robot) throws Exception {
        window.open(DemoShot.copyTo(folder.resolve("wide"), true));
        for (View.Step step : View.Step.values()) {
            robot.interact(() -> window.session.view().stepProperty().set(step));
            window.awaitSettled();
            ScrollPane scroll = robot.lookup(".tray > .scroll-pane").queryAs(ScrollPane.class);
            robot.interact(() -> scroll.getContent().lookupAll(".fold-title").stream()
                    .map(ToggleButton.class::cast)
                    .forEach(fold -> fold.setSelected(true)));
            window.awaitSettled();
            double content = window.onFx(() -> ((Region) scroll.getContent()).getWidth());
            double room = window.onFx(() -> scroll.getViewportBounds().getWidth());
            assertThat(content).as("" + step).isLessThanOrEqualTo(room);
            // What goes on behind changes a word now and then, which is laid out in the next pulse.
            window.await(() -> cutWords(scroll.getScene().getRoot()).isEmpty());
        }
    }

    @Test
    void theTrayComesBackAsItWasPutAwayAndKnowsWhatChangedMeanwhile(FxRobot robot) throws Exception {
        window.open(DemoShot.copyTo(folder.resolve("whole"), true));
        robot.interact(() -> window.session.view().stepProperty().set(View.Step.VOICE));
        window.awaitSettled();
        ScrollPane scroll = robot.lookup(".tray > .scroll-pane").queryAs(ScrollPane.class);
        robot.interact(() -> scroll.setVvalue(0.4));
        robot.interact(() -> window.session.view().wholeWindowProperty().set(true));
        assertThat(robot.lookup("clink").tryQuery()).isEmpty();
        robot.interact(() -> window.session.document().apply(MarkEdits.addCue(new Cue("cue-new", "a new cue", 30))));
        robot.interact(() -> window.session.view().wholeWindowProperty().set(false));
        window.awaitSettled();
        // The new cue made it longer.
        assertThat(scroll.getVvalue()).isCloseTo(0.4, within(0.05));
        assertThat(robot.lookup("a new cue").tryQuery()).isPresent();
    }

    @Test
    void whatIsUsedWhileDrawingNeedsNoScrollingWithEightLevels(FxRobot robot) throws Exception {
        window.open(DemoShot.copyTo(folder.resolve("eight"), true));
        robot.interact(() -> {
            window.session.view().stepProperty().set(View.Step.TRACE);
            while (window.session.shot().levels().size() < 8) {
                String id = window.session.shot().newId("level");
                window.session.document().apply(LevelEdits.add(id, "one more " + id, "level-1"));
            }
        });
        window.awaitSettled();
        ScrollPane scroll = robot.lookup(".tray > .scroll-pane").queryAs(ScrollPane.class);
        double end =
                window.onFx(() -> scroll.localToScene(scroll.getBoundsInLocal()).getMaxY());
        for (String id : List.of("#onion-before-number", "#underlay-opacity", ".sheet-row")) {
            assertThat(robot.lookup(id).queryAll()).as(id).isNotEmpty();
            for (Node node : robot.lookup(id).queryAll()) {
                double bottom = window.onFx(
                        () -> node.localToScene(node.getBoundsInLocal()).getMaxY());
                assertThat(bottom).as(id).isLessThanOrEqualTo(end);
            }
        }
    }

    private static Node contentOf(Tray tray) {
        return tray.getChildren().stream()
                .filter(ScrollPane.class::isInstance)
                .map(scroll -> ((ScrollPane) scroll).getContent())
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aSectionThatWasOpenedIsOpenTheNextTime(FxRobot robot) {
        for (boolean wanted : new boolean[] {true, false}) {
            robot.interact(() -> window.session.view().stepProperty().set(View.Step.TRACE));
            robot.interact(() ->
                    robot.lookup("#fold-timing").queryAs(ToggleButton.class).setSelected(wanted));
            assertThat(window.session.preferences().isOpen("trace.fold-timing", !wanted))
                    .isEqualTo(wanted);
            robot.interact(() -> {
                Tray anew =
                        new Tray(window.session, new TraceFeature(window.session, window.files).trayRows(), List::of);
                assertThat(((ToggleButton) contentOf(anew).lookup("#fold-timing")).isSelected())
                        .isEqualTo(wanted);
            });
        }
    }
}
