package chalktrace.core.shot;

import java.awt.geom.Point2D;

/**
 * A placement that is taken hold of at a point and dragged to another: moved along, or scaled or turned about a point of its own.
 *
 * @param start the placement when it was taken hold of
 * @param middle of the unplaced picture, in shot pixels: placements are about it
 * @param about the unplaced point that stays where it is while the rest is scaled or turned
 * @param from where it was taken hold of, in shot pixels
 */
public record PlacementGrip(Placement start, Point2D middle, Point2D about, Point2D from) {

    /** Turning in steps goes by this much. */
    public static final double STEP_DEGREES = 15;

    /** About the middle of the picture. */
    public PlacementGrip(Placement start, Point2D middle, Point2D from) {
        this(start, middle, middle, from);
    }

    public Placement movedTo(Point2D to) {
        return start.withPosition(start.x() + to.getX() - from.getX(), start.y() + to.getY() - from.getY());
    }

    /** Scaled so that the point held stays as far along as the drag; never below or above what a placement allows. */
    public Placement scaledTo(Point2D to) {
        double before = held().distance(from);
        double factor = before == 0 ? 1 : held().distance(to) / before;
        return aboutHeld(start.scale() * factor, start.degrees());
    }

    /** @param inSteps whether it comes to rest on whole steps of {@link #STEP_DEGREES} only */
    public Placement turnedTo(Point2D to, boolean inSteps) {
        double by = Math.toDegrees(angle(to) - angle(from));
        double degrees = Math.IEEEremainder(start.degrees() + by, 360);
        return aboutHeld(start.scale(), inSteps ? Math.rint(degrees / STEP_DEGREES) * STEP_DEGREES : degrees);
    }

    private Placement aboutHeld(double scale, double degrees) {
        Point2D to = held();
        return Placement.taking(
                        about.getX(), about.getY(), to.getX(), to.getY(), scale, degrees, middle.getX(), middle.getY())
                .withOpacity(start.opacity());
    }

    private double angle(Point2D point) {
        return Math.atan2(point.getY() - held().getY(), point.getX() - held().getX());
    }

    /** Where the point that stays lies when it is placed. */
    private Point2D held() {
        return start.transform(middle.getX(), middle.getY()).transform(about, null);
    }
}
