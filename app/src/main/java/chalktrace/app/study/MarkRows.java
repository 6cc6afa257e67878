package chalktrace.app.study;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.LongList;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.keys.Action;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Icons;
import chalktrace.app.words.Words;
import chalktrace.core.edit.timing.MarkEdits;
import chalktrace.core.shot.Mark;
import java.util.Locale;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** The keys and breakdowns that the artist has found. */
final class MarkRows extends VBox {

    private final Session session;
    private final LongList<Mark> marks = new LongList<>(this::row);

    MarkRows(Session session) {
        this.session = session;
        getStyleClass().add("step-rows");
        Button mark = Buttons.edged(Icons.ADD, "", () -> session.document()
                .apply(MarkEdits.turn(session.transport().frame())));
        mark.textProperty().bind(session.keys().words(Words.STUDY.of("mark-this-frame"), Action.MARK));
        getChildren()
                .addAll(
                        Rows.section(Words.STUDY.of("keys-and-breakdowns")),
                        mark,
                        Rows.hint(Words.STUDY.of("once-for-a-key-again")),
                        marks);
        Refresh.on(
                this,
                this::show,
                session.document().shotProperty(),
                session.transport().frameProperty());
    }

    private void show() {
        marks.show(session.shot().marks());
    }

    private HBox row(Mark mark) {
        int number = session.shot().setup().number(mark.frame());
        Label frame = Rows.number(String.format(Locale.ROOT, "%5d", number));
        Label kind = new Label(words(mark));
        if (mark.kind() == Mark.Kind.BREAKDOWN) {
            kind.getStyleClass().add("quiet");
        }
        HBox row = Rows.row(() -> session.transport().go(mark.frame()), frame, kind);
        if (mark.frame() == session.transport().frame()) {
            row.getStyleClass().add("current");
        }
        return row;
    }

    private static String words(Mark mark) {
        return switch (mark.kind()) {
            case KEY -> Words.STUDY.of("key");
            case BREAKDOWN -> Words.STUDY.of("breakdown");
            case INBETWEEN -> Words.STUDY.of("in-between");
            case NOTE -> mark.text();
            case CAMERA -> Words.STUDY.of("camera", mark.text());
        };
    }
}
