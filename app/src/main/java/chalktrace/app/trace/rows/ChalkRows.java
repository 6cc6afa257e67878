package chalktrace.app.trace.rows;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Colors;
import chalktrace.app.controls.Fold;
import chalktrace.app.controls.ShownAs;
import chalktrace.app.controls.ValueSlider;
import chalktrace.app.keys.Action;
import chalktrace.app.session.Session;
import chalktrace.app.session.View.Tool;
import chalktrace.app.theme.Icons;
import chalktrace.app.trace.work.ColourUnder;
import chalktrace.app.trace.work.TraceWork;
import chalktrace.app.words.Words;
import chalktrace.core.edit.ChalkEdits;
import chalktrace.core.shot.Chalk;
import chalktrace.core.stroke.LineShape;
import chalktrace.core.time.FrameRange;
import java.util.Optional;
import javafx.beans.property.ObjectProperty;
import javafx.geometry.Pos;
import javafx.scene.control.ColorPicker;
import javafx.scene.control.ComboBox;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The chalk in hand: all that is drawn with it follows. */
final class ChalkRows extends VBox {

    private static final double MOST_TAPER = 200;

    private final TraceWork work;
    private final Session session;
    private final TextField name = new TextField();
    private final CurrentChalk current;
    private final ColorPicker color;
    private final ComboBox<LineShape.Tip> tip = new ComboBox<>();
    private final ComboBox<Chalk.Role> role = new ComboBox<>();
    private final ValueSlider width;
    private final ValueSlider thinnest;
    private final ValueSlider taper;
    private final ValueSlider strength;
    private final ValueSlider faintest;
    private final PressureGraph answer;
    private final MenuButton giveAll = new MenuButton(Words.TRACE.of("they-become"));
    private final ComboBox<Scope> scope = new ComboBox<>();
    private boolean showing;

    /** Where strokes are given to another chalk. */
    private enum Scope {
        EVERYWHERE,
        THIS_LEVEL,
        THIS_DRAWING,
        /** Those between which play is set to run. */
        PLAYED_FRAMES
    }

    ChalkRows(TraceWork work) {
        super(6);
        this.work = work;
        this.session = work.session();
        this.current = new CurrentChalk(session);
        this.color = current.color();
        name.setFocusTraversable(false);
        name.setOnAction(event -> getParent().requestFocus());
        name.focusedProperty().addListener((property, before, focused) -> {
            if (!focused) {
                rename();
            }
        });
        HBox.setHgrow(name, Priority.ALWAYS);
        HBox head = new HBox(
                4, name, Buttons.icon(Icons.ADD, Words.TRACE.of("another-chalk-like-this-one"), this::addLikeThis));
        head.setAlignment(Pos.CENTER_LEFT);
        tip.getItems().setAll(LineShape.Tip.values());
        role.getItems().setAll(Chalk.Role.values());
        prepare(tip);
        prepare(role);
        scope.getItems().setAll(Scope.values());
        scope.setValue(Scope.EVERYWHERE);
        scope.setId("give-scope");
        prepare(scope);
        tip.setId("chalk-tip");
        role.setId("chalk-role");
        tip.setOnAction(event ->
                unlessShowing(() -> change(chalk().withLine(chalk().line().withTip(tip.getValue())))));
        role.setOnAction(event -> unlessShowing(() -> change(chalk().withRole(role.getValue()))));
        width = current.width();
        thinnest = current.slider(
                Words.TRACE.of("thinnest"),
                0,
                100,
                0,
                (chalk, v) -> chalk.withLine(chalk.line().withThinnest(v / 100)));
        taper = current.slider(
                Words.TRACE.of("taper-px"),
                0,
                MOST_TAPER,
                0,
                (chalk, v) -> chalk.withLine(chalk.line().withTaper(v)));
        strength = current.strength();
        faintest = current.slider(
                Words.TRACE.of("faintest"),
                0,
                100,
                0,
                (chalk, v) -> chalk.withLine(chalk.line().withFaintest(v / 100)));
        answer = new PressureGraph(
                curve -> session.document()
                        .preview(ChalkEdits.change(
                                chalk().withLine(chalk().line().withAnswer(curve)))),
                curve -> change(chalk().withLine(chalk().line().withAnswer(curve))));
        HBox colors = new HBox(4, color, takesColour());
        colors.setAlignment(Pos.CENTER_LEFT);
        HBox.setHgrow(color, Priority.ALWAYS);
        HBox kinds = new HBox(6, tip, role);
        ValueSlider steady = new ValueSlider(Words.TRACE.of("smoothing"), 0, 100, 0, v -> session.view()
                .steadinessProperty()
                .set(v / 100));
        steady.show(session.view().steadinessProperty().get() * 100);
        giveAll.setFocusTraversable(false);
        giveAll.setId("give-all");
        giveAll.setMaxWidth(Double.MAX_VALUE);
        giveAll.setOnShowing(event -> listOthers());
        // A menu button without an entry does not open.
        giveAll.getItems().add(new MenuItem(""));
        ValueSlider reach = new ValueSlider(
                Words.TRACE.of("snaps-px"), 1, 40, 0, work.snapping().reachProperty()::set);
        reach.show(work.snapping().reachProperty().get());
        reach.visibleProperty().bind(work.snapping().onProperty());
        reach.managedProperty().bind(work.snapping().onProperty());
        getChildren()
                .addAll(
                        head,
                        colors,
                        width,
                        strength,
                        kinds,
                        steady,
                        reach,
                        new Fold(Words.TRACE.of("pressure-response"), false, thinnest, faintest, taper, answer),
                        new Fold(Words.TRACE.of("replace-chalk"), false, scope, giveAll));
    }

