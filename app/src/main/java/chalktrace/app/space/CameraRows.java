package chalktrace.app.space;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.NumberField;
import chalktrace.app.controls.Rows;
import chalktrace.core.shot.Footage;
import chalktrace.core.space.CameraKey;
import chalktrace.core.space.Lens;
import chalktrace.core.space.Orbit;
import chalktrace.core.space.SavedView;
import chalktrace.core.space.Staging;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
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
    private final Button key = Buttons.words("Key camera", "set or remove a key of the camera at the gate", this::key);
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
        add(numbers, 0, "Yaw \u00b0", yaw, "Pitch \u00b0", pitch);
        add(numbers, 1, "Lens mm", lens, "Distance", distance);
        add(numbers, 2, "Tilt \u00b0", roll, "Hold", every);
        for (CameraKey.Move move : CameraKey.Move.values()) {
            moveRow.getChildren()
                    .add(ModelRows.toggle(
                            ModelRows.title(move),
                            "from the key before the gate the camera goes on "
                                    + move.name().toLowerCase(Locale.ROOT),
                            moves,
                            move,
                            () -> work.move(id, move)));
        }
        CheckBox beside = new CheckBox("Beside the board");
        beside.setId("views-beside");
        beside.setFocusTraversable(false);
        beside.selectedProperty().bindBidirectional(work.viewsShownProperty());
        Button save = Buttons.words("Save view", "save this view to return to it", this::save);
        Button guides = Buttons.words(
                "Vanishing points",
                "add the model's vanishing points and horizon as a guide",
                () -> clip(work::addVanishingPoints));
        Button floor = Buttons.words(
                "Stand on floor line",
                "raise or lower the camera until the model stands on the floor line",
                () -> clip(work::standOnFloorLine));
        getChildren()
                .addAll(
                        Rows.quiet("Camera"),
                        numbers,
                        key,
                        ModelRows.edged(moveRow),
                        Rows.quiet("Views"),
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
        key.setText(staging.keyAt(work.frame()).isPresent() ? "Remove camera key" : "Key camera");
        boolean keyedBefore = staging.keys().stream().anyMatch(k -> k.frame() <= work.frame());
        moveRow.setDisable(!keyedBefore);
        ModelRows.select(moves, keyedBefore ? staging.moveAt(work.frame()) : "");
        if (!listed.equals(staging.views())) {
            listed = staging.views();
            views.getChildren().setAll(listed.stream().map(this::button).toList());
        }
    }

    private Button button(SavedView view) {
        return Buttons.words(view.name(), "look from there: " + view.name(), () -> work.look(id, view.orbit()));
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
        work.change("hold the camera", id, staging -> staging.withCameraEvery(frames));
    }

    private void key() {
        work.keyOrNot(id);
    }

    private void save() {
        clip(clip -> work.change("save a view", id, staging -> {
            List<SavedView> more = new ArrayList<>(staging.views());
            more.add(new SavedView("View " + (more.size() + 1), work.camera(clip)));
            return staging.withViews(more);
        }));
    }

    private void clip(Consumer<Footage> then) {
        work.session().shot().footage(id).ifPresent(then);
    }
}
