package chalktrace.core.render;

import chalktrace.core.picture.PictureSize;
import java.awt.Rectangle;
import java.awt.geom.Rectangle2D;

/**
 * What layers paint for.
 *
 * @param size of the shot
 * @param view from shot pixels to device pixels
 * @param rasters drawings that are rasterised already
 */
record Surface(PictureSize size, Viewpoint view, RasterCache rasters) {

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
}
