package chalktrace.app.trace.rows;

import chalktrace.app.board.GuideWords;
import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.session.Session;
import chalktrace.app.session.View;
import chalktrace.app.theme.Icons;
import chalktrace.app.words.Words;
import chalktrace.core.edit.GuideEdits;
import chalktrace.core.guide.Guide;
import javafx.geometry.Pos;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** The guides of the shot. Shows while guides are set, and while there are any. */
final class GuideRows extends VBox {

    private final Session session;
    private final VBox list = new VBox(2);

    GuideRows(Session session) {
        super(6);
        this.session = session;
        CheckBox shown = new CheckBox(Words.TRACE.of("show-guides"));
        shown.setId("guides-shown");
        shown.setFocusTraversable(false);
        shown.selectedProperty().bindBidirectional(session.view().guidesShownProperty());
        getChildren()
                .addAll(
                        Rows.section(Words.TRACE.of("guides")),
                        Rows.hint(Words.TRACE.of("drag-their-points-or-a")),
                        list,
                        shown);
        Refresh.on(
                this,
                this::show,
                session.document().shotProperty(),
                session.view().toolProperty());
    }

    private void show() {
        boolean wanted = session.view().toolProperty().get().equals(View.Tool.GUIDES);
        Rows.show(this, wanted);
        list.getChildren().clear();
        for (Guide guide : session.shot().guides()) {
            HBox row = new HBox(
                    6,
                    new Label(GuideWords.of(guide)),
                    Rows.space(),
                    Buttons.icon(Icons.REMOVE, Words.TRACE.of("remove-this-guide"), () -> session.document()
                            .apply(GuideEdits.remove(guide.id()))));
            row.setAlignment(Pos.CENTER_LEFT);
            list.getChildren().add(row);
        }
        if (session.shot().guides().isEmpty()) {
            list.getChildren().add(Rows.quiet(Words.TRACE.of("none-yet-add-one-in")));
        }
    }
}
