package chalktrace.media.file;

import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.LevelsPart;
import chalktrace.core.shot.Reading;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotPart;
import chalktrace.core.shot.ShotTree;
import chalktrace.core.shot.Writing;
import chalktrace.core.tree.Branch;
import chalktrace.core.tree.Fields;
import chalktrace.core.tree.WrongField;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.function.UnaryOperator;

/** The shot as the JSON document of its file. Drawings stand beside it, one file each; how their contents are found is the caller's business. */
final class ShotJson {

    static final String FORMAT = "chalk-trace-shot";

    /** Gives the drawing of a file of the archive. */
    interface Drawings {
        Drawing read(int number, String file) throws DrawingSvg.BrokenDrawing;
    }

    /** Names the file of a level's drawing. */
    interface DrawingFiles {
        String of(Level level, Drawing drawing);
    }

    private ShotJson() {}

    /**
     * @param drawingFile the file that holds a drawing
     * @param path how a path of footage or sound is written
     */
    static ObjectNode write(Shot shot, DrawingFiles drawingFile, UnaryOperator<String> path) {
        Branch root = new Branch().put("format", FORMAT).put("formatVersion", ShotTree.format(shot));
        ShotTree.write(shot, root, writing(drawingFile, path));
        return TreeJson.json(root);
    }

    /** The fields of one part. */
    static ObjectNode write(Shot shot, ShotPart<?> part, DrawingFiles drawingFile, UnaryOperator<String> path) {
        Branch root = new Branch();
        ShotTree.write(shot, part, root, writing(drawingFile, path));
        return TreeJson.json(root);
    }

    /** What a level shows, as a list. */
    static JsonNode exposures(Exposures exposures) {
        Branch to = new Branch();
        LevelsPart.write(exposures, to);
        return TreeJson.json(to).path("exposures");
    }

    /**
     * @throws WrongField when a field is missing or has no sense; it names the field
     * @throws DrawingSvg.BrokenDrawing when a drawing can't be read; it names the file
     */
    static Shot read(JsonNode root, Drawings drawings, UnaryOperator<String> path)
            throws WrongField, DrawingSvg.BrokenDrawing {
        try {
            return ShotTree.read(Fields.of(TreeJson.tree(root)), reading(drawings, path));
        } catch (WrongDrawing e) {
            throw e.drawing;
        }
    }

    /** Carries a broken drawing through the document in which it is named. */
    private static final class WrongDrawing extends WrongField {

        private static final long serialVersionUID = 1;

        private final transient DrawingSvg.BrokenDrawing drawing;

        WrongDrawing(DrawingSvg.BrokenDrawing drawing) {
            super(drawing.getMessage(), drawing);
            this.drawing = drawing;
        }
    }

    private static Writing writing(DrawingFiles drawingFile, UnaryOperator<String> path) {
        return new Writing() {
            @Override
            public String drawing(Level level, Drawing drawing) {
                return drawingFile.of(level, drawing);
            }

            @Override
            public String path(String whole) {
                return path.apply(whole);
            }
        };
    }

    private static Reading reading(Drawings drawings, UnaryOperator<String> path) {
        return new Reading() {
            @Override
            public Drawing drawing(int number, String name) throws WrongField {
                try {
                    return drawings.read(number, name);
                } catch (DrawingSvg.BrokenDrawing e) {
                    throw new WrongDrawing(e);
                }
            }

            @Override
            public String path(String written) {
                return path.apply(written);
            }
        };
    }
}
