package chalktrace.core.space;

/** The vertices of a pose as a camera sees them: three numbers a vertex each, and its light of the clay look. */
final class SeenPose {

    private static final float NO_NORMAL = -1;

    private final Pose pose;
    private final float[] places;
    private final float[] normals;
    private final float[] screen;
    private final float[] frontLight;
    private final float[] backLight;

    SeenPose(Pose pose, Projection projection, Camera camera, Dress dress) {
        this.pose = pose;
        this.places = projection.seen(pose.positions());
        this.normals = projection.turned(pose.normals());
        this.screen = projection.onScreen(places);
        boolean lit = dress.look() == ModelLook.CLAY;
        this.frontLight = new float[lit ? places.length / 3 : 0];
        this.backLight = new float[frontLight.length];
        Point3 light = camera.turned(dress.light().direction());
        Point3 up = camera.turned(Point3.UP);
        for (int v = 0; v < frontLight.length; v++) {
            light(v, light, up);
        }
    }

    private void light(int v, Point3 light, Point3 up) {
        double x = normals[3 * v];
        double y = normals[3 * v + 1];
        double z = normals[3 * v + 2];
        double length = Math.sqrt(x * x + y * y + z * z);
        if (length < 1e-10) {
            frontLight[v] = NO_NORMAL;
            backLight[v] = NO_NORMAL;
            return;
        }
        double cosine = (x * light.x() + y * light.y() + z * light.z()) / length;
        double upwards = (x * up.x() + y * up.y() + z * up.z()) / length;
        frontLight[v] = (float) ClayLight.of(cosine, upwards);
        backLight[v] = (float) ClayLight.of(-cosine, -upwards);
    }

    Pose pose() {
        return pose;
    }

    /** x to the right, y up, z towards the camera. */
    float[] places() {
        return places;
    }

    /** Of any length; of length 0 where the triangle's own is meant. */
    float[] normals() {
        return normals;
    }

    /** x, y in px and 1 / depth; 0 of a vertex that is too near. */
    float[] screen() {
        return screen;
    }

    /** One number a vertex: its light seen from where its normal points; negative without a normal. Empty in other looks than clay. */
    float[] frontLight() {
        return frontLight;
    }

    /** The same seen from behind. */
    float[] backLight() {
        return backLight;
    }
}
