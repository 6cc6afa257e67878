package chalktrace.media.file;

import chalktrace.core.edit.selection.DrawingPiece;
import chalktrace.core.fill.Contours;
import chalktrace.core.fill.Fill;
import chalktrace.core.fill.Gradient;
import chalktrace.core.picture.Pixels;
import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.DrawingItem;
import chalktrace.core.shot.PastedPicture;
import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.LineEnds;
import chalktrace.core.stroke.LineShape;
import chalktrace.core.stroke.Stroke;
import com.github.weisj.jsvg.renderer.output.Output;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.Image;
import java.awt.LinearGradientPaint;
import java.awt.MultipleGradientPaint;
import java.awt.Paint;
import java.awt.RadialGradientPaint;
import java.awt.RenderingHints;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.Area;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.awt.geom.RoundRectangle2D;
import java.awt.image.BufferedImage;
import java.awt.image.ImageObserver;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;

/** Takes down what an SVG renderer draws, as strokes, painted areas and pictures. */
final class ShapeTaker implements Output {

    /** More kinds of lines and colours than this share chalks, which is told. */
    private static final int MOST_CHALKS = 1000;

    /** A line that is scaled by this much more in one direction than in the other has two widths: it is kept as paint. */
    private static final double UNEVEN = 1.02;

    /** In shares of a picture's sides. */
    private static final double HAIR = 1e-3;

    private static final double THINNEST = 0.01;

    /** Widths that differ by less, in shares, are one. */
    private static final double SAME_WIDTH = 0.005;

    /** What is shared by all outputs of one drawing. */
    private static final class Taken {
        private final Rectangle2D edge;
        private final List<DrawingItem> items = new ArrayList<>();
        private final List<Chalk> chalks = new ArrayList<>();
        private final Map<ImportedDrawing.Loss, Integer> losses = new EnumMap<>(ImportedDrawing.Loss.class);
        private final Map<BufferedImage, Map<Float, Pixels>> pictures = new IdentityHashMap<>();
        private long pixelCount;

        private Taken(Rectangle2D edge) {
            this.edge = edge;
        }

        /** Of a picture that is shown more than once with one opacity the same; null where all would be too many. */
        private Pixels pixels(BufferedImage image, float opacity) {
            Pixels known = pictures.getOrDefault(image, Map.of()).get(opacity);
            long more = (long) image.getWidth() * image.getHeight();
            if (known != null || pixelCount + more > PngPixels.MOST) {
                return known;
            }
            pixelCount += more;
            Pixels pixels = PngPixels.of(image, opacity);
            pictures.computeIfAbsent(image, key -> new HashMap<>()).put(opacity, pixels);
            return pixels;
        }

        private void lost(ImportedDrawing.Loss what) {
            losses.merge(what, 1, Integer::sum);
        }
    }

    private final Taken taken;
    private AffineTransform transform;
    private java.awt.Stroke stroke = new BasicStroke();
    private Paint paint = Color.BLACK;
    private float opacity = 1;

    /** In the drawing's own places; null for everywhere. */
    private Area clip;

    /** @param edge of the drawing, in its pixels: by itself it cuts nothing off, as a level has none */
    ShapeTaker(Rectangle2D edge) {
        this.taken = new Taken(edge);
        this.transform = new AffineTransform();
    }

    private ShapeTaker(ShapeTaker parent) {
        taken = parent.taken;
        transform = new AffineTransform(parent.transform);
        stroke = parent.stroke;
        paint = parent.paint;
        opacity = parent.opacity;
        clip = parent.clip;
    }

    DrawingPiece piece() {
        return new DrawingPiece(taken.items);
    }

    List<Chalk> chalks() {
        return taken.chalks;
    }

    /** What could not be kept as it is, and how often. */
    Map<ImportedDrawing.Loss, Integer> losses() {
        return taken.losses;
    }

    @Override
    public void fillShape(Shape shape) {
        paint(transform.createTransformedShape(shape));
    }

    /** @param placed in the drawing's own places */
    private void paint(Shape placed) {
        PathShapes.checkPlaces(placed);
        if (alpha() == 0) {
            return;
        }
        List<double[]> rings = PathShapes.rings(PathShapes.evenOdd(clipped(placed)));
        if (rings.isEmpty()) {
            return;
        }
        Contours area = Contours.of(rings);
        taken.items.add(new DrawingItem.Paint(gradient()
                .map(gradient -> Fill.of(area, gradient))
                .orElseGet(() -> new Fill(chalk(Chalk.Role.PAINT, LineShape.round(1)), area))));
    }

