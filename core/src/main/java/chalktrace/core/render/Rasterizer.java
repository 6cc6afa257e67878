package chalktrace.core.render;

import java.awt.Graphics2D;
import java.awt.Rectangle;
import java.awt.RenderingHints;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
import java.util.function.Consumer;

/** Runs Java2D on the part of a surface that a painting covers. */
final class Rasterizer {

    private Rasterizer() {}

    /**
     * @param covered what the painting may touch, in device pixels; it is cut to {@code surface}
     * @param painting draws in device pixels
     */
    static Raster paint(Rectangle2D covered, Rectangle surface, Consumer<Graphics2D> painting) {
        if (covered.isEmpty()) {
            return Raster.NOTHING;
        }
        // A pixel more on each side takes in the soft edge.
        Rectangle area = new Rectangle(covered.getBounds());
        area.grow(1, 1);
        area = area.intersection(surface);
        if (area.isEmpty()) {
            return Raster.NOTHING;
        }
        BufferedImage image = new BufferedImage(area.width, area.height, BufferedImage.TYPE_INT_ARGB_PRE);
        Graphics2D graphics = image.createGraphics();
        try {
            graphics.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
            graphics.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
            graphics.translate(-area.x, -area.y);
            painting.accept(graphics);
        } finally {
            graphics.dispose();
        }
        return new Raster(
                area.x,
                area.y,
                area.width,
                area.height,
                ((DataBufferInt) image.getRaster().getDataBuffer()).getData());
    }
}
