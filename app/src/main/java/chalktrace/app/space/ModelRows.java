package chalktrace.app.space;

import chalktrace.app.cards.CardRows;
import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.NumberField;
import chalktrace.app.controls.Rows;
import chalktrace.app.controls.Sentence;
import chalktrace.app.controls.ValueSlider;
import chalktrace.app.words.Words;
import chalktrace.core.edit.reference.ReferenceEdits;
import chalktrace.core.shot.Footage;
import chalktrace.core.space.Dress;
import chalktrace.core.space.Light;
import chalktrace.core.space.ModelLook;
import chalktrace.core.space.Staging;
import chalktrace.core.time.Conform;
import java.util.List;
import java.util.Locale;
import java.util.function.BiFunction;
import java.util.function.DoubleFunction;
import java.util.function.UnaryOperator;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** How a model looks, moves and is lit, and where its camera stands. */
final class ModelRows extends VBox implements CardRows.Part {

    private static final List<String> HOLDS =
            List.of(Words.MODELS.of("ones"), Words.MODELS.of("twos"), Words.MODELS.of("threes"));

    private final CameraWork work;
    private final String id;
    private final ToggleGroup looks = new ToggleGroup();
    private final ToggleGroup holds = new ToggleGroup();
    private final ComboBox<MotionChoice> motions = new ComboBox<>();
    private final NumberField from = new NumberField("model-from", 0, this::setFrom);
    private final NumberField speed = new NumberField("model-speed", 1, this::setSpeed);
    private final CheckBox loops;
    private final CheckBox shadow;
    private final CheckBox grid;
    private final CheckBox hidden;
    private final CheckBox zUp;
    private final ValueSlider lightYaw;
    private final ValueSlider lightPitch;
    private final CameraRows camera;
    private final JointRows joints;
    private boolean showing;

    ModelRows(CameraWork work, String id) {
        super(6);
        this.work = work;
        this.id = id;
        this.camera = new CameraRows(work, id);
        this.joints = new JointRows(work, id);
        motions.setMaxWidth(Double.MAX_VALUE);
        motions.setFocusTraversable(false);
        motions.setId("model-motion");
        motions.setAccessibleText(Words.MODELS.of("animation"));
        motions.setOnAction(event -> setMotion());
        loops = box(Words.MODELS.of("loop"), Words.MODELS.of("loop-the-animation"), Staging::withLoops);
        shadow = box(Words.MODELS.of("shadow"), Words.MODELS.of("show-the-models-shadow"), dressed(Dress::withShadow));
        grid = box(Words.MODELS.of("floor-grid"), Words.MODELS.of("show-the-floor"), dressed(Dress::withGrid));
        hidden = box(
                Words.MODELS.of("hidden-lines-faint"),
                Words.MODELS.of("show-hidden-lines"),
                dressed(Dress::withHidden));
        zUp = box(Words.MODELS.of("made-with-z-up"), Words.MODELS.of("set-the-model-upright"), Staging::withZUp);
        lightYaw = slider(
                Words.MODELS.of("light-yaw"),
                -180,
                180,
                v -> s -> lit(s, new Light(v, s.dress().light().pitch())));
        lightPitch = slider(
                Words.MODELS.of("light-pitch"),
                1,
                90,
                v -> s -> lit(s, new Light(s.dress().light().yaw(), v)));
        getChildren()
                .addAll(
                        looks(),
                        motions,
                        joints,
                        row(Rows.quiet(Words.MODELS.of("from-s")), from, Rows.quiet(Words.MODELS.of("speed")), speed),
                        row(holds(), loops),
                        camera,
                        lightYaw,
                        lightPitch,
                        row(shadow, grid),
                        hidden,
                        zUp);
    }

    @Override
    public Node node() {
        return this;
    }

    @Override
    public void show(Footage clip) {
        Staging staging = clip.staging().orElseThrow();
        showing = true;
        select(looks, staging.dress().look());
        select(holds, staging.every());
        List<MotionChoice> choices = MotionChoice.of(work.session().document().shown(), clip, work::own);
        if (!choices.equals(motions.getItems())) {
            motions.getItems().setAll(choices);
        }
        motions.setValue(MotionChoice.of(staging, choices));
        joints.show(clip);
        from.set(staging.fromSeconds());
        speed.set(clip.conform().speed());
        loops.setSelected(staging.loops());
        shadow.setSelected(staging.dress().shadow());
        grid.setSelected(staging.dress().grid());
        hidden.setSelected(staging.dress().hidden());
        hidden.setDisable(staging.dress().look() != ModelLook.LINES);
        zUp.setSelected(staging.zUp());
        lightYaw.show(staging.dress().light().yaw());
        lightPitch.show(staging.dress().light().pitch());
        camera.show(clip);
        showing = false;
    }

