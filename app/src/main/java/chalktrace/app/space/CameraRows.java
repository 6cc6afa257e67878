package chalktrace.app.space;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.NumberField;
import chalktrace.app.controls.Rows;
import chalktrace.app.controls.Sentence;
import chalktrace.app.words.Words;
import chalktrace.core.shot.Footage;
import chalktrace.core.space.CameraKey;
import chalktrace.core.space.Lens;
import chalktrace.core.space.Orbit;
import chalktrace.core.space.SavedView;
import chalktrace.core.space.Staging;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** Where the camera of a model stands on the frame at the gate, its keys and its saved views. */
final class CameraRows extends VBox {

    private final CameraWork work;
    private final String id;
    private final NumberField yaw = new NumberField("camera-yaw", 0, this::typed);
    private final NumberField pitch = new NumberField("camera-pitch", 0, this::typed);
    private final NumberField distance = new NumberField("camera-distance", 1, this::typed);
    private final NumberField lens = new NumberField("camera-lens", 50, this::typed);
    private final NumberField roll = new NumberField("camera-roll", 0, this::typed);
    private final NumberField every = new NumberField("camera-every", 1, this::setEvery);
    private final Button key =
            Buttons.words(Words.MODELS.of("key-camera"), Words.MODELS.of("set-or-remove-a-key"), this::key);
    private final ToggleGroup moves = new ToggleGroup();
    private final HBox moveRow = new HBox();
    private final FlowPane views = new FlowPane(4, 4);
    private List<SavedView> listed = List.of();

    CameraRows(CameraWork work, String id) {
        super(6);
        this.work = work;
        this.id = id;
        key.setId("key-camera");
        GridPane numbers = new GridPane(3, 4);
        add(numbers, 0, Words.MODELS.of("yaw"), yaw, Words.MODELS.of("pitch"), pitch);
        add(numbers, 1, Words.MODELS.of("lens-mm"), lens, Words.MODELS.of("distance"), distance);
        add(numbers, 2, Words.MODELS.of("tilt"), roll, Words.MODELS.of("hold"), every);
        for (CameraKey.Move move : CameraKey.Move.values()) {
            moveRow.getChildren()
                    .add(ModelRows.toggle(
                            Sentence.of(Words.MODELS.name(move)),
                            Words.MODELS.of("from-the-key-before-the", Words.MODELS.name(move)),
                            moves,
                            move,
                            () -> work.move(id, move)));
        }
        CheckBox beside = new CheckBox(Words.MODELS.of("beside-the-board"));
        beside.setId("views-beside");
        beside.setFocusTraversable(false);
        beside.selectedProperty().bindBidirectional(work.viewsShownProperty());
        Button save =
                Buttons.words(Words.MODELS.of("save-view"), Words.MODELS.of("save-this-view-to-return"), this::save);
        Button guides = Buttons.words(
                Words.MODELS.of("vanishing-points"),
                Words.MODELS.of("add-the-models-vanishing-points"),
                () -> clip(work::addVanishingPoints));
        Button floor = Buttons.words(
                Words.MODELS.of("stand-on-floor-line"),
                Words.MODELS.of("raise-or-lower-the-camera"),
                () -> clip(work::standOnFloorLine));
        getChildren()
                .addAll(
                        Rows.quiet(Words.MODELS.of("camera")),
                        numbers,
                        key,
                        ModelRows.edged(moveRow),
                        Rows.quiet(Words.MODELS.of("views")),
                        views,
                        ModelRows.row(save, beside),
                        new FlowPane(4, 4, guides, floor));
    }

    private static void add(GridPane grid, int row, String one, NumberField first, String other, NumberField second) {
        grid.addRow(row, Rows.quiet(one), first, Rows.quiet(other), second);
    }

    void show(Footage clip) {
        Staging staging = clip.staging().orElseThrow();
        Orbit now = work.camera(clip);
        yaw.set(round(now.yaw()));
        pitch.set(round(now.pitch()));
        roll.set(round(now.roll()));
        distance.set(round(now.distance()));
        lens.set(round(now.lens().millimetres()));
        every.set(staging.cameraEvery());
        key.setText(
                staging.keyAt(work.frame()).isPresent()
                        ? Words.MODELS.of("remove-camera-key")
                        : Words.MODELS.of("key-camera"));
        boolean keyedBefore = staging.keys().stream().anyMatch(k -> k.frame() <= work.frame());
        moveRow.setDisable(!keyedBefore);
        ModelRows.select(moves, keyedBefore ? staging.moveAt(work.frame()) : "");
        if (!listed.equals(staging.views())) {
            listed = staging.views();
            views.getChildren().setAll(listed.stream().map(this::button).toList());
        }
    }

    private Button button(SavedView view) {
        return Buttons.words(
                view.name(), Words.MODELS.of("look-from-there", view.name()), () -> work.look(id, view.orbit()));
    }

    private void typed() {
        try {
            Orbit before = work.session().shot().footage(id).map(work::camera).orElseThrow();
            work.look(
                    id,
                    new Orbit(
                            kept(yaw, before.yaw()),
                            kept(pitch, before.pitch()),
                            kept(roll, before.roll()),
                            kept(distance, before.distance()),
                            before.target(),
                            new Lens(kept(lens, before.lens().millimetres()))));
        } catch (IllegalArgumentException e) {
            work.session().notices().problem(e.getMessage());
            clip(this::show);
        }
    }

    /** What a field rounds away stays as it is. */
    private static double kept(NumberField field, double before) {
        return field.value() == round(before) ? before : field.value();
    }

    private static double round(double value) {
        return Math.rint(value * 1000) / 1000;
    }

    private void setEvery() {
        int frames = (int) Math.max(1, Math.min(Staging.LONGEST_HOLD, every.value()));
        work.change(Words.MODELS.of("hold-the-camera"), id, staging -> staging.withCameraEvery(frames));
    }

    private void key() {
        work.keyOrNot(id);
    }

    private void save() {
        clip(clip -> work.change(Words.MODELS.of("save-a-view"), id, staging -> {
            List<SavedView> more = new ArrayList<>(staging.views());
            more.add(new SavedView(Words.MODELS.of("view", more.size() + 1), work.camera(clip)));
            return staging.withViews(more);
        }));
    }

    private void clip(Consumer<Footage> then) {
        work.session().shot().footage(id).ifPresent(then);
    }
}
