package chalktrace.core.motion;

import chalktrace.core.picture.PictureSize;
import java.awt.geom.AffineTransform;
import java.awt.geom.NoninvertibleTransformException;
import java.awt.geom.Point2D;

/**
 * Between the places of a source as it is seen (upright, pixels square, the corner of the first pixel at 0, 0) and those of its stored pictures (the middle of
 * the first sample at 0, 0).
 */
final class SeenPlace {

    private final AffineTransform toSeen = new AffineTransform();
    private final AffineTransform toStored;

    /** @param turnDegrees how far a stored picture is turned to stand upright, counter-clockwise */
    SeenPlace(PictureSize stored, PictureSize seen, int turnDegrees) {
        boolean onItsSide = turnDegrees % 180 != 0;
        toSeen.translate(seen.width() / 2.0, seen.height() / 2.0);
        toSeen.quadrantRotate(Math.floorMod(-turnDegrees / 90, 4));
        toSeen.scale(
                (double) (onItsSide ? seen.height() : seen.width()) / stored.width(),
                (double) (onItsSide ? seen.width() : seen.height()) / stored.height());
        toSeen.translate(0.5 - stored.width() / 2.0, 0.5 - stored.height() / 2.0);
        try {
            toStored = toSeen.createInverse();
        } catch (NoninvertibleTransformException e) {
            throw new IllegalStateException("sizes are never 0", e);
        }
    }

    Point2D seen(double x, double y) {
        return toSeen.transform(new Point2D.Double(x, y), null);
    }

    Point2D stored(double x, double y) {
        return toStored.transform(new Point2D.Double(x, y), null);
    }
}
