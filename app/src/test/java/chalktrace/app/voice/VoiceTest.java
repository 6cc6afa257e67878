package chalktrace.app.voice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.app.kernel.Selection.Item;
import chalktrace.app.session.View.Step;
import chalktrace.app.testing.OpenWindow;
import chalktrace.app.window.DemoShot;
import chalktrace.core.check.SyncReport;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.mouth.MouthLevels;
import chalktrace.core.edit.speech.SpeechEdits;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.MouthChart;
import chalktrace.core.shot.MouthPlace;
import chalktrace.core.shot.MouthSpan;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.shot.Word;
import chalktrace.media.sound.SoundFiles;
import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.control.ToggleButton;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

/** From the demo's recorded line to mouths and cues, in the window. */
@ExtendWith(ApplicationExtension.class)
class VoiceTest {

    private static final double FRAME = 1 / 24.0;

    private OpenWindow window;
    private Path folder;
    private Path demo;
    private double lineStart;

    @Start
    void start(Stage stage) throws Exception {
        folder = Files.createTempDirectory("voice");
        demo = DemoShot.copyTo(folder, true);
        window = new OpenWindow(stage, folder.resolve("state"));
    }

    private VoiceWork work() {
        return window.workbench.features().of(VoiceFeature.class).work();
    }

    private Shot shot() {
        return window.session.shot();
    }

    /** A shot with the recorded line and nothing else, at the Voice step. */
    private void bare(FxRobot robot) {
        window.open(demo);
        robot.interact(() -> {
            Shot whole = shot();
            SoundClip line = whole.sounds().stream()
                    .filter(clip -> !clip.isAttached())
                    .findFirst()
                    .orElseThrow();
            lineStart = line.startSeconds();
            window.session.shelf().startNew(Shot.empty("bare", whole.setup()).withSounds(List.of(line)));
            window.session.view().stepProperty().set(Step.VOICE);
        });
        window.await(() -> window.session.sounds().peaks().size() == 1);
        WaitForAsyncUtils.waitForFxEvents();
    }

    private List<String> truth() throws Exception {
        List<String> lines = Files.readAllLines(folder.resolve("kettle-line-words.csv"));
        return lines.subList(1, lines.size());
    }

    private double trueStart(int word) throws Exception {
        return lineStart + Double.parseDouble(truth().get(word).split(",")[1]);
    }

    private void align(FxRobot robot, String script) {
        TextArea field = robot.lookup("#script").query();
        robot.interact(() -> field.setText(script));
        robot.interact(() -> ((Button) robot.lookup("#align").query()).fire());
        window.await(() -> work().voicing().aligningProperty().get() == null);
        WaitForAsyncUtils.waitForFxEvents();
    }

    @Test
    void ofALongScriptThatIsSpokenInPartTheRestIsNamedByItsEnds(FxRobot robot) throws Exception {
        bare(robot);
        align(
                robot,
                "The kettle came back before the morning boat. Careful now. It's hotter than it looks. She poured"
                        + " without a word.");
        assertThat(shot().words()).hasSize(7);
        for (int i = 0; i < 7; i++) {
            assertThat(shot().words().get(i).startSeconds()).isCloseTo(trueStart(i), within(FRAME));
        }
        Voicing.Report report = work().voicing().reportProperty().get();
        assertThat(report.fits()).isTrue();
        assertThat(report.missing()).extracting(List::size).containsExactly(8, 5);
        Label said = robot.lookup("#align-report").query();
        assertThat(said.getText())
                .contains("The", "boat", "8", "She", "word", "5")
                .doesNotContain("morning");
    }

