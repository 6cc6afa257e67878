package chalktrace.app.gather;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.ValueSlider;
import chalktrace.app.session.Placing;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Icons;
import chalktrace.app.words.Words;
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
        Button byHand = Buttons.edged(Icons.PLACE, Words.GATHER.of("place-on-the-board"), () -> session.view()
                .placingProperty()
                .set(Placing.footage(id)));
        byHand.setId("place-by-hand");
        Button reset = Buttons.text(
                Words.GATHER.of("fit"),
                Words.GATHER.of("centre-it-as-large-as"),
                () -> controls.change(
                        Words.GATHER.of("fit-footage"),
                        f -> f.withPlacement(
                                Placement.AS_IS.withOpacity(f.placement().opacity()))));
        x = controls.slider(
                Words.GATHER.of("right"),
                -2000,
                2000,
                0,
                v -> f -> f.withPlacement(
                        f.placement().withPosition(v, f.placement().y())));
        y = controls.slider(
                Words.GATHER.of("down"),
                -2000,
                2000,
                0,
                v -> f ->
                        f.withPlacement(f.placement().withPosition(f.placement().x(), v)));
        size = controls.slider(
                Words.GATHER.of("size"),
                1,
                1000,
                0,
                v -> f -> f.withPlacement(f.placement().withScale(v / 100)));
        turn = controls.slider(
                Words.GATHER.of("turn"),
                -180,
                180,
                1,
                v -> f -> f.withPlacement(f.placement().withDegrees(v)));
        mirrored = controls.box(Words.GATHER.of("mirrored"), Words.GATHER.of("mirror-footage"), Footage::withMirrored);
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
