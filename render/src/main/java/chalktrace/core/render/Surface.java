package chalktrace.core.render;

import chalktrace.core.picture.PictureSize;
import java.awt.Rectangle;
import java.awt.geom.AffineTransform;
import java.awt.geom.NoninvertibleTransformException;
import java.awt.geom.Rectangle2D;

/**
 * What layers paint for.
 *
 * @param size of the shot
 * @param view from shot pixels to device pixels
 * @param rasters drawings that are rasterised already
 * @param haste what it is composed for
 */
record Surface(PictureSize size, Viewpoint view, RasterCache rasters, Haste haste) {

    /** Whether what is at hand of a drawing, made for another view, serves for now. */
    boolean quick() {
        return haste == Haste.MOVED;
    }

    /** The device pixels whose middle lies on the picture; for a turned view, the box around them. */
    Rectangle picture() {
        Rectangle2D edge = view.toDevice()
                .createTransformedShape(new Rectangle2D.Double(0, 0, size.width(), size.height()))
                .getBounds2D();
        int left = (int) Math.ceil(edge.getMinX() - 0.5);
        int top = (int) Math.ceil(edge.getMinY() - 0.5);
        return new Rectangle(
                left, top, (int) Math.ceil(edge.getMaxX() - 0.5) - left, (int) Math.ceil(edge.getMaxY() - 0.5) - top);
    }

    /** The device pixels of a row whose middle lies on the picture: the first, and the one after the last. */
    int[] columnsOfPicture(int row) {
        AffineTransform toShot = inverse();
        double low = Double.NEGATIVE_INFINITY;
        double high = Double.POSITIVE_INFINITY;
        double[] atStart = {0.5, row + 0.5};
        toShot.transform(atStart, 0, atStart, 0, 1);
        double[] step = {toShot.getScaleX(), toShot.getShearY()};
        double[] end = {size.width(), size.height()};
        for (int axis = 0; axis < 2; axis++) {
            // Along a row each coordinate of the shot grows evenly; a turn of nearly nothing counts as none.
            if (Math.abs(step[axis]) < 1e-12) {
                if (atStart[axis] < 0 || atStart[axis] >= end[axis]) {
                    return new int[] {0, 0};
                }
                continue;
            }
            double a = -atStart[axis] / step[axis];
            double b = (end[axis] - atStart[axis]) / step[axis];
            low = Math.max(low, Math.min(a, b));
            high = Math.min(high, Math.max(a, b));
        }
        return high <= low ? new int[] {0, 0} : new int[] {(int) Math.ceil(low), (int) Math.ceil(high)};
    }

    private AffineTransform inverse() {
        try {
            return view.toDevice().createInverse();
        } catch (NoninvertibleTransformException e) {
            throw new AssertionError("a viewpoint's scale is never 0", e);
        }
    }
}
