package chalktrace.app.trace.rows;

import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.controls.ValueSlider;
import chalktrace.app.session.Session;
import chalktrace.app.words.Words;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.reference.ReferenceEdits;
import chalktrace.core.shot.Footage;
import java.util.Optional;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.VBox;

/** How strong the footage is that one draws on: the frontmost on the board that is shown. */
final class UnderlayRow extends VBox {

    private final Session session;
    private final ValueSlider opacity;
    private final Tooltip which = new Tooltip();

    UnderlayRow(Session session) {
        this.session = session;
        opacity = new ValueSlider(Words.TRACE.of("footage"), 0, 100, 0, value -> {
                    session.document().preview(null);
                    faded(value).ifPresent(session.document()::apply);
                })
                .previewing(value -> faded(value).ifPresent(session.document()::preview));
        opacity.setId("underlay-opacity");
        Tooltip.install(opacity, which);
        getChildren().add(opacity);
        Refresh.on(this, this::show, session.document().shotProperty());
    }

    private void show() {
        Optional<Footage> footage = underlay();
        Rows.show(opacity, footage.isPresent());
        footage.ifPresent(one -> {
            opacity.show(one.placement().opacity() * 100);
            which.setText(Words.TRACE.of("opacity-of", one.name()));
        });
    }

    private Optional<Edit> faded(double percent) {
        return underlay()
                .map(footage -> ReferenceEdits.change(
                        Words.TRACE.of("fade-footage"),
                        footage.id(),
                        one -> one.withPlacement(one.placement().withOpacity(percent / 100))));
    }

    private Optional<Footage> underlay() {
        return session.shot().footage().stream()
                .filter(footage -> footage.visible() && footage.where() != Footage.Where.BESIDE_BOARD)
                .findFirst();
    }
}
