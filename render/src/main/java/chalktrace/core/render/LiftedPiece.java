package chalktrace.core.render;

import chalktrace.core.shot.Drawing;
import java.awt.geom.AffineTransform;

/**
 * A piece of a drawing while it is dragged. The two parts stay the same objects all the while, so that what was rasterised of
 * them serves.
 *
 * @param level on which its drawing lies, by its id
 * @param rest of the drawing
 * @param piece that is dragged
 * @param change how it is moved on the picture
 */
public record LiftedPiece(String level, Drawing rest, Drawing piece, AffineTransform change) {

    public LiftedPiece withChange(AffineTransform other) {
        return new LiftedPiece(level, rest, piece, other);
    }
}
