package chalktrace.app.tray;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Fold;
import chalktrace.app.session.Session;
import chalktrace.app.session.View.Step;
import chalktrace.app.words.Words;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The panel that serves the present step: the five steps, always in the same places, and what the present one needs; narrow, the same few rows in all. */
public final class Tray extends VBox {

    private final Session session;
    private final List<TrayRows> rows;
    private final Supplier<List<Node>> narrowRows;
    private final Map<Step, Button> steps = new EnumMap<>(Step.class);
    private final ScrollPane scroll = new ScrollPane();
    private final Map<Step, Pane> made = new EnumMap<>(Step.class);
    private Pane narrow;

    /**
     * @param rows of the steps, in their order
     * @param narrowRows makes those of the narrow tray
     */
    public Tray(Session session, List<TrayRows> rows, Supplier<List<Node>> narrowRows) {
        this.session = session;
        this.rows = rows;
        this.narrowRows = narrowRows;
        getStyleClass().add("tray");
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.setFocusTraversable(false);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(steps(), scroll);
        session.view().stepProperty().addListener(changed -> show());
        session.view().trayNarrowProperty().addListener(changed -> show());
        visibleProperty().addListener(changed -> hold());
        show();
    }

    private FlowPane steps() {
        FlowPane out = new FlowPane();
        out.getStyleClass().add("steps");
        for (Step step : Step.values()) {
            Button word = session.keys()
                    .named(
                            Buttons.text(step.title(), "", () -> session.view()
                                    .stepProperty()
                                    .set(step)),
                            Words.DESK.of("go-on-to", step.title()),
                            step.goes());
            word.setId("step-" + step.id());
            steps.put(step, word);
            out.getChildren().add(word);
        }
        return out;
    }

    private void show() {
        Step present = session.view().stepProperty().get();
        steps.forEach((step, word) -> mark(word, "present", step == present));
        mark(this, "narrow", session.view().trayNarrowProperty().get());
        hold();
        scroll.setVvalue(0);
    }

    private static void mark(Node node, String style, boolean is) {
        node.getStyleClass().remove(style);
        if (is) {
            node.getStyleClass().add(style);
        }
    }

    /** While the tray is put away its rows are not in the window, so that they need not be kept up to date. */
    private void hold() {
        scroll.setContent(isVisible() ? wanted() : null);
    }

    private Pane wanted() {
        if (!session.view().trayNarrowProperty().get()) {
            return made.computeIfAbsent(session.view().stepProperty().get(), this::make);
        }
        if (narrow == null) {
            narrow = content(narrowRows.get());
        }
        return narrow;
    }

    private Pane make(Step step) {
        Pane out = content(rows.stream()
                .filter(some -> some.step() == step)
                .flatMap(some -> some.make().get().stream())
                .toList());
        remember(step, out);
        return out;
    }

    private static Pane content(List<Node> rows) {
        VBox out = new VBox();
        out.getStyleClass().add("content");
        out.getChildren().addAll(rows);
        return out;
    }

    /** Sections that were opened are open the next time. */
    private void remember(Step step, Node node) {
        List<Node> parts = List.of();
        if (node instanceof Fold fold) {
            String key = step.id() + "." + fold.name();
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
