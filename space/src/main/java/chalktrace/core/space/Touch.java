package chalktrace.core.space;

import java.util.Optional;

/** Where a ray first meets a model. @param distance in lengths of the ray's direction */
public record Touch(SurfacePoint point, double distance) {

    /** The nearest triangle before an eye (Moeller and Trumbore 1997); empty when it meets none. Cost: all triangles. */
    public static Optional<Touch> first(Pose pose, Point3 eye, Point3 way) {
        Touch nearest = null;
        int count = pose.figure().triangles().length / 3;
        for (int t = 0; t < count; t++) {
            Point3 a = pose.corner(t, 0);
            Point3 ab = pose.corner(t, 1).minus(a);
            Point3 ac = pose.corner(t, 2).minus(a);
            Point3 h = way.cross(ac);
            double det = ab.dot(h);
            if (det == 0) {
                continue;
            }
            Point3 from = eye.minus(a);
            double u = from.dot(h) / det;
            Point3 q = from.cross(ab);
            double v = way.dot(q) / det;
            double distance = ac.dot(q) / det;
            if (u >= 0 && v >= 0 && u + v <= 1 && distance > 0 && (nearest == null || distance < nearest.distance)) {
                nearest = new Touch(new SurfacePoint(t, u, v), distance);
            }
        }
        return Optional.ofNullable(nearest);
    }

    /** What a place of the picture shows of the model. */
    public static Optional<Touch> at(StagedPicture picture, double x, double y) {
        Camera camera = picture.camera();
        return first(picture.pose(), camera.eye(), camera.ray(x, y));
    }
}
