package chalktrace.core.render;

import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Placement;
import java.awt.Rectangle;
import java.awt.geom.AffineTransform;
import java.util.List;
import java.util.Optional;

/**
 * A drawing of a level, as it is placed in one showing.
 *
 * @param multiply whether it darkens what lies under it instead of covering it
 * @param within what it shows through: only where that has something; none for everywhere
 *
 * @param chalks of the shot; the first serves strokes whose chalk is gone
 * @param opacity of the level, 0 to 1; the placement's own comes on top
 */
public record DrawingLayer(
        Drawing drawing,
        List<Chalk> chalks,
        InkLook look,
        Placement placement,
        double opacity,
        boolean multiply,
        Optional<DrawingLayer> within)
        implements SceneLayer {

    /** Laid over what lies under it. */
    public DrawingLayer(Drawing drawing, List<Chalk> chalks, InkLook look, Placement placement, double opacity) {
        this(drawing, chalks, look, placement, opacity, false, Optional.empty());
    }

    @Override
    public void paint(Surface surface, PixelTile tile) {
        double share = opacity * placement.opacity();
        if (!multiply && within.isEmpty()) {
            raster(surface).over(tile, share);
            return;
        }
        int[] mine = raster(surface).alone(tile);
        int[] mask = within.map(layer -> layer.raster(surface).alone(tile)).orElse(null);
        for (int y = 0; y < tile.height(); y++) {
            for (int x = 0; x < tile.width(); x++) {
                int i = y * tile.width() + x;
                int part = mask == null ? Blend.share(share) : Blend.share(share * (mask[i] >>> 24) / 255);
                int word = Blend.scale(mine[i], part);
                if (word != 0) {
                    int at = tile.index(tile.x() + x, tile.y() + y);
                    tile.pixels()[at] =
                            multiply ? Blend.multiply(tile.pixels()[at], word) : Blend.over(tile.pixels()[at], word);
                }
            }
        }
    }

    private Raster raster(Surface surface) {
        AffineTransform toDevice = surface.view().toDevice();
        toDevice.concatenate(
                placement.transform(surface.size().width() / 2.0, surface.size().height() / 2.0));
        Rectangle whole =
                new Rectangle(0, 0, surface.view().width(), surface.view().height());
        return surface.rasters()
                .get(
                        drawing,
                        List.of(look, chalks, whole),
                        toDevice,
                        () -> StrokePainter.paint(drawing, this::chalk, look, toDevice, whole));
    }

    private Chalk chalk(String id) {
        for (Chalk chalk : chalks) {
            if (chalk.id().equals(id)) {
                return chalk;
            }
        }
        return chalks.get(0);
    }
}
