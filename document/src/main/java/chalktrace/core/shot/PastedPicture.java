package chalktrace.core.shot;

import chalktrace.core.picture.Pixels;
import java.awt.geom.AffineTransform;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;

/**
 * A picture in a drawing, under its painted areas: pixels, and where they lie. Place (px, py) of the pixels lies at
 * (xx px + xy py + x, yx px + yy py + y) of the drawing.
 */
public record PastedPicture(Pixels pixels, double xx, double yx, double xy, double yy, double x, double y) {

    /** Placed pixels are rounded to this many parts, so that what is written and read again is the same. */
    private static final double GRID = 1e6;

    /** @throws IllegalArgumentException when a number is not finite */
    public PastedPicture {
        if (!Double.isFinite(xx + yx + xy + yy + x + y)) {
            throw new IllegalArgumentException("A picture in a drawing is placed by finite numbers.");
        }
        xx = rounded(xx);
        yx = rounded(yx);
        xy = rounded(xy);
        yy = rounded(yy);
        x = rounded(x);
        y = rounded(y);
    }

    /** With its upper left corner at a place, pixel for pixel times a scale. */
    public static PastedPicture at(Pixels pixels, double x, double y, double scale) {
        return new PastedPicture(pixels, scale, 0, 0, scale, x, y);
    }

    /** In the middle of a shot's picture, as large as it is, or smaller where it would not fit. */
    public static PastedPicture centred(Pixels pixels, ShotSetup setup) {
        double width = pixels.size().width();
        double height = pixels.size().height();
        double fit =
                Math.min(1, Math.min(setup.size().width() / width, setup.size().height() / height));
        return at(
                pixels, (setup.size().width() - fit * width) / 2, (setup.size().height() - fit * height) / 2, fit);
    }

    public AffineTransform transform() {
        return new AffineTransform(xx, yx, xy, yy, x, y);
    }

    /** Moved, scaled or turned in its drawing. */
    public PastedPicture transformed(AffineTransform change) {
        AffineTransform all = new AffineTransform(change);
        all.concatenate(transform());
        return new PastedPicture(
                pixels,
                all.getScaleX(),
                all.getShearY(),
                all.getShearX(),
                all.getScaleY(),
                all.getTranslateX(),
                all.getTranslateY());
    }

    /** Its edge in the drawing. */
    public Path2D edge() {
        Path2D.Double edge = new Path2D.Double();
        edge.append(
                transform()
                        .createTransformedShape(new Rectangle2D.Double(
                                0, 0, pixels.size().width(), pixels.size().height())),
                false);
        return edge;
    }

    private static double rounded(double value) {
        return Math.rint(value * GRID) / GRID + 0.0;
    }
}
