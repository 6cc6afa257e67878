package chalktrace.app.tray.gather;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.ValueSlider;
import chalktrace.app.session.Placing;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Icons;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Placement;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** Where footage lies on the picture: typed, dragged here, or placed by hand on the board. */
final class PlaceRows extends VBox {

    private final ValueSlider x;
    private final ValueSlider y;
    private final ValueSlider size;
    private final ValueSlider turn;
    private final CheckBox mirrored;

    PlaceRows(Session session, String id) {
        super(6);
        FootageControls controls = new FootageControls(session, id);
        Button byHand = Buttons.edged(Icons.PLACE, "Place on the board", () -> session.view()
                .placingProperty()
                .set(Placing.footage(id)));
        byHand.setId("place-by-hand");
        Button reset = Buttons.text(
                "Fit",
                "centre it, as large as fits",
                () -> controls.change(
                        "fit footage",
                        f -> f.withPlacement(
                                Placement.AS_IS.withOpacity(f.placement().opacity()))));
        x = controls.slider(
                "Right",
                -2000,
                2000,
                0,
                v -> f -> f.withPlacement(
                        f.placement().withPosition(v, f.placement().y())));
        y = controls.slider(
                "Down",
                -2000,
                2000,
                0,
                v -> f ->
                        f.withPlacement(f.placement().withPosition(f.placement().x(), v)));
        size = controls.slider(
                "Size %", 1, 1000, 0, v -> f -> f.withPlacement(f.placement().withScale(v / 100)));
        turn = controls.slider(
                "Turn \u00b0",
                -180,
                180,
                1,
                v -> f -> f.withPlacement(f.placement().withDegrees(v)));
        mirrored = controls.box("Mirrored", "mirror footage", Footage::withMirrored);
        getChildren().addAll(new HBox(4, byHand, reset), x, y, size, turn, mirrored);
    }

    void show(Footage clip) {
        x.show(clip.placement().x());
        y.show(clip.placement().y());
        size.show(clip.placement().scale() * 100);
        turn.show(clip.placement().degrees());
        mirrored.setSelected(clip.mirrored());
    }
}
