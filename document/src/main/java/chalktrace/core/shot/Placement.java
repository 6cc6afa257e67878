package chalktrace.core.shot;

import chalktrace.core.tree.Branch;
import chalktrace.core.tree.Fields;
import chalktrace.core.tree.WrongField;
import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;

/**
 * How something is put onto the picture: scaled and turned about the picture's middle, then moved, then faded.
 *
 * @param x moved to the right, in shot pixels
 * @param y moved down, in shot pixels
 * @param scale 1 for as it is
 * @param degrees turned clockwise
 * @param opacity 0 to 1
 */
public record Placement(double x, double y, double scale, double degrees, double opacity) {

    public static final Placement AS_IS = new Placement(0, 0, 1, 0, 1);

    public static final double LARGEST_SCALE = 100;

    /** @throws IllegalArgumentException when a number is not finite or out of bounds */
    public Placement {
        if (!Double.isFinite(x)
                || !Double.isFinite(y)
                || !Double.isFinite(degrees)
                || !(scale >= 1 / LARGEST_SCALE && scale <= LARGEST_SCALE)
                || !(opacity >= 0 && opacity <= 1)) {
            throw new IllegalArgumentException(
                    "A placement has finite numbers, a scale of 0.01 to 100 and an opacity of 0 to 1.");
        }
    }

    public Placement withPosition(double newX, double newY) {
        return new Placement(newX, newY, scale, degrees, opacity);
    }

    public Placement withScale(double newScale) {
        return new Placement(x, y, newScale, degrees, opacity);
    }

    public Placement withDegrees(double newDegrees) {
        return new Placement(x, y, scale, newDegrees, opacity);
    }

    public Placement withOpacity(double newOpacity) {
        return new Placement(x, y, scale, degrees, newOpacity);
    }

    /** This one and then another: what is placed is placed again. */
    public Placement then(Placement next) {
        double angle = Math.toRadians(next.degrees);
        return new Placement(
                next.x + next.scale * (x * Math.cos(angle) - y * Math.sin(angle)),
                next.y + next.scale * (x * Math.sin(angle) + y * Math.cos(angle)),
                Math.max(1 / LARGEST_SCALE, Math.min(LARGEST_SCALE, scale * next.scale)),
                degrees + next.degrees,
                opacity * next.opacity);
    }

    /** What puts the placed back where it was; its opacity is 1. */
    public Placement inverse() {
        double angle = Math.toRadians(-degrees);
        return new Placement(
                -(x * Math.cos(angle) - y * Math.sin(angle)) / scale,
                -(x * Math.sin(angle) + y * Math.cos(angle)) / scale,
                1 / scale,
                -degrees,
                1);
    }

    /**
     * The placement that takes one place of the picture to another, turned and scaled about it.
     *
     * @param middleX of the picture, about which placements turn
     */
    public static Placement taking(
            double fromX,
            double fromY,
            double toX,
            double toY,
            double scale,
            double degrees,
            double middleX,
            double middleY) {
        double kept = Math.max(1 / LARGEST_SCALE, Math.min(LARGEST_SCALE, scale));
        Placement turned = new Placement(0, 0, kept, degrees, 1);
        Point2D from = turned.transform(middleX, middleY).transform(new Point2D.Double(fromX, fromY), null);
        return turned.withPosition(toX - from.getX(), toY - from.getY());
    }

    /** The movement of points of the picture, without the fading. */
    public AffineTransform transform(double middleX, double middleY) {
        AffineTransform transform = AffineTransform.getTranslateInstance(x + middleX, y + middleY);
        transform.rotate(Math.toRadians(degrees));
        transform.scale(scale, scale);
        transform.translate(-middleX, -middleY);
        return transform;
    }

    public void write(Branch to) {
        to.put("x", x).put("y", y).put("scale", scale).put("degrees", degrees).put("opacity", opacity);
    }

    /** @throws WrongField when a field is missing or has no sense */
    public static Placement read(Fields from) throws WrongField {
        return new Placement(
                from.number("x"),
                from.number("y"),
                from.number("scale"),
                from.number("degrees"),
                from.number("opacity"));
    }
}
