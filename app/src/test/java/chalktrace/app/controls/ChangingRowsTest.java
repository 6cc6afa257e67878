package chalktrace.app.controls;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import javafx.scene.Scene;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.text.Text;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** Words that change under a list: all of them are seen, and what is around them moves only when it must. */
@ExtendWith(ApplicationExtension.class)
class ChangingRowsTest {

    private static final String LONG = "moves 14.4 px, towards 90 degrees, 214.4 px high, 31 px to its second point";

    private final ChangingRows rows = new ChangingRows();
    private final Region below = new Region();
    private VBox tray;

    @Start
    void start(Stage stage) {
        tray = new VBox(rows, below);
        stage.setScene(new Scene(tray, 200, 400));
        stage.show();
    }

    private void show(FxRobot robot, String... words) {
        robot.interact(() -> rows.show(List.of(words)));
    }

    /** Where what lies below begins, after the window had its pulse. */
    private double end(FxRobot robot) {
        robot.interact(tray::layout);
        return below.getLayoutY();
    }

    @Test
    void theyTakeTheRoomThatTheirWordsNeedAndKeepItWhileTheyChange(FxRobot robot) {
        show(robot, "moves 1.0 px", "moves 2.0 px");
        double low = end(robot);
        Text second = (Text) rows.getChildrenUnmodifiable().get(1);
        assertThat(second.getBoundsInParent().getMaxY()).isBetween(low - 3, low);
        robot.interact(() -> {
            rows.show(List.of("moves 3.0 px", "moves 4.0 px"));
            assertThat(tray.isNeedsLayout()).isFalse();
        });
        show(robot, LONG, "moves 2.0 px");
        double high = end(robot);
        assertThat(second.getBoundsInParent().getMaxY()).isBetween(high - 3, high);
        assertThat(high).isGreaterThan(low + 10);
        show(robot, "moves 1.0 px", "moves 2.0 px");
        assertThat(end(robot)).isEqualTo(high);
        show(robot, "moves 1.0 px");
        assertThat(end(robot)).isLessThan(low);
    }

    @Test
    void inAWiderTrayTheyAreLower(FxRobot robot) {
        show(robot, LONG, LONG);
        double narrow = end(robot);
        robot.interact(() -> tray.getScene().getWindow().setWidth(900));
        assertThat(end(robot)).isLessThan(narrow);
    }
}