    private Shape clipped(Shape placed) {
        if (clip == null || clip.contains(placed.getBounds2D())) {
            return placed;
        }
        Area left = new Area(placed);
        left.intersect(clip);
        return left;
    }

    @Override
    public void drawShape(Shape given) {
        Shape shape = given instanceof RoundRectangle2D ? PathShapes.fromUpperLeft((RoundRectangle2D) given) : given;
        Shape placed = transform.createTransformedShape(shape);
        PathShapes.checkPlaces(placed);
        if (alpha() == 0) {
            return;
        }
        BasicStroke basic = stroke instanceof BasicStroke ? (BasicStroke) stroke : new BasicStroke();
        double scale = Math.sqrt(Math.abs(transform.getDeterminant()));
        double wide = basic.getLineWidth() * scale;
        if (!(wide > 0)) {
            return;
        }
        Rectangle2D reach = placed.getBounds2D();
        double margin = wide * Math.max(1, basic.getMiterLimit());
        reach.setRect(
                reach.getX() - margin,
                reach.getY() - margin,
                reach.getWidth() + 2 * margin,
                reach.getHeight() + 2 * margin);
        boolean isClipped = clip != null && !clip.contains(reach);
        List<Curve> curves = PathShapes.curves(placed);
        if (paint instanceof MultipleGradientPaint
                || wide > LineShape.WIDEST
                || isUneven()
                || isClipped
                || alpha() < 1 && meet(curves, margin / 2)) {
            paint(transform.createTransformedShape(basic.createStrokedShape(shape)));
            return;
        }
        LineShape line =
                new LineShape(Math.max(THINNEST, wide), 1, 0, LineShape.Tip.ROUND).withEnds(ends(basic, scale));
        String chalk = chalk(Chalk.Role.LINE, line);
        curves.forEach(curve -> taken.items.add(new DrawingItem.Line(new Stroke(chalk, curve))));
    }

    /** Whether pieces of one line may cover each other, where they would be seen twice if each were a line of its own. */
    private static boolean meet(List<Curve> pieces, double margin) {
        List<Rectangle2D> seen = new ArrayList<>();
        for (Curve piece : pieces) {
            Rectangle2D box = piece.path().getBounds2D();
            box.setRect(
                    box.getX() - margin,
                    box.getY() - margin,
                    box.getWidth() + 2 * margin,
                    box.getHeight() + 2 * margin);
            if (seen.stream().anyMatch(box::intersects)) {
                return true;
            }
            seen.add(box);
        }
        return false;
    }

    /** Whether lines come out wider in one direction than in the other. */
    private boolean isUneven() {
        double a = transform.getScaleX();
        double b = transform.getShearY();
        double c = transform.getShearX();
        double d = transform.getScaleY();
        // The singular values of the linear part, by their sum and difference.
        double sum = Math.hypot(a + d, b - c);
        double difference = Math.hypot(a - d, b + c);
        double least = Math.abs(sum - difference) / 2;
        return (sum + difference) / 2 > UNEVEN * least;
    }

    private static LineEnds ends(BasicStroke stroke, double scale) {
        List<Double> dashes = new ArrayList<>();
        if (stroke.getDashArray() != null) {
            for (float dash : stroke.getDashArray()) {
                dashes.add(rounded(dash * scale));
            }
            if (dashes.size() % 2 == 1) {
                dashes.addAll(List.copyOf(dashes));
            }
        }
        boolean drawable =
                dashes.size() <= 64 && dashes.stream().mapToDouble(d -> d).sum() > 0;
        return new LineEnds(
                stroke.getEndCap() == BasicStroke.CAP_ROUND
                        ? LineEnds.Cap.ROUND
                        : stroke.getEndCap() == BasicStroke.CAP_SQUARE ? LineEnds.Cap.SQUARE : LineEnds.Cap.BUTT,
                stroke.getLineJoin() == BasicStroke.JOIN_ROUND
                        ? LineEnds.Join.ROUND
                        : stroke.getLineJoin() == BasicStroke.JOIN_BEVEL ? LineEnds.Join.BEVEL : LineEnds.Join.MITER,
                Math.max(1, Math.min(1000, stroke.getMiterLimit())),
                drawable ? dashes : List.of(),
                drawable ? rounded(Math.max(-1e6, Math.min(1e6, stroke.getDashPhase() * scale))) : 0);
    }

