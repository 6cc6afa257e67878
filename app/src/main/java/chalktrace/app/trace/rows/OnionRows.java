package chalktrace.app.trace.rows;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Colors;
import chalktrace.app.controls.Fold;
import chalktrace.app.controls.NumberField;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.controls.ShownAs;
import chalktrace.app.controls.ValueSlider;
import chalktrace.app.keys.Action;
import chalktrace.app.session.Session;
import chalktrace.app.words.Words;
import chalktrace.core.render.OnionSkin;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.ShotSetup;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ColorPicker;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Control;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** How neighbours of the drawing shine through: how many, what is counted, how strong, in which colours, laid over. */
final class OnionRows extends VBox {

    private final Session session;
    private final NumberField before = new NumberField("onion-before", 1, this::counts);
    private final NumberField after = new NumberField("onion-after", 1, this::counts);
    private final ComboBox<OnionSkin.Step> step = new ComboBox<>();
    private final ValueSlider strength;
    private final ValueSlider falloff;
    private final ValueSlider mix;
    private final ColorPicker earlier = new ColorPicker();
    private final ColorPicker later = new ColorPicker();
    private final CheckBox outlines = new CheckBox(Words.TRACE.of("thin-lines-only"));
    private final Label kept = Rows.hint("");
    private final NumberField layX = new NumberField("lay-right", 0, this::lay);
    private final NumberField layY = new NumberField("lay-down", 0, this::lay);
    private final NumberField layTurn = new NumberField("lay-turn", 0, this::lay);
    private final ComboBox<Boolean> layWhich = new ComboBox<>();

    OnionRows(Session session) {
        super(6);
        this.session = session;
        CheckBox on = new CheckBox();
        on.textProperty().bind(session.keys().words(Words.TRACE.of("onion-skin"), Action.ONION_SKIN));
        on.selectedProperty().bindBidirectional(session.view().onionSkinProperty());
        CheckBox all = new CheckBox(Words.TRACE.of("on-all-levels-box"));
        all.selectedProperty().bindBidirectional(session.view().onionAllLevelsProperty());
        step.getItems().setAll(OnionSkin.Step.values());
        step.setConverter(ShownAs.names(Words.TRACE));
        step.setOnAction(event -> change(skin -> skin.withStep(step.getValue())));
        step.setId("onion-step");
        strength = new ValueSlider(Words.TRACE.of("strength"), 5, 100, 0, v -> fade(v / 100, -1, -1))
                .previewing(v -> fade(v / 100, -1, -1));
        falloff = new ValueSlider(Words.TRACE.of("the-next"), 5, 100, 0, v -> fade(-1, v / 100, -1))
                .previewing(v -> fade(-1, v / 100, -1));
        mix = new ValueSlider(Words.TRACE.of("earlier-later"), 0, 100, 0, v -> fade(-1, -1, v / 100))
                .previewing(v -> fade(-1, -1, v / 100));
        for (ColorPicker picker : List.of(earlier, later)) {
            picker.setPrefWidth(56);
            picker.getStyleClass().add("without-letters");
            picker.setOnAction(event ->
                    change(skin -> skin.withColors(Colors.rgb(earlier.getValue()), Colors.rgb(later.getValue()))));
        }
        outlines.setOnAction(event -> change(skin -> skin.withOutlines(outlines.isSelected())));
        layWhich.getItems().setAll(false, true);
        layWhich.setValue(false);
        layWhich.setConverter(
                ShownAs.words(isLater -> isLater ? Words.TRACE.of("the-later") : Words.TRACE.of("the-earlier")));
        layWhich.setOnAction(event -> show());
        for (Control control : List.of(on, all, step, earlier, later, outlines, layWhich)) {
            control.setFocusTraversable(false);
        }
        for (NumberField field : List.of(before, after, layX, layY, layTurn)) {
            field.setPrefWidth(48);
            field.setMinWidth(48);
        }
        getChildren()
                .addAll(
                        on,
                        row(Rows.quiet(Words.TRACE.of("before")), before, Rows.quiet(Words.TRACE.of("after")), after),
                        new Fold(
                                Words.TRACE.of("appearance"),
                                false,
                                Rows.hint(Words.TRACE.of("earlier-ones-are-solid-later")),
                                row(Rows.quiet(Words.TRACE.of("counting")), step),
                                all,
                                strength,
                                falloff,
                                mix,
                                row(
                                        Rows.quiet(Words.TRACE.of("earlier")),
                                        earlier,
                                        Rows.quiet(Words.TRACE.of("later")),
                                        later),
                                outlines,
                                new FlowPane(
                                        8,
                                        2,
                                        Buttons.words(
                                                Words.TRACE.of("keep-this-frame"),
                                                Words.TRACE.of("it-shines-through-wherever-you"),
                                                this::keep),
                                        Buttons.words(
                                                Words.TRACE.of("clear-kept-frames"),
                                                Words.TRACE.of("clear-kept-frames-tip"),
                                                () -> change(skin -> skin.withKept(Set.of())))),
                                kept),
                        new Fold(
                                Words.TRACE.of("shift-and-trace"),
                                false,
                                Rows.hint(Words.TRACE.of("moves-and-turns-the-nearest")),
                                row(
                                        layWhich,
                                        Buttons.words(
                                                Words.TRACE.of("align-centres"),
                                                Words.TRACE.of("align-the-centres-of-both"),
                                                this::layByMiddles)),
                                row(
                                        Rows.quiet(Words.TRACE.of("right")),
                                        layX,
                                        Rows.quiet(Words.TRACE.of("down")),
                                        layY),
                                row(
                                        Rows.quiet(Words.TRACE.of("turn")),
                                        layTurn,
                                        Buttons.words(
                                                Words.TRACE.of("reset"), Words.TRACE.of("remove-the-shift"), () -> {
                                                    change(skin -> skin.withLaid(Placement.AS_IS, Placement.AS_IS));
                                                }))));
        Refresh.on(
                this,
                this::show,
                session.view().onionProperty(),
                session.document().shotProperty());
    }

