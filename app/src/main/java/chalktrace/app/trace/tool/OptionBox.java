package chalktrace.app.trace.tool;

import chalktrace.app.controls.Buttons;
import java.util.Map;
import java.util.TreeMap;
import javafx.beans.property.Property;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;

/** One of a few ways of a tool, chosen by a row of buttons on the ledge. */
final class OptionBox {

    private OptionBox() {}

    static <T extends Comparable<T>> HBox choice(Property<T> property, Map<T, String> words) {
        HBox box = new HBox();
        box.getStyleClass().add("edged-box");
        box.setMaxHeight(26);
        box.setMinWidth(Region.USE_PREF_SIZE);
        ToggleGroup group = new ToggleGroup();
        new TreeMap<>(words).forEach((value, word) -> {
            ToggleButton one = Buttons.toggle(word, word);
            one.setToggleGroup(group);
            one.setMinWidth(Region.USE_PREF_SIZE);
            one.setSelected(value.equals(property.getValue()));
            property.addListener((changing, before, now) -> one.setSelected(value.equals(now)));
            one.setOnAction(event -> {
                one.setSelected(true);
                property.setValue(value);
            });
            box.getChildren().add(one);
        });
        return box;
    }
}
