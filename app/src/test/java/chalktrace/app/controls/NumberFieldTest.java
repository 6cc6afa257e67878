package chalktrace.app.controls;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.app.theme.Theme;
import java.util.concurrent.atomic.AtomicInteger;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.layout.HBox;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

@ExtendWith(ApplicationExtension.class)
class NumberFieldTest {

    private static final double EXACT = 33.1167;

    private final AtomicInteger changes = new AtomicInteger();
    private Button elsewhere;
    private NumberField field;

    @Start
    void start(Stage stage) {
        Theme.load();
        elsewhere = new Button("elsewhere");
        field = new NumberField("lens", EXACT, changes::incrementAndGet);
        Scene scene = new Scene(new HBox(field, elsewhere), 200, 40);
        Theme.apply(scene);
        stage.setScene(scene);
        stage.show();
        elsewhere.requestFocus();
    }

    @ParameterizedTest
    @CsvSource({
        "0, 0",
        "-0.0001, 0",
        "2.5784, 2.578",
        "-2.5784, -2.58",
        "33.1167, 33.12",
        "133.17, 133.2",
        "1920, 1920",
        "-1234.5, -1234",
        "12.5, 12.5"
    })
    void showsAsManyFiguresAsFit(double number, String shown, FxRobot robot) {
        robot.interact(() -> field.set(number));
        assertThat(field.getText()).isEqualTo(shown);
    }

    @Test
    void lookedIntoAndLeftItIsTheSameNumber(FxRobot robot) {
        robot.interact(field::requestFocus);
        assertThat(field.getText()).isEqualTo("33.117");
        robot.interact(elsewhere::requestFocus);
        assertThat(field.getText()).isEqualTo("33.12");
        assertThat(field.value()).isEqualTo(EXACT);
        assertThat(changes).hasValue(0);
    }

    @Test
    void whatIsTypedAsItWasShownBeforeIsThatNumberNow(FxRobot robot) {
        robot.interact(field::requestFocus);
        robot.interact(() -> field.setText("33.12"));
        robot.interact(elsewhere::requestFocus);
        assertThat(field.value()).isEqualTo(33.12);
        assertThat(changes).hasValue(1);
    }

    @Test
    void whatIsTypedIsKeptToItsLastFigure(FxRobot robot) {
        robot.interact(field::requestFocus);
        robot.interact(() -> field.setText("35,125"));
        robot.interact(elsewhere::requestFocus);
        assertThat(field.value()).isEqualTo(35.125);
        assertThat(changes).hasValue(1);
        robot.interact(field::requestFocus);
        robot.interact(() -> field.setText("far"));
        robot.interact(elsewhere::requestFocus);
        assertThat(field.value()).isEqualTo(35.125);
        assertThat(changes).hasValue(1);
    }
}
