package chalktrace.core.render;

import chalktrace.core.fill.Bitmap;
import chalktrace.core.fill.ContourTracer;
import chalktrace.core.fill.Contours;
import chalktrace.core.fill.Fill;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.stroke.StrokeOutline;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.Rectangle;
import java.awt.RenderingHints;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferByte;
import java.util.List;

/** What of a stroke lies on paint, found pixel by pixel at twice the picture's fineness. */
public final class PaintedMask {

    private static final double SCALE = 2;
    private static final int HALF_COVERED = 127;
    private static final double SMALLEST_AREA = 12;

    private PaintedMask() {}

    /**
     * @param stroke as it looks on the picture
     * @return the part of the area that it covers which is painted on a level or on the paint of its lines; may be empty
     */
    public static Contours within(Shot shot, String levelId, int frame, Stroke stroke) {
        Shape outline =
                StrokeOutline.of(stroke.curve(), shot.chalk(stroke.chalk()).line(), SCALE);
        Rectangle box = outline.getBounds();
        box.grow(1, 1);
        box = box.intersection(new Rectangle(
                -shot.setup().size().width(),
                -shot.setup().size().height(),
                3 * shot.setup().size().width(),
                3 * shot.setup().size().height()));
        if (box.isEmpty()) {
            return Contours.of(List.of());
        }
        byte[] line = cover(box, graphics -> graphics.fill(outline));
        byte[] paint = cover(box, graphics -> paint(shot, levelId, frame, graphics));
        boolean[] on = new boolean[line.length];
        for (int i = 0; i < on.length; i++) {
            on[i] = (line[i] & 255) > HALF_COVERED && (paint[i] & 255) > HALF_COVERED;
        }
        Bitmap both = new Bitmap((int) (box.width * SCALE), (int) (box.height * SCALE), on);
        return ContourTracer.trace(both, SCALE, box.x, box.y, SMALLEST_AREA);
    }

    private static void paint(Shot shot, String levelId, int frame, Graphics2D graphics) {
        for (Level level : shot.levels()) {
            boolean counts = level.id().equals(levelId)
                    || level.style().paints().filter(levelId::equals).isPresent();
            if (counts) {
                level.exposures().at(frame).ifPresent(run -> level.drawing(run.drawing())
                        .ifPresent(drawing -> drawing.fills().forEach(fill -> fill(shot, run, fill, graphics))));
            }
        }
    }

    private static void fill(Shot shot, Exposure run, Fill fill, Graphics2D graphics) {
        AffineTransform placing = run.placement()
                .transform(
                        shot.setup().size().width() / 2.0, shot.setup().size().height() / 2.0);
        graphics.fill(placing.createTransformedShape(fill.area().path()));
    }

    private interface Painting {
        void on(Graphics2D graphics);
    }

    private static byte[] cover(Rectangle box, Painting painting) {
        BufferedImage image =
                new BufferedImage((int) (box.width * SCALE), (int) (box.height * SCALE), BufferedImage.TYPE_BYTE_GRAY);
        Graphics2D graphics = image.createGraphics();
        graphics.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        graphics.setColor(Color.WHITE);
        graphics.scale(SCALE, SCALE);
        graphics.translate(-box.x, -box.y);
        painting.on(graphics);
        graphics.dispose();
        return ((DataBufferByte) image.getRaster().getDataBuffer()).getData();
    }
}