    /** Takes the colour from the board that is touched next. */
    private ToggleButton takesColour() {
        ToggleButton takes = session.keys()
                .named(
                        Buttons.toggle(Icons.TAKE_COLOUR, ""),
                        Words.TRACE.of("take-a-colour-from-the-board"),
                        Action.TAKE_COLOUR);
        takes.setId("take-colour");
        ObjectProperty<Tool> inHand = session.view().toolProperty();
        takes.setOnAction(event -> inHand.set(takes.isSelected() ? ColourUnder.TAKE : Tool.CHALK));
        inHand.addListener((property, before, now) -> takes.setSelected(now.equals(ColourUnder.TAKE)));
        return takes;
    }

    void show() {
        showing = true;
        Chalk chalk = chalk();
        if (!name.isFocused()) {
            name.setText(chalk.name());
        }
        color.setValue(Colors.of(chalk.color()));
        width.show(chalk.width());
        thinnest.show(chalk.line().thinnest() * 100);
        taper.show(chalk.line().taperPx());
        strength.show(chalk.opacity() * 100);
        faintest.show(chalk.line().faintest() * 100);
        answer.show(chalk.line().answer());
        tip.setValue(chalk.line().tip());
        role.setValue(chalk.role());
        showing = false;
    }

    private <E extends Enum<E>> void prepare(ComboBox<E> box) {
        box.setFocusTraversable(false);
        box.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(box, Priority.ALWAYS);
        box.setConverter(ShownAs.names(Words.TRACE));
    }

    private void unlessShowing(Runnable does) {
        if (!showing) {
            does.run();
        }
    }

    private void rename() {
        String typed = name.getText().strip();
        if (!typed.isEmpty() && !typed.equals(chalk().name())) {
            change(chalk().withName(typed));
        }
    }

    private void listOthers() {
        String mine = chalk().id();
        giveAll.getItems()
                .setAll(session.shot().chalks().stream()
                        .filter(other -> !other.id().equals(mine))
                        .map(other -> {
                            MenuItem item = new MenuItem(other.name());
                            item.setOnAction(event -> giveTo(mine, other.id()));
                            return item;
                        })
                        .toList());
    }

    private void giveTo(String mine, String other) {
        int frame = session.transport().frame();
        Optional<String> level = Optional.ofNullable(session.selection().level());
        FrameRange within = session.transport().withinProperty().get();
        session.document()
                .apply(
                        switch (scope.getValue()) {
                            case EVERYWHERE -> ChalkEdits.giveAllTo(mine, other, Optional.empty(), Optional.empty());
                            case THIS_LEVEL -> ChalkEdits.giveAllTo(mine, other, level, Optional.empty());
                            case THIS_DRAWING ->
                                ChalkEdits.giveAllTo(mine, other, level, Optional.of(FrameRange.of(frame, 1)));
                            case PLAYED_FRAMES ->
                                ChalkEdits.giveAllTo(mine, other, Optional.empty(), Optional.ofNullable(within));
                        });
    }

    private void addLikeThis() {
        String id = session.shot().newId("chalk");
        session.document().apply(ChalkEdits.addLike(chalk(), id));
        session.selection().chalkProperty().set(id);
    }

    private Chalk chalk() {
        return current.get();
    }

    private void change(Chalk changed) {
        current.change(changed);
    }
}