    private void show() {
        OnionSkin skin = skin();
        before.set(skin.before());
        after.set(skin.after());
        step.setValue(skin.step());
        strength.show(skin.strength() * 100);
        falloff.show(skin.falloff() * 100);
        mix.show(skin.mix() * 100);
        earlier.setValue(Colors.of(skin.earlier()));
        later.setValue(Colors.of(skin.later()));
        outlines.setSelected(skin.outlines());
        ShotSetup setup = session.shot().setup();
        kept.setText(
                skin.kept().isEmpty()
                        ? Words.TRACE.of("no-frame-is-kept")
                        : Words.TRACE.of(
                                "kept",
                                skin.kept().stream()
                                        .sorted()
                                        .map(frame -> Integer.toString(setup.number(frame)))
                                        .collect(Collectors.joining(", "))));
        Placement laid = layWhich.getValue() ? skin.laidLater() : skin.laidEarlier();
        layX.set(laid.x());
        layY.set(laid.y());
        layTurn.set(laid.degrees());
    }

    private void counts() {
        change(skin -> skin.withCounts((int) before.value(), (int) after.value()));
    }

    /** A negative number leaves what is. */
    private void fade(double newStrength, double newFalloff, double newMix) {
        change(skin -> skin.withFading(
                newStrength < 0 ? skin.strength() : newStrength,
                newFalloff < 0 ? skin.falloff() : newFalloff,
                newMix < 0 ? skin.mix() : newMix));
    }

    private void keep() {
        Set<Integer> frames = new HashSet<>(skin().kept());
        frames.add(session.transport().frame());
        change(skin -> skin.withKept(frames));
    }

    private void lay() {
        lay(Placement.AS_IS.withPosition(layX.value(), layY.value()).withDegrees(layTurn.value()));
    }

    private void lay(Placement laid) {
        change(skin ->
                layWhich.getValue() ? skin.withLaid(skin.laidEarlier(), laid) : skin.withLaid(laid, skin.laidLater()));
    }

    private void layByMiddles() {
        skin().withLevels(Set.of(String.valueOf(session.selection().level())))
                .middleUponMiddle(
                        session.shot(),
                        String.valueOf(session.selection().level()),
                        session.transport().frame(),
                        layWhich.getValue())
                .ifPresent(this::lay);
    }

    private OnionSkin skin() {
        return session.view().onionProperty().get();
    }

    private void change(UnaryOperator<OnionSkin> change) {
        OnionSkin changed = change.apply(skin());
        if (!changed.equals(skin())) {
            session.view().onionProperty().set(changed);
        }
    }

    private static HBox row(Node... parts) {
        HBox row = new HBox(6, parts);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }
}
