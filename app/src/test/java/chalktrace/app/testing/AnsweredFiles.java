package chalktrace.app.testing;

import chalktrace.app.session.FileChoice;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/** Answers questions for files in the person's place. */
public final class AnsweredFiles implements FileChoice {

    public Path shot;
    public Path saveAs;
    public Path media;
    public Path movie;
    public Path folder;
    public Path drawing;
    public Path sheet;
    public Path table;
    public Path chart;
    public Path sound;

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
    public Optional<Path> saveMovie(String suggestedName) {
        return Optional.ofNullable(movie);
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
    public Optional<Path> saveSheet(String suggestedName) {
        return Optional.ofNullable(sheet);
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
