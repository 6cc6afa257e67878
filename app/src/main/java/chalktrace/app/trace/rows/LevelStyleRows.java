package chalktrace.app.trace.rows;

import chalktrace.app.controls.Colors;
import chalktrace.app.controls.Rows;
import chalktrace.app.controls.ShownAs;
import chalktrace.app.controls.ValueSlider;
import chalktrace.app.session.Session;
import chalktrace.app.words.Words;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.GroupEdits;
import chalktrace.core.edit.LevelEdits;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.LevelGroup;
import chalktrace.core.shot.LevelStyle;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import javafx.geometry.Pos;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ColorPicker;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Control;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.scene.paint.Color;

/** What the current level is for, and how it is laid over what lies under it. */
final class LevelStyleRows extends VBox {

    private final Session session;
    private final ComboBox<LevelStyle.Role> role = new ComboBox<>();
    private final CheckBox tinted = new CheckBox(Words.TRACE.of("in-one-colour"));
    private final ColorPicker tint = new ColorPicker(Color.web("#2A7DA7"));
    private final CheckBox multiply = new CheckBox(Words.TRACE.of("multiply"));
    private final CheckBox clipped = new CheckBox(Words.TRACE.of("inside-level-below"));
    private final CheckBox held = new CheckBox(Words.TRACE.of("one-drawing-over-the-whole"));
    private final MenuButton group = new MenuButton();
    private final ValueSlider opacity;
    private boolean showing;

    LevelStyleRows(Session session) {
        super(6);
        this.session = session;
        role.getItems().setAll(LevelStyle.Role.values());
        role.setId("level-role");
        role.setConverter(ShownAs.names(Words.TRACE));
        role.setOnAction(
                event -> change(Words.TRACE.of("set-what-a-level-is"), style -> style.withRole(role.getValue())));
        tinted.setId("level-tinted");
        tinted.setOnAction(event -> setTint());
        tint.setOnAction(event -> setTint());
        multiply.setId("level-multiply");
        multiply.setOnAction(event ->
                change(Words.TRACE.of("let-a-level-darken"), style -> style.withMultiply(multiply.isSelected())));
        clipped.setId("level-clipped");
        clipped.setOnAction(
                event -> change(Words.TRACE.of("clip-a-level"), style -> style.withClipped(clipped.isSelected())));
        held.setId("level-held");
        held.setOnAction(
                event -> change(Words.TRACE.of("hold-a-background"), style -> style.withHeld(held.isSelected())));
        group.setId("level-group");
        group.setOnShowing(event -> listGroups());
        // A menu button without an entry does not open.
        group.getItems().add(new MenuItem(""));
        for (var control : new Control[] {held, group, role, tinted, tint, multiply, clipped}) {
            control.setFocusTraversable(false);
        }
        tint.setPrefWidth(64);
        tint.getStyleClass().add("without-letters");
        HBox kinds = new HBox(8, Rows.quiet(Words.TRACE.of("for")), role);
        kinds.setAlignment(Pos.CENTER_LEFT);
        HBox tints = new HBox(8, tinted, tint);
        tints.setAlignment(Pos.CENTER_LEFT);
        HBox groups = new HBox(8, Rows.quiet(Words.TRACE.of("in-group")), group);
        groups.setAlignment(Pos.CENTER_LEFT);
        opacity = new ValueSlider(Words.TRACE.of("opacity"), 0, 100, 0, value -> {
                    session.document().preview(null);
                    session.document().apply(faded(value));
                })
                .previewing(value -> session.document().preview(faded(value)));
        getChildren().addAll(opacity, kinds, groups, tints, multiply, clipped, held);
    }

    void show(Optional<Level> level) {
        showing = true;
        setDisable(level.isEmpty());
        level.ifPresent(one -> opacity.show(one.opacity() * 100));
        level.map(Level::style).ifPresent(style -> {
            role.setValue(style.role());
            tinted.setSelected(style.tint().isPresent());
            style.tint().ifPresent(color -> tint.setValue(Colors.of(color)));
            multiply.setSelected(style.multiply());
            clipped.setSelected(style.clipped());
            held.setSelected(style.held());
        });
        group.setText(level.flatMap(l -> session.shot().groupOf(l.id()))
                .map(LevelGroup::name)
                .orElse(Words.TRACE.of("none")));
        showing = false;
    }

    private Edit faded(double percent) {
        return LevelEdits.change(
                Words.TRACE.of("fade-a-level"),
                String.valueOf(session.selection().level()),
                level -> level.withOpacity(percent / 100));
    }

    private void listGroups() {
        String level = String.valueOf(session.selection().level());
        group.getItems().clear();
        for (LevelGroup one : session.shot().groups()) {
            groupItem(one.name(), () -> GroupEdits.put(level, one.id()));
        }
        groupItem(Words.TRACE.of("a-new-group"), () -> {
            String id = session.shot().newId("group");
            return GroupEdits.make(
                    id, Words.TRACE.of("group", session.shot().groups().size() + 1), level);
        });
        groupItem(Words.TRACE.of("none"), () -> GroupEdits.take(level));
    }

    private void groupItem(String text, Supplier<Edit> edit) {
        MenuItem item = new MenuItem(text);
        item.setOnAction(event -> session.document().apply(edit.get()));
        group.getItems().add(item);
    }

    private void setTint() {
        change(
                Words.TRACE.of("tint-a-level"),
                style -> style.withTint(
                        tinted.isSelected() ? Optional.of(Colors.rgb(tint.getValue())) : Optional.empty()));
    }

    private void change(String name, UnaryOperator<LevelStyle> change) {
        if (!showing) {
            session.document()
                    .apply(LevelEdits.change(
                            name,
                            String.valueOf(session.selection().level()),
                            level -> level.withStyle(change.apply(level.style()))));
        }
    }
}