    /** Selects the toggle of a value; none when there is none. */
    static void select(ToggleGroup group, Object value) {
        group.getToggles()
                .forEach(toggle -> toggle.setSelected(toggle.getUserData().equals(value)));
    }

    private void setMotion() {
        MotionChoice chosen = motions.getValue();
        if (showing || chosen == null) {
            return;
        }
        if (chosen.lender().isEmpty()) {
            work.change(Words.MODELS.of("choose-an-animation"), id, s -> s.withMotion(chosen.motion()));
        } else {
            work.borrow(id, chosen.lender(), chosen.motion());
        }
    }

    private void setFrom() {
        double seconds = Math.max(0, from.value());
        work.change(Words.MODELS.of("set-where-the-animation-starts"), id, s -> s.withFromSeconds(seconds));
    }

    private void setSpeed() {
        double times = Math.max(Conform.SLOWEST, Math.min(Conform.FASTEST, speed.value()));
        work.session()
                .document()
                .apply(ReferenceEdits.change(
                        Words.MODELS.of("set-the-animations-speed"),
                        id,
                        clip -> clip.withConform(clip.conform().withSpeed(times))));
    }

    /** They are too many for one line of a card. */
    private FlowPane looks() {
        FlowPane box = new FlowPane();
        for (ModelLook look : ModelLook.values()) {
            box.getChildren()
                    .add(toggle(
                            Sentence.of(Words.MODELS.name(look)),
                            Words.MODELS.of("show-the-model-as", Words.MODELS.name(look)),
                            looks,
                            look,
                            () -> work.change(
                                    Words.MODELS.of("change-the-models-look"),
                                    id,
                                    s -> s.withDress(s.dress().withLook(look)))));
        }
        return box;
    }

    private HBox holds() {
        HBox box = new HBox();
        for (int every = 1; every <= HOLDS.size(); every++) {
            int frames = every;
            String title = HOLDS.get(every - 1);
            box.getChildren()
                    .add(toggle(
                            title,
                            Words.MODELS.of("hold-each-pose-on", title.toLowerCase(Locale.ROOT)),
                            holds,
                            every,
                            () -> work.change(Words.MODELS.of("hold-poses"), id, s -> s.withEvery(frames))));
        }
        return edged(box);
    }

    static ToggleButton toggle(String text, String use, ToggleGroup group, Object value, Runnable chosen) {
        ToggleButton button = Buttons.toggle(text, use);
        button.setId("model-" + text.toLowerCase(Locale.ROOT));
        button.setUserData(value);
        button.setToggleGroup(group);
        button.setOnAction(event -> {
            button.setSelected(true);
            chosen.run();
        });
        return button;
    }

    static HBox edged(HBox box) {
        box.getStyleClass().add("edged-box");
        box.setMaxSize(Region.USE_PREF_SIZE, Region.USE_PREF_SIZE);
        return box;
    }

    private CheckBox box(String text, String step, BiFunction<Staging, Boolean, Staging> change) {
        CheckBox box = new CheckBox(text);
        box.setFocusTraversable(false);
        box.setOnAction(event -> {
            boolean on = box.isSelected();
            work.change(step, id, s -> change.apply(s, on));
        });
        return box;
    }

    private static BiFunction<Staging, Boolean, Staging> dressed(BiFunction<Dress, Boolean, Dress> change) {
        return (staging, on) -> staging.withDress(change.apply(staging.dress(), on));
    }

    private ValueSlider slider(String text, double low, double high, DoubleFunction<UnaryOperator<Staging>> change) {
        return new ValueSlider(text, low, high, 0, value -> {
                    work.session().document().preview(null);
                    work.change(Words.MODELS.of("move-the-light"), id, change.apply(value));
                })
                .previewing(value -> work.session()
                        .document()
                        .preview(work.edit(Words.MODELS.of("move-the-light"), id, change.apply(value))));
    }

    private static Staging lit(Staging staging, Light light) {
        return staging.withDress(staging.dress().withLight(light));
    }

    static HBox row(Node... parts) {
        HBox row = new HBox(8, parts);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }
}
