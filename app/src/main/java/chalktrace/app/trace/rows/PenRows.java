package chalktrace.app.trace.rows;

import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.controls.Sentence;
import chalktrace.app.controls.ShownAs;
import chalktrace.app.keys.Action;
import chalktrace.app.keys.PenButtons;
import chalktrace.app.session.Session;
import chalktrace.app.words.Words;
import java.util.Arrays;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Which pen is read, what it says now, how its tablet lies on the screen, and what its buttons do. */
final class PenRows extends VBox {

    private final Session session;
    private final Label says = Rows.hint("");

    PenRows(Session session) {
        super(6);
        this.session = session;
        Label status = Rows.hint("");
        status.setId("pen-status");
        status.textProperty().bind(session.pen().statusProperty());
        CheckBox shape = new CheckBox(Words.TRACE.of("a-circle-stays-a-circle"));
        shape.setTooltip(new Tooltip(Words.TRACE.of("uses-as-much-of-the")));
        shape.setFocusTraversable(false);
        shape.selectedProperty().bindBidirectional(session.pen().keepsShapeProperty());
        getChildren().addAll(status, says, shape);
        for (int button = 0; button < PenButtons.COUNT; button++) {
            getChildren().add(button(button));
        }
        Refresh.on(this, this::show, session.pen().wordsProperty());
    }

    /** What a button on the pen does: any command, or nothing. */
    private HBox button(int number) {
        ComboBox<Optional<Action>> choice = new ComboBox<>();
        choice.setId("pen-button-" + number);
        choice.setFocusTraversable(false);
        choice.getItems().add(Optional.empty());
        Arrays.stream(Action.values()).map(Optional::of).forEach(choice.getItems()::add);
        choice.setConverter(ShownAs.words(
                action -> action.map(one -> Sentence.of(one.use())).orElse(Words.TRACE.of("nothing"))));
        choice.setValue(PenButtons.action(session.preferences(), number));
        choice.setOnAction(event -> session.preferences()
                .setPenButton(number, choice.getValue().map(Action::name).orElse("")));
        choice.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(choice, Priority.ALWAYS);
        HBox row = new HBox(
                8, Rows.quiet(number == 0 ? Words.TRACE.of("lower-button") : Words.TRACE.of("upper-button")), choice);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private void show() {
        says.setText(session.pen().wordsProperty().get());
    }
}
