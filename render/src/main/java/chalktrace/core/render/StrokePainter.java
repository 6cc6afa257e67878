package chalktrace.core.render;

import chalktrace.core.fill.Fill;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.DrawingItem;
import chalktrace.core.shot.PastedPicture;
import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.LineShape;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.stroke.StrokeOutline;
import java.awt.AlphaComposite;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.Paint;
import java.awt.Rectangle;
import java.awt.RenderingHints;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;

/** Paints strokes with Java2D. */
final class StrokePainter {

    private static final float DASH_PX = 12;
    private static final float GAP_PX = 6;
    private static final float DOT_GAP_PX = 3;
    private static final float OUTLINE_PX = 1.2f;
    private static final double BROKEN_SHARE = 0.6;
    private static final double DOTTED_SHARE = 0.9;

    /** Something that paints itself, in device pixels. */
    private interface Inked {
        void paint(Graphics2D graphics);
    }

    private StrokePainter() {}

    /** From back to front; of an onion skin only its lines. */
    static Raster paint(
            Drawing drawing,
            Function<String, Chalk> chalks,
            InkLook look,
            AffineTransform toDevice,
            Rectangle surface) {
        List<Inked> inked = new ArrayList<>();
        Rectangle2D covered = new Rectangle2D.Double();
        for (DrawingItem item : drawing.items()) {
            if (item instanceof DrawingItem.Line) {
                covered = joined(
                        covered, line(((DrawingItem.Line) item).stroke(), chalks, look, toDevice, surface, inked));
            } else if (look.isChalk() && item instanceof DrawingItem.Paint) {
                Fill fill = ((DrawingItem.Paint) item).fill();
                Shape shape = toDevice.createTransformedShape(fill.area().path());
                covered = joined(covered, shape);
                Function<String, Color> color = chalk -> color(chalks.apply(chalk), look);
                inked.add(filled(
                        shape,
                        fill.gradient()
                                .map(gradient -> GradientPaints.of(gradient, color, toDevice))
                                .orElseGet(() -> color.apply(fill.chalk()))));
            } else if (look.isChalk() && item instanceof DrawingItem.Picture) {
                PastedPicture picture = ((DrawingItem.Picture) item).picture();
                covered = joined(covered, toDevice.createTransformedShape(picture.edge()));
                inked.add(graphics -> paint(picture, toDevice, graphics));
            }
        }
        return Rasterizer.paint(covered, surface, graphics -> inked.forEach(ink -> ink.paint(graphics)));
    }

    private static Shape line(
            Stroke stroke,
            Function<String, Chalk> chalks,
            InkLook look,
            AffineTransform toDevice,
            Rectangle surface,
            List<Inked> inked) {
        double scale = Math.sqrt(Math.abs(toDevice.getDeterminant()));
        Chalk chalk = chalks.apply(stroke.chalk());
        Shape shape = toDevice.createTransformedShape(
                !look.isSolid() || look.outlines()
                        ? thin(stroke.curve(), chalk.line(), look, scale)
                        : StrokeOutline.of(stroke.curve(), chalk.line(), scale));
        boolean faded = look.isChalk() && chalk.line().faintest() < 1;
        inked.add(
                faded
                        ? faded(
                                stroke,
                                chalk,
                                toDevice,
                                scale,
                                shape.getBounds().intersection(surface))
                        : filled(shape, paint(chalk, look, 1, toDevice)));
        return shape;
    }

    private static Rectangle2D joined(Rectangle2D covered, Shape shape) {
        Rectangle2D bounds = shape.getBounds2D();
        return covered.isEmpty() ? bounds : covered.createUnion(bounds);
    }

    private static Inked filled(Shape shape, Paint paint) {
        return graphics -> {
            graphics.setPaint(paint);
            graphics.fill(shape);
        };
    }

    /** Bands of one opacity each take the place of the fainter ones that they touch, on a sheet of the stroke's own. */
    private static Inked faded(Stroke stroke, Chalk chalk, AffineTransform toDevice, double scale, Rectangle area) {
        area.grow(2, 2);
        return graphics -> {
            BufferedImage sheet = new BufferedImage(area.width, area.height, BufferedImage.TYPE_INT_ARGB_PRE);
            Graphics2D onSheet = sheet.createGraphics();
            onSheet.setRenderingHints(graphics.getRenderingHints());
            onSheet.translate(-area.x, -area.y);
            onSheet.setComposite(AlphaComposite.Src);
            for (StrokeOutline.Band band : StrokeOutline.bands(stroke.curve(), chalk.line(), scale)) {
                onSheet.setPaint(paint(chalk, InkLook.CHALK, band.opacity(), toDevice));
                onSheet.fill(toDevice.createTransformedShape(band.path()));
            }
            onSheet.dispose();
            graphics.drawImage(sheet, area.x, area.y, null);
        };
    }

    private static void paint(PastedPicture picture, AffineTransform toDevice, Graphics2D graphics) {
        PictureSize size = picture.pixels().size();
        BufferedImage image = new BufferedImage(size.width(), size.height(), BufferedImage.TYPE_INT_ARGB);
        image.setRGB(0, 0, size.width(), size.height(), picture.pixels().toArray(), 0, size.width());
        AffineTransform all = new AffineTransform(toDevice);
        all.concatenate(picture.transform());
        graphics.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        graphics.drawImage(image, all, null);
    }

    private static Paint paint(Chalk chalk, InkLook look, double share, AffineTransform toDevice) {
        Color color = color(chalk.withOpacity(chalk.opacity() * share), look);
        boolean dry = look.isChalk() && chalk.line().tip() == LineShape.Tip.DRY;
        return dry ? Grain.of(color, toDevice) : color;
    }

    private static Color color(Chalk chalk, InkLook look) {
        Rgb rgb = look.color(chalk);
        return new Color(rgb.red(), rgb.green(), rgb.blue(), (int) Math.round(255 * look.opacity(chalk)));
    }

    /** The middle line, thin, broken in dashes or dotted, which look the same at every zoom. */
    private static Shape thin(Curve curve, LineShape line, InkLook look, double scale) {
        if (curve.segments() == 0) {
            return StrokeOutline.of(curve, line, scale);
        }
        float onScreen = (float) (1 / scale);
        boolean dotted = look.pattern() == InkLook.Pattern.DOTTED;
        float width = look.outlines()
                ? OUTLINE_PX * onScreen
                : (float) Math.max(line.width() * (dotted ? DOTTED_SHARE : BROKEN_SHARE), OUTLINE_PX * onScreen);
        float[] dashes = dotted
                ? new float[] {0.01f, width + Math.max(width / 2, DOT_GAP_PX * onScreen)}
                : new float[] {DASH_PX * onScreen, GAP_PX * onScreen};
        return new BasicStroke(
                        width,
                        dotted ? BasicStroke.CAP_ROUND : BasicStroke.CAP_BUTT,
                        BasicStroke.JOIN_ROUND,
                        10,
                        look.isSolid() ? null : dashes,
                        0)
                .createStrokedShape(curve.path());
    }
}
