package chalktrace.app.window;

import chalktrace.app.kernel.FileChoice;
import chalktrace.media.export.Exporter;
import chalktrace.media.file.ShotFile;
import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;
import javafx.stage.FileChooser.ExtensionFilter;
import javafx.stage.Window;

/** The system's own file dialogs. */
final class SystemFileChoice implements FileChoice {

    private static final String[] TABLES = {"*.csv", "*.json", "*.vtt", "*.TextGrid"};

    private final Window window;
    private File lastFolder;

    SystemFileChoice(Window window) {
        this.window = window;
    }

    @Override
    public Optional<Path> openShot() {
        return remember(chooser("Open a shot", "Shots", "*" + ShotFile.ENDING).showOpenDialog(window));
    }

    @Override
    public Optional<Path> saveShot(String suggestedName) {
        return saved(suggestedName, chooser("Save the shot", "Shots", "*" + ShotFile.ENDING));
    }

    @Override
    public Optional<List<Path>> openMedia() {
        List<File> files = chooser("Import footage or sound", "All files", "*").showOpenMultipleDialog(window);
        if (files != null && !files.isEmpty()) {
            remember(files.get(0));
        }
        return Optional.ofNullable(files)
                .map(all -> all.stream().map(File::toPath).toList());
    }

    @Override
    public Optional<Path> export(Exporter exporter, String suggestedName) {
        if (exporter.endings().isEmpty()) {
            return folder("Choose a folder: " + exporter.title());
        }
        String[] patterns =
                exporter.endings().stream().map(ending -> "*" + ending).toArray(String[]::new);
        return saved(
                suggestedName + exporter.endings().get(0),
                chooser("Export: " + exporter.title(), exporter.title(), patterns));
    }

    @Override
    public Optional<Path> openDrawing() {
        return remember(chooser("Import drawing", "Drawings and pictures", "*.svg", "*.png")
                .showOpenDialog(window));
    }

    @Override
    public Optional<Path> saveDrawing(String suggestedName) {
        return saved(suggestedName, chooser("Save the drawing", "SVG drawings", "*.svg"));
    }

    @Override
    public Optional<Path> openTable() {
        return remember(chooser("Import a table", "Tables", TABLES).showOpenDialog(window));
    }

    @Override
    public Optional<Path> saveTable(String suggestedName) {
        return saved(suggestedName, chooser("Export a table", "Tables", TABLES));
    }

    @Override
    public Optional<Path> openChart() {
        return remember(chooser("Import mouth chart", "Mouth charts", "*.json").showOpenDialog(window));
    }

    @Override
    public Optional<Path> saveChart(String suggestedName) {
        return saved(suggestedName, chooser("Write the mouth chart", "Mouth charts", "*.json"));
    }

    @Override
    public Optional<Path> saveSound(String suggestedName) {
        return saved(suggestedName, chooser("Write the mixed sound", "WAV", "*.wav"));
    }

    @Override
    public Optional<Path> folder(String title) {
        DirectoryChooser chooser = new DirectoryChooser();
        chooser.setTitle(title);
        chooser.setInitialDirectory(lastFolder);
        return Optional.ofNullable(chooser.showDialog(window)).map(File::toPath);
    }

    private FileChooser chooser(String title, String kind, String... patterns) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(title);
        chooser.getExtensionFilters().add(new ExtensionFilter(kind, patterns));
        chooser.setInitialDirectory(lastFolder);
        return chooser;
    }

    private Optional<Path> saved(String suggestedName, FileChooser chooser) {
        chooser.setInitialFileName(suggestedName);
        return remember(chooser.showSaveDialog(window));
    }

    private Optional<Path> remember(File file) {
        if (file != null) {
            lastFolder = file.getParentFile();
        }
        return Optional.ofNullable(file).map(File::toPath);
    }
}
