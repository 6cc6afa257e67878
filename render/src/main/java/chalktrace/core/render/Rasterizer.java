package chalktrace.core.render;

import java.awt.Graphics2D;
import java.awt.Rectangle;
import java.awt.RenderingHints;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
import java.lang.ref.SoftReference;
import java.util.Arrays;
import java.util.function.Consumer;

/** Runs Java2D on the part of a surface that a painting covers. */
final class Rasterizer {

    /** Each thread paints into one image, which it leaves clear, instead of making one for each painting. */
    private static final ThreadLocal<SoftReference<BufferedImage>> SCRATCH =
            ThreadLocal.withInitial(() -> new SoftReference<>(null));

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
        BufferedImage image = scratch(area.width, area.height);
        int[] pixels = ((DataBufferInt) image.getRaster().getDataBuffer()).getData();
        Graphics2D graphics = image.createGraphics();
        try {
            graphics.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
            graphics.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
            graphics.clipRect(0, 0, area.width, area.height);
            graphics.translate(-area.x, -area.y);
            painting.accept(graphics);
        } finally {
            graphics.dispose();
        }
        Raster raster = Raster.of(area, pixels, image.getWidth());
        for (int y = 0; y < area.height; y++) {
            Arrays.fill(pixels, y * image.getWidth(), y * image.getWidth() + area.width, 0);
        }
        return raster;
    }

    /** An image of at least a size, all clear. */
    private static BufferedImage scratch(int width, int height) {
        BufferedImage image = SCRATCH.get().get();
        if (image == null || image.getWidth() < width || image.getHeight() < height) {
            int w = Math.max(width, image == null ? 0 : image.getWidth());
            int h = Math.max(height, image == null ? 0 : image.getHeight());
            image = new BufferedImage(w, h, BufferedImage.TYPE_INT_ARGB_PRE);
            SCRATCH.set(new SoftReference<>(image));
        }
        return image;
    }
}
