package chalktrace.app.window;

import chalktrace.app.kernel.FileChoice;
import chalktrace.app.words.Words;
import chalktrace.media.export.Exporter;
import chalktrace.media.file.ShotFile;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
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
        return remember(chooser(Words.DESK.of("open-a-shot"), Words.DESK.of("shots"), "*" + ShotFile.ENDING)
                .showOpenDialog(window));
    }

    @Override
    public Optional<Path> saveShot(String suggestedName) {
        return saved(
                suggestedName, chooser(Words.DESK.of("save-the-shot"), Words.DESK.of("shots"), "*" + ShotFile.ENDING));
    }

    @Override
    public Optional<List<Path>> openMedia() {
        List<File> files = chooser(Words.DESK.of("import-footage-or-sound"), Words.DESK.of("all-files"), "*")
                .showOpenMultipleDialog(window);
        if (files != null && !files.isEmpty()) {
            remember(files.get(0));
        }
        return Optional.ofNullable(files)
                .map(all -> all.stream().map(File::toPath).toList());
    }

    @Override
    public Optional<Path> export(Exporter exporter, String suggestedName) {
        if (exporter.endings().isEmpty()) {
            return folder(Words.DESK.of("choose-a-folder", exporter.title()));
        }
        String[] patterns =
                exporter.endings().stream().map(ending -> "*" + ending).toArray(String[]::new);
        return saved(
                suggestedName + exporter.endings().get(0),
                chooser(Words.DESK.of("export", exporter.title()), exporter.title(), patterns));
    }

    @Override
    public boolean showInFolder(Path file) {
        Path folder = Files.isDirectory(file) ? file : file.toAbsolutePath().getParent();
        String system = System.getProperty("os.name").toLowerCase(Locale.ROOT);
        String opener = system.contains("win") ? "explorer" : system.contains("mac") ? "open" : "xdg-open";
        try {
            new ProcessBuilder(opener, folder.toString())
                    .redirectErrorStream(true)
                    .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                    .start();
            return true;
        } catch (IOException e) {
            return false;
        }
    }

    @Override
    public Optional<Path> openDrawing() {
        return remember(
                chooser(Words.DESK.of("import-drawing"), Words.DESK.of("drawings-and-pictures"), "*.svg", "*.png")
                        .showOpenDialog(window));
    }

    @Override
    public Optional<Path> saveDrawing(String suggestedName) {
        return saved(suggestedName, chooser(Words.DESK.of("save-the-drawing"), Words.DESK.of("svg-drawings"), "*.svg"));
    }

    @Override
    public Optional<Path> openTable() {
        return remember(chooser(Words.DESK.of("import-a-table"), Words.DESK.of("tables"), TABLES)
                .showOpenDialog(window));
    }

    @Override
    public Optional<Path> saveTable(String suggestedName) {
        return saved(suggestedName, chooser(Words.DESK.of("export-a-table"), Words.DESK.of("tables"), TABLES));
    }

    @Override
    public Optional<Path> openChart() {
        return remember(chooser(Words.DESK.of("import-mouth-chart"), Words.DESK.of("mouth-charts"), "*.json")
                .showOpenDialog(window));
    }

    @Override
    public Optional<Path> saveChart(String suggestedName) {
        return saved(
                suggestedName,
                chooser(Words.DESK.of("write-the-mouth-chart"), Words.DESK.of("mouth-charts"), "*.json"));
    }

    @Override
    public Optional<Path> saveSound(String suggestedName) {
        return saved(suggestedName, chooser(Words.DESK.of("write-the-mixed-sound"), Words.DESK.of("wav"), "*.wav"));
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
