package chalktrace.core.render;

import java.awt.geom.AffineTransform;
import java.awt.geom.NoninvertibleTransformException;
import java.awt.geom.Point2D;

/**
 * From where the picture is seen: shot pixels are turned, scaled and moved onto a surface of device pixels.
 *
 * @param scale device pixels for a shot pixel
 * @param degrees turned clockwise about the shot's origin
 * @param mirrored whether left and right are exchanged, before turning
 * @param x device pixel of the shot's origin
 * @param y device pixel of the shot's origin
 * @param width of the surface in device pixels
 * @param height of the surface in device pixels
 */
public record Viewpoint(double scale, double degrees, boolean mirrored, double x, double y, int width, int height) {

    public Viewpoint {
        if (!(scale > 0) || !Double.isFinite(scale) || !Double.isFinite(x + y + degrees)) {
            throw new IllegalArgumentException("A viewpoint has finite numbers and a scale above 0.");
        }
    }

    /** Not mirrored. */
    public Viewpoint(double scale, double degrees, double x, double y, int width, int height) {
        this(scale, degrees, false, x, y, width, height);
    }

    /** One device pixel for each shot pixel: the view of an export. */
    public static Viewpoint plain(int width, int height) {
        return new Viewpoint(1, 0, 0, 0, width, height);
    }

    public AffineTransform toDevice() {
        AffineTransform transform = AffineTransform.getTranslateInstance(x, y);
        transform.rotate(Math.toRadians(degrees));
        transform.scale(mirrored ? -scale : scale, scale);
        return transform;
    }

    public Point2D toShot(double deviceX, double deviceY) {
        try {
            return toDevice().inverseTransform(new Point2D.Double(deviceX, deviceY), null);
        } catch (NoninvertibleTransformException e) {
            throw new AssertionError("a viewpoint's scale is never 0", e);
        }
    }

    /** The view scaled by a factor about a device pixel, which keeps its place of the shot. */
    public Viewpoint zoomed(double factor, double aboutX, double aboutY) {
        return new Viewpoint(
                scale * factor,
                degrees,
                mirrored,
                aboutX + (x - aboutX) * factor,
                aboutY + (y - aboutY) * factor,
                width,
                height);
    }

    public Viewpoint moved(double byX, double byY) {
        return new Viewpoint(scale, degrees, mirrored, x + byX, y + byY, width, height);
    }

    public Viewpoint resized(int newWidth, int newHeight) {
        return new Viewpoint(scale, degrees, mirrored, x, y, newWidth, newHeight);
    }

    /** The view turned clockwise by some degrees about a device pixel, which keeps its place of the shot. */
    public Viewpoint turned(double byDegrees, double aboutX, double aboutY) {
        AffineTransform turn = AffineTransform.getRotateInstance(Math.toRadians(byDegrees), aboutX, aboutY);
        Point2D origin = turn.transform(new Point2D.Double(x, y), null);
        double all = degrees + byDegrees;
        return new Viewpoint(
                scale,
                all - 360 * Math.floor((all + 180) / 360),
                mirrored,
                origin.getX(),
                origin.getY(),
                width,
                height);
    }

    /** The view turned over, left and right, about its upright middle line. */
    public Viewpoint turnedOver() {
        // What lay at x lies at width - x: a mirrored turn runs the other way.
        return new Viewpoint(scale, -degrees, !mirrored, width - x, y, width, height);
    }
}