    private static double rounded(double length) {
        return Math.rint(length * 1000) / 1000 + 0.0;
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
        Pixels pixels = image instanceof BufferedImage ? taken.pixels((BufferedImage) image, opacity) : null;
        if (pixels == null) {
            taken.lost(ImportedDrawing.Loss.PICTURE);
            return;
        }
        AffineTransform all = new AffineTransform(transform);
        all.concatenate(change);
        taken.items.add(
                new DrawingItem.Picture(PastedPicture.at(pixels, 0, 0, 1).transformed(all)));
        if (isCut(image, all)) {
            taken.lost(ImportedDrawing.Loss.PICTURE_NOT_CLIPPED);
        }
    }

    /** Whether the clip hides more of a picture than a hair of its edge. */
    private boolean isCut(Image image, AffineTransform place) {
        if (clip == null) {
            return false;
        }
        double width = image.getWidth(null);
        double height = image.getHeight(null);
        Area hidden = new Area(place.createTransformedShape(
                new Rectangle2D.Double(HAIR * width, HAIR * height, (1 - 2 * HAIR) * width, (1 - 2 * HAIR) * height)));
        hidden.subtract(clip);
        return !hidden.isEmpty();
    }

    /** The id of the chalk for what is drawn now; new ones are described. */
    private String chalk(Chalk.Role role, LineShape line) {
        return chalk(role, line, color(), alpha());
    }

    private String chalk(Chalk.Role role, LineShape line, Rgb color, double alpha) {
        double strength = Math.round(alpha * 100) / 100.0;
        Chalk nearest = null;
        double closest = Double.MAX_VALUE;
        for (Chalk known : taken.chalks) {
            boolean same = known.color().equals(color)
                    && known.role() == role
                    && known.opacity() == strength
                    && known.line().ends().equals(line.ends())
                    && Math.abs(known.width() - line.width()) < SAME_WIDTH * line.width();
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
            taken.lost(ImportedDrawing.Loss.COLOUR);
            return nearest.id();
        }
        String id = "svg-" + (taken.chalks.size() + 1);
        taken.chalks.add(new Chalk(id, color.hex(), color, line, strength, role));
        return id;
    }

    private Rgb color() {
        return rgb(plain());
    }

    private static Rgb rgb(Color color) {
        return new Rgb(color.getRed(), color.getGreen(), color.getBlue());
    }

    /** The gradient that is painted with now, with a chalk for each of its stops; empty where it is none that is kept. */
    private Optional<Gradient> gradient() {
        if (!(paint instanceof MultipleGradientPaint)) {
            return Optional.empty();
        }
        MultipleGradientPaint now = (MultipleGradientPaint) paint;
        AffineTransform place = new AffineTransform(transform);
        place.concatenate(now.getTransform());
        double focusX = 0;
        double focusY = 0;
        if (now instanceof LinearGradientPaint) {
            Point2D start = ((LinearGradientPaint) now).getStartPoint();
            Point2D end = ((LinearGradientPaint) now).getEndPoint();
            double dx = end.getX() - start.getX();
            double dy = end.getY() - start.getY();
            place.concatenate(new AffineTransform(dx, dy, -dy, dx, start.getX(), start.getY()));
        } else {
            RadialGradientPaint radial = (RadialGradientPaint) now;
            Point2D middle = radial.getCenterPoint();
            double radius = radial.getRadius();
            focusX = (radial.getFocusPoint().getX() - middle.getX()) / radius;
            focusY = (radial.getFocusPoint().getY() - middle.getY()) / radius;
            double out = Math.max(1, Math.hypot(focusX, focusY) + 1e-9);
            focusX /= out;
            focusY /= out;
            place.concatenate(new AffineTransform(radius, 0, 0, radius, middle.getX(), middle.getY()));
        }
        Color[] colors = now.getColors();
        List<Double> numbers = Gradient.numbers(place);
        if (colors.length > Gradient.MOST_STOPS || !numbers.stream().allMatch(Double::isFinite)) {
            return Optional.empty();
        }
        List<Gradient.Stop> stops = new ArrayList<>();
        int last = colors.length - 1;
        for (int i = 0; i <= last; i++) {
            // Java wants stops at both ends; those that only repeat their neighbour's colour are not of the drawing.
            boolean added = i == 0 && colors[0].equals(colors[1])
                    || i == last && last > 1 && colors[last].equals(colors[last - 1]);
            if (added && last > 1) {
                continue;
            }
            double alpha = opacity * colors[i].getAlpha() / 255.0;
            String chalk = chalk(Chalk.Role.PAINT, LineShape.round(1), rgb(colors[i]), alpha);
            stops.add(new Gradient.Stop(Math.max(0, Math.min(1, now.getFractions()[i])), chalk));
        }
        Gradient.Spread spread = now.getCycleMethod() == MultipleGradientPaint.CycleMethod.NO_CYCLE
                ? Gradient.Spread.PAD
                : now.getCycleMethod() == MultipleGradientPaint.CycleMethod.REFLECT
                        ? Gradient.Spread.REFLECT
                        : Gradient.Spread.REPEAT;
        Gradient.Kind kind = now instanceof LinearGradientPaint ? Gradient.Kind.LINEAR : Gradient.Kind.RADIAL;
        return Optional.of(new Gradient(kind, stops, spread, focusX, focusY, numbers));
    }

