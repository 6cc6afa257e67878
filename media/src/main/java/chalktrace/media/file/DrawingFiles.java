package chalktrace.media.file;

import chalktrace.core.edit.selection.DrawingPiece;
import chalktrace.core.fill.Fill;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.PastedPicture;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.LineShape;
import chalktrace.core.stroke.Stroke;
import chalktrace.media.UnreadableException;
import chalktrace.media.UnwritableException;
import chalktrace.media.WrittenFile;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;

/** Drawings outside the shot: SVG and PNG, in files and through the system's clipboard. */
public final class DrawingFiles {

    private static final long MOST_BYTES = 100L << 20;

    private DrawingFiles() {}

    /** A drawing, or a piece of one, as SVG that holds all that it needs to come back without loss. */
    public static byte[] svg(DrawingPiece piece, Shot shot) {
        Collection<Chalk> used = Stream.concat(
                        piece.strokes().stream().map(Stroke::chalk),
                        piece.fills().stream().flatMap(Fill::chalks))
                .distinct()
                .map(shot::chalk)
                .distinct()
                .toList();
        Drawing drawing = Drawing.of(1, piece.items());
        return DrawingSvg.write(drawing, shot.setup().size(), shot::chalk, used);
    }

    /** How many strokes of a dry tip there are: SVG has no grain, so that other programs show them even. */
    public static long withoutGrain(DrawingPiece piece, Shot shot) {
        return piece.strokes().stream()
                .filter(stroke -> shot.chalk(stroke.chalk()).line().tip() == LineShape.Tip.DRY)
                .count();
    }

    /**
     * Writes a drawing as SVG; a file that is there is replaced only by a whole one.
     *
     * @throws UnwritableException when it can't be written
     */
    public static void write(Path file, DrawingPiece piece, Shot shot) throws UnwritableException {
        Path target = file.toAbsolutePath();
        try (WrittenFile written = new WrittenFile(target)) {
            Files.write(written.path(), svg(piece, shot));
            written.done();
        } catch (IOException e) {
            throw UnwritableException.of(target, "saved", "Nothing was changed.", e);
        }
    }

    /**
     * Reads a drawing of this program or of another, or a PNG picture.
     *
     * @throws UnreadableException when it is neither, or damaged, or too large
     */
    public static ImportedDrawing read(Path file) throws UnreadableException {
        try {
            if (Files.size(file) > MOST_BYTES) {
                throw UnreadableException.of(
                        file, "has more than " + (MOST_BYTES >> 20) + " MB", "Choose a smaller file.");
            }
            byte[] bytes = Files.readAllBytes(file);
            boolean png = file.toString().toLowerCase(Locale.ROOT).endsWith(".png");
            return png ? png(file, bytes) : svg(file, bytes);
        } catch (IOException e) {
            throw UnreadableException.of(file, "can't be read (" + e.getMessage() + ")", "Choose another file.", e);
        }
    }

    /** @param source named in the message when it can't be read */
    public static ImportedDrawing svg(Path source, byte[] svg) throws UnreadableException {
        try {
            if (new String(svg, StandardCharsets.UTF_8).contains(DrawingSvg.OWN)) {
                DrawingSvg.WithChalks own = DrawingSvg.readWithChalks(1, svg);
                Drawing drawing = own.drawing();
                return new ImportedDrawing(new DrawingPiece(drawing.items()), own.chalks(), 0, 0);
            }
            return ForeignSvg.read(svg);
        } catch (DrawingSvg.BrokenDrawing e) {
            throw UnreadableException.of(source, e.getMessage(), "Save it again as SVG 1.1, or choose another.", e);
        }
    }

    /** @param source named in the message when it can't be read */
    public static ImportedDrawing png(Path source, byte[] png) throws UnreadableException {
        try {
            PastedPicture picture = PastedPicture.at(PngPixels.read(png), 0, 0, 1);
            return new ImportedDrawing(
                    new DrawingPiece(List.of(), List.of(), List.of(picture)),
                    List.of(),
                    picture.pixels().size().width(),
                    picture.pixels().size().height());
        } catch (IllegalArgumentException e) {
            throw UnreadableException.of(source, e.getMessage(), "Choose another picture.", e);
        }
    }
}
