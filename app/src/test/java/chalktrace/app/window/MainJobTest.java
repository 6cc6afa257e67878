package chalktrace.app.window;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.app.board.pen.RecordedStrokes;
import chalktrace.app.board.pen.SimulatedPen;
import chalktrace.app.testing.OpenWindow;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.MouthSpan;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.Word;
import chalktrace.core.sound.PcmBuffer;
import chalktrace.core.sound.ShotMix;
import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.Stroke;
import chalktrace.media.file.ShotFile;
import chalktrace.media.footage.VideoClip;
import chalktrace.media.sound.SoundFiles;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** The main job from end to end, on the demo shot, in the real window. */
@ExtendWith(ApplicationExtension.class)
class MainJobTest {

    /** A frame after the rough drawings end: free on every level but the cup's. */
    private static final int FREE_FRAME = 160;

    private static final int CLINK_FRAME = 112;

    private Path folder;
    private OpenWindow window;

    @Start
    void start(Stage stage) throws Exception {
        folder = Files.createTempDirectory("main-job");
        window = new OpenWindow(stage, folder.resolve("state"));
    }

    @Test
    void fromTheClipToTheMovie(FxRobot robot) throws Exception {
        Path file = DemoShot.copyTo(folder.resolve("demo"), true);
        window.open(file);
        Shot before = window.session.shot();
        robot.interact(() -> window.session.selection().levelProperty().set("level-1"));

        stepsBothWays(robot);
        Stroke stroke = drawsWithTheSimulatedPen(robot);
        undoesAndDoesAgain(robot);
        setsAWord(robot);
        playsAndStops(robot);

        robot.press(KeyCode.CONTROL).press(KeyCode.S).release(KeyCode.S).release(KeyCode.CONTROL);
        window.await(() -> !window.session.document().unsavedProperty().get());
        Shot saved = window.session.shot();
        assertThat(ShotFile.open(file).shot()).isEqualTo(saved).isNotEqualTo(before);
        window.open(file);
        assertThat(window.session.shot()).isEqualTo(saved);
        assertThat(window.session.document().whyReadOnlyProperty().get())
                .as("it is still ours")
                .isNull();

        window.files.exports.put("movie", folder.resolve("out.mp4"));
        window.click(robot, "step-finish");
        window.click(robot, "export-now");
        window.await(() -> Files.exists(window.files.exports.get("movie")));
        window.awaitSettled();
        assertStrokeIsOnItsFramesOnly(stroke);
        assertClinkIsOnItsFrame();
    }

    private void stepsBothWays(FxRobot robot) {
        robot.clickOn(window.workbench.board());
        robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
        robot.type(KeyCode.HOME);
        robot.type(KeyCode.F, 3);
        assertThat(window.session.transport().frame()).isEqualTo(3);
        robot.type(KeyCode.D, 2);
        assertThat(window.session.transport().frame()).isEqualTo(1);
        robot.type(KeyCode.G);
        assertThat(window.session.transport().frame()).as("the next mark").isEqualTo(24);
        robot.clickOn("#frame-field").write("161").type(KeyCode.ENTER);
        assertThat(window.session.transport().frame()).isEqualTo(FREE_FRAME);
        assertThat(robot.lookup("#feet-field").queryTextInputControl().getText())
                .isEqualTo("10+00");
        assertThat(robot.lookup("#time-field").queryTextInputControl().getText())
                .isEqualTo("0:06.667");
    }

    private Stroke drawsWithTheSimulatedPen(FxRobot robot) {
        assertThat(robot.lookup("#landing").queryLabeled().getText())
                .isEqualTo("rough: new drawing 37, frames 161 to 162");
        robot.interact(() -> new SimulatedPen(RecordedStrokes.shipped())
                .drawAll(window.workbench.board().hand()::take));
        Level level = window.session.shot().level("level-1").orElseThrow();
        Drawing drawn = level.drawingAt(FREE_FRAME).orElseThrow();
        assertThat(drawn.strokes()).hasSize(3);
        assertThat(level.drawingAt(FREE_FRAME + 1)).hasValue(drawn);
        assertThat(level.exposures().at(FREE_FRAME + 2)).isEmpty();
        assertThat(drawn.strokes().get(0).curve().pressure(0)).isLessThan(0.5);
        return drawn.strokes().get(0);
    }

