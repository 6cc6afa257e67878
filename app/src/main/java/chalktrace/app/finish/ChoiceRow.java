package chalktrace.app.finish;

import chalktrace.app.controls.Rows;
import chalktrace.app.controls.ShownAs;
import chalktrace.app.words.Words;
import chalktrace.media.export.Choice;
import java.util.Arrays;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/** The row of one choice: a box to tick, a list, or a field in which it is typed. */
final class ChoiceRow {

    private static final double LABEL_WIDTH = 70;

    private ChoiceRow() {}

    /** @param chosen hears a text that the choice can read */
    static <T> Node of(Choice<T> choice, T now, Consumer<T> chosen) {
        if (choice.isFlag()) {
            CheckBox box = new CheckBox(choice.label());
            box.setSelected(Boolean.TRUE.equals(now));
            box.setFocusTraversable(false);
            box.setOnAction(event -> chosen.accept(choice.read(String.valueOf(box.isSelected()))));
            return named(box, choice);
        }
        if (choice.isSome()) {
            return labelled(choice, some(choice, now, chosen));
        }
        if (!choice.all().isEmpty()) {
            ComboBox<T> list = new ComboBox<>();
            list.getItems().setAll(choice.all());
            list.setConverter(ShownAs.words(choice::write));
            list.setValue(now);
            list.setOnAction(event -> chosen.accept(list.getValue()));
            return labelled(choice, list);
        }
        return labelled(choice, field(choice, now, chosen));
    }

    /** Each with a tick. */
    private static <T> MenuButton some(Choice<T> choice, T now, Consumer<T> chosen) {
        MenuButton list = new MenuButton();
        Set<String> words = new TreeSet<>(Arrays.asList(choice.write(now).split(",")));
        words.remove("");
        Runnable name = () -> list.setText(words.isEmpty() ? Words.FINISH.of("nothing") : String.join(", ", words));
        for (T one : choice.all()) {
            String word = choice.write(one);
            CheckMenuItem item = new CheckMenuItem(word);
            item.setSelected(words.contains(word));
            item.setOnAction(event -> {
                if (item.isSelected()) {
                    words.add(word);
                } else {
                    words.remove(word);
                }
                name.run();
                chosen.accept(choice.read(String.join(",", words)));
            });
            list.getItems().add(item);
        }
        name.run();
        return list;
    }

    /** A text that the choice can't read is marked, and the last one that it could stays chosen. */
    static <T> TextField field(Choice<T> choice, T now, Consumer<T> chosen) {
        TextField field = new TextField(choice.write(now));
        field.setPromptText(choice.form());
        Runnable typed = () -> {
            field.getStyleClass().remove("wrong");
            try {
                chosen.accept(choice.read(field.getText().strip()));
                field.setTooltip(new Tooltip(choice.help()));
            } catch (IllegalArgumentException e) {
                field.getStyleClass().add("wrong");
                field.setTooltip(new Tooltip(e.getMessage()));
            }
        };
        field.setOnAction(event -> typed.run());
        field.focusedProperty().addListener((property, before, focused) -> {
            if (!focused) {
                typed.run();
            }
        });
        return field;
    }

    /** What is chosen beside its name. */
    static HBox labelled(Choice<?> choice, Region... controls) {
        Label label = Rows.quiet(choice.label());
        label.setMinWidth(LABEL_WIDTH);
        HBox row = new HBox(6, label);
        row.setAlignment(Pos.CENTER_LEFT);
        for (Region control : controls) {
            control.setMaxWidth(Double.MAX_VALUE);
            HBox.setHgrow(control, Priority.ALWAYS);
            row.getChildren().add(control);
        }
        named(controls[0], choice);
        return row;
    }

    private static Node named(Region control, Choice<?> choice) {
        control.setId("export-" + choice.id());
        control.setAccessibleText(choice.label());
        control.setFocusTraversable(false);
        Tooltip.install(control, new Tooltip(choice.help()));
        return control;
    }
}
