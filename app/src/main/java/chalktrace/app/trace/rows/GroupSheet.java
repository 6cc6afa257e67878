package chalktrace.app.trace.rows;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Fold;
import chalktrace.app.controls.NumberField;
import chalktrace.app.controls.Rows;
import chalktrace.app.controls.ValueSlider;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Icons;
import chalktrace.app.theme.Theme;
import chalktrace.app.words.Words;
import chalktrace.core.edit.GroupEdits;
import chalktrace.core.edit.selection.SpanEdits;
import chalktrace.core.shot.LevelGroup;
import java.util.function.UnaryOperator;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** A group over the first of its levels: shown, locked, faded, moved and, if wanted, retimed as one. */
final class GroupSheet extends VBox {

    private final Session session;
    private final String id;
    private final RowName name;
    private final Button eye;
    private final Button lock;
    private final CheckBox retimed = new CheckBox(Words.TRACE.of("holds-change-together"));
    private final ValueSlider opacity;
    private final NumberField right = new NumberField("group-right", 0, () -> {});
    private final NumberField down = new NumberField("group-down", 0, () -> {});

    GroupSheet(Session session, String id) {
        super(4);
        this.session = session;
        this.id = id;
        getStyleClass().add("group-row");
        name = new RowName(
                () -> session.shot().groups().stream()
                        .filter(group -> group.id().equals(id))
                        .map(LevelGroup::name)
                        .findFirst()
                        .orElse(""),
                typed -> change(Words.TRACE.of("rename-a-group"), g -> g.withName(typed)));
        eye = Buttons.icon(
                Icons.SHOWN,
                Words.TRACE.of("show-or-hide-this-group"),
                () -> change(Words.TRACE.of("show-or-hide-a-group"), g -> g.withVisible(!g.visible())));
        lock = Buttons.icon(
                Icons.UNLOCKED,
                Words.TRACE.of("lock-or-unlock-this-group"),
                () -> change(Words.TRACE.of("lock-or-unlock-a-group"), g -> g.withLocked(!g.locked())));
        HBox head = new HBox(
                2,
                name,
                Buttons.icon(Icons.UP, Words.TRACE.of("group-to-the-front-by"), () -> reorder(-1)),
                Buttons.icon(Icons.DOWN, Words.TRACE.of("group-to-the-back-by"), () -> reorder(1)),
                eye,
                lock);
        head.setAlignment(Pos.CENTER_LEFT);
        opacity = new ValueSlider(Words.TRACE.of("opacity"), 0, 100, 0, value -> {
                    session.document().preview(null);
                    change(Words.TRACE.of("fade-a-group"), g -> g.withOpacity(value / 100));
                })
                .previewing(value -> session.document()
                        .preview(GroupEdits.change(
                                Words.TRACE.of("fade-a-group"), id, g -> g.withOpacity(value / 100))));
        retimed.setId("group-retimed");
        retimed.setFocusTraversable(false);
        retimed.setOnAction(
                event -> change(Words.TRACE.of("retime-a-group-together"), g -> g.withRetimed(retimed.isSelected())));
        HBox move = new HBox(
                3,
                Buttons.words(Words.TRACE.of("move"), Words.TRACE.of("all-that-its-levels-show"), this::move),
                Rows.quiet(Words.TRACE.of("right")),
                right,
                Rows.quiet(Words.TRACE.of("down")),
                down);
        move.setAlignment(Pos.CENTER_LEFT);
        right.setPrefWidth(48);
        right.setMinWidth(48);
        down.setPrefWidth(48);
        down.setMinWidth(48);
        getChildren().addAll(head, new Fold(Words.TRACE.of("this-group"), false, opacity, retimed, move));
    }

    void show(LevelGroup group) {
        name.show(group.name());
        eye.setGraphic(Theme.icon(group.visible() ? Icons.SHOWN : Icons.HIDDEN));
        lock.setGraphic(Theme.icon(group.locked() ? Icons.LOCKED : Icons.UNLOCKED));
        opacity.show(group.opacity() * 100);
        retimed.setSelected(group.retimed());
    }

    private void move() {
        session.document().apply(SpanEdits.moveGroup(id, right.value(), down.value()));
    }

    private void reorder(int by) {
        session.document().apply(GroupEdits.reorder(id, by));
    }

    private void change(String what, UnaryOperator<LevelGroup> change) {
        session.document().apply(GroupEdits.change(what, id, change));
    }
}