    /** The colour, or of a gradient the average of what it shows from its first stop to its last. */
    private Color plain() {
        if (paint instanceof Color) {
            return (Color) paint;
        }
        if (!(paint instanceof MultipleGradientPaint)) {
            taken.lost(ImportedDrawing.Loss.PATTERN);
            return Color.GRAY;
        }
        taken.lost(ImportedDrawing.Loss.GRADIENT);
        double[] mean = mean((MultipleGradientPaint) paint);
        double alpha = Math.max(1e-6, mean[3]);
        return new Color(part(mean[0] / alpha), part(mean[1] / alpha), part(mean[2] / alpha));
    }

    /** Red, green and blue times alpha, 0 to 255, and alpha, 0 to 1, from a gradient's first stop to its last in the mean. */
    private static double[] mean(MultipleGradientPaint gradient) {
        Color[] colors = gradient.getColors();
        float[] stops = gradient.getFractions();
        double[] sum = new double[4];
        for (int i = 0; i < colors.length; i++) {
            // Between two stops each counts for half; before the first and after the last, it alone.
            double from = i == 0 ? 0 : (stops[i - 1] + stops[i]) / 2;
            double to = i == colors.length - 1 ? 1 : (stops[i] + stops[i + 1]) / 2;
            double alpha = (to - from) * colors[i].getAlpha() / 255;
            sum[0] += alpha * colors[i].getRed();
            sum[1] += alpha * colors[i].getGreen();
            sum[2] += alpha * colors[i].getBlue();
            sum[3] += alpha;
        }
        return sum;
    }

    private static int part(double value) {
        return (int) Math.max(0, Math.min(255, Math.round(value)));
    }

    private double alpha() {
        if (paint instanceof Color) {
            return opacity * ((Color) paint).getAlpha() / 255.0;
        }
        return opacity * (paint instanceof MultipleGradientPaint ? mean((MultipleGradientPaint) paint)[3] : 1);
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
    public void applyClip(Shape shape) {
        Area more = new Area(transform.createTransformedShape(shape));
        if (cutsNothing(more)) {
            return;
        }
        if (clip != null) {
            more.intersect(clip);
        }
        clip = more;
    }

    @Override
    public void setClip(Shape shape) {
        clip = shape == null ? null : new Area(transform.createTransformedShape(shape));
        if (clip != null && cutsNothing(clip)) {
            clip = null;
        }
    }

    private boolean cutsNothing(Area area) {
        Rectangle2D box = area.getBounds2D();
        double slack = 1e-3 * Math.max(1, Math.max(taken.edge.getWidth(), taken.edge.getHeight()));
        return area.isRectangular()
                && box.getMinX() <= taken.edge.getMinX() + slack
                && box.getMinY() <= taken.edge.getMinY() + slack
                && box.getMaxX() >= taken.edge.getMaxX() - slack
                && box.getMaxY() >= taken.edge.getMaxY() - slack;
    }

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
            clip = before.clip;
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
