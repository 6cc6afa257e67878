package chalktrace.media.file;

import chalktrace.core.edit.DrawingPiece;
import chalktrace.core.fill.Contours;
import chalktrace.core.fill.Fill;
import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.PastedPicture;
import chalktrace.core.stroke.LineShape;
import chalktrace.core.stroke.Stroke;
import com.github.weisj.jsvg.renderer.output.Output;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.Image;
import java.awt.MultipleGradientPaint;
import java.awt.Paint;
import java.awt.RenderingHints;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.awt.image.ImageObserver;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;

/** Takes down what an SVG renderer draws, as strokes, painted areas and pictures. */
final class ShapeTaker implements Output {

    /** More kinds of lines and colours than this share chalks. */
    private static final int MOST_CHALKS = 48;

    /** What is shared by all outputs of one drawing. */
    private static final class Taken {
        private final List<Stroke> strokes = new ArrayList<>();
        private final List<Fill> fills = new ArrayList<>();
        private final List<PastedPicture> pictures = new ArrayList<>();
        private final List<Chalk> chalks = new ArrayList<>();
    }

    private final Taken taken;
    private AffineTransform transform;
    private java.awt.Stroke stroke = new BasicStroke();
    private Paint paint = Color.BLACK;
    private float opacity = 1;

    ShapeTaker() {
        this.taken = new Taken();
        this.transform = new AffineTransform();
    }

    private ShapeTaker(ShapeTaker parent) {
        taken = parent.taken;
        transform = new AffineTransform(parent.transform);
        stroke = parent.stroke;
        paint = parent.paint;
        opacity = parent.opacity;
    }

    DrawingPiece piece() {
        return new DrawingPiece(taken.strokes, taken.fills, taken.pictures);
    }

    List<Chalk> chalks() {
        return taken.chalks;
    }

    @Override
    public void fillShape(Shape shape) {
        Shape placed = transform.createTransformedShape(shape);
        PathShapes.checkPlaces(placed);
        List<double[]> rings = PathShapes.rings(PathShapes.evenOdd(placed));
        if (!rings.isEmpty() && alpha() > 0) {
            taken.fills.add(new Fill(chalk(Chalk.Role.PAINT, LineShape.round(1)), Contours.of(rings)));
        }
    }

    @Override
    public void drawShape(Shape shape) {
        Shape placed = transform.createTransformedShape(shape);
        PathShapes.checkPlaces(placed);
        double width = stroke instanceof BasicStroke ? ((BasicStroke) stroke).getLineWidth() : 1;
        double wide = width * Math.sqrt(Math.abs(transform.getDeterminant()));
        if (!(wide > 0) || alpha() == 0) {
            return;
        }
        LineShape line = new LineShape(Math.min(LineShape.WIDEST, Math.max(0.1, wide)), 1, 0, LineShape.Tip.ROUND);
        String chalk = chalk(Chalk.Role.LINE, line);
        PathShapes.curves(placed).forEach(curve -> taken.strokes.add(new Stroke(chalk, curve)));
    }

    @Override
    public void drawImage(BufferedImage image) {
        drawImage(image, new AffineTransform(), null);
    }

    @Override
    public void drawImage(Image image, ImageObserver observer) {
        drawImage(image, new AffineTransform(), observer);
    }

    @Override
    public void drawImage(Image image, AffineTransform change, ImageObserver observer) {
        if (image instanceof BufferedImage
                && Math.max(image.getWidth(null), image.getHeight(null)) <= PngPixels.LARGEST) {
            AffineTransform all = new AffineTransform(transform);
            all.concatenate(change);
            taken.pictures.add(PastedPicture.at(PngPixels.of((BufferedImage) image), 0, 0, 1)
                    .transformed(all));
        }
    }

    /** The id of the chalk for what is drawn now; new ones are described. */
    private String chalk(Chalk.Role role, LineShape line) {
        Rgb color = color();
        double strength = Math.round(alpha() * 100) / 100.0;
        Chalk nearest = null;
        double closest = Double.MAX_VALUE;
        for (Chalk known : taken.chalks) {
            boolean same = known.color().equals(color)
                    && known.role() == role
                    && known.opacity() == strength
                    && Math.abs(known.width() - line.width()) < 0.05;
            if (same) {
                return known.id();
            }
            double away = Math.abs(known.color().red() - color.red())
                    + Math.abs(known.color().green() - color.green())
                    + Math.abs(known.color().blue() - color.blue())
                    + 8 * Math.abs(known.width() - line.width());
            if (known.role() == role && away < closest) {
                closest = away;
                nearest = known;
            }
        }
        if (taken.chalks.size() >= MOST_CHALKS && nearest != null) {
            return nearest.id();
        }
        String id = "svg-" + (taken.chalks.size() + 1);
        taken.chalks.add(new Chalk(id, color.hex(), color, line, strength, role));
        return id;
    }

    private Rgb color() {
        Color now = paint instanceof Color
                ? (Color) paint
                : paint instanceof MultipleGradientPaint ? ((MultipleGradientPaint) paint).getColors()[0] : Color.GRAY;
        return new Rgb(now.getRed(), now.getGreen(), now.getBlue());
    }

    private double alpha() {
        return opacity * (paint instanceof Color ? ((Color) paint).getAlpha() / 255.0 : 1);
    }

    @Override
    public void setPaint(Paint newPaint) {
        paint = newPaint;
    }

    @Override
    public void setPaint(Supplier<Paint> newPaint) {
        paint = newPaint.get();
    }

    @Override
    public void setStroke(java.awt.Stroke newStroke) {
        stroke = newStroke;
    }

    @Override
    public java.awt.Stroke stroke() {
        return stroke;
    }

    @Override
    public void applyClip(Shape clip) {}

    @Override
    public void setClip(Shape clip) {}

    @Override
    public Optional<Float> contextFontSize() {
        return Optional.empty();
    }

    @Override
    public Output createChild() {
        return new ShapeTaker(this);
    }

    @Override
    public void dispose() {}

    @Override
    public void debugPaint(Consumer<Graphics2D> painter) {}

    @Override
    public Rectangle2D clipBounds() {
        return new Rectangle2D.Double(
                -PathShapes.FARTHEST, -PathShapes.FARTHEST, 2 * PathShapes.FARTHEST, 2 * PathShapes.FARTHEST);
    }

    @Override
    public RenderingHints renderingHints() {
        return new RenderingHints(null);
    }

    @Override
    public Object renderingHint(RenderingHints.Key key) {
        return null;
    }

    @Override
    public void setRenderingHint(RenderingHints.Key key, Object value) {}

    @Override
    public AffineTransform transform() {
        return new AffineTransform(transform);
    }

    @Override
    public void setTransform(AffineTransform newTransform) {
        transform = new AffineTransform(newTransform);
    }

    @Override
    public void applyTransform(AffineTransform change) {
        transform.concatenate(change);
    }

    @Override
    public void rotate(double angle) {
        transform.rotate(angle);
    }

    @Override
    public void scale(double x, double y) {
        transform.scale(x, y);
    }

    @Override
    public void translate(double x, double y) {
        transform.translate(x, y);
    }

    @Override
    public float currentOpacity() {
        return opacity;
    }

    @Override
    public void applyOpacity(float share) {
        opacity *= share;
    }

    @Override
    public SafeState safeState() {
        ShapeTaker before = new ShapeTaker(this);
        return () -> {
            transform = before.transform;
            stroke = before.stroke;
            paint = before.paint;
            opacity = before.opacity;
        };
    }

    @Override
    public boolean supportsFilters() {
        return false;
    }

    @Override
    public boolean supportsColors() {
        return true;
    }
}
