package chalktrace.core.render;

import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSampling;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Region;
import java.awt.Rectangle;
import java.awt.geom.AffineTransform;
import java.awt.geom.NoninvertibleTransformException;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;

/**
 * A picture of footage, fitted into the shot's size, then placed, lightened, tinted and faded. Shown small it is sampled
 * from its halves, so that fine detail does not sparkle.
 *
 * @param mirrored whether left and right are exchanged
 */
public record FootageLayer(FootagePictures.Shown shown, Placement placement, Footage.Look look, boolean mirrored)
        implements SceneLayer {

    /** What footage shows, as it is placed in the shot. */
    public static FootageLayer of(Footage footage, FootagePictures.Shown shown) {
        return new FootageLayer(shown, footage.placement(), footage.look(), footage.mirrored());
    }

    /** A source is halved until a device pixel covers at most this many of its samples in a row. */
    private static final double COARSEST_STEP = 1.6;

    @Override
    public boolean isGround() {
        return true;
    }

    /** Pictures are equal to themselves only. */
    @Override
    public int glance() {
        return System.identityHashCode(shown.picture());
    }

    @Override
    public boolean hides(Surface surface, PixelTile tile) {
        AffineTransform toDevice = sourceToDevice(surface);
        return shown.picture().isOpaque()
                && placement.opacity() == 1
                && isUpright(toDevice)
                && area(surface, tile, toDevice).equals(tile.bounds());
    }

    private Rectangle area(Surface surface, PixelTile tile, AffineTransform toDevice) {
        return surface.picture().intersection(tile.bounds()).intersection(covered(toDevice));
    }

    @Override
    public void paint(Surface surface, PixelTile tile) {
        AffineTransform toDevice = sourceToDevice(surface);
        Rectangle area = area(surface, tile, toDevice);
        if (area.isEmpty() || placement.opacity() == 0) {
            return;
        }
        AffineTransform toSource = inverse(toDevice);
        Picture source = picture();
        double step = Math.hypot(toSource.getScaleX(), toSource.getShearY());
        AffineTransform halving = new AffineTransform();
        while (step > COARSEST_STEP
                && surface.haste() != Haste.GLANCED
                && Math.min(source.size().width(), source.size().height()) > 1) {
            source = source.half();
            step /= 2;
            halving.preConcatenate(AffineTransform.getScaleInstance(0.5, 0.5));
        }
        toSource.preConcatenate(halving);
        Rectangle2D part = halving.createTransformedShape(storedRegion()).getBounds2D();
        Toning toning = new Toning(look, shown.picture().holdsLight() ? 0 : look.exposure(), placement.opacity());
        if (isUpright(toSource)) {
            paintUpright(source, toSource, area, tile, toning, surface.haste() == Haste.PLAYED);
        } else {
            paintTurned(source, part, toSource, area, tile, toning);
        }
    }

    /** Whether rows of the one are rows of the other, in the same order. */
    private static boolean isUpright(AffineTransform change) {
        return change.getShearX() == 0 && change.getShearY() == 0 && change.getScaleY() > 0;
    }

    /** Whole rows at once; mirrored ones are sampled from their other end and turned round. */
    private static void paintUpright(
            Picture source, AffineTransform toSource, Rectangle area, PixelTile tile, Toning toning, boolean hasty) {
        boolean reversed = toSource.getScaleX() < 0;
        double leftmost = reversed ? area.x + area.width - 0.5 : area.x + 0.5;
        double first = toSource.getScaleX() * leftmost + toSource.getTranslateX() - 0.5;
        PictureSampling columns =
                new PictureSampling(settled(first), Math.abs(toSource.getScaleX()), area.width, hasty);
        int[] row = new int[area.width];
        for (int y = area.y; y < area.y + area.height; y++) {
            double sourceY = toSource.getScaleY() * (y + 0.5) + toSource.getTranslateY() - 0.5;
            source.argbRow(columns, settled(sourceY), area.width, row);
            if (reversed) {
                reverse(row);
            }
            toning.lay(row, source.isOpaque(), area.width, tile.pixels(), tile.index(area.x, y));
        }
    }

    private static void reverse(int[] row) {
        for (int left = 0, right = row.length - 1; left < right; left++, right--) {
            int word = row[left];
            row[left] = row[right];
            row[right] = word;
        }
    }

    private static void paintTurned(
            Picture source, Rectangle2D part, AffineTransform toSource, Rectangle area, PixelTile tile, Toning toning) {
        Point2D.Double place = new Point2D.Double();
        int[] one = new int[1];
        for (int y = area.y; y < area.y + area.height; y++) {
            for (int x = area.x; x < area.x + area.width; x++) {
                place.setLocation(x + 0.5, y + 0.5);
                toSource.transform(place, place);
                if (part.contains(place)) {
                    one[0] = source.argbAt(place.x - 0.5, place.y - 0.5);
                    toning.lay(one, source.isOpaque(), 1, tile.pixels(), tile.index(x, y));
                }
            }
        }
    }

    private Picture picture() {
        Picture picture = look.oneField() ? shown.picture().oneField() : shown.picture();
        return picture.exposed(look.exposure());
    }

    private AffineTransform sourceToDevice(Surface surface) {
        AffineTransform transform = surface.view().toDevice();
        PictureSize whole = shown.displaySize();
        transform.concatenate(SourcePlace.transform(placement, mirrored, whole, shown.region(), surface.size()));
        transform.translate(whole.width() / 2.0, whole.height() / 2.0);
        transform.quadrantRotate(Math.floorMod(-shown.turnDegrees() / 90, 4));
        boolean onItsSide = shown.turnDegrees() % 180 != 0;
        double uprightWidth = onItsSide ? whole.height() : whole.width();
        double uprightHeight = onItsSide ? whole.width() : whole.height();
        PictureSize stored = shown.picture().size();
        transform.scale(uprightWidth / stored.width(), uprightHeight / stored.height());
        transform.translate(-stored.width() / 2.0, -stored.height() / 2.0);
        return transform;
    }

    /** The part of the stored picture that shows, in its samples. */
    private Rectangle2D storedRegion() {
        PictureSize stored = shown.picture().size();
        Region region = shown.region();
        AffineTransform toStored = AffineTransform.getScaleInstance(stored.width(), stored.height());
        toStored.translate(0.5, 0.5);
        toStored.quadrantRotate(Math.floorMod(shown.turnDegrees() / 90, 4));
        toStored.translate(-0.5, -0.5);
        return toStored.createTransformedShape(
                        new Rectangle2D.Double(region.x(), region.y(), region.width(), region.height()))
                .getBounds2D();
    }

    private Rectangle covered(AffineTransform toDevice) {
        Rectangle2D edge = toDevice.createTransformedShape(storedRegion()).getBounds2D();
        int left = (int) Math.ceil(edge.getMinX() - 0.5 - 1e-6);
        int top = (int) Math.ceil(edge.getMinY() - 0.5 - 1e-6);
        int right = (int) Math.ceil(edge.getMaxX() - 0.5 - 1e-6);
        int bottom = (int) Math.ceil(edge.getMaxY() - 0.5 - 1e-6);
        return new Rectangle(left, top, right - left, bottom - top);
    }

    /** Rounding in the chain of transforms must not turn a 1:1 view into a resampled one. */
    private static double settled(double position) {
        double whole = Math.rint(position);
        return Math.abs(position - whole) < 1e-6 ? whole : position;
    }

    private static AffineTransform inverse(AffineTransform transform) {
        try {
            AffineTransform inverse = transform.createInverse();
            boolean plainStep = Math.abs(inverse.getScaleX() - 1) < 1e-9 && Math.abs(inverse.getScaleY() - 1) < 1e-9;
            return plainStep && inverse.getShearX() == 0 && inverse.getShearY() == 0
                    ? AffineTransform.getTranslateInstance(inverse.getTranslateX(), inverse.getTranslateY())
                    : inverse;
        } catch (NoninvertibleTransformException e) {
            throw new AssertionError("scales of views and placements are never 0", e);
        }
    }
}
