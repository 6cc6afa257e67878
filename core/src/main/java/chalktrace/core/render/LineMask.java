package chalktrace.core.render;

import chalktrace.core.fill.Bitmap;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.LineShape;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.stroke.StrokeOutline;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferByte;
import java.util.Collection;

/** Where the lines of some levels stand on a frame, pixel by pixel, for finding the regions that they bound. */
public final class LineMask {

    /** A pixel that a line covers by this much of 255 holds paint back. */
    private static final int HOLDS = 100;

    private LineMask() {}

    /**
     * @param levels whose lines count, by their ids; hidden ones count too
     * @return a bitmap of the shot's size, pixel for pixel
     */
    public static Bitmap of(Shot shot, int frame, Collection<String> levels) {
        int width = shot.setup().size().width();
        int height = shot.setup().size().height();
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_BYTE_GRAY);
        Graphics2D graphics = image.createGraphics();
        graphics.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        graphics.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
        graphics.setColor(Color.WHITE);
        for (Level level : shot.levels()) {
            if (levels.contains(level.id())) {
                level.exposures().at(frame).ifPresent(run -> level.drawing(run.drawing())
                        .ifPresent(drawing -> draw(shot, run, drawing, graphics)));
            }
        }
        graphics.dispose();
        byte[] cover = ((DataBufferByte) image.getRaster().getDataBuffer()).getData();
        boolean[] on = new boolean[cover.length];
        for (int i = 0; i < on.length; i++) {
            on[i] = (cover[i] & 255) > HOLDS;
        }
        return new Bitmap(width, height, on);
    }

    private static void draw(Shot shot, Exposure run, Drawing drawing, Graphics2D graphics) {
        AffineTransform placing = run.placement()
                .transform(
                        shot.setup().size().width() / 2.0, shot.setup().size().height() / 2.0);
        for (Stroke stroke : drawing.strokes()) {
            LineShape shape = shot.chalk(stroke.chalk()).line();
            graphics.fill(placing.createTransformedShape(StrokeOutline.of(stroke.curve(), shape, 1)));
        }
    }
}
