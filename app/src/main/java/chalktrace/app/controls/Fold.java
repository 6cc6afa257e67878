package chalktrace.app.controls;

import chalktrace.app.theme.Icons;
import chalktrace.app.theme.Theme;
import chalktrace.app.words.Words;
import java.util.List;
import java.util.Locale;
import javafx.beans.property.BooleanProperty;
import javafx.scene.Node;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.VBox;

/** A part of a card that is put away until its title is clicked. */
public final class Fold extends VBox {

    private final ToggleButton title;
    private final VBox content = new VBox(6);

    public Fold(String name, boolean open, Node... parts) {
        super(4);
        title = Buttons.toggle(name, Words.DESK.of("show-or-hide-level", name));
        title.getStyleClass().add("fold-title");
        title.setId("fold-" + name.toLowerCase(Locale.ROOT).replace(' ', '-'));
        content.getChildren().setAll(parts);
        title.setSelected(open);
        title.selectedProperty().addListener(changed -> show());
        show();
    }

    /** Whether it is open. */
    public BooleanProperty openProperty() {
        return title.selectedProperty();
    }

    /** What is in it, put away or not. */
    public List<Node> parts() {
        return List.copyOf(content.getChildren());
    }

    /** Of its kind on its tray. */
    public String name() {
        return title.getId();
    }

    private void show() {
        boolean open = title.isSelected();
        title.setGraphic(Theme.icon(open ? Icons.DOWN : Icons.ON));
        // What is put away is not in the window, so that it need not be kept up to date.
        getChildren().setAll(open ? List.of(title, content) : List.of(title));
    }
}
