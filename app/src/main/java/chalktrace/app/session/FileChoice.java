package chalktrace.app.session;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/** Asks the person for files; empty when the question was put away. Tests answer in the person's place. */
public interface FileChoice {

    Optional<Path> openShot();

    Optional<Path> saveShot(String suggestedName);

    Optional<List<Path>> openMedia();

    Optional<Path> saveMovie(String suggestedName);

    /** An SVG drawing or a PNG picture. */
    Optional<Path> openDrawing();

    Optional<Path> saveDrawing(String suggestedName);

    /** Where the exposure sheet goes, as PDF or CSV by its ending. */
    Optional<Path> saveSheet(String suggestedName);

    Optional<Path> folder(String title);
}
