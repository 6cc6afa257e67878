package chalktrace.core.space;

/** Takes triangles and lines as a camera sees them to the screen. */
final class Projection {

    /** The share of the camera's distance from the model's middle before which nothing is seen. */
    private static final double NEAR_SHARE = 1e-3;

    private final Camera camera;
    private final double near;

    Projection(Camera camera, Bounds bounds) {
        this.camera = camera;
        this.near = Math.max(
                1e-6,
                NEAR_SHARE
                        * Math.max(
                                bounds.radius(),
                                camera.eye().minus(bounds.middle()).length()));
    }

    /** Points as the camera sees them: three numbers each, x to the right, y up, z towards it. */
    float[] seen(float[] positions) {
        return turned(positions, camera.eye());
    }

    /** Directions as the camera sees them: three numbers each. */
    float[] turned(float[] directions) {
        return turned(directions, Point3.ZERO);
    }

    /** Seen points in the picture: x, y in px and 1 / depth each, which is 0 of those that are too near. */
    float[] onScreen(float[] seen) {
        float[] out = new float[seen.length];
        double f = camera.focalPx();
        for (int i = 0; i < seen.length; i += 3) {
            if (-seen[i + 2] >= near) {
                double nearness = -1.0 / seen[i + 2];
                out[i] = (float) (camera.middleX() + f * seen[i] * nearness);
                out[i + 1] = (float) (camera.middleY() - f * seen[i + 1] * nearness);
                out[i + 2] = (float) nearness;
            }
        }
        return out;
    }

    /** Whether no point of the screen is too near. */
    static boolean isWhole(float[] screen) {
        for (int i = 2; i < screen.length; i += 3) {
            if (screen[i] == 0) {
                return false;
            }
        }
        return true;
    }

    private float[] turned(float[] positions, Point3 eye) {
        Point3 right = camera.right();
        Point3 up = camera.up();
        Point3 back = camera.back();
        float[] out = new float[positions.length];
        for (int i = 0; i < positions.length; i += 3) {
            double x = positions[i] - eye.x();
            double y = positions[i + 1] - eye.y();
            double z = positions[i + 2] - eye.z();
            out[i] = (float) (x * right.x() + y * right.y() + z * right.z());
            out[i + 1] = (float) (x * up.x() + y * up.y() + z * up.z());
            out[i + 2] = (float) (x * back.x() + y * back.y() + z * back.z());
        }
        return out;
    }

    /** Adds the pieces of a triangle of three seen points that are not too near. */
    void cut(float[] seen, int a, int b, int c, int id, ScreenTriangles to) {
        cut(new Point3[] {point(seen, a), point(seen, b), point(seen, c)}, id, to);
    }

    /** Sutherland and Hodgman, "Reentrant polygon clipping", 1974, at one plane. */
    private void cut(Point3[] corners, int id, ScreenTriangles to) {
        Point3[] kept = new Point3[4];
        int count = 0;
        for (int i = 0; i < 3; i++) {
            Point3 here = corners[i];
            Point3 next = corners[(i + 1) % 3];
            if (-here.z() >= near) {
                kept[count++] = here;
            }
            if (-here.z() >= near != -next.z() >= near) {
                kept[count++] = here.towards(next, (-near - here.z()) / (next.z() - here.z()));
            }
        }
        for (int i = 2; i < count; i++) {
            add(kept[0], kept[i - 1], kept[i], id, to);
        }
    }

    private void add(Point3 a, Point3 b, Point3 c, int id, ScreenTriangles to) {
        to.add(id, x(a), y(a), -1 / a.z(), x(b), y(b), -1 / b.z(), x(c), y(c), -1 / c.z());
    }

    /** Adds a line between two seen points as a strip of a width in px, drawn nearer by a distance so that it is not lost in what it lies on. */
    void line(Point3 from, Point3 to, double widthPx, double nearer, int id, ScreenTriangles into) {
        Point3 a = from;
        Point3 b = to;
        if (-a.z() < near && -b.z() < near) {
            return;
        }
        if (-a.z() < near || -b.z() < near) {
            Point3 on = a.towards(b, (-near - a.z()) / (b.z() - a.z()));
            a = -a.z() < near ? on : a;
            b = -b.z() < near ? on : b;
        }
        double dx = x(b) - x(a);
        double dy = y(b) - y(a);
        double length = Math.hypot(dx, dy);
        if (length < 1e-9) {
            return;
        }
        // Half a width longer at both ends, so that lines meet at corners.
        double alongX = dx / length * widthPx / 2;
        double alongY = dy / length * widthPx / 2;
        double wa = 1 / Math.max(near / 2, -a.z() - nearer);
        double wb = 1 / Math.max(near / 2, -b.z() - nearer);
        double ax = x(a) - alongX / 2;
        double ay = y(a) - alongY / 2;
        double bx = x(b) + alongX / 2;
        double by = y(b) + alongY / 2;
        into.add(id, ax - alongY, ay + alongX, wa, ax + alongY, ay - alongX, wa, bx + alongY, by - alongX, wb);
        into.add(id, ax - alongY, ay + alongX, wa, bx + alongY, by - alongX, wb, bx - alongY, by + alongX, wb);
    }

    Point3 seen(Point3 point) {
        return camera.seen(point);
    }

    static Point3 point(float[] seen, int vertex) {
        return new Point3(seen[3 * vertex], seen[3 * vertex + 1], seen[3 * vertex + 2]);
    }

    private double x(Point3 seen) {
        return camera.middleX() - camera.focalPx() * seen.x() / seen.z();
    }

    private double y(Point3 seen) {
        return camera.middleY() + camera.focalPx() * seen.y() / seen.z();
    }
}
