package chalktrace.app.tray;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Fold;
import chalktrace.app.session.Session;
import chalktrace.app.session.View.Step;
import chalktrace.app.words.Words;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The panel that serves the present step: its title, the other steps as quiet words, and what the step needs. */
public final class Tray extends VBox {

    private final Session session;
    private final List<TrayRows> rows;
    private final Label title = new Label();
    private final HBox others = new HBox();
    private final ScrollPane scroll = new ScrollPane();
    private final Map<Step, Pane> made = new EnumMap<>(Step.class);

    /** @param rows of the steps, in their order */
    public Tray(Session session, List<TrayRows> rows) {
        this.session = session;
        this.rows = rows;
        getStyleClass().add("tray");
        title.getStyleClass().add("step-title");
        others.getStyleClass().add("step-words");
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.setFocusTraversable(false);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(title, others, scroll);
        session.view().stepProperty().addListener(changed -> show());
        visibleProperty().addListener(changed -> hold());
        show();
    }

    private void show() {
        Step step = session.view().stepProperty().get();
        title.setText(step.title());
        others.getChildren().clear();
        for (Step other : Step.values()) {
            if (other != step) {
                Button word = Buttons.text(other.title(), Words.DESK.of("go-on-to", other.title()), () -> session.view()
                        .stepProperty()
                        .set(other));
                word.setId("step-" + other.title().toLowerCase(Locale.ROOT));
                others.getChildren().add(word);
            }
        }
        hold();
        scroll.setVvalue(0);
    }

    /** While the tray is put away its rows are not in the window, so that they need not be kept up to date. */
    private void hold() {
        scroll.setContent(
                isVisible() ? made.computeIfAbsent(session.view().stepProperty().get(), this::make) : null);
    }

    private Pane make(Step step) {
        VBox out = new VBox();
        out.getStyleClass().add("content");
        rows.stream().filter(some -> some.step() == step).forEach(some -> out.getChildren()
                .addAll(some.make().get()));
        remember(step, out);
        return out;
    }

    /** Sections that were opened are open the next time. */
    private void remember(Step step, Node node) {
        List<Node> parts = List.of();
        if (node instanceof Fold fold) {
            String key = step.name().toLowerCase(Locale.ROOT) + "." + fold.name();
            fold.openProperty()
                    .set(session.preferences().isOpen(key, fold.openProperty().get()));
            fold.openProperty().addListener((property, before, open) -> session.preferences()
                    .setOpen(key, open));
            parts = fold.parts();
        } else if (node instanceof Pane pane) {
            parts = List.copyOf(pane.getChildren());
        }
        parts.forEach(part -> remember(step, part));
    }
}
