package chalktrace.app.controls;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.app.theme.Theme;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Labeled;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.text.Text;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.kordamp.ikonli.materialdesign2.MaterialDesignC;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** Buttons where there is little room, in the program's own look. */
@ExtendWith(ApplicationExtension.class)
class ButtonsTest {

    private static final String WORDS = "A button of many words";

    private final HBox narrow = new HBox();

    @Start
    void start(Stage stage) {
        Theme.load();
        Scene scene = new Scene(narrow, 120, 40);
        Theme.apply(scene);
        stage.setScene(scene);
        stage.show();
    }

    private void lay(FxRobot robot, Region... buttons) {
        robot.interact(() -> {
            narrow.getChildren().setAll(buttons);
            narrow.applyCss();
            narrow.layout();
        });
    }

    private static String seen(Labeled button) {
        return ((Text) button.lookup(".text")).getText();
    }

    @Test
    void aButtonOfWordsThatMayNotShrinkShowsThemAll(FxRobot robot) {
        List<Labeled> buttons = new ArrayList<>();
        robot.interact(() -> {
            ToggleButton toggle = Buttons.toggle(WORDS, "a use");
            Button button = Buttons.words(WORDS, "a use", () -> {});
            buttons.addAll(List.of(toggle, button));
            buttons.forEach(b -> b.setMinWidth(Region.USE_PREF_SIZE));
        });
        lay(robot, buttons.toArray(Region[]::new));
        assertThat(buttons).extracting(ButtonsTest::seen).containsOnly(WORDS);
    }

    @Test
    void anIconKeepsRoomForAPointerHoweverLittleThereIs(FxRobot robot) {
        List<Region> buttons = new ArrayList<>();
        robot.interact(() -> {
            for (int i = 0; i < 12; i++) {
                buttons.add(
                        i % 2 == 0
                                ? Buttons.toggle(MaterialDesignC.CROSSHAIRS, "a use")
                                : Buttons.icon(MaterialDesignC.CROSSHAIRS, "a use", () -> {}));
            }
        });
        lay(robot, buttons.toArray(Region[]::new));
        assertThat(buttons).allSatisfy(button -> assertThat(button.getWidth()).isGreaterThanOrEqualTo(24));
    }
}
