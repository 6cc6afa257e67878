package chalktrace.app.trace.rows;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.NumberField;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.controls.ShownAs;
import chalktrace.app.session.Session;
import chalktrace.app.trace.work.TraceWork;
import chalktrace.app.words.Words;
import chalktrace.core.edit.selection.Ease;
import chalktrace.core.edit.selection.SpanMove;
import chalktrace.core.shot.ShotSetup;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/**
 * Moves the picked part, or the showings, on many frames at once: by the same numbers on each, or keyed on some frames with
 * eased moves between.
 */
final class SpanRows extends VBox {

    private final TraceWork work;
    private final Session session;
    private final NumberField frames = new NumberField("span-frames", 12, this::showKeys);
    private final NumberField right = new NumberField("span-right", 0, () -> {});
    private final NumberField down = new NumberField("span-down", 0, () -> {});
    private final NumberField percent = new NumberField("span-percent", 100, () -> {});
    private final NumberField degrees = new NumberField("span-degrees", 0, () -> {});
    private final NumberField opacity = new NumberField("span-opacity", 100, () -> {});
    private final ComboBox<Ease> ease = new ComboBox<>();
    private final CheckBox showings = new CheckBox(Words.TRACE.of("place-the-showings-only"));
    private final TreeMap<Integer, SpanMove.Key> keys = new TreeMap<>();
    private final Label opacityNeeds = Rows.quiet(Words.TRACE.of("of-exposures-only"));
    private final Label keyWords = Rows.hint("");

    SpanRows(TraceWork work) {
        super(6);
        this.work = work;
        this.session = work.session();
        ease.getItems().setAll(Ease.values());
        ease.setValue(Ease.SLOW_OUT_AND_IN);
        ease.setFocusTraversable(false);
        ease.setConverter(ShownAs.words(value -> switch (value) {
            case EVEN -> Words.TRACE.of("evenly");
            case SLOW_OUT -> Words.TRACE.of("slow-out");
            case SLOW_IN -> Words.TRACE.of("slow-in");
            case SLOW_OUT_AND_IN -> Words.TRACE.of("slow-out-and-in");
        }));
        showings.setId("span-showings");
        showings.setFocusTraversable(false);
        showings.setTooltip(new Tooltip(Words.TRACE.of("one-drawing-linked-to-many")));
        // A stroke has the opacity of its chalk; only an exposure has one of its own.
        opacity.disableProperty().bind(showings.selectedProperty().not());
        opacityNeeds.visibleProperty().bind(opacity.disableProperty());
        Node key =
                Buttons.words(Words.TRACE.of("key-here"), Words.TRACE.of("these-numbers-on-the-frame"), this::keyHere);
        key.setId("span-key");
        Node apply = Buttons.words(Words.TRACE.of("apply"), Words.TRACE.of("to-the-frames-from-the"), this::apply);
        apply.setId("span-apply");
        Node none = Buttons.words(Words.TRACE.of("no-keys"), Words.TRACE.of("forget-the-keys-the-same"), () -> {
            keys.clear();
            showKeys();
        });
        getChildren()
                .addAll(
                        row(Rows.quiet(Words.TRACE.of("right")), right, Rows.quiet(Words.TRACE.of("down")), down),
                        row(Rows.quiet(Words.TRACE.of("size")), percent, Rows.quiet(Words.TRACE.of("turn")), degrees),
                        row(Rows.quiet(Words.TRACE.of("opacity-percent")), opacity, opacityNeeds),
                        row(key, none),
                        row(Rows.quiet(Words.TRACE.of("between-keys")), ease),
                        keyWords,
                        showings,
                        row(
                                apply,
                                Rows.quiet(Words.TRACE.of("on")),
                                frames,
                                Rows.quiet(Words.TRACE.of("frames-lower"))));
        for (NumberField field : new NumberField[] {right, down, percent, degrees, opacity, frames}) {
            field.setPrefWidth(60);
            field.setMinWidth(60);
        }
        session.document().whenOpened(() -> {
            keys.clear();
            showKeys();
        });
        Refresh.on(
                this,
                this::showKeys,
                session.selection().pickProperty(),
                session.transport().frameProperty());
    }

    private void keyHere() {
        key().ifPresent(key -> {
            keys.put(session.transport().frame(), key);
            showKeys();
        });
    }

    private void apply() {
        Optional<SpanMove> move =
                keys.isEmpty() ? key().map(SpanMove::constant) : Optional.of(new SpanMove(keys, ease.getValue()));
        move.ifPresent(m -> work.picking().moveOnSpan((int) frames.value(), m, showings.isSelected()));
    }

    private Optional<SpanMove.Key> key() {
        try {
            return Optional.of(new SpanMove.Key(
                    right.value(),
                    down.value(),
                    percent.value() / 100,
                    degrees.value(),
                    showings.isSelected() ? opacity.value() / 100 : 1));
        } catch (IllegalArgumentException e) {
            session.notices().problem(e.getMessage());
            return Optional.empty();
        }
    }

    private void showKeys() {
        ShotSetup setup = session.shot().setup();
        keyWords.setText(
                keys.isEmpty()
                        ? Words.TRACE.of("no-keys-the-same-on")
                        : Words.TRACE.of(
                                "keys-on-frames-eased-between",
                                keys.keySet().stream()
                                        .map(frame -> Integer.toString(setup.number(frame)))
                                        .collect(Collectors.joining(", "))));
        keyWords.setText(keyWords.getText() + work.picking().reachWords((int) frames.value()));
    }

    private static HBox row(Node... parts) {
        HBox row = new HBox(6, parts);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }
}
