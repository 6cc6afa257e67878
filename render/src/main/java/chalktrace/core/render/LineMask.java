package chalktrace.core.render;

import chalktrace.core.fill.Bitmap;
import chalktrace.core.fill.Fill;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Placement;
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
import java.lang.ref.WeakReference;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;

/** Where the lines of some levels stand on a frame, pixel by pixel, for finding the regions that they bound. */
public final class LineMask {

    /** A pixel that a line covers by this much of 255 holds paint back. */
    private static final int HOLDS = 100;

    /** Paint of less luminance looks like ink. */
    private static final double DARK = 0.12;

    private static final double THIN_PX = 8;

    private LineMask() {}

    /** A drawing as it is placed; known by identity and held weakly. */
    private record Shown(WeakReference<Drawing> drawing, Placement placement) {

        boolean is(Shown other) {
            return drawing.get() != null && drawing.get() == other.drawing.get() && placement.equals(other.placement);
        }
    }

    private record Made(List<Shown> shown, boolean paintBounds, List<Chalk> chalks, Bitmap mask) {

        boolean isOf(List<Shown> others, boolean paintToo, List<Chalk> theirs, int width, int height) {
            boolean same = shown.size() == others.size()
                    && paintBounds == paintToo
                    && mask.width() == width
                    && mask.height() == height
                    && chalks.equals(theirs);
            for (int i = 0; same && i < shown.size(); i++) {
                same = shown.get(i).is(others.get(i));
            }
            return same;
        }
    }

    /** One looks at a place of one drawing after the other of it: the latest mask serves them all. */
    private static volatile Made latest;

    /**
     * @param levels whose lines count, by their ids; hidden ones count too
     * @param paintBounds whether dark or thin paint of these levels counts as a line
     * @return a bitmap of the shot's size, pixel for pixel
     */
    public static Bitmap of(Shot shot, int frame, Collection<String> levels, boolean paintBounds) {
        int width = shot.setup().size().width();
        int height = shot.setup().size().height();
        List<Shown> shown = new ArrayList<>();
        for (Level level : shot.levels()) {
            if (levels.contains(level.id())) {
                level.exposures().at(frame).ifPresent(run -> level.drawing(run.drawing())
                        .ifPresent(drawing -> shown.add(new Shown(new WeakReference<>(drawing), run.placement()))));
            }
        }
        Made known = latest;
        if (known != null && known.isOf(shown, paintBounds, shot.chalks(), width, height)) {
            return known.mask;
        }
        Bitmap mask = painted(shot, shown, paintBounds, width, height);
        latest = new Made(shown, paintBounds, shot.chalks(), mask);
        return mask;
    }

    private static Bitmap painted(Shot shot, List<Shown> shown, boolean paintBounds, int width, int height) {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_BYTE_GRAY);
        Graphics2D graphics = image.createGraphics();
        graphics.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        graphics.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
        graphics.setColor(Color.WHITE);
        for (Shown one : shown) {
            Drawing drawing = one.drawing.get();
            if (drawing != null) {
                draw(shot, one.placement, drawing, paintBounds, graphics);
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

    private static void draw(
            Shot shot, Placement placement, Drawing drawing, boolean paintBounds, Graphics2D graphics) {
        AffineTransform placing = placement.transform(
                shot.setup().size().width() / 2.0, shot.setup().size().height() / 2.0);
        for (Stroke stroke : drawing.strokes()) {
            LineShape shape = shot.chalk(stroke.chalk()).line();
            graphics.fill(placing.createTransformedShape(StrokeOutline.of(stroke.curve(), shape, 1)));
        }
        for (Fill fill : drawing.fills()) {
            if (paintBounds && bounds(fill, shot.chalk(fill.chalk()))) {
                graphics.fill(placing.createTransformedShape(fill.area().path()));
            }
        }
    }

    /** Whether paint looks like a line: dark, or thin on the whole. */
    private static boolean bounds(Fill fill, Chalk chalk) {
        double around = 0;
        for (int r = 0; r < fill.area().rings(); r++) {
            double[] ring = fill.area().ring(r);
            for (int i = 0; i < ring.length; i += 2) {
                int j = (i + 2) % ring.length;
                around += Math.hypot(ring[j] - ring[i], ring[j + 1] - ring[i + 1]);
            }
        }
        // A long strip is as wide as twice its area over its edge.
        return chalk.color().luminance() < DARK || 2 * fill.area().area() < THIN_PX * around;
    }
}
