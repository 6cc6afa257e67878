package chalktrace.app.tray.trace;

import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.session.Session;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.VBox;

/** Which pen is read, what it says now, and how its tablet lies on the screen. */
final class PenRows extends VBox {

    private final Session session;
    private final Label says = Rows.hint("");

    PenRows(Session session) {
        super(6);
        this.session = session;
        Label status = Rows.hint("");
        status.setId("pen-status");
        status.textProperty().bind(session.pen().statusProperty());
        CheckBox shape = new CheckBox("A circle stays a circle");
        shape.setTooltip(new Tooltip("Uses as much of the tablet as has the screen's shape; else all of it."));
        shape.setFocusTraversable(false);
        shape.selectedProperty().bindBidirectional(session.pen().keepsShapeProperty());
        getChildren().addAll(status, says, shape);
        Refresh.on(this, this::show, session.pen().wordsProperty());
    }

    private void show() {
        String words = session.pen().wordsProperty().get();
        says.setText(words);
        Rows.show(says, !words.isEmpty());
    }
}
