package chalktrace.core.render;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Region;
import java.awt.geom.AffineTransform;
import java.awt.geom.NoninvertibleTransformException;
import java.awt.geom.Point2D;
import java.util.Optional;

/** Where the places of a source, as it is seen upright, come to lie on the picture of a shot. */
public final class SourcePlace {

    private final AffineTransform toShot;

    private SourcePlace(AffineTransform toShot) {
        this.toShot = toShot;
    }

    /** @param seen the size of the whole source, upright @param region the part of it that is shown */
    public static SourcePlace of(Footage footage, PictureSize seen, Region region, PictureSize shot) {
        return new SourcePlace(transform(footage.placement(), footage.mirrored(), seen, region, shot));
    }

    /** From px of the source, its corner at 0, 0, to px of the shot: the shown part as large as fits, in the middle, then placed. */
    static AffineTransform transform(
            Placement placement, boolean mirrored, PictureSize seen, Region region, PictureSize shot) {
        double middleX = shot.width() / 2.0;
        double middleY = shot.height() / 2.0;
        double fit = Math.min(
                shot.width() / (seen.width() * region.width()), shot.height() / (seen.height() * region.height()));
        AffineTransform transform = placement.transform(middleX, middleY);
        transform.translate(middleX, middleY);
        transform.scale(mirrored ? -fit : fit, fit);
        transform.translate(
                -(region.x() + region.width() / 2) * seen.width(), -(region.y() + region.height() / 2) * seen.height());
        return transform;
    }

    public Point2D toShot(double x, double y) {
        return toShot.transform(new Point2D.Double(x, y), null);
    }

    /** Empty where the footage has no extent. */
    public Optional<Point2D> toSource(double x, double y) {
        try {
            return Optional.of(toShot.inverseTransform(new Point2D.Double(x, y), null));
        } catch (NoninvertibleTransformException e) {
            return Optional.empty();
        }
    }

    /** How many px of the shot a px of the source is. */
    public double scale() {
        return Math.sqrt(Math.abs(toShot.getDeterminant()));
    }
}
