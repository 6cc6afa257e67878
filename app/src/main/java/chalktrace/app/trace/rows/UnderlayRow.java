package chalktrace.app.trace.rows;

import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.controls.ValueSlider;
import chalktrace.app.session.Session;
import chalktrace.app.trace.work.Underlay;
import chalktrace.app.words.Words;
import chalktrace.core.shot.Footage;
import java.util.Optional;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.VBox;

/** How strong the footage is that one draws on: the frontmost on the board that is shown. */
final class UnderlayRow extends VBox {

    private final Session session;
    private final ValueSlider opacity;
    private final Underlay underlay;
    private final Tooltip which = new Tooltip();

    UnderlayRow(Session session) {
        this.session = session;
        this.underlay = new Underlay(session.document());
        opacity = new ValueSlider(Words.TRACE.of("footage"), 0, 100, 0, value -> {
                    session.document().preview(null);
                    underlay.faded(value).ifPresent(session.document()::apply);
                })
                .previewing(value -> underlay.faded(value).ifPresent(session.document()::preview));
        opacity.setId("underlay-opacity");
        Tooltip.install(opacity, which);
        getChildren().add(opacity);
        Refresh.on(this, this::show, session.document().shotProperty());
    }

    private void show() {
        Optional<Footage> footage = underlay.footage();
        Rows.show(opacity, footage.isPresent());
        footage.ifPresent(one -> {
            opacity.show(one.placement().opacity() * 100);
            which.setText(Words.TRACE.of("opacity-of", one.name()));
        });
    }
}
