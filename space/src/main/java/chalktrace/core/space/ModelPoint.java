package chalktrace.core.space;

import java.util.function.Function;

/**
 * A point of a model whose way through the picture is exact.
 *
 * @param name to tell it by, such as that of its joint
 * @param place where it is in space, in a pose
 */
public record ModelPoint(String name, Function<Pose, Point3> place) {

    /** Nearer than this share of the model's size to the front, a point is on it and not behind it. */
    private static final double ON_SURFACE = 0.01;

    /**
     * Where it is in a picture.
     *
     * @param x in px of the picture
     * @param hidden whether the model itself stands before it; a joint lies within and is hidden unless its part is seen through
     */
    public record Seen(double x, double y, boolean inPicture, boolean hidden) {}

    public static ModelPoint joint(Model model, int node) {
        return new ModelPoint(model.nodes().get(node).name(), pose -> pose.joint(node));
    }

    public static ModelPoint surface(String name, SurfacePoint point) {
        return new ModelPoint(name, pose -> pose.point(point));
    }

    /** Cost: a look at each triangle. */
    public Seen in(StagedPicture picture) {
        Pose pose = picture.pose();
        Camera camera = picture.camera();
        Point3 at = place.apply(pose);
        Camera.Projected to = camera.project(at);
        boolean inPicture = to.depth() > 0
                && to.x() >= 0
                && to.y() >= 0
                && to.x() < picture.size().width()
                && to.y() < picture.size().height();
        Point3 way = at.minus(camera.eye());
        double shortest = 1 - ON_SURFACE * pose.figure().bounds().radius() / way.length();
        return new Seen(
                to.x(),
                to.y(),
                inPicture,
                Touch.first(pose, camera.eye(), way)
                        .map(touch -> touch.distance() < shortest)
                        .orElse(false));
    }
}