    @Test
    void aLineIsAlignedAWordPinnedAndTheRestAlignedAgain(FxRobot robot) throws Exception {
        bare(robot);
        align(robot, "Careful now. It's hotter than it looks. Goodbye.");
        assertThat(shot().words()).hasSize(7);
        for (int i = 0; i < 7; i++) {
            assertThat(shot().words().get(i).startSeconds()).isCloseTo(trueStart(i), within(FRAME));
        }
        assertThat(work().voicing().reportProperty().get().missing()).containsExactly(List.of("Goodbye"));
        Label report = robot.lookup("#align-report").query();
        assertThat(report.isVisible()).isTrue();

        Word hotter = shot().words().get(3);
        robot.interact(() -> {
            window.session.selection().itemProperty().set(new Item(Item.Kind.WORD, hotter.id()));
            window.session.document().apply(SpeechEdits.changeWord("move", hotter.id(), w -> w.withTimes(
                            w.startSeconds() + 0.04, w.endSeconds())
                    .withPinned(true)));
        });
        align(robot, "Careful now. It's hotter than it looks.");
        Word again = shot().words().get(3);
        assertThat(again.startSeconds()).isEqualTo(hotter.startSeconds() + 0.04);
        assertThat(again.pinned()).isTrue();
        assertThat(shot().words().get(4).startSeconds()).isCloseTo(trueStart(4), within(FRAME));
    }

    @Test
    void mouthsGoOntoALevelShowOnTheBoardAndKeepWhatIsChangedByHand(FxRobot robot) throws Exception {
        bare(robot);
        align(robot, "Careful now. It's hotter than it looks.");
        robot.interact(() -> ((Button) robot.lookup("#mouth-level").query()).fire());
        Level mouths = MouthLevels.find(shot()).orElseThrow();
        MouthSpan bite = shot().mouths().stream()
                .filter(span -> span.shape().equals(MouthChart.LIP_BITE))
                .findFirst()
                .orElseThrow();
        int frame = bite.range().start();
        // The F of "careful", from the synthesiser's own times, is 0.375 to 0.495 s into the line.
        assertThat(shot().setup().rate().seconds(frame)).isCloseTo(lineStart + 0.375, within(2 * FRAME));
        assertThat(mouths.exposures().at(frame)).isPresent();
        robot.interact(() -> window.session.transport().go(frame));
        window.awaitSettled();

        int open = MouthChart.TEN.drawing(MouthChart.OPEN, MouthChart.Side.FRONT);
        robot.interact(() -> window.session
                .document()
                .apply(new Edit(
                        "by hand",
                        s -> s.withLevel(mouths.id(), l -> l.with(l.exposures().with(Exposure.of(2, 4, open)))))));
        align(robot, "Careful now. It's hotter than it looks.");
        assertThat(MouthLevels.find(shot()).orElseThrow().exposures().at(3).map(Exposure::drawing))
                .hasValue(open);
        robot.interact(() -> window.session.document().undo());
        assertThat(MouthLevels.find(shot()).orElseThrow().exposures().at(3).map(Exposure::drawing))
                .hasValue(open);
    }

    @Test
    void mouthsFollowTheHeadOfTheFootage(FxRobot robot) {
        window.open(demo);
        // The demo's mouths lie where the program that rendered its clip put the head.
        Shot truth = shot();
        int gate = 150;
        robot.interact(() -> {
            window.session.transport().go(gate);
            work().mouthFollowing().followFootage();
        });
        window.await(() -> shot() != truth);
        MouthPlace mouth = shot().mouthPlace().orElseThrow();
        Point2D middle = new Point2D.Double(mouth.x(), mouth.y());
        for (int frame = 120; frame < 180; frame += 5) {
            Point2D wanted = onPicture(truth, frame).transform(middle, null);
            Point2D found = onPicture(shot(), frame).transform(middle, null);
            assertThat(found.distance(wanted)).as("frame %d", frame).isLessThan(8);
        }
    }

    private static AffineTransform onPicture(Shot shot, int frame) {
        return MouthLevels.placementAt(shot, frame)
                .transform(
                        shot.setup().size().width() / 2.0, shot.setup().size().height() / 2.0);
    }

