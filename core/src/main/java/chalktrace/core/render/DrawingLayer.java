package chalktrace.core.render;

import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Placement;
import java.awt.Rectangle;
import java.awt.geom.AffineTransform;
import java.util.List;

/**
 * A drawing of a level, as it is placed in one showing.
 *
 * @param chalks of the shot; the first serves strokes whose chalk is gone
 * @param opacity of the level, 0 to 1; the placement's own comes on top
 */
public record DrawingLayer(Drawing drawing, List<Chalk> chalks, InkLook look, Placement placement, double opacity)
        implements SceneLayer {

    @Override
    public void paint(Surface surface, PixelTile tile) {
        AffineTransform toDevice = surface.view().toDevice();
        toDevice.concatenate(
                placement.transform(surface.size().width() / 2.0, surface.size().height() / 2.0));
        Rectangle whole =
                new Rectangle(0, 0, surface.view().width(), surface.view().height());
        Raster raster = surface.rasters()
                .get(
                        drawing,
                        List.of(look, chalks, whole),
                        toDevice,
                        () -> StrokePainter.paint(drawing.strokes(), this::chalk, look, toDevice, whole));
        raster.over(tile, opacity * placement.opacity());
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
