package chalktrace.app.trace.rows;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Icons;
import chalktrace.app.words.Words;
import chalktrace.core.edit.timing.CycleEdits;
import chalktrace.core.shot.Cycle;
import chalktrace.core.shot.ShotSetup;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** What is shown over and over on the current level. */
final class CycleRows extends VBox {

    private final Session session;
    private final VBox cycles = new VBox(2);
    private final TextField parts = new TextField();

    CycleRows(Session session) {
        super(6);
        this.session = session;
        parts.setId("cycle-parts");
        parts.setPromptText(Words.TRACE.of("left-leg-right-leg"));
        parts.setFocusTraversable(false);
        parts.getStyleClass().add("part-field");
        Node mark = Buttons.words(
                Words.TRACE.of("mark-the-span-as-a"), Words.TRACE.of("of-the-current-level"), () -> session.timing()
                        .apply(span -> CycleEdits.mark(level(), span.frames())));
        mark.setId("cycle-mark");
        Node half = Buttons.words(
                Words.TRACE.of("second-half-after-the-span"),
                Words.TRACE.of("its-drawings-once-more-as"),
                () -> session.timing().apply(span -> CycleEdits.secondHalf(level(), span.frames(), exchanged())));
        half.setId("cycle-half");
        getChildren()
                .addAll(
                        mark,
                        cycles,
                        Rows.quiet(Words.TRACE.of("parts-that-change-places")),
                        parts,
                        half,
                        Rows.hint(Words.TRACE.of("name-parts-in-selection-parts")));
        Refresh.on(
                this,
                this::show,
                session.document().shotProperty(),
                session.selection().levelProperty());
    }

    private void show() {
        ShotSetup setup = session.shot().setup();
        cycles.getChildren().clear();
        for (Cycle cycle : session.shot().cycles()) {
            if (cycle.level().equals(level())) {
                HBox row = Rows.row(
                        () -> session.transport().go(cycle.frames().start()),
                        new Label(Words.TRACE.of(
                                "to",
                                setup.number(cycle.frames().start()),
                                setup.number(cycle.frames().last()))),
                        Rows.space(),
                        Buttons.words(
                                Words.TRACE.of("run-on"),
                                Words.TRACE.of("repeat-to-the-end-of"),
                                () -> session.document().apply(CycleEdits.runOn(cycle))),
                        Buttons.icon(Icons.REMOVE, Words.TRACE.of("take-the-mark-away-what"), () -> session.document()
                                .apply(CycleEdits.unmark(cycle))));
                cycles.getChildren().add(row);
            }
        }
        if (!parts.isFocused() && parts.getText().isEmpty()) {
            parts.setText(session.shot().level(level()).map(CycleEdits::sides).orElse(Map.of()).entrySet().stream()
                    .map(pair -> pair.getKey() + " = " + pair.getValue())
                    .collect(Collectors.joining(", ")));
        }
    }

    private Map<String, String> exchanged() {
        Map<String, String> out = new LinkedHashMap<>();
        for (String pair : parts.getText().split(",")) {
            String[] names = pair.split("=");
            if (names.length == 2) {
                out.put(names[0].strip(), names[1].strip());
            } else if (!pair.isBlank()) {
                throw new IllegalArgumentException(Words.TRACE.of("names-no-two-parts-write", pair.strip()));
            }
        }
        return out;
    }

    private String level() {
        return String.valueOf(session.selection().level());
    }
}
