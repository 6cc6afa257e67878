package chalktrace.core.render;

import chalktrace.core.shot.MouthPlace;
import chalktrace.core.speech.MouthDrawings;
import chalktrace.core.speech.MouthShape;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Rectangle;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;

/** The mouth of a frame, drawn where the shot has its mouths. */
public record MouthLayer(MouthShape shape, MouthPlace place) implements SceneLayer {

    private static final double LIP_WIDTH = 0.07;

    @Override
    public void paint(Surface surface, PixelTile tile) {
        AffineTransform toDevice = surface.view().toDevice();
        toDevice.translate(place.x(), place.y());
        toDevice.scale(place.width(), place.width());
        Rectangle area = tile.bounds();
        Rectangle2D covered = toDevice.createTransformedShape(new Rectangle2D.Double(-1, -1, 2, 2))
                .getBounds2D();
        Rasterizer.paint(covered, area, graphics -> {
                    for (MouthShape.Part part : shape.parts()) {
                        graphics.setColor(
                                new Color(MouthDrawings.color(part.role()).argb(), true));
                        graphics.fill(toDevice.createTransformedShape(outline(part)));
                    }
                })
                .over(tile, 1);
    }

    private static Shape outline(MouthShape.Part part) {
        return part.role() == MouthShape.Role.LIPS
                ? new BasicStroke((float) LIP_WIDTH, BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND)
                        .createStrokedShape(part.path())
                : part.path();
    }
}