    @Test
    void aCueThatIsOffIsBroughtToItsPictureAndTheListSaysSo(FxRobot robot) {
        window.open(demo);
        robot.interact(() -> window.session.view().stepProperty().set(Step.VOICE));
        SyncReport.Row off = SyncReport.of(shot()).get(2);
        assertThat(off.verdict()).isEqualTo(SyncReport.Verdict.OFF);
        robot.interact(() -> window.session
                .selection()
                .itemProperty()
                .set(new Item(Item.Kind.CUE, off.cue().id())));
        WaitForAsyncUtils.waitForFxEvents();
        robot.interact(() -> ((Button) robot.lookup("#sync-picture").query()).fire());
        assertThat(SyncReport.of(shot()).get(2).verdict()).isEqualTo(SyncReport.Verdict.GOOD);
        assertThat(SyncReport.of(shot()).get(2).millis()).isCloseTo(0, within(500 / 24.0));
    }

    @Test
    void soundsThatStartBecomeCuesAndTheBreathBeforeAVoiceIsCut(FxRobot robot) {
        bare(robot);
        robot.interact(() -> ((Button) robot.lookup("#find-cues").query()).fire());
        window.await(() -> !work().cueing().candidatesProperty().get().isEmpty());
        WaitForAsyncUtils.waitForFxEvents();
        int found = work().cueing().candidatesProperty().get().size();
        robot.interact(() -> ((Button) robot.lookup("#keep-cues").query()).fire());
        assertThat(shot().cues()).isNotEmpty().hasSizeLessThanOrEqualTo(found);
        robot.interact(() -> work().voicing().cutToVoice());
        window.await(() -> shot().sounds().get(0).trim().headSeconds() > 0);
        // The line's first word starts 0.165 s into it, as its synthesiser says.
        assertThat(shot().sounds().get(0).trim().headSeconds()).isBetween(0.05, 0.17);
        robot.interact(() -> work().voicing().findSpeech());
        window.await(() -> !shot().words().isEmpty());
        assertThat(shot().words()).allMatch(word -> word.text().equals("?"));
    }

    @Test
    void whatTheStandInSpeaksIsRecordedOntoALane(FxRobot robot) {
        bare(robot);
        robot.interact(() -> {
            work().recording().countInProperty().set(0);
            window.session.transport().go(12);
            work().recording().start();
        });
        window.await(() -> work().recording().secondsProperty().get() > 0.3);
        robot.interact(() -> work().recording().stop());
        window.await(() -> shot().sounds().size() == 2);
        SoundClip recorded = shot().sounds().stream()
                .filter(clip -> clip.name().equals("recorded line"))
                .findFirst()
                .orElseThrow();
        assertThat(recorded.startSeconds()).isEqualTo(0.5);
        assertThat(Path.of(recorded.file())).exists();
        window.await(() -> window.session.sounds().peaks().get(recorded.file()) != null);
        assertThat(window.session.sounds().peaks().get(recorded.file()).sound().seconds())
                .isGreaterThan(0.25);
    }

    @Test
    void aTableGoesOutAndComesInAndTheMixIsWritten(FxRobot robot) throws Exception {
        window.open(demo);
        robot.interact(() -> window.session.view().stepProperty().set(Step.VOICE));
        List<String> before = shot().words().stream().map(Word::text).toList();
        window.files.table = folder.resolve("out.vtt");
        window.files.sound = folder.resolve("mix.wav");
        robot.interact(
                () -> ((ToggleButton) robot.lookup("#fold-tables-and-mix").query()).fire());
        WaitForAsyncUtils.waitForFxEvents();
        robot.interact(() -> ((Button) robot.lookup("#table-out").query()).fire());
        window.await(() -> Files.exists(window.files.table));
        robot.interact(() -> ((Button) robot.lookup("#sound-out").query()).fire());
        window.await(() -> Files.exists(window.files.sound)
                && window.session.jobs().running().isEmpty());
        assertThat(SoundFiles.read(window.files.sound).seconds())
                .isCloseTo(shot().setup().seconds(), within(1e-3));
        robot.interact(() -> {
            for (Word word : shot().words()) {
                window.session.document().apply(SpeechEdits.removeWord(word.id()));
            }
        });
        robot.interact(() -> ((Button) robot.lookup("#table-in").query()).fire());
        window.await(() -> !shot().words().isEmpty());
        assertThat(shot().words()).extracting(Word::text).isEqualTo(before);
    }

