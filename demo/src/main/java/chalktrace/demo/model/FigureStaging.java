package chalktrace.demo.model;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Footage;
import chalktrace.core.space.CameraKey;
import chalktrace.core.space.Figure;
import chalktrace.core.space.Lens;
import chalktrace.core.space.Orbit;
import chalktrace.core.space.Point3;
import chalktrace.core.space.SavedView;
import chalktrace.core.space.Staging;
import chalktrace.core.time.Conform;
import chalktrace.demo.scene.Camera;
import chalktrace.demo.scene.Vec;
import chalktrace.media.UnreadableException;
import chalktrace.media.footage.ModelReference;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** The model of the tea seller in the demo shot: first seen as the clip's camera sees her, then the camera goes round, then cuts to her side. */
public final class FigureStaging {

    private FigureStaging() {}

    /** @throws UnreadableException when the model can't be read */
    public static Footage footage(Path model, PictureSize size) throws UnreadableException {
        try (ModelReference reference = ModelReference.open(model)) {
            Figure figure = reference.figure().orElseThrow();
            Staging usual = Staging.of(figure, size);
            Orbit filmed = filmed((double) size.width() / size.height());
            List<SavedView> views = new ArrayList<>(List.of(new SavedView("Clip", filmed)));
            views.addAll(usual.views());
            Orbit side = filmed.withTarget(figure.bounds().middle()).withYaw(78);
            return Footage.of(
                            "footage-3",
                            "tea seller",
                            model.toString(),
                            new Conform(0, 0, reference.times().count(), 1, Conform.Pace.KEEP_TIME))
                    .withStaging(usual.withEvery(2)
                            .withView(filmed)
                            .withViews(views)
                            .withKeys(List.of(
                                    new CameraKey(0, filmed, CameraKey.Move.EVEN),
                                    new CameraKey(72, filmed, CameraKey.Move.EASED),
                                    new CameraKey(120, filmed.withYaw(38).withPitch(12), CameraKey.Move.CUT),
                                    new CameraKey(152, side, CameraKey.Move.EVEN))))
                    .withVisible(false);
        }
    }

    /** As the clip's camera stands when it does not sway. */
    private static Orbit filmed(double aspect) {
        Vec away = Camera.REST.minus(Camera.AIM);
        return new Orbit(
                Math.toDegrees(Math.atan2(away.x(), away.z())),
                Math.toDegrees(Math.asin(away.unit().y())),
                0,
                away.length(),
                new Point3(Camera.AIM.x(), Camera.AIM.y(), Camera.AIM.z()),
                new Lens(Lens.FRAME_MM / 2 / (Camera.HALF_HEIGHT * aspect)));
    }
}
