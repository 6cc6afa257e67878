package chalktrace.app.controls;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.app.theme.Theme;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

@ExtendWith(ApplicationExtension.class)
class RowsTest {

    private VBox rows;
    private Label hint;

    @Start
    void start(Stage stage) {
        Theme.load();
        hint = Rows.hint("");
        rows = new VBox(6, Rows.section("Above"), hint);
        Scene scene = new Scene(rows, 200, 100);
        Theme.apply(scene);
        stage.setScene(scene);
        stage.show();
    }

    @Test
    void aHintTakesRoomOnlyWhileItSaysSomething(FxRobot robot) {
        double bare = rows.prefHeight(200);
        robot.interact(() -> hint.setText("Something to say."));
        assertThat(rows.prefHeight(200)).isGreaterThan(bare);
        robot.interact(() -> hint.setText(""));
        assertThat(rows.prefHeight(200)).isEqualTo(bare);
    }
}
