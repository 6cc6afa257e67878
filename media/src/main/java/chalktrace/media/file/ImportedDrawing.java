package chalktrace.media.file;

import chalktrace.core.edit.selection.DrawingPiece;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Chalk;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * What was read from a drawing outside the shot.
 *
 * @param piece as it lies in that drawing
 * @param chalks those that it refers to, as far as it describes them
 * @param width of that drawing, in its pixels; 0 where it is one of this program, whose places stay
 * @param height as {@code width}
 * @param losses what of it could not be kept as it is, and how often
 */
public record ImportedDrawing(
        DrawingPiece piece, List<Chalk> chalks, double width, double height, Map<Loss, Integer> losses) {

    /** What can't be kept as it is. */
    public enum Loss {
        GRADIENT("gradient became its average colour", "gradients became their average colours"),
        PATTERN("pattern became grey", "patterns became grey"),
        TEXT("text was left out", "texts were left out"),
        FILTER("filter was left out", "filters were left out"),
        MASK("mask was left out", "masks were left out"),
        MARKER(
                "line's arrowheads or markers may have another size",
                "lines' arrowheads or markers may have another size"),
        PICTURE(
                "picture was too large, damaged or outside the file",
                "pictures were too large, damaged or outside the file"),
        PICTURE_NOT_CLIPPED("picture shows more than its clip", "pictures show more than their clips"),
        GROUP(
                "see-through group shows its parts through each other",
                "see-through groups show their parts through each other"),
        COLOUR("shape shares the colour nearest to its own", "shapes share the colours nearest to their own");

        private final String one;
        private final String many;

        Loss(String one, String many) {
            this.one = one;
            this.many = many;
        }

        private String words(int count) {
            return count + " " + (count == 1 ? one : many);
        }
    }

    public ImportedDrawing {
        chalks = List.copyOf(chalks);
        losses = Map.copyOf(losses);
    }

    /** All of it was kept. */
    public ImportedDrawing(DrawingPiece piece, List<Chalk> chalks, double width, double height) {
        this(piece, chalks, width, height, Map.of());
    }

    /** What could not be kept, as a sentence; empty when all was. */
    public String lossWords() {
        return losses.isEmpty()
                ? ""
                : losses.entrySet().stream()
                        .sorted(Map.Entry.comparingByKey())
                        .map(loss -> loss.getKey().words(loss.getValue()))
                        .collect(Collectors.joining(", ", "Imported, but ", "."));
    }

    /** By how much it has to be scaled down to fit into a picture; 1 where it does. */
    public double scaleInto(PictureSize size) {
        return width > 0 && height > 0 ? Math.min(1, Math.min(size.width() / width, size.height() / height)) : 1;
    }
}
