package chalktrace.app.space;

import chalktrace.app.words.Words;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.space.Camera;
import chalktrace.core.space.Light;
import chalktrace.core.space.Orbit;
import chalktrace.core.space.Point3;

/** What a drag on the board does with the camera. */
enum CameraDrag {
    ORBIT(Words.MODELS.of("orbit"), Words.MODELS.of("drag-round-the-model")),
    PAN(Words.MODELS.of("pan"), Words.MODELS.of("drag-the-model-along-the")),
    DOLLY(Words.MODELS.of("dolly"), Words.MODELS.of("drag-up-to-come-nearer")),
    LIGHT(Words.MODELS.of("light"), Words.MODELS.of("drag-the-light-round-the"));

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
