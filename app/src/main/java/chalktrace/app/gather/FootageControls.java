package chalktrace.app.gather;

import chalktrace.app.controls.ValueSlider;
import chalktrace.app.session.Session;
import chalktrace.app.words.Words;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.reference.ReferenceEdits;
import chalktrace.core.shot.Footage;
import java.util.Locale;
import java.util.function.BiFunction;
import java.util.function.DoubleFunction;
import java.util.function.UnaryOperator;
import javafx.scene.control.CheckBox;

/** Makes the controls of one piece of footage: each settled value is one step of the history. */
final class FootageControls {

    private final Session session;
    private final String id;

    FootageControls(Session session, String id) {
        this.session = session;
        this.id = id;
    }

    ValueSlider slider(
            String label, double low, double high, int decimals, DoubleFunction<UnaryOperator<Footage>> change) {
        DoubleFunction<Edit> edit = value -> ReferenceEdits.change(
                Words.GATHER.of("set-what", label.toLowerCase(Locale.ROOT)), id, change.apply(value));
        return new ValueSlider(label, low, high, decimals, value -> {
                    session.document().preview(null);
                    session.document().apply(edit.apply(value));
                })
                .previewing(value -> session.document().preview(edit.apply(value)));
    }

    CheckBox box(String label, String step, BiFunction<Footage, Boolean, Footage> change) {
        CheckBox box = new CheckBox(label);
        box.setFocusTraversable(false);
        box.setOnAction(event -> change(step, f -> change.apply(f, box.isSelected())));
        return box;
    }

    void change(String step, UnaryOperator<Footage> change) {
        session.document().apply(ReferenceEdits.change(step, id, change));
    }
}
