package chalktrace.app.gather;

import chalktrace.app.controls.ValueSlider;
import chalktrace.app.session.Session;
import chalktrace.app.words.Words;
import chalktrace.core.shot.Footage;
import javafx.scene.control.CheckBox;
import javafx.scene.layout.VBox;

/** How footage is made quiet, so that lines show over it. */
final class LookRows extends VBox {

    private final ValueSlider opacity;
    private final ValueSlider exposure;
    private final ValueSlider lighten;
    private final ValueSlider saturation;
    private final ValueSlider tint;
    private final CheckBox oneField;

    LookRows(Session session, String id) {
        super(6);
        FootageControls controls = new FootageControls(session, id);
        opacity = controls.slider(
                Words.GATHER.of("opacity"),
                0,
                100,
                0,
                v -> f -> f.withPlacement(f.placement().withOpacity(v / 100)));
        exposure = controls.slider(
                Words.GATHER.of("exposure"),
                Footage.Look.LEAST_EXPOSURE,
                Footage.Look.MOST_EXPOSURE,
                1,
                v -> f -> f.withLook(f.look().withExposure(v)));
        lighten = controls.slider(
                Words.GATHER.of("lighten"),
                0,
                100,
                0,
                v -> f -> f.withLook(f.look().withLighten(v / 100)));
        saturation = controls.slider(
                Words.GATHER.of("saturation"),
                0,
                100,
                0,
                v -> f -> f.withLook(f.look().withSaturation(v / 100)));
        tint = controls.slider(
                Words.GATHER.of("tint"),
                0,
                100,
                0,
                v -> f -> f.withLook(f.look().withTint(v / 100)));
        oneField = controls.box(
                Words.GATHER.of("deinterlace"),
                Words.GATHER.of("deinterlace-footage"),
                (f, on) -> f.withLook(f.look().withOneField(on)));
        getChildren().addAll(opacity, exposure, lighten, saturation, tint, oneField);
    }

    void show(Footage clip) {
        opacity.show(clip.placement().opacity() * 100);
        exposure.show(clip.look().exposure());
        lighten.show(clip.look().lighten() * 100);
        saturation.show(clip.look().saturation() * 100);
        tint.show(clip.look().tint() * 100);
        oneField.setSelected(clip.look().oneField());
    }
}
