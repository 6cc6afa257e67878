package chalktrace.core.render;

import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Drawing;
import chalktrace.core.stroke.Stroke;
import java.awt.Rectangle;
import java.util.List;

/** The stroke under the pen, not yet part of a drawing; given as it looks on the picture. */
public record StrokeLayer(Stroke stroke, Chalk chalk, double opacity) implements SceneLayer {

    @Override
    public SceneLayer underPen(StrokeLayer stroke) {
        return stroke;
    }

    @Override
    public void paint(Surface surface, PixelTile tile) {
        Rectangle area = tile.bounds();
        StrokePainter.paint(
                        new Drawing(1, List.of(stroke)),
                        id -> chalk,
                        InkLook.CHALK,
                        surface.view().toDevice(),
                        area)
                .over(tile, opacity);
    }
}
