package chalktrace.core.edit.selection;

import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;

/**
 * Something picked that is taken hold of at a point of the picture and dragged to another, about a middle of the artist's
 * choice. All places are shot pixels.
 *
 * @param middle what scaling, stretching and turning leave in its place
 * @param from where it was taken hold of
 */
public record PickGrip(Point2D middle, Point2D from) {

    /** Turning in steps goes by this much. */
    public static final double STEP_DEGREES = 15;

    /** A side is never pressed to less than this share, which could not be pulled apart again. */
    private static final double SMALLEST = 0.01;

    public AffineTransform movedTo(Point2D to) {
        return AffineTransform.getTranslateInstance(to.getX() - from.getX(), to.getY() - from.getY());
    }

    /** Scaled alike in both directions. */
    public AffineTransform scaledTo(Point2D to) {
        double before = middle.distance(from);
        double factor = before == 0 ? 1 : Math.max(SMALLEST, middle.distance(to) / before);
        return about(AffineTransform.getScaleInstance(factor, factor));
    }

    /**
     * Stretched along one direction; dragged over the middle it is turned over.
     *
     * @param sideways whether to the left and right, and not up and down
     */
    public AffineTransform stretchedTo(Point2D to, boolean sideways) {
        double before = sideways ? from.getX() - middle.getX() : from.getY() - middle.getY();
        double now = sideways ? to.getX() - middle.getX() : to.getY() - middle.getY();
        double share = Math.abs(before) < 1e-9 ? 1 : now / before;
        double factor = Math.abs(share) < SMALLEST ? Math.copySign(SMALLEST, share) : share;
        return about(AffineTransform.getScaleInstance(sideways ? factor : 1, sideways ? 1 : factor));
    }

    /** Skewed: what lies above and below the middle, or left and right of it, goes opposite ways. */
    public AffineTransform skewedTo(Point2D to, boolean sideways) {
        double arm = sideways ? from.getY() - middle.getY() : from.getX() - middle.getX();
        double by = sideways ? to.getX() - from.getX() : to.getY() - from.getY();
        double factor = Math.abs(arm) < 1e-9 ? 0 : by / arm;
        return about(AffineTransform.getShearInstance(sideways ? factor : 0, sideways ? 0 : factor));
    }

    /** @param inSteps whether by whole steps of {@link #STEP_DEGREES} only */
    public AffineTransform turnedTo(Point2D to, boolean inSteps) {
        double degrees = Math.toDegrees(angle(to) - angle(from));
        double by = inSteps ? Math.rint(degrees / STEP_DEGREES) * STEP_DEGREES : degrees;
        return about(AffineTransform.getRotateInstance(Math.toRadians(by)));
    }

    private double angle(Point2D point) {
        return Math.atan2(point.getY() - middle.getY(), point.getX() - middle.getX());
    }

    private AffineTransform about(AffineTransform change) {
        AffineTransform out = AffineTransform.getTranslateInstance(middle.getX(), middle.getY());
        out.concatenate(change);
        out.translate(-middle.getX(), -middle.getY());
        return out;
    }
}
