package chalktrace.app.board.pen.tablet;

import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;

/**
 * From places of the tablet to places of the screen.
 *
 * @param screen in the screen's own places
 * @param tabletShape the tablet's width over its height
 * @param keepsShape whether a circle stays one: then only a part of the tablet, as wide and as high as it goes, is the screen
 */
public record TabletMapping(Rectangle2D screen, double tabletShape, boolean keepsShape) {

    /** @param across 0 to 1, @param down 0 to 1 */
    public Point2D toScreen(double across, double down) {
        double usedX = 1;
        double usedY = 1;
        double screenShape = screen.getWidth() / screen.getHeight();
        if (keepsShape && tabletShape > screenShape) {
            usedX = screenShape / tabletShape;
        } else if (keepsShape && tabletShape > 0) {
            usedY = tabletShape / screenShape;
        }
        double x = held((across - (1 - usedX) / 2) / usedX);
        double y = held((down - (1 - usedY) / 2) / usedY);
        return new Point2D.Double(screen.getX() + x * screen.getWidth(), screen.getY() + y * screen.getHeight());
    }

    private static double held(double share) {
        return Math.max(0, Math.min(1, share));
    }
}
