package chalktrace.app.testing;

import chalktrace.app.kernel.FileChoice;
import chalktrace.media.export.Exporter;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Answers questions for files in the person's place. */
public final class AnsweredFiles implements FileChoice {

    public Path shot;
    public Path saveAs;
    public Path media;
    public final Map<String, Path> exports = new HashMap<>();
    public Path folder;
    public Path drawing;
    public Path table;
    public Path chart;
    public Path sound;

    /** What was shown in its folder last. */
    public Path shown;

    @Override
    public Optional<Path> openShot() {
        return Optional.ofNullable(shot);
    }

    @Override
    public Optional<Path> saveShot(String suggestedName) {
        return Optional.ofNullable(saveAs);
    }

    @Override
    public Optional<List<Path>> openMedia() {
        return Optional.ofNullable(media).map(List::of);
    }

    @Override
    public Optional<Path> export(Exporter exporter, String suggestedName) {
        return Optional.ofNullable(exporter.endings().isEmpty() ? folder : exports.get(exporter.id()));
    }

    @Override
    public boolean showInFolder(Path file) {
        shown = file;
        return true;
    }

    @Override
    public Optional<Path> openDrawing() {
        return Optional.ofNullable(drawing);
    }

    @Override
    public Optional<Path> saveDrawing(String suggestedName) {
        return Optional.ofNullable(drawing);
    }

    @Override
    public Optional<Path> openTable() {
        return Optional.ofNullable(table);
    }

    @Override
    public Optional<Path> saveTable(String suggestedName) {
        return Optional.ofNullable(table);
    }

    @Override
    public Optional<Path> openChart() {
        return Optional.ofNullable(chart);
    }

    @Override
    public Optional<Path> saveChart(String suggestedName) {
        return Optional.ofNullable(chart);
    }

    @Override
    public Optional<Path> saveSound(String suggestedName) {
        return Optional.ofNullable(sound);
    }

    @Override
    public Optional<Path> folder(String title) {
        return Optional.ofNullable(folder);
    }
}