    @Test
    void aDictionaryThatWasSpoiltIsSaidAndTheLineIsAlignedWithoutIt(FxRobot robot) throws Exception {
        bare(robot);
        Files.writeString(folder.resolve("state").resolve("words.dict"), "kettle K EH\ngloop QQ\n");
        align(robot, "Careful now. It's hotter than it looks.");
        assertThat(robot.lookup("#notice").queryLabeled().getText())
                .contains("words.dict")
                .contains("line 2");
        assertThat(shot().words()).hasSize(7);
    }

    @Test
    void theLineInTheTrayGoesToAWordAndShowsWhichIsSaid(FxRobot robot) throws Exception {
        bare(robot);
        align(robot, "Seller: Careful now. It's hotter than it looks.");
        List<Label> words =
                robot.lookup(".line-word").queryAllAs(Label.class).stream().toList();
        assertThat(words)
                .extracting(Label::getText)
                .isEqualTo(shot().words().stream().map(Word::text).toList());
        Label hotter = words.get(3);
        robot.clickOn(hotter);
        assertThat(window.session.transport().frame())
                .isEqualTo(
                        shot().setup().rate().nearestFrame(shot().words().get(3).startSeconds()));
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(hotter.getStyleClass()).contains("chosen", "current");
        robot.interact(() -> window.session
                .transport()
                .go((int) Math.ceil(24 * shot().words().get(3).endSeconds()) - 2));
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(words.stream().filter(word -> word.getStyleClass().contains("current")))
                .containsExactly(hotter);
        assertThat(robot.lookup("Seller:").tryQuery()).isPresent();
    }

    @Test
    void mouthsOfTwoWhoSpeakLieOnLevelsOfTheirOwnAndArePlacedByHand(FxRobot robot) throws Exception {
        window.open(demo);
        robot.interact(() -> {
            window.session.view().stepProperty().set(Step.VOICE);
            window.session
                    .document()
                    .apply(SpeechEdits.changeWord("say", shot().words().get(0).id(), word -> word.withSpeaker("Ada")));
        });
        ComboBox<String> whose = robot.lookup("#mouth-speaker").queryComboBox();
        robot.interact(() -> whose.setValue("Ada"));
        robot.interact(() -> window.session.document().apply(SpeechEdits.speaker("Bo")));
        assertThat(whose.getItems()).containsExactly("", "Ada", "Bo", "Seller");
        int levels = shot().levels().size();
        robot.interact(() -> ((Button) robot.lookup("#place-mouths").query()).fire());
        window.awaitSettled();
        MouthPlace before = shot().mouthPlace().orElseThrow();
        robot.drag(window.onScreen(before.x(), before.y())).dropTo(window.onScreen(before.x() - 40, before.y() - 20));
        MouthPlace moved = shot().mouthPlace().orElseThrow();
        assertThat(moved.x()).isCloseTo(before.x() - 40, within(1.5));
        assertThat(moved.y()).isCloseTo(before.y() - 20, within(1.5));
        robot.interact(() -> ((Button) robot.lookup("#mouth-level").query()).fire());
        assertThat(shot().levels()).hasSize(levels + 1);
        assertThat(shot().levels().get(0).name()).isEqualTo("mouths of Bo");
        robot.interact(() -> whose.setValue("Ada"));
        assertThat(MouthLevels.find(shot()).orElseThrow().id())
                .isNotEqualTo(shot().levels().get(0).id());
    }
}
