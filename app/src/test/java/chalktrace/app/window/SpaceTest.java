package chalktrace.app.window;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.app.session.View;
import chalktrace.app.testing.OpenWindow;
import chalktrace.core.edit.reference.ReferenceEdits;
import chalktrace.core.picture.Picture;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Shot;
import chalktrace.core.space.CameraKey;
import chalktrace.core.space.Figure;
import chalktrace.core.space.JointPair;
import chalktrace.core.space.ModelLook;
import chalktrace.core.space.Orbit;
import chalktrace.core.space.Pose;
import chalktrace.core.space.Staging;
import chalktrace.media.export.ShotSources;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Arrays;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** A model as reference: imported, seen from other sides, its camera keyed and cut, stepped on twos, traced and handed on. */
@ExtendWith(ApplicationExtension.class)
class SpaceTest {

    private Path folder;
    private Path model;
    private OpenWindow window;

    @Start
    void start(Stage stage) throws Exception {
        folder = Files.createTempDirectory("space");
        model = folder.resolve("figure.glb");
        Files.copy(
                SpaceTest.class.getResourceAsStream("/chalktrace/app/demo/kettle-figure.glb"),
                model,
                StandardCopyOption.REPLACE_EXISTING);
        window = new OpenWindow(stage, folder.resolve("state"));
    }

    private Shot shot() {
        return window.session.shot();
    }

    private Footage clip() {
        return shot().footage().get(0);
    }

    private Staging staging() {
        return clip().staging().orElseThrow();
    }

    private Orbit camera() {
        return staging().cameraAt(window.session.transport().frame());
    }

    private void importModel(FxRobot robot) {
        window.files.media = model;
        robot.interact(() -> window.session.view().stepProperty().set(View.Step.GATHER));
        window.clickText(robot, "Import footage or sound");
        window.await(() -> robot.lookup("#take-in").tryQuery().isPresent());
        window.awaitSettled();
        window.click(robot, "take-in");
        window.await(() -> shot().footage().size() == 1);
        window.awaitSettled();
    }

    private void chooseTool(FxRobot robot, String id) {
        robot.interact(() -> window.session.view().toolProperty().set(new View.Tool(id)));
    }

    private void drag(FxRobot robot, double dx, double dy) {
        Point2D from = window.onScreen(500, 300);
        Point2D to = window.onScreen(500 + dx, 300 + dy);
        robot.moveTo(from).press(MouseButton.PRIMARY).moveTo(to).release(MouseButton.PRIMARY);
        window.awaitSettled();
    }

    private void fire(FxRobot robot, String id) {
        Node node = robot.lookup("#" + id).query();
        robot.interact(() -> {
            if (node instanceof Button button) {
                button.fire();
            } else if (node instanceof CheckBox box) {
                box.fire();
            } else {
                ((ToggleButton) node).fire();
            }
        });
        window.awaitSettled();
    }

    private void go(int frame) {
        window.onFx(() -> {
            window.session.transport().go(frame);
            return null;
        });
        window.awaitSettled();
    }

    @Test
    void aModelIsSeenFromAllSidesKeyedCutTracedAndHandedOn(FxRobot robot) throws Exception {
        importModel(robot);
        // The animation lasts for the clip's 192 frames less what its last key leaves: the shot follows it.
        assertThat(shot().setup().length()).isBetween(180, 192);
        assertThat(shot().setup().frames().contains(100)).isTrue();

        chooseTool(robot, "camera");
        double yaw = camera().yaw();
        drag(robot, -160, 0);
        // 240 degrees over the picture's width of 1280.
        assertThat(camera().yaw()).isCloseTo(yaw + 160 * 240 / 1280.0, within(1.5));
        assertThat(staging().keys()).isEmpty();

        fire(robot, "key-camera");
        fire(robot, "model-cut");
        go(48);
        Orbit before = camera();
        drag(robot, 200, 60);
        assertThat(staging().keys()).extracting(CameraKey::frame).containsExactly(0, 48);
        assertThat(staging().cameraAt(47)).isEqualTo(before);
        assertThat(camera()).isNotEqualTo(before);

        fire(robot, "model-twos");
        fire(robot, "model-lines");
        assertThat(staging().every()).isEqualTo(2);
        assertThat(staging().dress().look()).isEqualTo(ModelLook.LINES);
        go(50);
        Picture even = shown();
        robot.type(KeyCode.F);
        window.awaitSettled();
        assertThat(window.session.transport().frame()).isEqualTo(51);
        assertThat(shown()).as("on twos the pose is held").isSameAs(even);
        robot.type(KeyCode.F);
        window.awaitSettled();
        assertThat(shown()).isNotSameAs(even);

        chooseTool(robot, "chalk");
        window.pen(robot, 400, 200, 500, 300);
        assertThat(shot().levels().get(0).drawings()).hasSize(1);

        try (ShotSources sources = ShotSources.open(shot(), true)) {
            assertThat(sources.at(clip(), 52).orElseThrow().picture().toArgb())
                    .as("handed on as it is seen")
                    .isEqualTo(shown().toArgb());
        }
        for (int i = 0; i < 6; i++) {
            robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
        }
        window.awaitSettled();
        assertThat(staging().keys()).isEmpty();
    }

