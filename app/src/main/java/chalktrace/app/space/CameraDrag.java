package chalktrace.app.space;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.space.Camera;
import chalktrace.core.space.Light;
import chalktrace.core.space.Orbit;
import chalktrace.core.space.Point3;

/** What a drag on the board does with the camera. */
enum CameraDrag {
    ORBIT("Orbit", "drag round the model"),
    PAN("Pan", "drag the model along the picture (Shift and drag)"),
    DOLLY("Dolly", "drag up to come nearer, down to go back"),
    LIGHT("Light", "drag the light round the model");

    /** A drag across the picture turns by so much. */
    private static final double DEGREES_WIDE = 240;

    /** A drag over the picture's height brings the camera so many times nearer. */
    private static final double TIMES_HIGH = 8;

    private final String title;
    private final String use;

    CameraDrag(String title, String use) {
        this.title = title;
        this.use = use;
    }

    String title() {
        return title;
    }

    String use() {
        return use;
    }

    /** The light, dragged along the picture; the other kinds leave it where it is. */
    Light moved(Light from, double dx, double dy, PictureSize size) {
        return this != LIGHT ? from : from.moved(dx * DEGREES_WIDE / size.width(), -dy * DEGREES_WIDE / size.width());
    }

    /** @param dx to the right, in px of the shot @param dy down */
    Orbit moved(Orbit from, double dx, double dy, PictureSize size) {
        return switch (this) {
            case ORBIT ->
                from.withYaw(from.yaw() - dx * DEGREES_WIDE / size.width())
                        .withPitch(from.pitch() + dy * DEGREES_WIDE / size.width());
            case PAN -> {
                Camera camera = Camera.of(from, size.width(), size.height());
                double each = from.distance() / camera.focalPx();
                Point3 by = camera.right().times(-dx * each).plus(camera.up().times(dy * each));
                yield from.withTarget(from.target().plus(by));
            }
            case LIGHT -> from;
            case DOLLY -> from.withDistance(from.distance() * Math.pow(TIMES_HIGH, dy / size.height()));
        };
    }
}
