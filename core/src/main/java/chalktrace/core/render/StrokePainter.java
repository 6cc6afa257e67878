package chalktrace.core.render;

import chalktrace.core.fill.Fill;
import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Chalk;
import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.LineShape;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.stroke.StrokeOutline;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Paint;
import java.awt.Rectangle;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;

/** Paints strokes with Java2D. */
final class StrokePainter {

    private static final float DASH_PX = 9;
    private static final float GAP_PX = 6;

    private record Inked(Shape shape, Paint paint) {}

    private StrokePainter() {}

    /** Painted areas first, lines over them; of an onion skin only its lines. */
    static Raster paint(
            List<Fill> fills,
            List<Stroke> strokes,
            Function<String, Chalk> chalks,
            InkLook look,
            AffineTransform toDevice,
            Rectangle surface) {
        double scale = Math.sqrt(Math.abs(toDevice.getDeterminant()));
        List<Inked> inked = new ArrayList<>();
        Rectangle2D covered = new Rectangle2D.Double();
        for (Fill fill : look == InkLook.CHALK ? fills : List.<Fill>of()) {
            Shape shape = toDevice.createTransformedShape(fill.area().path());
            Rectangle2D bounds = shape.getBounds2D();
            covered = covered.isEmpty() ? bounds : covered.createUnion(bounds);
            inked.add(new Inked(shape, color(chalks.apply(fill.chalk()), look)));
        }
        for (Stroke stroke : strokes) {
            Chalk chalk = chalks.apply(stroke.chalk());
            Shape shape = toDevice.createTransformedShape(
                    look.isBroken()
                            ? broken(stroke.curve(), chalk.line(), scale)
                            : StrokeOutline.of(stroke.curve(), chalk.line(), scale));
            Rectangle2D bounds = shape.getBounds2D();
            covered = covered.isEmpty() ? bounds : covered.createUnion(bounds);
            boolean dry = look == InkLook.CHALK && chalk.line().tip() == LineShape.Tip.DRY;
            inked.add(new Inked(shape, dry ? Grain.of(color(chalk, look), toDevice) : color(chalk, look)));
        }
        return Rasterizer.paint(covered, surface, graphics -> {
            for (Inked ink : inked) {
                graphics.setPaint(ink.paint);
                graphics.fill(ink.shape);
            }
        });
    }

    private static Color color(Chalk chalk, InkLook look) {
        Rgb rgb = look.color(chalk);
        return new Color(rgb.red(), rgb.green(), rgb.blue(), (int) Math.round(255 * look.opacity(chalk)));
    }

    /** The middle line in dashes that look the same at every zoom. */
    private static Shape broken(Curve curve, LineShape line, double scale) {
        if (curve.segments() == 0) {
            return StrokeOutline.of(curve, line, scale);
        }
        float onScreen = (float) (1 / scale);
        return new BasicStroke(
                        (float) Math.max(line.width() * 0.6, 1.2 * onScreen),
                        BasicStroke.CAP_BUTT,
                        BasicStroke.JOIN_ROUND,
                        10,
                        new float[] {DASH_PX * onScreen, GAP_PX * onScreen},
                        0)
                .createStrokedShape(curve.path());
    }
}
