package chalktrace.media.file;

import chalktrace.core.edit.DrawingPiece;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Chalk;
import java.util.List;

/**
 * What was read from a drawing outside the shot.
 *
 * @param piece as it lies in that drawing
 * @param chalks those that it refers to, as far as it describes them
 * @param width of that drawing, in its pixels; 0 where it is one of this program, whose places stay
 * @param height as {@code width}
 */
public record ImportedDrawing(DrawingPiece piece, List<Chalk> chalks, double width, double height) {

    public ImportedDrawing {
        chalks = List.copyOf(chalks);
    }

    /** By how much it has to be scaled down to fit into a picture; 1 where it does. */
    public double scaleInto(PictureSize size) {
        return width > 0 && height > 0 ? Math.min(1, Math.min(size.width() / width, size.height() / height)) : 1;
    }
}