    /** What the board shows once it is no longer coarse. */
    private Picture shown() {
        window.await(() -> latest().size().equals(shot().setup().size()));
        return window.onFx(this::latest);
    }

    private Picture latest() {
        return window.session
                .footages()
                .latestProperty()
                .get()
                .at(clip(), window.session.transport().frame())
                .orElseThrow()
                .picture();
    }

    @Test
    void theSavedViewsStandBesideTheBoard(FxRobot robot) {
        importModel(robot);
        fire(robot, "views-beside");
        window.await(() -> robot.lookup("#views-strip").query().isVisible());
        assertThat(robot.lookup("#views-strip").query().getBoundsInParent().getWidth())
                .isGreaterThan(150);
        robot.interact(() -> window.session.transport().go(10));
        Node side = robot.from(robot.lookup("#views-strip").queryAll())
                .lookup("Side")
                .query();
        robot.clickOn(side);
        assertThat(camera().yaw()).isEqualTo(90);
    }

    private static String bvh(String thigh, double degrees) {
        return """
                HIERARCHY
                ROOT Hips
                {
                OFFSET 0 0 0
                CHANNELS 6 Xposition Yposition Zposition Zrotation Xrotation Yrotation
                JOINT %s
                {
                OFFSET 1 0 0
                CHANNELS 3 Zrotation Xrotation Yrotation
                JOINT LeftKnee
                {
                OFFSET 0 -4 0
                CHANNELS 3 Zrotation Xrotation Yrotation
                End Site
                {
                OFFSET 0 -4 0
                }
                }
                }
                }
                MOTION
                Frames: 2
                Frame Time: 0.5
                0 9 0 0 0 0 0 0 0 0 0 0
                0 9 0 0 0 0 %s 0 0 0 0 0
                """
                .formatted(thigh, degrees);
    }

    private void importBvh(FxRobot robot, String name, String text) throws Exception {
        int before = shot().footage().size();
        window.files.media = Files.writeString(folder.resolve(name), text);
        robot.interact(() -> window.session.view().stepProperty().set(View.Step.GATHER));
        window.clickText(robot, "Import footage or sound");
        window.await(() -> robot.lookup("#take-in").tryQuery().isPresent());
        window.awaitSettled();
        window.click(robot, "take-in");
        window.await(() -> shot().footage().size() == before + 1);
        window.awaitSettled();
    }

    private double knee() {
        Figure figure = window.session.footages().figure(clip()).orElseThrow();
        Pose pose = clip().staged(figure, 12, shot().setup()).orElseThrow().pose();
        return pose.joint(2).x() - pose.joint(1).x();
    }

    /** A motion of one file on the model of another: its joints matched by name, one of them corrected; undone with the lender gone. */
    @Test
    @SuppressWarnings("unchecked")
    void aModelBorrowsTheMotionOfAnother(FxRobot robot) throws Exception {
        importBvh(robot, "kick.bvh", bvh("LeftHip", 90));
        String lender = clip().id();
        importBvh(robot, "figure.bvh", bvh("thigh_l", 0));
        // Its pictures go on where its own animation is over: the lane of pictures, too.
        go(shot().setup().length() - 1);
        ComboBox<Object> motions = robot.lookup("#model-motion")
                .queryAllAs(ComboBox.class)
                .iterator()
                .next();
        robot.interact(() -> motions.setValue(motions.getItems().stream()
                .filter(choice -> choice.toString().contains("kick"))
                .findFirst()
                .orElseThrow()));
        assertThat(staging().borrowed().orElseThrow().pairs())
                .contains(new JointPair("thigh_l", "LeftHip"), new JointPair("LeftKnee", "LeftKnee"));
        // Turned by 90 degrees about z, the thigh of 4 that hung down points to the right.
        window.await(() -> Math.abs(knee() - 4) < 1e-3);

        fire(robot, "fold-joints");
        ComboBox<String> thigh =
                (ComboBox<String>) robot.lookup("#joint-thigh_l").query();
        robot.interact(() -> thigh.setValue("At rest"));
        assertThat(staging().borrowed().orElseThrow().from("thigh_l")).isEmpty();
        window.await(() -> Math.abs(knee()) < 1e-3);

        robot.interact(() -> window.session.document().apply(ReferenceEdits.remove(lender)));
        assertThat(staging().borrowed()).isEmpty();
        robot.interact(() -> window.session.document().undo());
        assertThat(staging().borrowed()).isPresent();
    }

    @Test
    void aDamagedModelIsToldAndNothingIsChanged(FxRobot robot) throws Exception {
        byte[] whole = Files.readAllBytes(model);
        Files.write(model, Arrays.copyOf(whole, whole.length / 2));
        window.files.media = model;
        Shot before = shot();
        robot.interact(() -> window.session.view().stepProperty().set(View.Step.GATHER));
        window.clickText(robot, "Import footage or sound");
        window.await(() -> robot.lookup("#notice").queryLabeled().getText().contains("figure.glb"));
        assertThat(shot()).isSameAs(before);
    }
}
