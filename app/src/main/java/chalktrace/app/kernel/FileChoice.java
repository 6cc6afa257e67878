package chalktrace.app.kernel;

import chalktrace.media.export.Exporter;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/** Asks the person for files, and shows where they lie; empty when the question was put away. Tests answer in the person's place. */
public interface FileChoice {

    Optional<Path> openShot();

    Optional<Path> saveShot(String suggestedName);

    Optional<List<Path>> openMedia();

    /** Where an export goes: a file of one of its endings, or a folder. */
    Optional<Path> export(Exporter exporter, String suggestedName);

    /** Opens the system's own view of the folder that a file is in, or of a folder. @return whether there is such a view */
    boolean showInFolder(Path file);

    /** An SVG drawing or a PNG picture. */
    Optional<Path> openDrawing();

    Optional<Path> saveDrawing(String suggestedName);

    /** Words, phones, mouths and cues as CSV, JSON, WebVTT or TextGrid, by the ending. */
    Optional<Path> openTable();

    Optional<Path> saveTable(String suggestedName);

    /** A mouth chart as JSON. */
    Optional<Path> openChart();

    Optional<Path> saveChart(String suggestedName);

    Optional<Path> saveSound(String suggestedName);

    Optional<Path> folder(String title);
}