    private void undoesAndDoesAgain(FxRobot robot) {
        Shot drawn = window.session.shot();
        robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
        assertThat(window.session
                        .shot()
                        .level("level-1")
                        .orElseThrow()
                        .drawingAt(FREE_FRAME)
                        .orElseThrow()
                        .strokes())
                .hasSize(2);
        robot.press(KeyCode.CONTROL, KeyCode.SHIFT).type(KeyCode.Z).release(KeyCode.SHIFT, KeyCode.CONTROL);
        assertThat(window.session.shot()).isEqualTo(drawn);
    }

    private void setsAWord(FxRobot robot) {
        window.click(robot, "step-voice");
        robot.clickOn("#frame-field").write("13").type(KeyCode.ENTER);
        robot.type(KeyCode.ENTER);
        robot.write("mm ");
        robot.write("tea").type(KeyCode.ENTER);
        List<Word> words = window.session.shot().words();
        assertThat(words).extracting(Word::text).startsWith("mm", "tea", "Careful");
        assertThat(words.get(0).startSeconds()).isCloseTo(0.5, within(1e-9));
        assertThat(words.get(1).startSeconds()).isEqualTo(words.get(0).endSeconds());
        assertThat(window.session.shot().mouthAt(12)).map(MouthSpan::shape).hasValue("closed");
    }

    private void playsAndStops(FxRobot robot) {
        robot.clickOn("#frame-field").write("1").type(KeyCode.ENTER);
        robot.type(KeyCode.SPACE);
        window.await(() -> window.session.transport().frame() > 12);
        robot.type(KeyCode.SPACE);
        assertThat(window.session.transport().playingProperty().get()).isFalse();
    }

    private void assertStrokeIsOnItsFramesOnly(Stroke stroke) throws Exception {
        Curve curve = stroke.curve();
        int middle = 3 * (curve.segments() / 2);
        int yellow = window.session.shot().chalk(stroke.chalk()).color().argb();
        try (VideoClip movie = VideoClip.open(window.files.exports.get("movie"))) {
            assertThat(movie.times().count()).isEqualTo(192);
            for (int frame = FREE_FRAME - 2; frame < FREE_FRAME + 4; frame++) {
                int word = movie.picture(frame).argbAt(curve.x(middle) - 0.5, curve.y(middle) - 0.5);
                boolean drawn = Math.abs((word >> 8 & 255) - (yellow >> 8 & 255)) < 30 && (word & 255) < 150;
                assertThat(drawn).as("frame " + frame).isEqualTo(frame == FREE_FRAME || frame == FREE_FRAME + 1);
            }
        }
    }

    /** The clink is the only thing above 4 kHz before the line starts: its onset is where that energy leaps. */
    private void assertClinkIsOnItsFrame() throws Exception {
        PcmBuffer sound = SoundFiles.read(window.files.exports.get("movie"));
        int hop = 96;
        int found = -1;
        for (int at = ShotMix.SAMPLE_RATE; at < 5 * ShotMix.SAMPLE_RATE && found < 0; at += hop) {
            if (sharpness(sound, at, hop) > 0.03) {
                found = at;
            }
        }
        assertThat(found / (double) ShotMix.SAMPLE_RATE).isCloseTo(CLINK_FRAME / 24.0, within(0.5 / 24));
    }

    /** The mean size of second differences, which high sounds have and low ones lack. */
    private static double sharpness(PcmBuffer sound, int from, int count) {
        double sum = 0;
        for (int i = from; i < from + count; i++) {
            sum += Math.abs(sound.at(i - 1, 0) - 2 * sound.at(i, 0) + sound.at(i + 1, 0));
        }
        return sum / count;
    }
}
