package chalktrace.core.shot;

import java.awt.geom.Point2D;

/**
 * A placement that is taken hold of at a point and dragged to another: moved along, or scaled or turned about its middle.
 *
 * @param start the placement when it was taken hold of
 * @param middle of the unplaced picture, in shot pixels
 * @param from where it was taken hold of, in shot pixels
 */
public record PlacementGrip(Placement start, Point2D middle, Point2D from) {

    /** Turning in steps goes by this much. */
    public static final double STEP_DEGREES = 15;

    public Placement movedTo(Point2D to) {
        return start.withPosition(start.x() + to.getX() - from.getX(), start.y() + to.getY() - from.getY());
    }

    /** Scaled so that the point held stays as far along as the drag; never below or above what a placement allows. */
    public Placement scaledTo(Point2D to) {
        double before = placedMiddle().distance(from);
        double factor = before == 0 ? 1 : placedMiddle().distance(to) / before;
        return start.withScale(
                Math.max(1 / Placement.LARGEST_SCALE, Math.min(Placement.LARGEST_SCALE, start.scale() * factor)));
    }

    /** @param inSteps whether it comes to rest on whole steps of {@link #STEP_DEGREES} only */
    public Placement turnedTo(Point2D to, boolean inSteps) {
        double by = Math.toDegrees(angle(to) - angle(from));
        double degrees = Math.IEEEremainder(start.degrees() + by, 360);
        return start.withDegrees(inSteps ? Math.rint(degrees / STEP_DEGREES) * STEP_DEGREES : degrees);
    }

    private double angle(Point2D point) {
        return Math.atan2(
                point.getY() - placedMiddle().getY(),
                point.getX() - placedMiddle().getX());
    }

    private Point2D placedMiddle() {
        return new Point2D.Double(middle.getX() + start.x(), middle.getY() + start.y());
    }
}
