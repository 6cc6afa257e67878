package chalktrace.app.controls;

import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/** Small pieces that the trays are put together from. */
public final class Rows {

    private Rows() {}

    public static Label section(String title) {
        Label label = new Label(title);
        label.getStyleClass().add("section");
        return label;
    }

    /** A quiet sentence that wraps; it takes no room while it says nothing. */
    public static Label hint(String text) {
        Label label = new Label(text);
        label.textProperty().addListener((property, before, now) -> show(label, !now.isEmpty()));
        show(label, !text.isEmpty());
        label.getStyleClass().add("hint");
        label.setWrapText(true);
        label.setMinHeight(Region.USE_PREF_SIZE);
        return label;
    }

    /** A word or two that name what stands beside them. */
    public static Label quiet(String text) {
        Label label = new Label(text);
        label.getStyleClass().add("quiet");
        label.setMinWidth(Region.USE_PREF_SIZE);
        return label;
    }

    /** A number or time in the font of numbers. */
    public static Label number(String text) {
        Label label = new Label(text);
        label.getStyleClass().add("number");
        label.setMinWidth(Region.USE_PREF_SIZE);
        return label;
    }

    /** A line of a list: what is clicked does something. */
    public static HBox row(Runnable clicked, Node... parts) {
        HBox row = new HBox(parts);
        row.getStyleClass().add("list-row");
        row.setOnMouseClicked(event -> clicked.run());
        return row;
    }

    /** Takes all the room that is left in a row. */
    public static Region space() {
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        return space;
    }

    /** Shows a part of a card, or takes it out so that it takes no room. */
    public static void show(Node part, boolean shown) {
        part.setVisible(shown);
        part.setManaged(shown);
    }
}
